package inkel.core.pins;

import inkel.core.catalog.BusLine;
import inkel.core.catalog.Need;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Chain;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.OtherLeg;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import inkel.core.pins.PinReport.How;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** How the pins of one node are taken. */
public final class NodePins {
    private final NodeCircuit node;
    private final List<LinkEnd> linkEnds;
    private final Set<Endpoint> taken;
    private final Map<Endpoint, List<Placed>> i2cBuses;
    private final List<SpiBus> spiBuses;
    private final Map<PinUse, List<Wire>> byUse = new EnumMap<>(PinUse.class);
    private final List<Wire> misplaced;
    private final List<SerialLine> serialLines;
    private final List<BoardLine> boardLines;
    private final Map<Need, List<Endpoint>> unwired = new EnumMap<>(Need.class);

    NodePins(NodeCircuit node, List<LinkEnd> linkEnds) {
        this.node = node;
        this.linkEnds = List.copyOf(linkEnds);
        for (List<Wire> wires : node.nets().values()) {
            for (Wire wire : wires) {
                byUse.computeIfAbsent(useOf(wire.from()), use -> new ArrayList<>())
                        .add(wire);
            }
        }
        node.signals().forEach(this::noteUnwired);
        misplaced = misplaced(node);
        taken = new HashSet<>(node.nets().keySet());
        linkEnds.forEach(end -> taken.add(end.pin()));
        serialLines = SerialLine.of(node);
        boardLines = BoardLine.of(node, this.linkEnds);
        i2cBuses = Collections.unmodifiableMap(membersByLine(PinUse.I2C_SDA));
        spiBuses = membersByLine(PinUse.SPI_SCK).entrySet().stream()
                .map(bus -> new SpiBus(this, bus.getKey(), bus.getValue()))
                .toList();
    }

    private void noteUnwired(Endpoint signal) {
        if (node.wire(signal).isEmpty()) {
            Pin pin = node.pin(signal).orElseThrow();
            if (node.isMissed(node.part(signal.part()).orElseThrow(), pin)) {
                // What only the builder wants is missed like what the part needs.
                Need need = pin.isWanted() ? pin.need() : Need.MUST;
                unwired.computeIfAbsent(need, kind -> new ArrayList<>()).add(signal);
            }
        }
    }

    private static List<Wire> misplaced(NodeCircuit node) {
        List<Wire> misplaced = new ArrayList<>();
        for (Wire wire : node.node().wires()) {
            if (!node.isTie(wire) && !PinFit.isFit(node, wire)) {
                misplaced.add(wire);
            }
        }
        return misplaced;
    }

    public NodeCircuit node() {
        return node;
    }

    /** The ends of wires to other boards that are on this one. */
    public List<LinkEnd> linkEnds() {
        return linkEnds;
    }

    /** Needed signals that go nowhere, in order. */
    public List<Endpoint> loose() {
        return unwired.getOrDefault(Need.MUST, List.of());
    }

    /** Inputs that must be held high or low when nobody drives them, and that go nowhere. */
    public List<Endpoint> floating() {
        return Stream.of(Need.TIE_HIGH, Need.TIE_LOW, Need.FIXED_HIGH, Need.FIXED_LOW)
                .flatMap(need -> unwired.getOrDefault(need, List.of()).stream())
                .toList();
    }

    /** Wires to pins that cannot do what the signal needs. */
    public List<Wire> misplaced() {
        return misplaced;
    }

    /**
     * A pin that more than one taker wants.
     *
     * @param wires of parts
     * @param ends of wires to other boards
     */
    public record Contested(Endpoint pin, List<Wire> wires, List<LinkEnd> ends) {}

    /** Pins that more than one taker wants, where those do not share a bus line; wires to other boards are takers. */
    public List<Contested> contested() {
        Set<Endpoint> pins = new LinkedHashSet<>(node.nets().keySet());
        linkEnds.forEach(end -> pins.add(end.pin()));
        List<Contested> contested = new ArrayList<>();
        for (Endpoint pin : pins) {
            List<Wire> wires = node.nets().getOrDefault(pin, List.of());
            List<LinkEnd> ends = endsAt(pin);
            if (takers(pin, wires, ends) > 1) {
                contested.add(new Contested(pin, wires, ends));
            }
        }
        return contested;
    }

    private List<LinkEnd> endsAt(Endpoint pin) {
        List<LinkEnd> ends = new ArrayList<>();
        for (LinkEnd end : linkEnds) {
            // Lines of a bus that change places are a finding of their own.
            if (end.pin().equals(pin) && !end.isCrossed()) {
                ends.add(end);
            }
        }
        return ends;
    }

    /**
     * Parts on one bus line count once, and so do inputs; everybody else counts by themselves. What this board sends to several
     * others counts once too.
     */
    private int takers(Endpoint pin, List<Wire> wires, List<LinkEnd> ends) {
        if (wires.size() + ends.size() == 1) {
            return 1;
        }
        Set<Object> takers = new HashSet<>();
        for (Wire wire : wires) {
            Optional<BusLine> line = useOf(wire.from()).sharedLine();
            takers.add(
                    line.isPresent()
                            ? line.get()
                            : useOf(wire.from()) == PinUse.SPI_CS
                                    ? chain(wire)
                                    : maySeveral(wire)
                                            ? wire.to()
                                            : letsGo(wire)
                                                    ? List.of(wire.to())
                                                    : OtherLeg.closesTo(node, wire.from())
                                                            .<Object>map(rail -> List.of(wire.to(), rail))
                                                            .orElse(wire.from()));
        }
        for (LinkEnd end : ends) {
            takers.add(end.line().isPresent() ? end.line().get() : end.isSending() ? PinUse.OUTPUT : end.link());
        }
        return takers.size();
    }

    /** Parts of a chain are selected together. */
    private String chain(Wire wire) {
        return Chain.first(node, node.part(wire.from().part()).orElseThrow()).id();
    }

    /** One pin may drive as many inputs as the builder wants to follow it. */
    private boolean maySeveral(Wire wire) {
        PinUse use = useOf(wire.from());
        return use == PinUse.INPUT
                || use == PinUse.BIAS
                || node.pin(wire.to()).filter(Pin::servesByChoice).isPresent();
    }

    /** Several that only pull low may share a wire: none drives against another. */
    private boolean letsGo(Wire wire) {
        Optional<Pin> pin = node.pin(wire.from());
        return pin.isPresent()
                && (pin.get().isShared() || useOf(wire.from()) != PinUse.DATA && OnlyLow.pulls(node, wire.from()));
    }

    /** Whether a wire only pulls one way, or lets go, and is one of its kind: not a line on which each part has an address. */
    public boolean isContact(Wire wire) {
        return (letsGo(wire) || OtherLeg.closesTo(node, wire.from()).isPresent())
                && node.pin(wire.from()).filter(pin -> !pin.isShared()).isPresent();
    }

    public boolean isTaken(Endpoint target) {
        return taken.contains(target);
    }

    /** Pins that nobody has and that can do what the signal needs, cheapest for others first. */
    public List<Endpoint> freeFor(Endpoint signal) {
        Optional<Placed> asking = node.part(signal.part());
        Map<Endpoint, Integer> prices = new LinkedHashMap<>();
        free(signal)
                .forEach(target -> prices.put(
                        target, priceOf(asking.orElseThrow(), node.pin(signal).orElseThrow(), target)));
        return prices.entrySet().stream()
                .sorted(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .toList();
    }

    /** Whether there is any pin as {@link #freeFor} lists them; much quicker than the list. */
    public boolean hasFreeFor(Endpoint signal) {
        return free(signal).findAny().isPresent();
    }

    private Stream<Endpoint> free(Endpoint signal) {
        PinUse use = useOf(signal);
        return PinFit.legal(node, signal)
                .filter(target -> !taken.contains(target))
                .filter(target -> !isReserved(target))
                .filter(target -> !isOfAnother(target, use));
    }

    private int priceOf(Placed asking, Pin wanted, Endpoint target) {
        return Price.ofPin(node, asking, wanted.use(), target, Price.USUAL)
                + (PinLevels.isTrouble(node, asking, wanted, target) ? Price.USUAL.levels() : 0);
    }

    /** A part's signal that the board reads, or that nobody but the builder gives away. */
    private boolean isOfAnother(Endpoint target, PinUse use) {
        boolean isByChoice = node.pin(target).filter(Pin::servesByChoice).isPresent();
        return isByChoice && (use != PinUse.BIAS || node.wire(target).isPresent());
    }

    /** Pins that the board itself needs while it is programmed, or somebody logs in over. */
    public boolean isReserved(Endpoint target) {
        return target.part().equals(Part.BOARD)
                && node.pin(target).filter(pin -> Price.isOfConsole(node, pin)).isPresent();
    }

    public PinUse useOf(Endpoint signal) {
        Optional<Pin> pin = node.pin(signal);
        return pin.isPresent() ? pin.get().use() : PinUse.NONE;
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
        return i2cBuses;
    }

    /** The SPI buses, each with the pin that carries its clock. */
    public List<SpiBus> spiBuses() {
        return spiBuses;
    }

    private Map<Endpoint, List<Placed>> membersByLine(PinUse line) {
        Map<Endpoint, List<Placed>> buses = new LinkedHashMap<>();
        for (Wire wire : wiresOf(line)) {
            Placed placed = node.part(wire.from().part()).orElseThrow();
            if (line != PinUse.I2C_SDA || placed.cls().i2c().isPresent()) {
                buses.computeIfAbsent(wire.to(), to -> new ArrayList<>()).add(placed);
            }
        }
        return buses;
    }

    /**
     * All that hear an address that is sent on a bus: its members, those of the bus that a multiplexer hangs on, and last the
     * board, where it answers to others on that bus.
     */
    public List<Placed> hearing(Endpoint line) {
        List<Placed> hearing = new ArrayList<>();
        Set<Endpoint> seen = new HashSet<>();
        Optional<Endpoint> at = Optional.of(line);
        while (at.isPresent() && seen.add(at.get())) {
            hearing.addAll(i2cBuses.getOrDefault(at.get(), List.of()));
            // A bus behind a multiplexer belongs to it, and that one is on a bus of its own.
            at = lineOf(at.get().part());
        }
        if (seen.stream().anyMatch(this::isSharedLine)
                && node.board().answersAt().isPresent()) {
            hearing.add(node.board());
        }
        return hearing;
    }

    /** Whether other boards are on the bus that a board pin is the data line of. */
    private boolean isSharedLine(Endpoint pin) {
        return linkEnds.stream().anyMatch(end -> end.pin().equals(pin) && end.use() == PinUse.I2C_SDA);
    }

    /** The line of the bus that a part is on; empty for one that is on none. */
    public Optional<Endpoint> lineOf(String part) {
        return i2cBuses.entrySet().stream()
                .filter(bus ->
                        bus.getValue().stream().anyMatch(member -> member.id().equals(part)))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** The addresses that two parts on one bus both answer to. An all-call that a whole class shares is none. */
    public static List<Integer> commonAddresses(Placed first, Placed second) {
        Set<Integer> common = new LinkedHashSet<>(first.addresses());
        common.retainAll(second.addresses());
        if (!common.isEmpty() && isOneClass(first, second)) {
            Optional<Integer> main = first.address().or(first::answersAt);
            Optional<Integer> other = second.address().or(second::answersAt);
            common.removeIf(address -> main.filter(address::equals).isEmpty()
                    && other.filter(address::equals).isEmpty());
        }
        return List.copyOf(common);
    }

    /** Whether parts of two classes have a second address in common, which no strap changes. */
    static boolean shareFurtherAddress(Placed first, Placed second) {
        return !isOneClass(first, second)
                && first.cls().i2c().orElseThrow().others().stream()
                        .anyMatch(second.cls().i2c().orElseThrow().others()::contains);
    }

    private static boolean isOneClass(Placed first, Placed second) {
        return first.cls().id().equals(second.cls().id());
    }

    /** Parts with a serial port, and where their two wires go. */
    public List<SerialLine> serialLines() {
        return serialLines;
    }

    /** The serial lines of its board to other boards. */
    public List<BoardLine> boardLines() {
        return boardLines;
    }

    /** What a wire's part does to a pin that the board reads at the start. */
    public Optional<AtStart> atStart(Wire wire) {
        return AtStart.of(node, wire);
    }

    /** Whether the converter of a pin cannot work beside something that runs on the board. */
    public boolean isConverterOff(Endpoint target) {
        return node.pin(target)
                .filter(pin -> Price.isConverterOff(node, target, pin))
                .isPresent();
    }

    /** Plain pins of the board that nobody has and that can be a line of a bus that the program drives. */
    public List<Endpoint> freeForSoftware(BusLine line) {
        Placed board = node.board();
        return board.cls()
                .offers()
                .filter(pin -> PinFit.servesBySoftware(board, line, pin) && !board.isKeptFree(pin))
                .map(board::endpoint)
                .filter(pin -> !taken.contains(pin))
                .sorted(Comparator.comparingInt(
                        pin -> node.pin(pin).orElseThrow().can().size()))
                .toList();
    }

    /** Whether a board pin can be a line of a bus that the program drives. */
    public boolean servesBySoftware(BusLine line, Endpoint target) {
        return target.part().equals(Part.BOARD)
                && node.pin(target)
                        .filter(pin -> PinFit.servesBySoftware(node.board(), line, pin))
                        .isPresent();
    }

    /** Parts with a wire on the board itself. */
    public Stream<Placed> onBoard() {
        // By their ids: a part with its whole class is dear to compare.
        return node.nets().entrySet().stream()
                .filter(net -> net.getKey().part().equals(Part.BOARD))
                .flatMap(net -> net.getValue().stream())
                .map(wire -> wire.from().part())
                .distinct()
                .flatMap(part -> node.part(part).stream());
    }

    /** Wires of one use, ties left out. */
    public List<Wire> wiresOf(PinUse use) {
        return byUse.getOrDefault(use, List.of());
    }
}
