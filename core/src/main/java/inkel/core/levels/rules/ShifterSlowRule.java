package inkel.core.levels.rules;

import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.LevelReport;
import inkel.core.levels.ShifterSpeed;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Source;
import inkel.core.remedy.PinNames;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Reports a wire that is clocked faster than a transistor shifter lets it rise; a whole SPI bus once. */
public final class ShifterSlowRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.shifter_slow", Severity.LOOK, Stage.LEVELS);

    /** Rates that are tried where a part does not tell its own. */
    private static final List<Double> USUAL_RATES = List.of(57_600.0, 38_400.0, 19_200.0, 9600.0, 4800.0);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        List<Finding> findings = new ArrayList<>();
        Set<String> toldSpi = new HashSet<>();
        for (ShifterSpeed speed : levels.shifters()) {
            if (speed.isSlow()
                    && (!speed.isSpi() || toldSpi.add(speed.node().node().id()))) {
                findings.add(describe(speed));
            }
        }
        return findings;
    }

    private static Finding describe(ShifterSpeed speed) {
        return Finding.of(INFO, speed.node().place(speed.way().signal()))
                .with("signal", PinNames.of(speed.node(), speed.way().signal()))
                .number("pull", speed.pull(), Source.CLASS)
                .number("bus_weight", speed.capacitance(), Source.RULE)
                .number("rise", speed.rise(), Source.COMPUTED)
                .number("rise_allowed", speed.allowed(), Source.COMPUTED)
                .number("clock", speed.speed(), speed.speedSource())
                .number("clock_limit", speed.most(), Source.COMPUTED)
                .fix(() -> slower(speed))
                .build();
    }

    private static Optional<Fix> slower(ShifterSpeed speed) {
        String node = speed.node().node().id();
        if (speed.isSpi()) {
            return speed.suitableSpi()
                    .map(clock -> fix(node, speed.node().board().id(), Settings.SPI_CLOCK, clock));
        }
        List<Double> known = speed.node().part(speed.way().signal().part()).stream()
                .flatMap(placed -> placed.cls().uart().stream())
                .flatMap(need -> need.rates().stream())
                .map(Frequency::hertz)
                .toList();
        return (known.isEmpty() ? USUAL_RATES : known)
                .stream()
                        .filter(rate -> rate <= speed.most().hertz())
                        .max(Comparator.naturalOrder())
                        .map(rate -> fix(node, speed.way().signal().part(), Settings.BAUD, Frequency.ofHertz(rate)));
    }

    private static Fix fix(String node, String part, Setting<?> setting, Frequency clock) {
        String text =
                setting.equals(Settings.BAUD) ? String.valueOf(Math.round(clock.hertz())) : Engineering.print(clock);
        return new Fix(
                "slower",
                Fact.of("fix.slower").with("clock", text),
                Fact.of("fix.i2c_clock.cost"),
                List.of(new SetSetting(node, part, setting, text)));
    }
}
