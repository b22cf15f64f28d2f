package inkel.core.levels.rules;

import inkel.core.catalog.PinUse;
import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.SupplyWire;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.Conductor;
import inkel.core.formula.Verdict;
import inkel.core.levels.GroundShift;
import inkel.core.levels.LevelReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Reports large currents that come back through a ground wire and lift it so far that other wires are read worse. */
public final class GroundLiftRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.ground_lift", Severity.LOOK, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return GroundShift.of(levels).stream()
                .map(shift -> describe(levels.circuit(), shift))
                .toList();
    }

    private static Finding describe(Circuit circuit, GroundShift shift) {
        boolean isRead = shift.worst() == Verdict.THIN;
        boolean isAnalog = isRead
                && shift.signals().stream().allMatch(signal -> shift.node()
                        .pin(signal.endpoint())
                        .filter(pin -> pin.use() == PinUse.ANALOG)
                        .isPresent());
        SupplyWire wire = new SupplyWire(shift.lifter(), shift.node().habits());
        return Finding.of(INFO, shift.node().place(shift.lifted()))
                .variant(isAnalog ? "analog" : isRead ? "thin" : "not_read")
                .with("part", shift.lifted().part().name())
                .with("lifter", shift.lifter().part().name())
                .with("count", shift.signals().size())
                .with("signals", shift.signals().stream().map(Place::pin).toList())
                .number("ground_lift", shift.volts(), Source.COMPUTED)
                .number("ground_wire", wire.back(), wire.source())
                .fixes(() -> ways(circuit, shift))
                .build();
    }

    /** A way back of its own, a thicker wire, another supply: each tried, and only what settles it. */
    private static List<Fix> ways(Circuit circuit, GroundShift shift) {
        List<Fix> ways = new ArrayList<>();
        Predicate<Fix> settles = fix -> settles(circuit, shift, fix);
        stars(shift).filter(settles).forEach(ways::add);
        // Of each part's wires the thinnest that is enough.
        both(shift)
                .flatMap(placed -> wires(shift, placed).filter(settles).limit(1))
                .forEach(ways::add);
        supplies(circuit, shift).stream().filter(settles).forEach(ways::add);
        return ways;
    }

    private static Stream<Placed> both(GroundShift shift) {
        return Stream.of(shift.lifter(), shift.lifted()).distinct();
    }

    private static Stream<Fix> stars(GroundShift shift) {
        return both(shift)
                .filter(placed -> !placed.part().isBoard() && !placed.part().has(Settings.GROUND))
                .map(placed -> set(
                        shift.node(),
                        placed,
                        "star-" + placed.id(),
                        Settings.GROUND,
                        "own",
                        Fact.of("fix.ground_star")));
    }

    private static Stream<Fix> wires(GroundShift shift, Placed placed) {
        return Conductor.USUAL_GAUGES.stream()
                .filter(gauge -> gauge < new SupplyWire(placed, shift.node().habits()).gauge())
                .map(gauge -> set(
                        shift.node(),
                        placed,
                        "gauge-" + placed.id() + "-" + gauge,
                        Settings.GAUGE,
                        Integer.toString(gauge),
                        Fact.of("fix.ground_gauge").with("gauge", gauge)));
    }

    private static Fix set(NodeCircuit node, Placed placed, String id, Setting<?> setting, String value, Fact title) {
        return new Fix(
                id,
                title.with("part", placed.part().name()),
                Fact.of(title.key() + ".cost"),
                List.of(new SetSetting(node.node().id(), placed.id(), setting, value)));
    }

    /** Only for what hangs on the board. */
    private static List<Fix> supplies(Circuit circuit, GroundShift shift) {
        Placed lifter = shift.lifter();
        NodeCircuit node = shift.node();
        return lifter.cls().supplies().stream()
                .filter(supply -> {
                    Endpoint feed = lifter.part().feeds().get(supply.pin());
                    return feed != null && node.isMadeFrom(feed, Part.BOARD);
                })
                .flatMap(supply -> new FeedFixes(node, circuit.catalog())
                        .of(lifter, supply, Voltage.ZERO, rail -> !node.isMadeFrom(rail, Part.BOARD)).stream())
                .toList();
    }

    private static boolean settles(Circuit circuit, GroundShift shift, Fix fix) {
        return Proof.holds(circuit, fix, after -> {
            Set<Place> left = GroundShift.of(after).stream()
                    .flatMap(other -> other.signals().stream())
                    .collect(Collectors.toSet());
            return shift.signals().stream().noneMatch(left::contains);
        });
    }
}
