package inkel.core.levels.rules;

import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.ESeries;
import inkel.core.levels.AnalogLevel;
import inkel.core.levels.LevelReport;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.remedy.PinNames;
import java.util.List;
import java.util.Optional;

/** Reports a voltage behind more resistance than the converter's own capacitor is filled through in time. */
public final class SourceResistanceRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("adc.source_resistance", Severity.LOOK, Stage.LEVELS);

    /** A thousand times what a converter takes for a reading, so that it stays within a code or so. */
    private static final Capacitance HOLD = Capacitance.ofFarads(100e-9);

    private static final Resistance LITTLE = Resistance.ofOhms(100);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return levels.analog().stream()
                .filter(AnalogLevel::isSourceTooWeak)
                .map(SourceResistanceRule::describe)
                .toList();
    }

    private static Finding describe(AnalogLevel level) {
        return Finding.of(INFO, level.signal())
                .with("signal", PinNames.of(level.node(), level.signal().endpoint()))
                .with("to", PinNames.of(level.node(), level.to()))
                .number("resistance", level.sourceResistance().orElseThrow(), Source.COMPUTED)
                .number("source_limit", level.group().sourceMax(), Source.CLASS)
                .fix(() -> lighter(level))
                .build();
    }

    private static Optional<Fix> lighter(AnalogLevel level) {
        Endpoint signal = level.signal().endpoint();
        String node = level.node().node().id();
        Between between = level.node().between(signal).orElse(null);
        if (between instanceof Between.Divider divider) {
            double tenth = 1;
            while (level.sourceResistance().orElseThrow().ohms() * tenth
                    > level.group().sourceMax().ohms()) {
                tenth /= 10;
            }
            Resistance upper = divider.series().times(tenth);
            Resistance lower = divider.toGround().times(tenth);
            return Optional.of(new Fix(
                    "divider-" + signal,
                    Fact.of("fix.lighter_divider").with("upper", upper).with("lower", lower),
                    Fact.of("fix.lighter_divider.cost"),
                    List.of(new Insert(node, new Between.Divider(signal, upper, lower, Extras.NONE)))));
        }
        if (between instanceof Between.PulledUp up) {
            Resistance value = stronger(level, up.pullUp());
            Between piece = new Between.PulledUp(signal, value, up.extras());
            return Optional.of(beside(level, piece, "fix.pull_up_at_pin", value));
        }
        if (between instanceof Between.PulledDown down) {
            Resistance value = stronger(level, down.toGround());
            Between piece = new Between.PulledDown(signal, value, down.extras());
            return Optional.of(beside(level, piece, "fix.pull_down_at_pin", value));
        }
        Resistance in = between instanceof Between.Series series ? series.resistance() : LITTLE;
        return Optional.of(new Fix(
                "hold-" + signal,
                Fact.of("fix.hold").with("value", HOLD).with("pin", level.to().pin()),
                Fact.of("fix.hold.cost"),
                List.of(new Insert(node, new Between.Series(signal, in, Optional.of(HOLD), Extras.NONE)))));
    }

    /** The largest resistor beside a resistance with which both together are weak enough at the limit. */
    private static Resistance stronger(AnalogLevel level, Resistance now) {
        double together = 1 / level.sourceResistance().orElseThrow().ohms();
        double sensor = together - 1 / now.ohms();
        double least = 1 / level.group().sourceMax().ohms() - sensor;
        return Resistance.ofOhms(ESeries.E12.atMost(1 / least));
    }

    private static Fix beside(AnalogLevel level, Between piece, String key, Resistance value) {
        return new Fix(
                "beside-" + piece.signal(),
                Fact.of(key).with("value", value).with("pin", level.to().pin()),
                Fact.of("fix.beside.cost"),
                List.of(new Insert(level.node().node().id(), piece)));
    }
}
