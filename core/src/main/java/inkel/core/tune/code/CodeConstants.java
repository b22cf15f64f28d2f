package inkel.core.tune.code;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.LogLine;
import inkel.core.document.Meter;
import inkel.core.document.Wire;
import inkel.core.loop.NodeLoop;
import inkel.core.loop.Staggered;
import inkel.core.pins.BoardLine;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.tune.Constant;
import inkel.core.tune.radio.RadioConstants;
import inkel.core.tune.radio.RadioReport;
import inkel.core.tune.stand.Benches;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** What the code of one board takes from the plan and from the benches: pins, addresses, rates, and what was kept in Tune. */
public final class CodeConstants {
    /** Lines of buses, which all parts on one share: they are named once. */
    private static final Set<PinUse> SHARED =
            Set.of(PinUse.SPI_SCK, PinUse.SPI_MOSI, PinUse.SPI_MISO, PinUse.I2C_SDA, PinUse.I2C_SCL);

    private final NodeCircuit node;
    private final List<Entry> entries = new ArrayList<>();
    private final Map<String, Integer> names = new HashMap<>();
    private final Set<String> buses = new HashSet<>();

    /**
     * A constant with what it is.
     *
     * @param pin for a pin of the board: how it is called hangs on the language
     * @param about what it is, to be worded as a remark
     */
    public record Entry(Constant constant, Optional<Pin> pin, Fact about) {}

    private CodeConstants(NodeCircuit node) {
        this.node = node;
    }

    /**
     * In the order of the parts; every name once.
     *
     * @param pins of the whole build; where wires from and to other boards are on this one
     * @param loop the round of its program; in which rounds a part comes is told where the builder lets them begin apart
     * @param radios of the whole build; those of this board are told with what they are set to
     */
    public static List<Entry> of(NodeCircuit node, PinReport pins, Optional<NodeLoop> loop, RadioReport radios) {
        CodeConstants made = new CodeConstants(node);
        made.pins();
        made.boards(pins);
        made.ratesAndAddresses();
        made.tuned();
        made.radios(radios);
        loop.flatMap(NodeLoop::apart).ifPresent(made::rounds);
        return made.entries;
    }

    /** Only where wires from and to other boards are. */
    public static List<Entry> ofBoards(NodeCircuit node, PinReport pins) {
        CodeConstants made = new CodeConstants(node);
        made.boards(pins);
        return made.entries;
    }

    private void boards(PinReport pins) {
        pins.node(node.node().id()).ifPresent(here -> {
            here.linkEnds().forEach(end -> toBoard(pins.circuit(), end));
            here.boardLines().forEach(line -> rate(pins.circuit(), line));
            addresses(pins.circuit(), here);
        });
    }

    /** What this board answers to on a bus that it shares, and the others on that. */
    private void addresses(Circuit circuit, NodePins here) {
        here.linkEnds().stream().filter(end -> end.use() == PinUse.I2C_SDA).findFirst().stream()
                .flatMap(end -> BoardBuses.pinsOn(circuit, end.here()).stream())
                .flatMap(at -> circuit.node(at.node()).stream())
                .forEach(board -> board.board().answersAt().ifPresent(address -> address(board, address)));
    }

    private void address(NodeCircuit board, int address) {
        String name = board == node ? "OWN" : board.node().name();
        add(
                new Constant(Constant.identifier(name, "ADDRESS"), Engineering.address(address), Source.YOURS),
                Optional.empty(),
                Fact.of("code.address").with("part", board.node().name()));
    }

    /** What a serial line to another board is said to run at, where both its wires are said to. */
    private void rate(Circuit circuit, BoardLine line) {
        if (line.rates().size() == 1) {
            String far = circuit.node(line.far()).orElseThrow().node().name();
            long baud = Math.round(line.rates().get(0).hertz());
            add(
                    new Constant(Constant.identifier(far, "BAUD"), String.valueOf(baud), Source.YOURS),
                    Optional.empty(),
                    Fact.of("code.baud").with("part", far));
        }
    }

    /** A name that is taken gets a number behind it, as the builder would give it. */
    private void add(Constant constant, Optional<Pin> pin, Fact about) {
        int count = names.merge(constant.name(), 1, Integer::sum);
        Constant free = count == 1
                ? constant
                : new Constant(constant.name() + "_" + count, constant.value(), constant.source());
        if (count > 1) {
            names.putIfAbsent(free.name(), 1);
        }
        entries.add(new Entry(free, pin, about));
    }

    private void pins() {
        for (Wire wire : node.node().wires()) {
            Optional<Placed> placed = node.part(wire.from().part());
            Optional<Pin> target = node.pin(wire.to());
            Optional<Pin> signal = node.pin(wire.from());
            if (placed.isEmpty() || target.isEmpty() || signal.isEmpty() || node.isTie(wire)) {
                continue;
            }
            boolean isBoard = wire.to().part().equals(node.board().id());
            Optional<String> value = isBoard ? Optional.of(called(target.get())) : channel(target.get());
            if (value.isEmpty()) {
                continue;
            }
            boolean isShared = isBoard && SHARED.contains(signal.get().use());
            if (isShared && !buses.add(signal.get().use() + " " + wire.to())) {
                continue;
            }
            String name = isShared
                    ? Constant.identifier(signal.get().use().text(), "PIN")
                    : Constant.identifier(
                            placed.get().part().name(), signal.get().label(), isBoard ? "PIN" : "CHANNEL");
            String kind = isShared ? "code.bus" : isBoard ? "code.pin" : "code.channel";
            // Where places of a header are counted, both numbers are told.
            Fact about = Fact.of(isBoard && target.get().header() > 0 ? kind + ".header" : kind)
                    .with("part", placed.get().part().name())
                    .with("line", signal.get().use().text())
                    .with("signal", signal.get().label())
                    .with("pin", target.get().label())
                    .with("place", target.get().header())
                    .with("on", node.part(wire.to().part()).orElseThrow().part().name());
            add(new Constant(name, value.get(), Source.COMPUTED), isBoard ? target : Optional.empty(), about);
        }
    }

    /** Where a wire from or to another board is; a line of a bus is named once, as that of its parts. */
    private void toBoard(Circuit circuit, LinkEnd end) {
        Optional<Pin> target = node.pin(end.pin());
        boolean isShared = end.line().isPresent();
        if (target.isEmpty() || isShared && !buses.add(end.use() + " " + end.pin())) {
            return;
        }
        String far = circuit.node(end.there().node()).orElseThrow().node().name();
        String name = isShared
                ? Constant.identifier(end.use().text(), "PIN")
                : Constant.identifier(
                        end.isSending() ? "TO" : "FROM", far, end.there().pin(), "PIN");
        String kind = isShared ? "code.bus" : end.isSending() ? "code.to_board" : "code.from_board";
        Fact about = Fact.of(target.get().header() > 0 ? kind + ".header" : kind)
                .with("node", far)
                .with("line", end.use().text())
                .with("signal", end.there().pin())
                .with("pin", target.get().label())
                .with("place", target.get().header());
        add(new Constant(name, called(target.get()), Source.COMPUTED), target, about);
    }

    private static String called(Pin pin) {
        return pin.number().isEmpty() ? pin.label() : pin.number();
    }

    /** By which number a program asks a part for one of its pins; empty where it asks for none, as at a bridge. */
    private static Optional<String> channel(Pin pin) {
        if (!pin.number().isEmpty()) {
            return Optional.of(pin.number());
        }
        return pin.can().stream()
                .flatMap(ability -> switch (ability.kind()) {
                    case ADC, PWM, DAC -> Stream.of(ability.line());
                    case I2C, SPI, UART -> Stream.of(String.valueOf(ability.unit()));
                    default -> Stream.<String>empty();
                })
                .filter(number -> !number.isEmpty() && number.chars().allMatch(Character::isDigit))
                .findFirst();
    }

    private void ratesAndAddresses() {
        for (Placed placed : node.parts()) {
            if (placed.part().isBoard() || placed.isForLater()) {
                continue;
            }
            String name = placed.part().name();
            placed.address()
                    .ifPresent(address -> add(
                            new Constant(
                                    Constant.identifier(name, "ADDRESS"),
                                    Engineering.address(address),
                                    Source.COMPUTED),
                            Optional.empty(),
                            Fact.of("code.address").with("part", name)));
            placed.baud()
                    .ifPresent(baud -> add(
                            new Constant(
                                    Constant.identifier(name, "BAUD"),
                                    String.valueOf(Math.round(baud.hertz())),
                                    Source.COMPUTED),
                            Optional.empty(),
                            Fact.of("code.baud").with("part", name)));
        }
    }

    private void radios(RadioReport radios) {
        for (Placed placed : node.parts()) {
            radios.net(node.place(placed)).ifPresent(net -> net.end(node.place(placed))
                    .ifPresent(end -> RadioConstants.of(net, end, placed.part().name())
                            .forEach(constant -> add(
                                    constant,
                                    Optional.empty(),
                                    Fact.of("code.radio")
                                            .with("part", placed.part().name())
                                            .with("group", net.group().name())
                                            .with("source", constant.source())))));
        }
    }

    private void rounds(Staggered staggered) {
        add(whole("ROUND_US", Math.round(staggered.base().seconds() * 1e6)), Optional.empty(), Fact.of("code.round"));
        for (Placed placed : node.parts()) {
            Optional.ofNullable(staggered.places().get(placed.id())).ifPresent(place -> {
                String name = placed.part().name();
                add(
                        whole(Constant.identifier(name, "EACH_ROUNDS"), place.each()),
                        Optional.empty(),
                        Fact.of("code.each").with("part", name));
                add(
                        whole(Constant.identifier(name, "FROM_ROUND"), place.from()),
                        Optional.empty(),
                        Fact.of("code.from").with("part", name));
            });
        }
    }

    private static Constant whole(String name, long value) {
        return new Constant(name, String.valueOf(value), Source.COMPUTED);
    }

    private void tuned() {
        for (Placed placed : node.parts()) {
            for (BenchKind kind : placed.cls().handling().benches()) {
                node.tunings().of(node.place(placed), kind).ifPresent(kept -> Benches.draft(
                                node, placed, kind, Meter.USUAL, Optional.of(kept.tuning()))
                        .ifPresent(draft -> add(placed, kept, draft.constants())));
            }
        }
    }

    private void add(Placed placed, LogLine.Tuned kept, List<Constant> constants) {
        constants.forEach(constant -> add(
                constant,
                Optional.empty(),
                Fact.of("code.tuned")
                        .with("part", placed.part().name())
                        .with("source", constant.source())
                        .with("day", kept.at().toString().substring(0, 10))));
    }
}
