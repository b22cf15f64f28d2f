package inkel.core.power.rules;

import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.edit.RemoveWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Fact;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Reports a winding between its supply and ground with nothing that switches it: it is on for good, and burns. */
public final class AlwaysOnRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.always_on", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.circuit().nodes().stream()
                .flatMap(node -> node.parts().stream().flatMap(placed -> of(report.circuit(), node, placed)))
                .toList();
    }

    private static Stream<Finding> of(Circuit circuit, NodeCircuit node, Placed placed) {
        List<Endpoint> feeds = placed.cls().supplies().stream()
                .flatMap(supply -> Optional.ofNullable(placed.part().feeds().get(supply.pin())).stream())
                .toList();
        boolean isOn =
                !feeds.isEmpty() && feeds.stream().noneMatch(feed -> isSwitched(circuit, node, feed, new HashSet<>()));
        return placed.cls().demands().pinLoads().stream()
                .filter(load -> isOn && load.sort() == PinLoad.Sort.COIL && isGrounded(node, placed, load))
                .map(load -> describe(node, placed, load));
    }

    private static boolean isGrounded(NodeCircuit node, Placed placed, PinLoad load) {
        return node.wire(new Endpoint(placed.id(), load.pin()))
                .flatMap(wire -> node.pin(wire.to()))
                .filter(pin -> pin.use() == PinUse.GROUND)
                .isPresent();
    }

    /** Whether a contact is on the way of a rail, also on the tables that leads bring it from; these may run in a circle. */
    private static boolean isSwitched(Circuit circuit, NodeCircuit node, Endpoint rail, Set<Place> seen) {
        if (!seen.add(node.place(rail))) {
            return false;
        }
        for (Endpoint above : node.upToSource(rail)) {
            boolean isContact =
                    node.rail(above).flatMap(found -> found.output().contact()).isPresent();
            Optional<Place> far = node.part(above.part())
                    .flatMap(lead -> lead.own(Settings.RAIL))
                    .flatMap(Place::parsePin);
            if (isContact
                    || far.filter(place -> circuit.node(place.node())
                                    .filter(giver -> isSwitched(circuit, giver, place.endpoint(), seen))
                                    .isPresent())
                            .isPresent()) {
                return true;
            }
        }
        return false;
    }

    private static Finding describe(NodeCircuit node, Placed placed, PinLoad load) {
        Endpoint signal = new Endpoint(placed.id(), load.pin());
        return Finding.of(INFO, node.place(signal))
                .with("part", placed.part().name())
                .with("pin", load.pin())
                .number(
                        "coil_current",
                        load.current().range().highest(),
                        load.current().source())
                .fix(() -> ByContact.of(
                        node, signal, SwitchBoard.most(placed.cls(), load), Fact.of("fix.by_contact.tied.cost")))
                .fix(new Fix(
                        "off-ground",
                        Fact.of("fix.off_ground")
                                .with("pin", load.pin())
                                .with("part", placed.part().name()),
                        Fact.of("fix.off_ground.cost"),
                        List.of(new RemoveWire(node.node().id(), signal))))
                .build();
    }
}
