package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A part's serial port on the board.
 *
 * @param unit the board's port that its wires are on; empty for a port that the program makes of plain pins
 */
public record SerialLine(NodeCircuit node, Placed placed, Optional<Integer> unit) {
    /** The ports of a node. Where a board leads its ports to any pin, each line gets one of its own as far as they go. */
    static List<SerialLine> of(NodeCircuit node) {
        List<SerialLine> open = new ArrayList<>();
        for (Placed placed : node.parts()) {
            if (placed.cls().uart().isPresent()) {
                open.add(new SerialLine(node, placed, Optional.empty()));
            }
        }
        if (open.isEmpty()) {
            return List.of();
        }
        List<Set<Integer>> may = open.stream().map(SerialLine::units).toList();
        Map<Integer, Integer> lineOf = new HashMap<>();
        for (int line = 0; line < open.size(); line++) {
            seat(line, may, lineOf, new HashSet<>());
        }
        List<SerialLine> lines = new ArrayList<>();
        for (int line = 0; line < open.size(); line++) {
            int number = line;
            Optional<Integer> seated = may.get(line).stream()
                    .filter(unit -> lineOf.getOrDefault(unit, -1) == number)
                    .findFirst();
            // Without one of its own it is on the port of another: that is a finding.
            Optional<Integer> unit = seated.or(() -> may.get(number).stream().findFirst());
            lines.add(new SerialLine(node, open.get(line).placed, unit));
        }
        return lines;
    }

    /** An augmenting path: a line that sits on a port moves on where another one would do for it. */
    private static boolean seat(int line, List<Set<Integer>> may, Map<Integer, Integer> lineOf, Set<Integer> tried) {
        for (int unit : may.get(line)) {
            if (tried.add(unit) && (!lineOf.containsKey(unit) || seat(lineOf.get(unit), may, lineOf, tried))) {
                lineOf.put(unit, line);
                return true;
            }
        }
        return false;
    }

    /** The wires of its two data pins, as far as they are made. */
    public List<Wire> wires() {
        return Stream.of(PinUse.UART_TX, PinUse.UART_RX)
                .flatMap(use -> placed.cls().signals().filter(pin -> pin.use() == use))
                .flatMap(pin -> node.wire(placed.endpoint(pin)).stream())
                .toList();
    }

    /** Wires that join like to like, which leaves both ends talking or both listening. */
    public List<Wire> uncrossed() {
        return wires().stream().filter(wire -> isUncrossed(wire, wire.to())).toList();
    }

    /** Whether one of its wires would join like to like at a pin. */
    public boolean isUncrossed(Wire wire, Endpoint target) {
        Pin pin = node.pin(target).orElseThrow();
        return pin.can(Ability.Kind.UART, line(wire, false)) && !pin.can(Ability.Kind.UART, line(wire, true));
    }

    private String line(Wire wire, boolean isCrossed) {
        boolean isTalking = node.pin(wire.from()).orElseThrow().use() == PinUse.UART_TX;
        return isTalking == isCrossed ? "rx" : "tx";
    }

    private Pin pin(Wire wire) {
        return node.pin(wire.to()).orElseThrow();
    }

    /** The ports of the board that all its wires can be on, the first named first. */
    private Set<Integer> units() {
        Set<Integer> units = null;
        for (Wire wire : wires()) {
            Set<Integer> here = new LinkedHashSet<>();
            for (Ability ability : pin(wire).can()) {
                if (ability.kind() == Ability.Kind.UART && ability.line().equals(line(wire, true))) {
                    here.add(ability.unit());
                }
            }
            if (units == null) {
                units = here;
            } else {
                units.retainAll(here);
            }
        }
        return units == null ? Set.of() : units;
    }

    public boolean isOnConsole() {
        return wires().stream().anyMatch(wire -> pin(wire).can(Ability.Kind.CONSOLE));
    }
}
