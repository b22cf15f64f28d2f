package inkel.core.tune.code;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.WakeCheck;
import inkel.core.catalog.routine.Routine;
import inkel.core.catalog.routine.Step;
import inkel.core.circuit.Chain;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Switched;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.pins.LinkEnd;
import inkel.core.pins.NodePins;
import inkel.core.pins.OnlyLow;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;
import inkel.core.tune.Constant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What a program to begin with does on the board of a node: how it reaches each part, and which steps of its class the
 * wires of the plan allow.
 */
public record StartPlan(NodeCircuit node, List<Task> tasks) {
    private static final int PULSES = 50;

    /** Of a serial line that nothing says a rate of. */
    private static final Frequency USUAL_RATE = Frequency.ofHertz(9600);

    /** How long a serial line from another board is listened to in each round. */
    private static final TimeSpan LISTENS = TimeSpan.ofSeconds(1);

    public StartPlan {
        tasks = List.copyOf(tasks);
    }

    /** How the board speaks with a part. */
    public sealed interface Link {
        record I2c(Pin sda, Pin scl, int address) implements Link {}

        /**
         * @param select absent where it is held by hand
         * @param mode 0 to 3
         */
        record Spi(
                Pin clock,
                Optional<Pin> out,
                Optional<Pin> in,
                Optional<Pin> select,
                int mode,
                boolean isSelectedHigh,
                Frequency most)
                implements Link {}

        /**
         * @param from the pin that hears the part; absent where none is wired
         * @param to the pin that the part hears; absent likewise
         */
        record Serial(Optional<Pin> from, Optional<Pin> to, Frequency baud) implements Link {}
    }

    /**
     * A signal of a part with the pin of the board that its wire goes to.
     *
     * @param isPulledInside whether nothing but the pull-up inside that pin makes its high
     */
    public record Lead(Endpoint signal, Pin pin, boolean isPulledInside) {}

    /**
     * What is done with one part.
     *
     * @param name an identifier that no other part has
     * @param routine of its class, with the steps alone that its wires allow
     * @param leads its wires to the board, in the order of its pins
     * @param elsewhere signals whose wires end at another part than the board, with that end
     * @param isWhole whether no step was passed over for want of a bus
     */
    public record Task(
            Placed part,
            String name,
            Optional<Link> link,
            Routine routine,
            List<Lead> leads,
            Map<Endpoint, Endpoint> elsewhere,
            boolean isWhole) {
        public Task {
            leads = List.copyOf(leads);
        }

        /** The same with nothing done at the beginning. */
        public Task withoutBegin() {
            Routine rest = routine.with(List.of(), routine.read(), routine.key());
            return new Task(part, name, link, rest, leads, elsewhere, isWhole);
        }

        /** The pin of the board that a signal of the part is wired to. */
        public Pin pin(String label) {
            return lead(label).pin();
        }

        /** The wire of a signal to the board. */
        public Lead lead(String label) {
            return leads.stream()
                    .filter(lead -> lead.signal().pin().equals(label))
                    .findFirst()
                    .orElseThrow();
        }
    }

    public static StartPlan of(NodeCircuit node) {
        List<Task> tasks = new ArrayList<>();
        Map<String, Integer> names = new HashMap<>();
        for (Placed placed : node.parts()) {
            if (placed.part().isBoard()
                    || placed.isForLater()
                    || placed.cls().signals().findAny().isEmpty()) {
                continue;
            }
            String plain = Constant.identifier(placed.part().name());
            int count = names.merge(plain, 1, Integer::sum);
            task(node, placed, count == 1 ? plain : plain + "_" + count).ifPresent(tasks::add);
        }
        return new StartPlan(node, tasks);
    }

    /**
     * What is done with plain wires and serial lines from and to other boards: what is heard is told, what is sent is for a key.
     * Buses are left to the builder, and a second serial line of a way to one board. The other board stands for the part.
     */
    public static List<Task> boards(NodeCircuit node, PinReport pins) {
        Map<String, List<LinkEnd>> byFarEnd = new LinkedHashMap<>();
        NodePins here = pins.node(node.node().id()).orElseThrow();
        here.linkEnds().stream().filter(end -> end.line().isEmpty()).forEach(end -> byFarEnd.computeIfAbsent(
                        (end.isSending() ? "TO " : "FROM ") + end.there().node(), far -> new ArrayList<>())
                .add(end));
        return byFarEnd.values().stream()
                .map(ends -> board(node, pins.circuit(), here, ends))
                .toList();
    }

    private static Task board(NodeCircuit node, Circuit circuit, NodePins here, List<LinkEnd> all) {
        Optional<LinkEnd> line = all.stream().filter(LinkEnd::isSerial).findFirst();
        List<LinkEnd> ends = all.stream()
                .filter(end -> !end.isSerial() || line.filter(end::equals).isPresent())
                .toList();
        boolean isSending = ends.get(0).isSending();
        NodeCircuit far = circuit.node(ends.get(0).there().node()).orElseThrow();
        String name = far.node().name();
        List<Lead> leads = ends.stream()
                .map(end -> new Lead(end.there().endpoint(), node.pin(end.pin()).orElseThrow(), false))
                .toList();
        List<Step> begin = new ArrayList<>();
        List<Step> steps = new ArrayList<>();
        for (LinkEnd end : ends) {
            String pin = end.there().pin();
            if (!end.isSerial()) {
                steps.add(isSending ? new Step.Switch(pin, true) : new Step.Read(pin));
            } else if (isSending) {
                // A line rests high, or the other board hears what is not said.
                begin.add(new Step.Level(pin, true));
                steps.add(new Step.Line("inkel " + node.node().id(), TimeSpan.ofSeconds(0)));
            } else {
                steps.add(new Step.Line("", LISTENS));
            }
        }
        return new Task(
                new Placed(far.board().part().withName(name), far.board().cls()),
                Constant.identifier(isSending ? "TO" : "FROM", name),
                line.map(end -> serial(node, here, end)),
                Routine.of(begin, isSending ? List.of() : steps, isSending ? steps : List.of()),
                leads,
                Map.of(),
                true);
    }

    private static Link serial(NodeCircuit node, NodePins here, LinkEnd end) {
        Optional<Pin> pin = node.pin(end.pin());
        Frequency baud = Stream.concat(
                        end.link().carries().baud().stream(),
                        here.boardLines().stream()
                                .filter(line -> line.ends().contains(end))
                                .flatMap(line -> line.rates().stream()))
                .findFirst()
                .orElse(USUAL_RATE);
        return end.isSending()
                ? new Link.Serial(Optional.empty(), pin, baud)
                : new Link.Serial(pin, Optional.empty(), baud);
    }

    private static Optional<Task> task(NodeCircuit node, Placed placed, String name) {
        List<Lead> leads = new ArrayList<>();
        Map<Endpoint, Endpoint> elsewhere = new LinkedHashMap<>();
        placed.cls().signals().forEach(pin -> {
            Endpoint signal = placed.endpoint(pin);
            Optional<Wire> wire = node.wire(signal).filter(there -> !node.isTie(there));
            wire.filter(there -> there.to().part().equals(node.board().id()))
                    .flatMap(there -> node.pin(there.to()))
                    .ifPresentOrElse(
                            target -> leads.add(
                                    new Lead(signal, target, OnlyLow.isPulledInside(node, wire.orElseThrow()))),
                            () -> wire.ifPresent(there -> elsewhere.put(signal, there.to())));
        });
        if (leads.isEmpty() && elsewhere.isEmpty()) {
            return Optional.empty();
        }
        Optional<Link> link = link(node, placed, leads);
        Routine all = placed.cls().handling().routine().isEmpty()
                ? usual(placed)
                : placed.cls().handling().routine();
        Set<String> turned = leads.stream()
                .map(Lead::signal)
                .filter(signal -> Switched.turnsOver(node, signal))
                .map(Endpoint::pin)
                .collect(Collectors.toSet());
        Filter filter = new Filter(leads, link, turned, Chain.place(node, placed), Chain.behind(node, placed));
        Routine routine = all.with(filter.of(all.begin()), filter.of(all.read()), filter.of(all.key()));
        return Optional.of(new Task(placed, name, link, routine, leads, elsewhere, !filter.lacksBus));
    }

    /** Passes over what its wires do not allow, and turns over what stands behind something that does. */
    private static final class Filter {
        private final List<Lead> leads;
        private final Optional<Link> link;
        private final Set<String> turned;
        private final int before;
        private final int behind;
        private boolean lacksBus;

        /**
         * @param before how many parts of its chain are before it
         * @param behind how many are behind it
         */
        Filter(List<Lead> leads, Optional<Link> link, Set<String> turned, int before, int behind) {
            this.before = before;
            this.behind = behind;
            this.leads = leads;
            this.link = link;
            this.turned = turned;
        }

        List<Step> of(List<Step> steps) {
            return steps.stream().filter(this::isWired).map(this::put).toList();
        }

        private Step put(Step step) {
            if (step instanceof Step.Level level && turned.contains(level.pin())) {
                return new Step.Level(level.pin(), !level.isHigh());
            } else if (step instanceof Step.Switch turn && turned.contains(turn.pin())) {
                return new Step.Switch(turn.pin(), !turn.isHigh());
            } else if (step instanceof Step.Send send) {
                return send.among(before, behind);
            } else if (step instanceof Step.Ask ask) {
                return ask.past(before);
            } else if (step instanceof Step.Repeat repeat) {
                return new Step.Repeat(
                        repeat.count(), repeat.steps().stream().map(this::put).toList());
            }
            return step;
        }

        private boolean isWired(Step step) {
            boolean isSerial = step instanceof Step.Line;
            boolean lacks = step.isOverBus()
                            && link.filter(has -> !(has instanceof Link.Serial)).isEmpty()
                    || isSerial && link.filter(Link.Serial.class::isInstance).isEmpty();
            lacksBus |= lacks;
            return !lacks
                    && step.pins().stream().allMatch(label -> leads.stream()
                            .anyMatch(lead -> lead.signal().pin().equals(label)));
        }
    }

    /** What is done with a part whose class says nothing of it: its outputs are told, its sign is for a key. */
    private static Routine usual(Placed placed) {
        List<Step> read = new ArrayList<>();
        List<Step> key = new ArrayList<>();
        placed.cls().signals().forEach(pin -> {
            if (pin.use() == PinUse.ANALOG) {
                read.add(new Step.Code(pin.label()));
            } else if (pin.use() == PinUse.OUTPUT || pin.use() == PinUse.INTERRUPT) {
                read.add(new Step.Read(pin.label()));
            }
        });
        for (WakeCheck check : placed.cls().handling().checks()) {
            if (check instanceof WakeCheck.Sign sign) {
                sign.drive().flatMap(StartPlan::driven).ifPresent(step -> {
                    if (step instanceof Step.Pulses) {
                        sign.with()
                                .forEach(held -> key.add(new Step.Level(held.pin(), held.to() == WakeCheck.To.HIGH)));
                    }
                    key.add(step);
                });
            }
        }
        return Routine.of(List.of(), read, key);
    }

    private static Optional<Step> driven(WakeCheck.Drive drive) {
        return switch (drive.to()) {
            case HIGH, LOW -> Optional.of(new Step.Switch(drive.pin(), drive.to() == WakeCheck.To.HIGH));
            case PULSES ->
                Optional.of(new Step.Pulses(
                        drive.pin(),
                        drive.width(),
                        TimeSpan.ofSeconds(
                                WakeCheck.Drive.PERIOD.seconds() - drive.width().seconds()),
                        PULSES));
            case MESSAGE -> Optional.empty();
        };
    }

    private static Optional<Pin> lead(Placed placed, List<Lead> leads, PinUse use) {
        return leads.stream()
                .filter(lead -> placed.cls()
                        .pin(lead.signal().pin())
                        .filter(pin -> pin.use() == use)
                        .isPresent())
                .map(Lead::pin)
                .findFirst();
    }

    /** A part in a chain is reached over the data line of the first of it. */
    private static Optional<Pin> data(NodeCircuit node, Placed placed, List<Lead> leads, PinUse use) {
        return lead(placed, leads, use).or(() -> Chain.wire(node, Chain.first(node, placed), use)
                .filter(wire -> wire.to().part().equals(node.board().id()))
                .flatMap(wire -> node.pin(wire.to())));
    }

    private static Optional<Link> link(NodeCircuit node, Placed placed, List<Lead> leads) {
        if (placed.cls().i2c().isPresent()) {
            Optional<Pin> sda = lead(placed, leads, PinUse.I2C_SDA);
            Optional<Pin> scl = lead(placed, leads, PinUse.I2C_SCL);
            return sda.isPresent() && scl.isPresent()
                    ? placed.address().map(address -> new Link.I2c(sda.get(), scl.get(), address))
                    : Optional.empty();
        }
        if (placed.cls().spi().isPresent()) {
            Optional<Pin> clock = lead(placed, leads, PinUse.SPI_SCK);
            Optional<Pin> select = lead(placed, leads, PinUse.SPI_CS);
            return clock.filter(there -> select.isPresent() || placed.isSelectHeldLow())
                    .map(there -> new Link.Spi(
                            there,
                            data(node, placed, leads, PinUse.SPI_MOSI),
                            data(node, placed, leads, PinUse.SPI_MISO),
                            select,
                            placed.cls().spi().orElseThrow().mode(),
                            placed.cls().spi().orElseThrow().isSelectedHigh(),
                            placed.cls().spi().orElseThrow().clockMax()));
        }
        if (placed.cls().uart().isPresent()) {
            Optional<Pin> from = lead(placed, leads, PinUse.UART_TX);
            Optional<Pin> to = lead(placed, leads, PinUse.UART_RX);
            return from.isPresent() || to.isPresent()
                    ? Optional.of(new Link.Serial(from, to, placed.baud().orElse(USUAL_RATE)))
                    : Optional.empty();
        }
        return Optional.empty();
    }
}
