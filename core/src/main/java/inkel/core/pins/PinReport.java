package inkel.core.pins;

import inkel.core.build.Endpoint;
import inkel.core.build.Part;
import inkel.core.build.Wire;
import inkel.core.catalog.Ability;
import inkel.core.catalog.BusLine;
import inkel.core.catalog.Need;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * How the pins and addresses of every node are taken.
 *
 * @param nodes in document order
 * @param i2cBuses every I2C bus of every node
 */
public record PinReport(Circuit circuit, List<NodePins> nodes, List<I2cBus> i2cBuses) {
    public PinReport {
        nodes = List.copyOf(nodes);
        i2cBuses = List.copyOf(i2cBuses);
    }

    /** How a wire came to its pin. */
    public enum How {
        /** The board leaves no choice. */
        FIXED,
        PLACED,
        HELD
    }

    public static PinReport of(Circuit circuit) {
        List<NodePins> nodes = circuit.nodes().stream().map(NodePins::new).toList();
        return new PinReport(
                circuit,
                nodes,
                nodes.stream().flatMap(pins -> I2cBus.of(pins).stream()).toList());
    }

    public Optional<NodePins> node(String id) {
        return nodes.stream().filter(pins -> pins.node().node().id().equals(id)).findFirst();
    }

    /** The pins of one node. */
    public record NodePins(NodeCircuit node) {
        /** Needed signals that go nowhere, in order. */
        public List<Endpoint> loose() {
            return node.signals()
                    .filter(signal -> node.pin(signal).orElseThrow().need() == Need.MUST)
                    .filter(signal -> node.wire(signal).isEmpty())
                    .toList();
        }

        /** Wires to pins that cannot do what the signal needs. */
        public List<Wire> misplaced() {
            return node.node().wires().stream()
                    .filter(wire -> !node.isTie(wire))
                    .filter(wire -> PinFit.whyNot(node, wire.from(), wire.to()).isPresent())
                    .toList();
        }

        /** Pins that more than one signal wants, where those do not share a bus line. */
        public Map<Endpoint, List<Wire>> contested() {
            Map<Endpoint, List<Wire>> contested = new LinkedHashMap<>();
            node.nets().forEach((target, wires) -> {
                if (takers(wires) > 1) {
                    contested.put(target, wires);
                }
            });
            return contested;
        }

        /** Parts on one bus line count once; everybody else counts by themselves. */
        private long takers(List<Wire> wires) {
            Set<Object> takers = new LinkedHashSet<>();
            for (Wire wire : wires) {
                Optional<BusLine> line =
                        node.pin(wire.from()).flatMap(pin -> pin.use().sharedLine());
                takers.add(line.<Object>map(shared -> shared).orElse(wire.from()));
            }
            return takers.size();
        }

        /** Pins on the board that nobody has, that can do what the signal needs, cheapest for others first. */
        public List<Endpoint> freeFor(Endpoint signal) {
            Set<Endpoint> taken = node.nets().keySet();
            return PinFit.legal(node, signal)
                    .filter(target -> !taken.contains(target))
                    .filter(target -> !isReserved(target))
                    .sorted(java.util.Comparator.comparingInt(
                            target -> PinCost.of(node.pin(target).orElseThrow(), useOf(signal))))
                    .toList();
        }

        /** Pins that the board itself needs while it is programmed. */
        public boolean isReserved(Endpoint target) {
            return target.part().equals(Part.BOARD)
                    && node.pin(target)
                            .filter(pin -> pin.can(Ability.Kind.CONSOLE))
                            .isPresent();
        }

        public PinUse useOf(Endpoint signal) {
            return node.pin(signal).orElseThrow().use();
        }

        /** Whether a wire was fixed by the board, placed, or held by the builder. */
        public How how(Wire wire) {
            if (wire.held()) {
                return How.HELD;
            }
            return PinFit.legal(node, wire.from()).limit(2).count() == 1 ? How.FIXED : How.PLACED;
        }

        /** The parts on each I2C bus, by the pin that carries its data line. */
        public Map<Endpoint, List<Placed>> i2cBuses() {
            Map<Endpoint, List<Placed>> buses = new LinkedHashMap<>();
            node.nets().forEach((target, wires) -> {
                List<Placed> parts = wires.stream()
                        .filter(wire -> useOf(wire.from()) == PinUse.I2C_SDA)
                        .flatMap(wire -> node.part(wire.from().part()).stream())
                        .filter(placed -> placed.cls().i2c().isPresent())
                        .toList();
                if (!parts.isEmpty()) {
                    buses.put(target, parts);
                }
            });
            return buses;
        }

        /** Every 7-bit address a part answers to, its main one first. */
        public static List<Integer> addresses(Placed placed) {
            List<Integer> all = new ArrayList<>(placed.address().stream().toList());
            placed.cls().i2c().ifPresent(need -> all.addAll(need.others()));
            return all;
        }

        /** Parts with a serial port, and where their two wires go. */
        public List<SerialLine> serialLines() {
            return node.parts().stream()
                    .filter(placed -> placed.cls().uart().isPresent())
                    .map(placed -> new SerialLine(node, placed))
                    .toList();
        }
    }

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
                    .filter(wire -> {
                        PinUse use = node.pin(wire.from()).orElseThrow().use();
                        Pin target = node.pin(wire.to()).orElseThrow();
                        String wrong = use == PinUse.UART_TX ? "tx" : "rx";
                        String right = use == PinUse.UART_TX ? "rx" : "tx";
                        return target.can(Ability.Kind.UART, wrong) && !target.can(Ability.Kind.UART, right);
                    })
                    .toList();
        }
    }
}
