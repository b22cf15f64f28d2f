package inkel.core.pins.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.I2cBus;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports a bus whose pull-ups together are so strong that a member cannot pull it low. */
public final class PullupStrongRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("i2c.pullup_strong", Severity.LOOK, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        return I2cBus.once(report.i2cBuses().stream().filter(I2cBus::isPullStrong)).stream()
                .map(PullupStrongRule::describe)
                .toList();
    }

    private static Finding describe(I2cBus bus) {
        return Finding.of(INFO, bus.node().place(bus.line()))
                .with("pin", bus.line().pin())
                .with("count", bus.pullCount())
                .number("pull", bus.pull().orElseThrow(), Source.COMPUTED)
                .number("bus_volts", bus.volts().orElseThrow(), Source.COMPUTED)
                .number("sinks", bus.mode().sink(), Source.RULE)
                .number("pull_least", bus.strongest().orElseThrow(), Source.COMPUTED)
                .fix(() -> takeOff(bus))
                .build();
    }

    /** A pull-up on SDA, fed or not. */
    private record Found(NodeCircuit node, Placed placed, Resistance resistance) {}

    private static Stream<Found> found(I2cBus bus) {
        return Stream.concat(
                bus.pulls().stream()
                        .map(pull ->
                                new Found(bus.node(), pull.placed(), pull.pull().resistance())),
                bus.farPulls().stream()
                        .flatMap(pull -> pull.node().part(pull.at().part()).stream()
                                .map(placed -> new Found(pull.node(), placed, pull.resistance()))));
    }

    /**
     * The strongest first, until the rest is weak enough; one pair stays, and what is soldered on a board. A pair of another table
     * is cut off there.
     */
    private static Optional<Fix> takeOff(I2cBus bus) {
        List<Found> left = new ArrayList<>(found(bus)
                .sorted(Comparator.comparing(pull -> pull.resistance().ohms()))
                .toList());
        List<Found> off = new ArrayList<>();
        for (Found pull : List.copyOf(left)) {
            if (left.size() > 1 && isStrong(left, bus) && !pull.placed().part().isBoard()) {
                left.remove(pull);
                off.add(pull);
            }
        }
        if (off.isEmpty() || isStrong(left, bus)) {
            return Optional.empty();
        }
        List<Edit> edits = off.stream()
                .map(pull -> (Edit)
                        new SetSetting(pull.node().node().id(), pull.placed().id(), Settings.PULL_UPS, "off"))
                .toList();
        return Optional.of(new Fix(
                "pull-ups-off",
                Fact.of("fix.pull_ups_off")
                        .with(
                                "part",
                                off.stream()
                                        .map(pull -> pull.placed().part().name())
                                        .distinct()
                                        .toList()),
                Fact.of("fix.pull_ups_off.cost"),
                edits));
    }

    private static boolean isStrong(List<Found> pulls, I2cBus bus) {
        Resistance together = pulls.stream()
                .map(Found::resistance)
                .reduce(Resistance::parallelTo)
                .orElseThrow();
        return Quantity.exceeds(bus.strongest().orElseThrow(), together);
    }
}
