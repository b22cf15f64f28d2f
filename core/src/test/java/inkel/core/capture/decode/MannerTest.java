package inkel.core.capture.decode;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.capture.decode.Decoding.Kind;
import inkel.core.capture.decode.Decoding.Options;
import inkel.core.capture.decode.Decoding.Role;
import inkel.core.capture.decode.UartDecoder.Parity;
import inkel.core.circuit.Circuit;
import inkel.core.kit.Builds;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** How a wire is to be read, where nobody said that and its edges do. */
class MannerTest {
    private static final double BIT = 1e9 / 9600;

    private static Decoding.Result read(Capture capture, Kind kind, Options options, Map<Role, Channel> wires) {
        Decoding decoding = new Decoding(capture);
        wires.forEach(decoding::take);
        return decoding.decode(kind, options);
    }

    private static Decoding.Result alone(Kind kind, Options options, Channel line, double end) {
        return read(Signal.capture(end, line), kind, options, Map.of(Role.LINE, line));
    }

    private static List<String> keys(List<Fact> facts) {
        return facts.stream().map(Fact::key).toList();
    }

    private static String text(Decoding.Result result) {
        return String.join(
                "|", result.found().messages().stream().map(Message::text).toList());
    }

    // --- serial

    private static Signal letters(String said, Parity parity) {
        Signal line = new Signal(1, 0, 1);
        for (char letter : said.toCharArray()) {
            line.letter(letter, BIT, parity, true, 0);
        }
        return line.hold(1, 20 * BIT);
    }

    @Test
    void aLineThatRestsLowIsReadTurnedOver() {
        Signal line = letters("HELLO", Parity.NONE);
        Decoding.Result result =
                alone(Kind.UART, Options.NONE, line.channel("RX").turned(), line.now());
        assertEquals("HELLO", text(result));
        assertEquals(List.of("capture.read.turned"), keys(result.how()));
        assertEquals(List.of(), result.told());
        Decoding.Result upright = alone(Kind.UART, Options.NONE, line.channel("RX"), line.now());
        assertEquals("HELLO", text(upright));
        assertEquals(List.of(), upright.how());
    }

    @Test
    void parityIsFoundWhereNobodySaidIt() {
        for (Parity parity : List.of(Parity.EVEN, Parity.ODD)) {
            for (boolean isTurned : new boolean[] {false, true}) {
                Signal line = letters("meter 42", parity);
                Channel channel = isTurned ? line.channel("RX").turned() : line.channel("RX");
                Decoding.Result result = alone(Kind.UART, Options.NONE, channel, line.now());
                assertEquals("meter 42", text(result), parity + " " + isTurned);
                String found = "capture.read.parity." + parity.name().toLowerCase(java.util.Locale.ROOT);
                assertEquals(isTurned ? List.of("capture.read.turned", found) : List.of(found), keys(result.how()));
            }
        }
    }

    /** Three letters have the right parity by chance, one time in eight. */
    @Test
    void parityIsNotGuessedFromAFewLettersNorWhereItIsGiven() {
        Signal few = letters("mbm", Parity.EVEN);
        assertEquals(
                List.of(),
                keys(alone(Kind.UART, Options.NONE, few.channel("RX"), few.now())
                        .how()));
        Signal line = letters("meter 42", Parity.EVEN);
        Options none = new Options(Optional.of(9600.0), Optional.of(Parity.NONE), Optional.empty());
        Decoding.Result result = alone(Kind.UART, none, line.channel("RX"), line.now());
        assertTrue(result.found().messages().stream().anyMatch(message -> !message.isWell()));
        assertEquals(List.of(), result.how());
    }

    /** Twelve thousand letters are 120,000 edges: the beginning says how the rest is to be read. */
    @Test
    void aLongLineIsReadAsItBegins() {
        Signal line = new Signal(1, 0, 4);
        for (int i = 0; i < 12_000; i++) {
            line.letter('U', BIT, Parity.NONE, true, 0);
        }
        line.hold(1, 30 * BIT);
        Decoding.Result result =
                alone(Kind.UART, Options.NONE, line.channel("RX").turned(), line.now());
        assertEquals(List.of("capture.read.turned"), keys(result.how()));
        assertEquals(
                12_000,
                result.found().messages().stream()
                        .mapToInt(message -> message.bytes().size())
                        .sum());
    }

    @Test
    void aBrokenLetterIsBrokenWhicheverWayItIsRead() {
        Signal line = new Signal(1, 0, 2);
        for (char letter : "A longer line".toCharArray()) {
            line.letter(letter, BIT, Parity.NONE, letter != 'g', 0);
            line.hold(1, 2 * BIT);
        }
        Decoding.Result result = alone(Kind.UART, Options.NONE, line.channel("RX"), line.now());
        assertEquals(List.of(), result.how());
        assertEquals(
                1,
                result.found().messages().stream()
                        .filter(message -> !message.isWell())
                        .count());
    }

    @Test
    void aRateThatIsNotTheGivenOneIsTold() {
        for (double off : new double[] {0.03, 0.05}) {
            Signal line = new Signal(1, 0, 3);
            for (char letter : "UUUU".toCharArray()) {
                line.letter(letter, BIT / (1 + off), Parity.NONE, true, 0);
            }
            Options given = new Options(Optional.of(9600.0), Optional.empty(), Optional.empty());
            Decoding.Result result = alone(Kind.UART, given, line.channel("RX"), line.now() + 1e6);
            assertEquals(off > 0.04 ? List.of("capture.plan.baud") : List.of(), keys(result.told()), "off " + off);
        }
    }

    // --- SPI

    @Test
    void theModeOfAClockIsFoundInWhatChangesWhen() {
        Random random = new Random(4);
        for (int mode = 0; mode < 4; mode++) {
            for (int i = 0; i < 25; i++) {
                List<Integer> out = List.of(0x5A, random.nextInt(256), random.nextInt(256));
                List<Integer> in = List.of(random.nextInt(256), 0x96, random.nextInt(256));
                Channel[] wires = Signal.spi(mode, out, in, 0);
                for (boolean isInAlone : new boolean[] {false, true}) {
                    Map<Role, Channel> taken = isInAlone
                            ? Map.of(Role.SCK, wires[0], Role.CS, wires[1], Role.MISO, wires[3])
                            : Map.of(Role.SCK, wires[0], Role.CS, wires[1], Role.MOSI, wires[2], Role.MISO, wires[3]);
                    Decoding.Result result = read(Signal.capture(1e6, wires), Kind.SPI, Options.NONE, taken);
                    List<Integer> bytes = result.found().messages().get(0).bytes();
                    assertEquals(in, bytes.subList(3, 6), "mode " + mode);
                    assertEquals(isInAlone ? List.of(0, 0, 0) : out, bytes.subList(0, 3), "mode " + mode);
                    assertEquals(
                            List.of(Fact.of("capture.read.mode").with("mode", mode)), result.how(), "mode " + mode);
                }
            }
        }
    }

    @Test
    void dataThatHardlyChangesSaysNoModeAndAGivenOneIsKept() {
        Channel[] wires = Signal.spi(1, List.of(0xFF), List.of(0x00), 0);
        Map<Role, Channel> taken = Map.of(Role.SCK, wires[0], Role.CS, wires[1], Role.MOSI, wires[2]);
        assertEquals(
                List.of(),
                read(Signal.capture(1e6, wires), Kind.SPI, Options.NONE, taken).how());
        Channel[] busy = Signal.spi(1, List.of(0x5A), List.of(0x00), 0);
        Options given = new Options(Optional.empty(), Optional.empty(), Optional.of(0));
        Map<Role, Channel> all = Map.of(Role.SCK, busy[0], Role.CS, busy[1], Role.MOSI, busy[2]);
        assertEquals(
                List.of(), read(Signal.capture(1e6, busy), Kind.SPI, given, all).how());
    }

    private static Optional<Integer> mode(Channel clock, Channel select, Channel data) {
        return ClockMode.of(clock, Optional.of(select), data);
    }

    /** 1010 0000 changes four times from a line that is low, 1110 1111 three times. */
    @Test
    void fourChangesOfDataTellTheMode() {
        Channel[] four = Signal.spi(1, List.of(0xA0), List.of(0), 0);
        assertEquals(Optional.of(1), mode(four[0], four[1], four[2]));
        Channel[] three = Signal.spi(1, List.of(0xEF), List.of(0), 0);
        assertEquals(Optional.empty(), mode(three[0], three[1], three[2]));
    }

    /** What another part is told on the same wires, or nobody, tells nothing of this one. */
    @Test
    void onlyWhatChangesWhileThePartIsSelectedCounts() {
        Channel[] wires = Signal.spi(1, List.of(0xA5), List.of(0), 0);
        long end = wires[1].time(wires[1].count() - 1);
        for (int i = 1; i < 40; i++) {
            wires[2].add(end + 1000L * i, i % 2 == 0 ? Channel.LOW : Channel.HIGH);
        }
        assertEquals(Optional.of(1), mode(wires[0], wires[1], wires[2]));
        assertEquals(Optional.empty(), ClockMode.of(wires[0], Optional.empty(), wires[2]));
    }

    /** Before its program has begun a board may hold the clock anywhere. */
    @Test
    void theClockRestsAsItIsWhenThePartIsSelected() {
        for (int mode = 0; mode < 4; mode++) {
            Channel[] wires = Signal.spi(mode, List.of(0x5A), List.of(0), 0);
            Channel clock = new Channel("SCK");
            clock.add(0, mode < 2 ? Channel.HIGH : Channel.LOW);
            clock.add(50_000, mode < 2 ? Channel.LOW : Channel.HIGH);
            for (int i = 1; i < wires[0].count(); i++) {
                clock.add(wires[0].time(i), wires[0].level(i));
            }
            assertEquals(Optional.of(mode), mode(clock, wires[1], wires[2]), "mode " + mode);
        }
    }

    /** A card is read in mode 0, and in mode 3 as well: at the same edge. */
    @Test
    void dataThatChangesWhereThePartReadsItIsTold() {
        Circuit circuit = Circuit.of(
                Builds.classic()
                        .part("card", "memory-card-5v", "VCC=board.5V")
                        .wire("card.SCK", "board.D13")
                        .wire("card.MOSI", "board.D11")
                        .build(),
                Builds.CATALOG);
        for (int mode = 0; mode < 4; mode++) {
            Channel[] wires = Signal.spi(mode, List.of(0x5A, 0xA5), List.of(0, 0), 0);
            Decoding decoding = new Decoding(Signal.capture(1e6, wires));
            decoding.take(Decoding.At.find(circuit, "card.SCK").orElseThrow(), wires[0]);
            decoding.take(Decoding.At.find(circuit, "card.MOSI").orElseThrow(), wires[2]);
            List<String> told = keys(decoding.decode(Kind.SPI, Options.NONE).told());
            assertEquals(
                    mode == 1 || mode == 2, told.contains("capture.plan.mode_other"), "mode " + mode + ": " + told);
        }
    }

    /** A radio and a reader share clock and data: whose select falls is the one that hears. */
    @Test
    void onSharedWiresTheSelectSaysWhoseTheMessagesAre() {
        Circuit circuit = Circuit.of(
                Builds.classic()
                        .part("radio", "packet-radio", "VCC=board.3V3")
                        .wire("radio.SCK", "board.D13")
                        .wire("radio.MOSI", "board.D11")
                        .part("card", "memory-card-5v", "VCC=board.5V")
                        .wire("card.CS", "board.D10")
                        .build(),
                Builds.CATALOG);
        Channel[] wires = Signal.spi(1, List.of(0x5A, 0xA5), List.of(0, 0), 0);
        Decoding decoding = new Decoding(Signal.capture(1e6, wires));
        decoding.take(Decoding.At.find(circuit, "radio.SCK").orElseThrow(), wires[0]);
        decoding.take(Decoding.At.find(circuit, "radio.MOSI").orElseThrow(), wires[2]);
        decoding.take(Decoding.At.find(circuit, "card.CS").orElseThrow(), wires[1]);
        assertEquals(
                List.of("card"),
                decoding.decode(Kind.SPI, Options.NONE).told().stream()
                        .filter(fact -> fact.key().equals("capture.plan.mode_other"))
                        .map(fact -> fact.values().get("part"))
                        .toList());
    }

    // --- infrared

    /** A lead, 32 bits by the length of the space and a mark at the end: address 4, command 8, lowest bits first. */
    private static List<Double> train() {
        List<Double> train = new java.util.ArrayList<>(List.of(9e6, 4.5e6));
        for (int value : new int[] {0x04, 0xFB, 0x08, 0xF7}) {
            for (int bit = 0; bit < 8; bit++) {
                train.add(0.5625e6);
                train.add((value >> bit & 1) == 1 ? 1.6875e6 : 0.5625e6);
            }
        }
        train.add(0.5625e6);
        return train;
    }

    private static void isTheKey(Decoding.Result result) {
        assertEquals(
                List.of(Fact.of("capture.key.pulse-distance").with("address", 4).with("command", 8)),
                InfraredDecoder.keys(result.found().messages()));
    }

    @Test
    void aReceiverThatIsHighWhileThereIsLightIsReadTurnedOver() {
        Signal line = new Signal(1, 0, 5).wait(20e6);
        boolean isMark = true;
        for (double width : train()) {
            line.hold(isMark ? 0 : 1, width);
            isMark = !isMark;
        }
        line.hold(1, 40e6);
        Decoding.Result usual = alone(Kind.INFRARED, Options.NONE, line.channel("OUT"), line.now());
        isTheKey(usual);
        assertEquals(List.of(), usual.how());
        Decoding.Result lit =
                alone(Kind.INFRARED, Options.NONE, line.channel("OUT").turned(), line.now());
        isTheKey(lit);
        assertEquals(List.of("capture.read.lit"), keys(lit.how()));
    }

    /** A lamp that is switched against ground is low while it shines. */
    @Test
    void theLampOfASenderIsReadThroughItsCarrier() {
        for (double kilohertz : new double[] {36, 38, 56}) {
            Signal lamp = new Signal(0, 0, 6).wait(20e6);
            boolean isMark = true;
            for (double width : train()) {
                double until = lamp.now() + width;
                double period = 1e6 / kilohertz;
                while (isMark && lamp.now() + period <= until) {
                    lamp.hold(1, period / 3).hold(0, 2 * period / 3);
                }
                lamp.hold(0, until - lamp.now());
                isMark = !isMark;
            }
            lamp.wait(40e6);
            for (Channel channel :
                    List.of(lamp.channel("lamp"), lamp.channel("lamp").turned())) {
                Decoding.Result result = alone(Kind.INFRARED, Options.NONE, channel, lamp.now());
                isTheKey(result);
                assertEquals(List.of("capture.read.carrier"), keys(result.how()));
                double found = ((inkel.core.quantity.Frequency)
                                result.how().get(0).values().get("rate"))
                        .hertz();
                assertEquals(1e3 * kilohertz, found, 5 * kilohertz);
            }
        }
    }

    // --- wires on which nothing happens

    @Test
    void aLineThatNeverMovesIsTold() {
        for (int rest = 0; rest < 2; rest++) {
            Channel line = new Signal(rest, 0, 7).channel("RX");
            List<String> told = List.of(rest == 0 ? "capture.still.low" : "capture.still.high");
            assertEquals(told, keys(alone(Kind.UART, Options.NONE, line, 1e9).told()));
            assertEquals(
                    told, keys(alone(Kind.INFRARED, Options.NONE, line, 1e9).told()));
        }
    }

    @Test
    void aLineThatIsNotLetGoIsTold() {
        for (double low : new double[] {34e6, 36e6}) {
            Signal line = letters("ok", Parity.NONE).hold(1, 100e6).hold(0, low);
            Decoding.Result result = alone(Kind.UART, Options.NONE, line.channel("RX"), line.now());
            assertEquals(low > 35e6 ? List.of("capture.still.held") : List.of(), keys(result.told()), "low for " + low);
        }
    }

    /** A message at 100 kHz, and then data falls and nothing follows: twenty bits are 200 µs. */
    @Test
    void aBusThatIsHeldIsTold() {
        for (double low : new double[] {190e3, 210e3}) {
            for (boolean isClock : new boolean[] {false, true}) {
                Signal sda = new Signal(1, 0, 8);
                Signal scl = new Signal(1, 0, 9);
                message(sda, scl);
                (isClock ? scl : sda).hold(0, low);
                double end = Math.max(sda.now(), scl.now());
                Channel[] both = {sda.channel("D0"), scl.channel("D1")};
                Decoding.Result result = read(
                        Signal.capture(end, both),
                        Kind.I2C,
                        Options.NONE,
                        Map.of(Role.SDA, both[0], Role.SCL, both[1]));
                assertEquals(
                        low > 200e3 ? List.of(isClock ? "SCL" : "SDA") : List.of(),
                        result.told().stream()
                                .filter(fact -> fact.key().equals("capture.still.held"))
                                .map(fact -> fact.values().get("wire"))
                                .toList(),
                        "low for " + low);
            }
        }
    }

    private static void message(Signal sda, Signal scl) {
        both(sda, scl, 0, 1);
        both(sda, scl, 0, 0);
        int bits = 0x68 << 2;
        for (int i = 8; i >= 0; i--) {
            both(sda, scl, bits >> i & 1, 0);
            both(sda, scl, bits >> i & 1, 1);
            both(sda, scl, bits >> i & 1, 1);
            both(sda, scl, bits >> i & 1, 0);
        }
        both(sda, scl, 0, 0);
        both(sda, scl, 0, 1);
        both(sda, scl, 1, 1);
    }

    private static void both(Signal sda, Signal scl, int one, int other) {
        sda.hold(one, 2500);
        scl.hold(other, 2500);
    }

    @Test
    void aBusThatNobodyNamedIsFoundWhicheverWayAbout() {
        for (boolean isSwapped : new boolean[] {false, true}) {
            Signal sda = new Signal(1, 0, 10);
            Signal scl = new Signal(1, 0, 11);
            message(sda, scl);
            message(sda, scl);
            Channel data = sda.channel("one");
            Channel clock = scl.channel("two");
            Decoding decoding = new Decoding(
                    isSwapped ? Signal.capture(sda.now(), clock, data) : Signal.capture(sda.now(), data, clock));
            assertTrue(decoding.takeBus());
            Decoding.Result result = decoding.decode(Kind.I2C, Options.NONE);
            assertEquals("0x68 write|0x68 write", text(result));
            assertEquals(List.of(Fact.of("capture.read.bus").with("sda", "one").with("scl", "two")), result.how());
        }
        Signal sda = new Signal(1, 0, 10);
        Signal scl = new Signal(1, 0, 11);
        for (int i = 0; i < 1500; i++) {
            message(sda, scl);
        }
        Channel[] both = {scl.channel("one"), sda.channel("two")};
        assertTrue(both[0].count() > 20_000, "longer than what is looked at");
        Decoding busy = new Decoding(Signal.capture(sda.now(), both));
        assertTrue(busy.takeBus());
        assertEquals(
                1500, busy.decode(Kind.I2C, Options.NONE).found().messages().size());
        Channel quiet = new Signal(1, 0, 12).channel("quiet");
        assertTrue(!new Decoding(Signal.capture(1e6, quiet, quiet)).takeBus());
    }
}
