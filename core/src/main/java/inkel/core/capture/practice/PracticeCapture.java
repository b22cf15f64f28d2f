package inkel.core.capture.practice;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.catalog.Air;
import inkel.core.catalog.I2cNeed;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.PwmNeed;
import inkel.core.catalog.SpiNeed;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.pins.I2cBus;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.pins.SpiBus;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Range;
import inkel.core.quantity.TimeSpan;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.DoubleSupplier;
import java.util.function.ToDoubleFunction;

/**
 * What the wires of a table do for a while, as its board and parts drive them: each part of a bus is talked to as often as its
 * class says, at the clock of the plan; serial ports send, servos and receivers have their pulses, an infrared receiver hears
 * a key. A part that does not answer is silent on its wires too.
 */
public final class PracticeCapture {
    /** Every part is a little beside the others, so that not all begins at one moment. */
    private static final double APART = 0.7e-3;

    /** What parts are polled by whose class does not tell how often. */
    private static final double USUAL_POLLS = 25;

    private static final int USUAL_BYTES = 4;
    private static final int MOST_BYTES = 40;

    /** What boards drive SPI at where the builder chose nothing and the parts take more. */
    private static final double USUAL_SPI = 4e6;

    private static final double TEXT_EVERY = 0.1;
    private static final double FRAME = 0.02;
    private static final double MICRO = 1e-6;

    /** Sticks are held still to within so much, in seconds. */
    private static final double TREMBLE = 2e-6;

    private static final double KEY_AT = 0.03;

    /** What a bus says more than that in so short a time nobody reads. */
    private static final int MOST_MESSAGES = 5_000;

    /** Faster pulses than for a lamp or a motor are shown for a shorter time. */
    private static final int MOST_PULSES = 20_000;

    /** Kinds of parts that are told what to do and hardly ever asked. */
    private static final Set<String> TOLD = Set.of("display", "driver", "dac");

    private final NodeCircuit node;
    private final NodePins pins;
    private final List<I2cBus> buses;
    private final Pieces pieces;
    private final double length;
    private final Random random;
    private final List<Channel> channels = new ArrayList<>();

    /** The pieces on the bench. */
    public interface Pieces {
        /** Whether a part answers on its bus, or sends over its port. */
        boolean isAnswering(Placed part);

        /** The pulse that a part is commanded, in seconds. */
        double pulse(Placed part);

        /** What an infrared receiver hears: marks and spaces in turn, in microseconds, a mark first; none for silence. */
        List<Double> train(Placed part);
    }

    private PracticeCapture(PinReport report, NodePins pins, Pieces pieces, TimeSpan length, long seed) {
        this.pins = pins;
        node = pins.node();
        buses = report.i2cBuses().stream()
                .filter(bus -> bus.node().node().id().equals(node.node().id())
                        && node.board().id().equals(bus.line().part()))
                .toList();
        this.pieces = pieces;
        this.length = length.seconds();
        random = new Random(seed);
    }

    /**
     * The capture of one table; its channels are called as the wires of the plan. Parts behind a multiplexer, and levels that
     * only change by hand, are not in it.
     *
     * @param node the id of the table
     * @param seed the same seed makes the same bytes
     */
    public static Capture of(PinReport report, String node, Pieces pieces, TimeSpan length, long seed) {
        PracticeCapture made = new PracticeCapture(report, report.node(node).orElseThrow(), pieces, length, seed);
        made.buses.forEach(made::i2c);
        made.pins.spiBuses().forEach(made::spi);
        made.node.parts().forEach(made::alone);
        long end = Math.round(length.seconds() / Wave.UNIT);
        return new Capture(
                Wave.UNIT,
                made.channels.stream().map(channel -> cut(channel, end)).toList(),
                end,
                List.of());
    }

    /** What began before the end is told to the end. */
    private static Channel cut(Channel channel, long end) {
        Channel cut = new Channel(channel.name());
        for (int i = 0; i < channel.count() && channel.time(i) <= end; i++) {
            cut.add(channel.time(i), channel.level(i));
        }
        return cut;
    }

    private Optional<String> name(Placed part, PinUse use) {
        return part.cls()
                .signals()
                .filter(pin -> pin.use() == use)
                .filter(pin -> node.wire(part.endpoint(pin)).isPresent())
                .map(pin -> part.endpoint(pin).toString())
                .findFirst();
    }

    private Optional<String> name(List<Placed> parts, PinUse use) {
        return parts.stream().flatMap(part -> name(part, use).stream()).findFirst();
    }

    private List<Integer> bytes(int count) {
        return random.ints(count, 0, 256).boxed().toList();
    }

    // --- buses

    /** Whose turn it is next on a bus. */
    private record Turn(double at, Placed part) {}

    /**
     * Gives each part its turns, as often as it wants them, one message at a time: on a bus that is asked for more than it can
     * carry the next one comes when the last is over.
     */
    private void turns(List<Placed> parts, ToDoubleFunction<Placed> polls, DoubleSupplier now, Consumer<Turn> talk) {
        PriorityQueue<Turn> queue = new PriorityQueue<>(Comparator.comparingDouble(Turn::at));
        for (int i = 0; i < parts.size(); i++) {
            queue.add(new Turn(APART * (i + 1), parts.get(i)));
        }
        for (int count = 0;
                count < MOST_MESSAGES && !queue.isEmpty() && queue.peek().at() < length;
                count++) {
            Turn turn = queue.remove();
            talk.accept(turn);
            double next = turn.at() + 1 / polls.applyAsDouble(turn.part());
            queue.add(new Turn(Math.max(next, now.getAsDouble()), turn.part()));
        }
    }

    private void i2c(I2cBus bus) {
        Optional<String> data = name(bus.parts(), PinUse.I2C_SDA);
        Optional<String> clock = name(bus.parts(), PinUse.I2C_SCL);
        if (data.isEmpty() || clock.isEmpty()) {
            return;
        }
        I2cTalk talk = new I2cTalk(data.get(), clock.get(), bus.clock().hertz());
        List<Placed> members =
                bus.parts().stream().filter(part -> part.address().isPresent()).toList();
        turns(members, PracticeCapture::polls, talk::now, turn -> {
            talk.until(turn.at());
            message(talk, turn.part());
        });
        channels.addAll(talk.channels());
    }

    private static double polls(Placed part) {
        return traffic(part)
                .map(traffic -> I2cBus.polls(part, traffic).hertz())
                .filter(hertz -> hertz > 0)
                .orElse(USUAL_POLLS);
    }

    private static Optional<I2cNeed.Traffic> traffic(Placed part) {
        return part.cls().i2c().flatMap(I2cNeed::traffic);
    }

    /** All bytes to what is only told; else which register, then what it reads. A part that is silent leaves its address unanswered, and the board gives up. */
    private void message(I2cTalk talk, Placed part) {
        int address = part.address().orElseThrow() << 1;
        boolean isAnswering = pieces.isAnswering(part);
        List<Integer> bytes = bytes(Math.max(
                2,
                Math.min(MOST_BYTES, traffic(part).map(I2cNeed.Traffic::bytes).orElse(USUAL_BYTES))));
        talk.start();
        talk.octet(address, isAnswering);
        boolean isTold = isAnswering && part.cls().kinds().stream().anyMatch(TOLD::contains);
        if (isTold) {
            bytes.forEach(octet -> talk.octet(octet, true));
        } else if (isAnswering) {
            talk.octet(bytes.get(0), true);
            talk.start();
            talk.octet(address | 1, true);
            for (int i = 1; i < bytes.size(); i++) {
                // The board leaves the last byte unanswered: it wants no more.
                talk.octet(bytes.get(i), i + 1 < bytes.size());
            }
        }
        talk.stop();
    }

    private void spi(SpiBus bus) {
        Optional<String> clock = name(bus.members(), PinUse.SPI_SCK);
        if (clock.isEmpty()) {
            return;
        }
        double hertz = bus.chosen()
                .map(Frequency::hertz)
                .orElse(Math.min(USUAL_SPI, bus.limit().hertz()));
        SpiTalk talk = new SpiTalk(
                clock.get(),
                name(bus.members(), PinUse.SPI_MOSI).orElse(""),
                name(bus.members(), PinUse.SPI_MISO).orElse(""),
                hertz);
        List<Placed> members = bus.members().stream()
                .filter(part -> part.cls().spi().isPresent())
                .toList();
        members.forEach(part -> name(part, PinUse.SPI_CS)
                .ifPresent(select ->
                        talk.select(select, part.cls().spi().orElseThrow().isSelectedHigh())));
        turns(members, part -> USUAL_POLLS, talk::now, turn -> {
            talk.until(turn.at());
            SpiNeed need = turn.part().cls().spi().orElseThrow();
            boolean answers = pieces.isAnswering(turn.part())
                    && name(turn.part(), PinUse.SPI_MISO).isPresent();
            List<Integer> sent = bytes(USUAL_BYTES);
            List<Integer> back = bytes(USUAL_BYTES);
            talk.message(name(turn.part(), PinUse.SPI_CS).orElse(""), need, sent, answers ? back : List.of(0, 0, 0, 0));
        });
        channels.addAll(talk.channels());
    }

    // --- wires of one part

    private void alone(Placed part) {
        if (part.part().isBoard() || part.isForLater()) {
            return;
        }
        part.baud().ifPresent(baud -> name(part, PinUse.UART_TX).ifPresent(line -> serial(part, line, baud.hertz())));
        // A sender of infrared is dark until the program has something to say.
        part.cls().pwm().filter(need -> !talksByLight(part)).ifPresent(need -> part.cls()
                .signals()
                .filter(pin -> pin.use() == PinUse.PWM)
                .filter(pin -> node.wire(part.endpoint(pin)).isPresent())
                .forEach(pin -> commanded(part, part.endpoint(pin).toString(), need)));
        sticks(part);
        if (light(part).filter(Air.Way::hears).isPresent()) {
            part.cls()
                    .signals()
                    .filter(pin -> node.wire(part.endpoint(pin)).isPresent())
                    .findFirst()
                    .ifPresent(pin -> infrared(part, pin));
        }
    }

    /** Which way a part speaks by infrared. */
    private static Optional<Air.Way> light(Placed part) {
        return part.cls()
                .handling()
                .air()
                .filter(air -> air.kind().contains("infrared"))
                .map(Air::way);
    }

    private static boolean talksByLight(Placed part) {
        return light(part).filter(Air.Way::talks).isPresent();
    }

    private void serial(Placed part, String line, double baud) {
        Wave wave = new Wave(line, true);
        if (pieces.isAnswering(part)) {
            byte[] text = text(part).getBytes(StandardCharsets.US_ASCII);
            for (double at = APART; at < length; at += TEXT_EVERY) {
                wave.until(at);
                for (byte letter : text) {
                    wave.hold(false, 1 / baud);
                    for (int bit = 0; bit < 8; bit++) {
                        wave.hold((letter >> bit & 1) == 1, 1 / baud);
                    }
                    wave.hold(true, 1 / baud);
                }
            }
        }
        channels.add(wave.channel());
    }

    private static String text(Placed part) {
        return part.cls().handling().checks().stream()
                        .filter(WakeCheck.Reply.class::isInstance)
                        .map(check -> ((WakeCheck.Reply) check).expect())
                        .filter(expect -> expect.matches("\\p{ASCII}+"))
                        .findFirst()
                        .orElse("OK")
                + "\r\n";
    }

    private void commanded(Placed part, String line, PwmNeed need) {
        Wave wave = new Wave(line, false);
        double period = 1 / need.frequency().hertz();
        double pulse = Math.min(pieces.pulse(part), period);
        double end = Math.min(length, APART + MOST_PULSES * period);
        for (double at = APART; at < end; at += period) {
            wave.until(at);
            wave.hold(true, pulse);
            wave.hold(false, 0);
        }
        channels.add(wave.channel());
    }

    /** Channels of a receiver of radio control come one after the other. */
    private void sticks(Placed part) {
        if (!pieces.isAnswering(part)) {
            return;
        }
        Map<String, Range<TimeSpan>> widths = new TreeMap<>();
        part.cls().handling().checks().stream()
                .filter(WakeCheck.Pulses.class::isInstance)
                .map(WakeCheck.Pulses.class::cast)
                .filter(pulses -> part.cls()
                        .pin(pulses.pin())
                        .flatMap(pin -> node.wire(part.endpoint(pin)))
                        .isPresent())
                .forEach(pulses -> widths.put(pulses.pin(), pulses.width()));
        double begin = APART;
        for (Map.Entry<String, Range<TimeSpan>> each : widths.entrySet()) {
            Wave wave = new Wave(part.id() + "." + each.getKey(), false);
            double middle = each.getValue().expected().seconds();
            for (double at = begin; at < length; at += FRAME) {
                wave.until(at);
                wave.hold(true, middle + TREMBLE * (2 * random.nextDouble() - 1));
                wave.hold(false, 0);
            }
            channels.add(wave.channel());
            begin += middle;
        }
    }

    /** Its output rests high, and is low while light comes. */
    private void infrared(Placed part, Pin pin) {
        Wave wave = new Wave(part.endpoint(pin).toString(), true);
        wave.until(KEY_AT);
        boolean isMark = true;
        for (double width : pieces.train(part)) {
            wave.hold(!isMark, width * MICRO);
            isMark = !isMark;
        }
        wave.hold(true, 0);
        channels.add(wave.channel());
    }
}
