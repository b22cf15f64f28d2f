package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.I2cBus;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Share;
import inkel.core.quantity.Source;
import inkel.core.remedy.BusClock;
import java.util.List;
import java.util.Optional;

/** Reports an I2C bus that the polls of its parts keep busy for most of the time. */
public final class BusBusyRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("i2c.bus_busy", Severity.LOOK, Stage.PINS);

    /** So that a whole number of polls that just fits is not rounded down to one fewer. */
    private static final double ROUNDING = 1e-9;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return report.i2cBuses().stream()
                .filter(I2cBus::isBusy)
                .map(BusBusyRule::describe)
                .toList();
    }

    private static Finding describe(I2cBus bus) {
        Placed busiest = bus.busiest().orElseThrow();
        return Finding.of(INFO, bus.node().place(bus.line()))
                .with("pin", bus.line().pin())
                .with("part", busiest.part().name())
                .number("clock", bus.clock(), bus.clockSource())
                .number("use", bus.use(), Source.COMPUTED)
                .number("use_of_busiest", bus.use(busiest), Source.COMPUTED)
                .number("most_use", I2cBus.MOST_USE, Source.RULE)
                .fix(() -> faster(bus))
                .fix(() -> fewerPolls(bus, busiest))
                .build();
    }

    /** The slowest usual speed that frees the bus, where every member takes it and the wires rise in time. */
    private static Optional<Fix> faster(I2cBus bus) {
        return I2cBus.SPEEDS.stream()
                .filter(bus::bears)
                .filter(speed -> !Share.of(bus.use().ratio() * bus.clock().hertz() / speed.hertz())
                        .isAbove(I2cBus.MOST_USE))
                .findFirst()
                .map(speed -> BusClock.faster(bus.node(), speed));
    }

    /** So many that the bus is as busy as it may be; none where the others alone fill it. */
    private static Optional<Fix> fewerPolls(I2cBus bus, Placed busiest) {
        double others = bus.use().ratio() - bus.use(busiest).ratio();
        double left = I2cBus.MOST_USE.ratio() - others;
        double now = I2cBus.polls(
                        busiest, busiest.cls().i2c().orElseThrow().traffic().orElseThrow())
                .hertz();
        double most = now * left / bus.use(busiest).ratio() + ROUNDING;
        double whole = Math.floor(most);
        double polls = whole == 0 ? Math.floor(most * 10) / 10 : whole;
        return polls <= 0
                ? Optional.empty()
                : Optional.of(new Fix(
                        "fewer-polls",
                        Fact.of("fix.polls").with("part", busiest.part().name()).with("polls", polls),
                        Fact.of("fix.polls.cost"),
                        List.of(new SetSetting(
                                bus.node().node().id(),
                                busiest.id(),
                                Settings.POLLS,
                                Engineering.print(Frequency.ofHertz(polls))))));
    }
}
