package inkel.core.bench.fault;

import inkel.core.bench.Ends;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** A build with the wires of all its boards, as faults look at it. */
public final class Layout {
    private final Circuit circuit;
    private final List<WireList> lists;
    private final List<Wire> wires = new ArrayList<>();
    private final Map<String, Wire> byName = new HashMap<>();
    private final Map<Place, List<Wire>> byPart = new HashMap<>();
    private final Map<Place, List<Wire>> byPin = new HashMap<>();

    public Layout(Circuit circuit, List<WireList> lists) {
        this.circuit = circuit;
        this.lists = List.copyOf(lists);
        for (WireList list : lists) {
            list.steps().stream()
                    .filter(step -> step.kind() != WireStep.Kind.PULL && step.kind() != WireStep.Kind.PROGRAMMING)
                    .map(step -> new Wire(list.node(), step))
                    .forEach(this::add);
        }
    }

    private void add(Wire wire) {
        String node = wire.table().node().id();
        wires.add(wire);
        byName.put(node + " " + wire.step().id(), wire);
        wire.pins().map(Terminal.OnPin::pin).distinct().forEach(pin -> {
            byPin.computeIfAbsent(Place.of(node, pin), key -> new ArrayList<>()).add(wire);
        });
        wire.pins().map(end -> end.pin().part()).distinct().forEach(part -> {
            byPart.computeIfAbsent(Place.ofPart(node, part), key -> new ArrayList<>())
                    .add(wire);
        });
    }

    public static Layout of(Circuit circuit) {
        return new Layout(circuit, WireList.of(circuit));
    }

    public Circuit circuit() {
        return circuit;
    }

    /** Of all boards. */
    public List<WireList> lists() {
        return lists;
    }

    /** A wire of a table. */
    record Wire(NodeCircuit table, WireStep step) {
        String name() {
            return Ends.wire(table, step);
        }

        /** Its ends at pins of its own table. */
        Stream<Terminal.OnPin> pins() {
            return Stream.of(step.from(), step.to())
                    .filter(Terminal.OnPin.class::isInstance)
                    .map(Terminal.OnPin.class::cast);
        }

        boolean isFirst(Terminal end) {
            return step.from().equals(end);
        }

        /** Whether it is a plain piece of wire. */
        boolean isPlain() {
            return step.fitting().isEmpty() && step.inLine().isEmpty();
        }
    }

    /** All wires that are in while the build runs, and the small parts with two legs. */
    Stream<Wire> wires() {
        return wires.stream();
    }

    Wire wire(String node, String id) {
        return Optional.ofNullable(byName.get(node + " " + id))
                .orElseThrow(() -> new IllegalArgumentException("no wire " + id + " at " + node));
    }

    NodeCircuit node(String id) {
        return circuit.node(id).orElseThrow(() -> new IllegalArgumentException("no board " + id));
    }

    NodeCircuit node(Place place) {
        return node(place.node());
    }

    Placed placed(Place place) {
        return node(place).part(place.part()).orElseThrow(() -> new IllegalArgumentException("no part " + place));
    }

    Stream<Wire> at(NodeCircuit node, String part) {
        return byPart.getOrDefault(Place.ofPart(node.node().id(), part), List.of()).stream();
    }

    Stream<Wire> at(Place pin) {
        return byPin.getOrDefault(pin, List.of()).stream();
    }

    /** The parts at the ends of a wire. */
    public List<String> partsOf(String node, String wire) {
        return wire(node, wire).pins().map(end -> end.pin().part()).toList();
    }

    /** The ids of the wires at a pin. */
    public List<String> wiresAt(Place pin) {
        return at(pin).map(wire -> wire.step().id()).toList();
    }

    /** Where wires to a pin of a part come together inside it, by its place in the class. */
    static String point(NodeCircuit node, Placed placed, int index) {
        Pin pin = placed.cls().pins().get(index);
        return pin.use() == PinUse.GROUND ? Ends.ground(node, placed.id()) : Ends.pin(node, placed.endpoint(pin));
    }

    /** The pins beside one in its row, by their places in the class. */
    static List<Integer> beside(Placed placed, int index) {
        List<Pin> pins = placed.cls().pins();
        Pin at = pins.get(index);
        List<Integer> found = new ArrayList<>();
        for (int i = 0; i < pins.size(); i++) {
            Pin other = pins.get(i);
            boolean isBeside = other.row().equals(at.row())
                    && other.header() == at.header()
                    && Math.abs(other.place() - at.place()) == 1;
            if (isBeside) {
                found.add(i);
            }
        }
        return found;
    }

    static int index(Placed placed, String label) {
        List<Pin> pins = placed.cls().pins();
        for (int i = 0; i < pins.size(); i++) {
            if (pins.get(i).label().equals(label)) {
                return i;
            }
        }
        throw new IllegalArgumentException("no pin " + label + " at " + placed.id());
    }

    /** Whether a pin gives power or is ground. */
    static boolean isPower(Pin pin) {
        return pin.use() == PinUse.GROUND || pin.use() == PinUse.SUPPLY || pin.use() == PinUse.RAIL;
    }

    boolean isWired(NodeCircuit node, Endpoint pin) {
        return at(node.place(pin)).findAny().isPresent();
    }
}
