package inkel.core.loop;

import inkel.core.catalog.Ability;
import inkel.core.catalog.AnalogGroup;
import inkel.core.catalog.I2cNeed;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Turn;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.TimerClaims;
import inkel.core.formula.I2cTime;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.SerialLine;
import inkel.core.pins.SpiBus;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What one round of the program takes on every board.
 *
 * @param pins what it was found from
 */
public record LoopReport(List<NodeLoop> nodes, PinReport pins) {
    /** A start bit, eight of data and a stop bit. */
    private static final int BITS_A_BYTE = 10;

    private static final int BITS_OF_BYTE = 8;

    /** A pulse that is longer by this much moves a servo by a degree. */
    private static final TimeSpan OF_PULSE = TimeSpan.ofSeconds(10e-6);

    /** A port keeps one byte while the next comes in; with the third the first is lost. */
    private static final int BYTES_KEPT = 2;

    public LoopReport {
        nodes = List.copyOf(nodes);
    }

    public static LoopReport of(PinReport report) {
        return new LoopReport(
                report.nodes().stream()
                        .filter(pins -> pins.node().board().cls().controller().isPresent())
                        .map(pins -> NodeLoop.of(pins.node(), visits(report, pins), blocked(pins)))
                        .toList(),
                report);
    }

    public Optional<NodeLoop> node(String id) {
        return nodes.stream().filter(loop -> loop.node().node().id().equals(id)).findFirst();
    }

    private static List<Visit> visits(PinReport report, NodePins pins) {
        List<Visit> visits = new ArrayList<>();
        for (Placed placed : pins.node().parts()) {
            if (placed.part().isBoard() || placed.isForLater()) {
                continue;
            }
            Turn turn = placed.cls().demands().turn();
            TimeSpan bus = TimeSpan.ofSeconds(i2c(report, placed) + spi(pins, placed) + analog(pins.node(), placed));
            TimeSpan waits = placed.own(Settings.WAITS).orElse(turn.waits());
            Optional<Frequency> polls = placed.own(Settings.POLLS)
                    .or(turn::polls)
                    .or(() -> placed.cls().i2c().flatMap(I2cNeed::traffic).map(I2cNeed.Traffic::polls));
            // What is timed by the program itself stands there as well; hardware or a second core does it beside the
            // round.
            double holds = isHeldUp(pins) ? turn.holds().seconds() : 0;
            TimeSpan stands = TimeSpan.ofSeconds(Math.max(waits.seconds(), holds));
            if (bus.seconds() > 0 || stands.seconds() > 0) {
                visits.add(new Visit(placed, bus, stands, polls));
            }
        }
        return visits;
    }

    private static double i2c(PinReport report, Placed placed) {
        Optional<I2cNeed.Traffic> traffic = placed.cls().i2c().flatMap(I2cNeed::traffic);
        int more =
                placed.cls().i2c().isPresent() ? placed.cls().demands().turn().bytes() : 0;
        int bytes = traffic.map(I2cNeed.Traffic::bytes).orElse(0) + more;
        return bytes == 0
                ? 0
                : report.i2cBuses().stream()
                        .filter(bus ->
                                bus.parts().contains(placed) || bus.behind().contains(placed))
                        .findFirst()
                        .map(bus ->
                                I2cTime.of(bus.clock(), bytes, 1, false).time().seconds())
                        .orElse(0.0);
    }

    /** At the clock that was chosen, else at the fastest that the board makes and all members take. */
    private static double spi(NodePins pins, Placed placed) {
        int bytes = placed.cls().demands().turn().bytes();
        if (placed.cls().spi().isEmpty() || bytes == 0) {
            return 0;
        }
        Optional<SpiBus> bus = pins.spiBuses().stream()
                .filter(one -> one.members().contains(placed))
                .findFirst();
        return bus.flatMap(one -> one.chosen().or(() -> one.fastest(one.limit())))
                .map(clock -> BITS_OF_BYTE * bytes / clock.hertz())
                .orElse(0.0);
    }

    /** One conversion of the board's own for every analog wire. */
    private static double analog(NodeCircuit node, Placed placed) {
        List<AnalogGroup> groups = node.board().cls().analog();
        return placed.cls()
                .signals()
                .filter(pin -> pin.use() == PinUse.ANALOG)
                .flatMap(pin -> node.wire(placed.endpoint(pin)).stream())
                .filter(wire -> wire.to().part().equals(node.board().id()))
                .flatMap(wire -> node.pin(wire.to()).stream())
                .flatMap(pin -> pin.can().stream()
                        .filter(ability -> ability.kind() == Ability.Kind.ADC)
                        .limit(1))
                .flatMap(ability -> groups.stream().filter(group -> group.unit() == ability.unit()))
                .mapToDouble(group -> 1 / group.rate().hertz())
                .sum();
    }

    // --- who stops whom

    /**
     * A part that stops interrupts, and for how long.
     *
     * @param isChosen whether the program chooses when
     */
    private record Holder(Placed placed, TimeSpan holds, boolean isChosen) {}

    private static List<Blocked> blocked(NodePins pins) {
        List<Holder> holders = holders(pins);
        List<Blocked> blocked = new ArrayList<>();
        for (Placed placed : pins.node().parts()) {
            if (placed.part().isBoard() || placed.isForLater() || !isWired(pins.node(), placed)) {
                continue;
            }
            holders.stream()
                    .filter(holder -> !holder.placed().id().equals(placed.id()))
                    .flatMap(holder -> lost(pins, placed, holder).stream())
                    .filter(lost ->
                            !lost.canWait() || lost.by().own(Settings.SENT).isEmpty())
                    .max(Comparator.comparing(lost -> lost.holds().seconds()))
                    .ifPresent(blocked::add);
        }
        return blocked;
    }

    private static boolean isHeldUp(NodePins pins) {
        return pins.node()
                .board()
                .cls()
                .controller()
                .filter(controller -> controller.software().isHeldUp())
                .isPresent();
    }

    private static List<Holder> holders(NodePins pins) {
        if (!isHeldUp(pins)) {
            return List.of();
        }
        List<Holder> holders = new ArrayList<>();
        for (Placed placed : pins.node().parts()) {
            TimeSpan holds = placed.cls().demands().turn().holds();
            if (holds.seconds() > 0 && !placed.isForLater() && isWired(pins.node(), placed)) {
                holders.add(new Holder(placed, holds, true));
            }
        }
        // A port made of plain pins times a whole byte by itself.
        for (SerialLine line : pins.serialLines()) {
            if (isBySoftware(line)) {
                line.placed()
                        .baud()
                        .ifPresent(baud ->
                                holders.add(new Holder(line.placed(), byteAt(baud), !hears(pins.node(), line))));
            }
        }
        return holders;
    }

    /** How long a port made of plain pins stops interrupts for one byte at a rate: t = 10 / baud. */
    public static TimeSpan byteAt(Frequency baud) {
        return TimeSpan.ofSeconds(BITS_A_BYTE / baud.hertz());
    }

    private static boolean isBySoftware(SerialLine line) {
        return !line.wires().isEmpty() && line.unit().isEmpty();
    }

    private static boolean isWired(NodeCircuit node, Placed placed) {
        return placed.cls().signals().anyMatch(pin -> node.wire(placed.endpoint(pin))
                .isPresent());
    }

    private static Optional<Blocked> lost(NodePins pins, Placed placed, Holder holder) {
        Optional<TimeSpan> edges = placed.cls().demands().turn().bears();
        if (edges.isPresent()) {
            return lost(placed, holder, Blocked.Sort.EDGES, edges.get(), Source.CLASS);
        }
        Optional<SerialLine> line = pins.serialLines().stream()
                .filter(one -> one.placed().id().equals(placed.id()) && hears(pins.node(), one))
                .findFirst();
        if (line.isPresent() && placed.baud().isPresent()) {
            double bits = isBySoftware(line.get()) ? 0.25 : BYTES_KEPT * BITS_A_BYTE;
            TimeSpan bears = TimeSpan.ofSeconds(bits / placed.baud().get().hertz());
            return lost(placed, holder, Blocked.Sort.BYTES, bears, Source.COMPUTED);
        }
        boolean isPulsed = placed.cls().pwm().isPresent()
                && TimerClaims.serves(pins.node().board(), placed)
                && placed.cls()
                        .signals()
                        .flatMap(pin -> pins.node().wire(placed.endpoint(pin)).stream())
                        .anyMatch(wire ->
                                wire.to().part().equals(pins.node().board().id()));
        return isPulsed ? lost(placed, holder, Blocked.Sort.PULSES, OF_PULSE, Source.RULE) : Optional.empty();
    }

    /** Whether the board hears something of a part over its serial line. */
    private static boolean hears(NodeCircuit node, SerialLine line) {
        return line.wires().stream().anyMatch(wire -> node.pin(wire.from())
                .filter(pin -> pin.use() == PinUse.UART_TX)
                .isPresent());
    }

    private static Optional<Blocked> lost(
            Placed placed, Holder holder, Blocked.Sort sort, TimeSpan bears, Source source) {
        return holder.holds().seconds() > bears.seconds() * (1 + 1e-9)
                ? Optional.of(new Blocked(
                        holder.placed(),
                        placed,
                        sort,
                        holder.holds(),
                        bears,
                        source,
                        holder.isChosen() && sort != Blocked.Sort.PULSES))
                : Optional.empty();
    }
}
