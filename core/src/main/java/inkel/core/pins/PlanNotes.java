package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.BusLine;
import inkel.core.catalog.I2cNeed;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Wire;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * What must be told of a plan besides where its wires go.
 *
 * @param software wires of buses and ports that the program drives on plain pins
 * @param boards ends of serial lines to other boards that it drives so
 * @param straps ties that give a part its address
 * @param startUp wires on pins that the board looks at while it starts
 */
public record PlanNotes(List<Wire> software, List<LinkEnd> boards, List<Wire> straps, List<Wire> startUp) {
    public PlanNotes {
        software = List.copyOf(software);
        boards = List.copyOf(boards);
        straps = List.copyOf(straps);
        startUp = List.copyOf(startUp);
    }

    /** @param planned the node as it is with the plan */
    public static PlanNotes of(NodePins planned, Plan plan) {
        NodeCircuit node = planned.node();
        return new PlanNotes(
                those(plan, wire -> isBySoftware(planned, wire)),
                planned.boardLines().stream()
                        .flatMap(line -> line.bySoftware().stream())
                        .toList(),
                those(plan, wire -> isStrap(node, wire)),
                those(
                        plan,
                        wire -> !node.isTie(wire)
                                && node.pin(wire.to())
                                        .filter(pin -> pin.can(Ability.Kind.STRAP))
                                        .isPresent()));
    }

    private static List<Wire> those(Plan plan, Predicate<Wire> test) {
        return plan.wires().stream().filter(test).toList();
    }

    private static boolean isBySoftware(NodePins planned, Wire wire) {
        NodeCircuit node = planned.node();
        boolean isSerial = planned.serialLines().stream()
                .anyMatch(port -> port.unit().isEmpty()
                        && port.uncrossed().isEmpty()
                        && port.wires().stream().map(Wire::from).anyMatch(wire.from()::equals));
        Optional<BusLine> line = node.pin(wire.from()).flatMap(pin -> pin.use().sharedLine());
        return isSerial
                || line.isPresent()
                        && node.part(wire.from().part())
                                .filter(PinFit::isOnSoftwareBus)
                                .isPresent();
    }

    private static boolean isStrap(NodeCircuit node, Wire wire) {
        return node.isTie(wire)
                && node.part(wire.from().part())
                        .map(Placed::cls)
                        .flatMap(cls -> cls.i2c().map(I2cNeed::strapPins))
                        .filter(pins -> pins.contains(wire.from().pin()))
                        .isPresent();
    }
}
