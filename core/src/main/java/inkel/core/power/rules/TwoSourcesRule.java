package inkel.core.power.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.DoubleFeed;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.RailNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports two sources that meet on one rail with nothing between them. */
public final class TwoSourcesRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.two_sources", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.doubles().stream().map(TwoSourcesRule::describe).toList();
    }

    private static Finding describe(DoubleFeed twice) {
        Endpoint rail = new Endpoint(twice.placed().id(), twice.output().pin());
        List<Fix> fixes = new ArrayList<>();
        // The usual way in comes first in the list, so that the other one is offered first for taking off.
        for (int i = twice.pins().size() - 1; i >= 0; i--) {
            fixes.add(takeOff(twice, twice.pins().get(i)));
        }
        // The usual way in keeps all of its volts where the other one can do with less.
        Stream.of(1, 0)
                .filter(which -> which == 1 || !twice.isCharging())
                .map(twice.pins()::get)
                .filter(pin -> bearsDiode(twice, pin))
                .findFirst()
                .ifPresent(pin -> fixes.add(1, diode(twice, pin)));
        Finding.Builder finding = Finding.of(INFO, twice.node().place(rail));
        if (twice.isCharging()) {
            finding.variant("charges");
        }
        return finding.with("rail", RailNames.of(twice.node(), rail))
                .with("one", feedOf(twice, twice.pins().get(0)))
                .with("other", feedOf(twice, twice.pins().get(1)))
                .fixes(() -> fixes)
                .build();
    }

    private static Fact feedOf(DoubleFeed twice, String pin) {
        return RailNames.of(twice.node(), twice.placed().part().feeds().get(pin));
    }

    private static Fix takeOff(DoubleFeed twice, String pin) {
        return new Fix(
                "take-off-" + pin,
                Fact.of("fix.take_off").with("source", feedOf(twice, pin)),
                Fact.of("fix.take_off.cost"),
                List.of(new Unfeed(twice.node().node().id(), twice.placed().id(), pin)));
    }

    /** Whether a supply pin has enough left behind a diode. */
    private static boolean bearsDiode(DoubleFeed twice, String pin) {
        Optional<Voltage> left = twice.node()
                .railOf(twice.placed(), pin)
                .flatMap(Rail::volts)
                .map(volts -> volts.lowest().minus(Placed.DIODE));
        Optional<Voltage> least = twice.placed().cls().supply(pin).map(supply -> supply.range()
                .range()
                .lowest());
        return left.isEmpty() || least.isEmpty() || !left.get().isBelow(least.get());
    }

    private static Fix diode(DoubleFeed twice, String pin) {
        return new Fix(
                "diode-" + pin,
                Fact.of("fix.diode").with("source", feedOf(twice, pin)),
                Fact.of("fix.diode.cost"),
                List.of(new SetSetting(twice.node().node().id(), twice.placed().id(), Settings.DIODE, pin)));
    }
}
