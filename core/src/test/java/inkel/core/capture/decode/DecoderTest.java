package inkel.core.capture.decode;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.capture.Channel;
import inkel.core.capture.decode.UartDecoder.Parity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class DecoderTest {
    // --- serial

    private static Decoded uart(Signal line, Optional<Double> baud, Parity parity) {
        Channel channel = line.channel("TX");
        return new UartDecoder(baud, parity).decode(Signal.capture(line.now() + 1e6, channel), channel);
    }

    @Test
    void aLineIsReadAtRatesThatNobodyToldWithJitterAndStrayPulses() {
        Random random = new Random(1);
        for (int seed = 0; seed < 200; seed++) {
            double baud =
                    List.of(1200, 9600, 38_400, 115_200).get(seed % 4) * (1 + 0.03 * (2 * random.nextDouble() - 1));
            double bit = 1e9 / baud;
            Signal line = new Signal(1, 0.05 * bit, seed);
            StringBuilder sent = new StringBuilder();
            for (int i = 0; i < 40; i++) {
                int letter = 32 + random.nextInt(95);
                sent.append((char) letter);
                line.letter(letter, bit, Parity.NONE, true, 0);
            }
            line.hold(1, 3 * bit);
            int strays = line.stray(3, Math.round(bit / 15));
            Decoded decoded = uart(line, Optional.empty(), Parity.NONE);
            StringBuilder read = new StringBuilder();
            decoded.messages().forEach(message -> message.bytes().forEach(value -> read.append((char) (int) value)));
            assertEquals(sent.toString(), read.toString(), "seed " + seed);
            assertTrue(decoded.messages().stream().allMatch(Message::isWell));
            assertEquals(strays, decoded.glitches(), "seed " + seed);
            assertEquals(baud, decoded.rate().orElseThrow(), 0.01 * baud, "seed " + seed);
        }
    }

    @Test
    void aStopBitThatIsLowIsToldAndWhatFollowsIsRead() {
        Signal line = new Signal(1, 0, 2);
        double bit = 1e9 / 9600;
        line.letter('A', bit, Parity.NONE, true, 0);
        line.letter('B', bit, Parity.NONE, false, 0);
        line.hold(1, 12 * bit);
        line.letter('C', bit, Parity.NONE, true, 0);
        line.hold(1, bit);
        Decoded decoded = uart(line, Optional.of(9600.0), Parity.NONE);
        assertEquals(2, decoded.messages().size());
        assertEquals(
                "capture.uart.framing",
                decoded.messages().get(0).why().orElseThrow().key());
        assertEquals("AB", decoded.messages().get(0).text());
        assertEquals("C", decoded.messages().get(1).text());
    }

    @Test
    void parityIsHeldBothWays() {
        for (Parity parity : List.of(Parity.EVEN, Parity.ODD)) {
            for (int flipped = 0; flipped < 2; flipped++) {
                Signal line = new Signal(1, 0, 3);
                double bit = 1e9 / 19_200;
                line.letter('k', bit, parity, true, 0);
                line.letter('Q', bit, parity, true, flipped);
                line.hold(1, 3 * bit);
                Decoded decoded = uart(line, Optional.of(19_200.0), parity);
                assertEquals("kQ", decoded.messages().get(0).text());
                assertEquals(flipped == 0, decoded.messages().get(0).isWell());
            }
        }
    }

    @Test
    void aMessageEndsWithItsLineOrAPauseAndACutLetterIsNone() {
        Signal line = new Signal(1, 0, 4);
        double bit = 1e9 / 9600;
        for (char letter : "OK\r\nat".toCharArray()) {
            line.letter(letter, bit, Parity.NONE, true, 0);
        }
        line.hold(1, 40 * bit);
        line.letter('!', bit, Parity.NONE, true, 0);
        line.hold(0, bit).hold(1, bit).hold(0, bit);
        Channel channel = line.channel("TX");
        Decoded decoded =
                new UartDecoder(Optional.of(9600.0), Parity.NONE).decode(Signal.capture(line.now(), channel), channel);
        assertEquals(
                List.of("OK\\r\\n", "at", "!"),
                decoded.messages().stream().map(Message::text).toList());
    }

    @Test
    void aBitThatWasTurnedIsAnotherWord() {
        double bit = 1e9 / 9600;
        for (int turned = 0; turned < 8; turned++) {
            Signal line = new Signal(1, 0, 5);
            line.letter(0x5A ^ (1 << turned), bit, Parity.NONE, true, 0);
            line.hold(1, 2 * bit);
            assertFalse(uart(line, Optional.of(9600.0), Parity.NONE)
                    .messages()
                    .get(0)
                    .bytes()
                    .equals(List.of(0x5A)));
        }
    }

    // --- I2C

    /** Both wires of a bus, driven in quarters of a clock. */
    private static final class Bus {
        private final Signal sda;
        private final Signal scl;
        private final double quarter;

        Bus(double hertz, double jitter, long seed) {
            quarter = 1e9 / hertz / 4;
            sda = new Signal(1, jitter, seed);
            scl = new Signal(1, jitter, seed + 1);
        }

        private void both(int data, int clock) {
            sda.hold(data, quarter);
            scl.hold(clock, quarter);
        }

        Bus start() {
            both(1, 1);
            both(0, 1);
            both(0, 0);
            return this;
        }

        Bus again() {
            both(1, 0);
            both(1, 1);
            both(0, 1);
            both(0, 0);
            return this;
        }

        Bus stop() {
            both(0, 0);
            both(0, 1);
            both(1, 1);
            both(1, 1);
            return this;
        }

        private void bit(int one) {
            both(one, 0);
            both(one, 1);
            both(one, 1);
            both(one, 0);
        }

        Bus send(int value, boolean isAnswered) {
            for (int i = 7; i >= 0; i--) {
                bit((value >> i) & 1);
            }
            bit(isAnswered ? 0 : 1);
            return this;
        }

        Decoded decoded() {
            Channel data = sda.channel("SDA");
            Channel clock = scl.channel("SCL");
            return new I2cDecoder().decode(Signal.capture(sda.now() + 1e5, data, clock), data, clock);
        }
    }

    @Test
    void transactionsAreReadWithJitter() {
        Random random = new Random(6);
        for (int seed = 0; seed < 200; seed++) {
            double hertz = seed % 2 == 0 ? 100_000 : 400_000;
            Bus bus = new Bus(hertz, 0.06e9 / hertz, seed);
            int address = 0x08 + random.nextInt(0x70);
            List<Integer> sent = new ArrayList<>(List.of(address * 2));
            bus.start().send(address * 2, true);
            for (int i = 0; i < 6; i++) {
                int value = random.nextInt(256);
                sent.add(value);
                bus.send(value, true);
            }
            bus.again().send(address * 2 + 1, true).send(0xC3, false).stop();
            Decoded decoded = bus.decoded();
            assertEquals(2, decoded.messages().size(), "seed " + seed);
            assertEquals(sent, decoded.messages().get(0).bytes());
            assertEquals(
                    List.of(address * 2 + 1, 0xC3), decoded.messages().get(1).bytes());
            assertTrue(decoded.messages().stream().allMatch(Message::isWell), "the last byte read is not answered");
            assertEquals(hertz, decoded.rate().orElseThrow(), 0.1 * hertz);
        }
    }

    @Test
    void whoDoesNotAnswerAndWhatIsRefusedIsTold() {
        Decoded silent = new Bus(100_000, 0, 1).start().send(0x4E, false).stop().decoded();
        assertEquals(
                "capture.i2c.no_answer",
                silent.messages().get(0).why().orElseThrow().key());
        assertEquals("0x27 write", silent.messages().get(0).text());
        Decoded refused = new Bus(100_000, 0, 1)
                .start()
                .send(0x4E, true)
                .send(8, false)
                .stop()
                .decoded();
        assertEquals(
                "capture.i2c.refused",
                refused.messages().get(0).why().orElseThrow().key());
    }

    @Test
    void aStrayPulseOnTheClockIsLeftOut() {
        Bus bus =
                new Bus(100_000, 0, 1).start().send(0x4E, true).send(0x5A, true).stop();
        int strays = bus.scl.stray(2, 400);
        Decoded decoded = bus.decoded();
        assertEquals(2, strays);
        assertEquals(2, decoded.glitches());
        assertEquals(List.of(0x4E, 0x5A), decoded.messages().get(0).bytes());
    }

    // --- SPI

    private static Decoded spi(int made, int read, List<Integer> out, List<Integer> in, int extra, boolean hasSelect) {
        Channel[] channels = Signal.spi(made, out, in, extra);
        return new SpiDecoder(read)
                .decode(
                        Signal.capture(channels[0].time(channels[0].count() - 1) + 5000, channels),
                        new SpiDecoder.Wires(
                                channels[0],
                                hasSelect ? Optional.of(channels[1]) : Optional.empty(),
                                Optional.of(channels[2]),
                                Optional.of(channels[3])));
    }

    @Test
    void bytesOfBothWaysAreReadInEveryMode() {
        Random random = new Random(7);
        for (int mode = 0; mode < 4; mode++) {
            for (int i = 0; i < 50; i++) {
                List<Integer> out = List.of(random.nextInt(256), random.nextInt(256), random.nextInt(256));
                List<Integer> in = List.of(random.nextInt(256), random.nextInt(256), random.nextInt(256));
                for (boolean hasSelect : new boolean[] {true, false}) {
                    Decoded decoded = spi(mode, mode, out, in, 0, hasSelect);
                    List<Integer> both = new ArrayList<>(out);
                    both.addAll(in);
                    assertEquals(1, decoded.messages().size(), "mode " + mode);
                    assertEquals(both, decoded.messages().get(0).bytes(), "mode " + mode + " select " + hasSelect);
                    assertTrue(decoded.messages().get(0).isWell());
                }
            }
        }
    }

    @Test
    void bitsThatMakeNoByteAreTold() {
        Decoded decoded = spi(0, 0, List.of(0xA5), List.of(0x3C), 3, true);
        assertEquals(
                "capture.spi.bits",
                decoded.messages().get(0).why().orElseThrow().key());
        assertEquals(List.of(0xA5, 0x3C), decoded.messages().get(0).bytes());
    }

    // --- pulses and infrared

    @Test
    void pulsesAreMeasuredAndHeldAgainstTheirRange() {
        Signal line = new Signal(0, 0, 8);
        for (double width : new double[] {1_500_000, 1_000_000, 400_000, 2_600_000}) {
            line.hold(1, width).hold(0, 20_000_000 - width);
        }
        int strays = line.stray(2, 20_000);
        Channel channel = line.channel("SIG");
        Decoded decoded = new PulseDecoder()
                .decode(Signal.capture(line.now(), channel), channel, Optional.of(500e-6), Optional.of(2500e-6));
        assertEquals(
                List.of("1500.0 µs", "1000.0 µs", "400.0 µs", "2600.0 µs"),
                decoded.messages().stream().map(Message::text).toList());
        assertEquals(
                List.of("", "", "capture.pulse.short", "capture.pulse.long"),
                decoded.messages().stream()
                        .map(message -> message.why().map(why -> why.key()).orElse(""))
                        .toList());
        assertEquals(50, decoded.rate().orElseThrow(), 0.01);
        assertEquals(strays, decoded.glitches());
    }

    @Test
    void trainsOfMarksAndSpacesEndWithAPause() {
        Signal line = new Signal(1, 0, 9);
        line.hold(0, 9_000_000)
                .hold(1, 4_500_000)
                .hold(0, 560_000)
                .hold(1, 1_690_000)
                .hold(0, 560_000);
        line.hold(1, 40_000_000);
        line.hold(0, 9_000_000).hold(1, 2_250_000).hold(0, 560_000).hold(1, 1_000_000);
        Channel channel = line.channel("OUT");
        Decoded decoded = new InfraredDecoder().decode(Signal.capture(line.now(), channel), channel);
        assertEquals(
                List.of("9000,4500,560,1690,560", "9000,2250,560"),
                decoded.messages().stream().map(Message::text).toList());
    }

    @Test
    void anEmptyWireSaysNothing() {
        Channel nothing = new Channel("D0");
        var capture = Signal.capture(0, nothing);
        assertEquals(
                List.of(),
                new UartDecoder(Optional.empty(), Parity.NONE)
                        .decode(capture, nothing)
                        .messages());
        assertEquals(
                List.of(), new I2cDecoder().decode(capture, nothing, nothing).messages());
        assertEquals(List.of(), new InfraredDecoder().decode(capture, nothing).messages());
        assertEquals(
                List.of(),
                new PulseDecoder()
                        .decode(capture, nothing, Optional.empty(), Optional.empty())
                        .messages());
    }
}
