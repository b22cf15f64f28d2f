package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Wire;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A part's serial port on the board. */
public record SerialLine(NodeCircuit node, Placed placed) {
    /** The wires of its two data pins, as far as they are made. */
    public List<Wire> wires() {
        return Stream.of(PinUse.UART_TX, PinUse.UART_RX)
                .flatMap(use -> placed.cls().signals().filter(pin -> pin.use() == use))
                .flatMap(pin -> node.wire(placed.endpoint(pin)).stream())
                .toList();
    }

    /** Wires that join like to like, which leaves both ends talking or both listening. */
    public List<Wire> uncrossed() {
        return wires().stream()
                .filter(wire -> offers(wire, false) && !offers(wire, true))
                .toList();
    }

    private boolean offers(Wire wire, boolean isCrossed) {
        boolean isTalking = node.pin(wire.from()).orElseThrow().use() == PinUse.UART_TX;
        return pin(wire).can(Ability.Kind.UART, isTalking == isCrossed ? "rx" : "tx");
    }

    private Pin pin(Wire wire) {
        return node.pin(wire.to()).orElseThrow();
    }

    /** The board's port that its wires are on; empty for a port that the program makes of plain pins. */
    public Optional<Integer> unit() {
        Set<Integer> units = wires().stream()
                .filter(wire -> offers(wire, true))
                .flatMap(wire -> pin(wire).can().stream())
                .filter(ability -> ability.kind() == Ability.Kind.UART)
                .map(Ability::unit)
                .collect(Collectors.toSet());
        boolean isWhole = wires().stream().allMatch(wire -> offers(wire, true));
        return isWhole && units.size() == 1 ? Optional.of(units.iterator().next()) : Optional.empty();
    }

    public boolean isOnConsole() {
        return wires().stream().anyMatch(wire -> pin(wire).can(Ability.Kind.CONSOLE));
    }
}
