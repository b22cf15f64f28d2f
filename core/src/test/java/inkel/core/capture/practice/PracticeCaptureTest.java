package inkel.core.capture.practice;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.capture.Capture;
import inkel.core.capture.CaptureReader;
import inkel.core.capture.Channel;
import inkel.core.capture.VcdWriter;
import inkel.core.capture.decode.Decoding;
import inkel.core.capture.decode.Decoding.At;
import inkel.core.capture.decode.Decoding.Kind;
import inkel.core.capture.decode.Decoding.Options;
import inkel.core.capture.decode.Decoding.Role;
import inkel.core.capture.decode.Message;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Build;
import inkel.core.document.edit.SetSetting;
import inkel.core.kit.Builds;
import inkel.core.pins.PinReport;
import inkel.core.quantity.TimeSpan;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the practice bench's wires did, read by decoders that know nothing of who drove them. */
class PracticeCaptureTest {
    private static final TimeSpan LONG = TimeSpan.ofSeconds(0.25);
    private static final String TABLE = Builds.NODE;

    /** All answer but those named; servos are at 1.2 ms. */
    private record Some(Set<String> silent) implements PracticeCapture.Pieces {
        @Override
        public boolean isAnswering(Placed part) {
            return !silent.contains(part.id());
        }

        @Override
        public double pulse(Placed part) {
            return 1.2e-3;
        }

        @Override
        public List<Double> train(Placed part) {
            return List.of(9000.0, 4500.0, 560.0, 1690.0, 560.0);
        }
    }

    private static Build build() {
        return Builds.classic()
                .part("clock", "clock-memory", "VCC=board.5V")
                .wire("clock.SDA", "board.A4")
                .wire("clock.SCL", "board.A5")
                .part("eye", "colour-i2c", "VIN=board.5V")
                .wire("eye.SDA", "board.A4")
                .wire("eye.SCL", "board.A5")
                .part("card", "memory-card-5v", "VCC=board.5V")
                .wire("card.SCK", "board.D13")
                .wire("card.MOSI", "board.D11")
                .wire("card.MISO", "board.D12")
                .wire("card.CS", "board.D10")
                .part("gate", "servo-micro", "V+=board.5V")
                .wire("gate.SIG", "board.D9")
                .part("where", "positioning-receiver", "VCC=board.5V")
                .wire("where.TX", "board.D2")
                .part("handset", "infrared-receiver", "VS=board.5V")
                .wire("handset.OUT", "board.D4")
                .build();
    }

    private static Capture capture(String... silent) {
        return PracticeCapture.of(
                PinReport.of(Circuit.of(build(), Builds.CATALOG)), TABLE, new Some(Set.of(silent)), LONG, 3);
    }

    private static Decoding.Result decoded(Capture capture, Kind kind, String... wires) {
        Circuit circuit = Assessment.assess(build(), Builds.CATALOG).reports().circuit();
        Decoding decoding = new Decoding(capture);
        for (String wire : wires) {
            Channel channel = capture.channel(wire).orElseThrow();
            decoding.take(At.find(circuit, wire).orElseThrow(), channel);
            if (kind.needs().contains(Role.LINE)) {
                decoding.take(Role.LINE, channel);
            }
        }
        return decoding.decode(kind, Options.NONE);
    }

    private static List<Message> messages(Decoding.Result result) {
        return result.found().messages();
    }

    @Test
    void allOfABusAnswerAtItsClock() {
        Decoding.Result result = decoded(capture(), Kind.I2C, "clock.SDA", "clock.SCL");
        assertEquals(List.of(), result.told());
        assertTrue(messages(result).stream().allMatch(Message::isWell));
        assertEquals(100_000, result.found().rate().orElseThrow(), 1000);
        assertEquals(
                Set.of(0x68, 0x29),
                messages(result).stream()
                        .map(message -> message.bytes().get(0) >> 1)
                        .collect(Collectors.toSet()));
    }

    @Test
    void whoIsSilentIsNotHeardAndThatIsTold() {
        Decoding.Result result = decoded(capture("eye"), Kind.I2C, "clock.SDA", "clock.SCL");
        assertEquals(
                List.of("capture.plan.silent"),
                result.told().stream().map(fact -> fact.key()).toList());
        assertEquals(
                0,
                decoded(capture("where"), Kind.UART, "where.TX")
                        .found()
                        .messages()
                        .size());
        Decoding.Result card = decoded(capture("card"), Kind.SPI, "card.SCK", "card.MOSI", "card.MISO", "card.CS");
        assertEquals(1, capture("card").channel("card.MISO").orElseThrow().count(), "its data stay low");
        assertTrue(messages(card).size() > 3, "the board asks all the same");
    }

    @Test
    void messagesOfSpiAreSelectedAndWhole() {
        Decoding.Result result = decoded(capture(), Kind.SPI, "card.SCK", "card.MOSI", "card.MISO", "card.CS");
        assertEquals(List.of(), result.told());
        // 25 a second for a quarter of one: at 0.7 ms and each 40 ms on.
        assertEquals(7, messages(result).size());
        assertTrue(messages(result).stream().allMatch(Message::isWell));
    }

    @Test
    void portsPulsesAndTrainsAreThere() {
        Capture capture = capture();
        Decoding.Result port = decoded(capture, Kind.UART, "where.TX");
        assertEquals(List.of(), port.told());
        assertTrue(messages(port).stream().allMatch(Message::isWell));
        Channel gate = capture.channel("gate.SIG").orElseThrow();
        // Low at first, then up and down each 20 ms from 0.7 ms on: 13 pulses.
        assertEquals(27, gate.count());
        assertEquals(1.2e-3, capture.seconds(gate.time(2) - gate.time(1)), 1e-8);
        assertEquals(20e-3, capture.seconds(gate.time(3) - gate.time(1)), 1e-8);
        Channel heard = capture.channel("handset.OUT").orElseThrow();
        assertEquals(Channel.HIGH, heard.level(0));
        assertEquals(9e-3, capture.seconds(heard.time(2) - heard.time(1)), 1e-8);
        assertEquals(Channel.HIGH, heard.last());
    }

    @Test
    void whatIsWrittenIsReadAgain(@TempDir Path folder) throws Exception {
        Capture capture = capture();
        StringBuilder text = new StringBuilder();
        VcdWriter.write(capture, text);
        Path file = folder.resolve("bench.vcd");
        Files.writeString(file, text);
        Capture back = CaptureReader.read(file);
        assertEquals(List.of(), back.problems());
        assertEquals(capture.edges(), back.edges());
        assertEquals(capture.end(), back.end());
        StringBuilder again = new StringBuilder();
        VcdWriter.write(
                PracticeCapture.of(
                        PinReport.of(Circuit.of(build(), Builds.CATALOG)), TABLE, new Some(Set.of()), LONG, 3),
                again);
        assertEquals(text.toString(), again.toString(), "one seed, the same bytes");
    }

    @Test
    void whatIsAskedForMoreThanABusCarriesEndsAllTheSame() throws Exception {
        Build much = new SetSetting(TABLE, "clock", Settings.POLLS, "1 GHz").apply(build());
        Capture capture =
                PracticeCapture.of(PinReport.of(Circuit.of(much, Builds.CATALOG)), TABLE, new Some(Set.of()), LONG, 3);
        Decoding.Result result = decoded(capture, Kind.I2C, "clock.SDA", "clock.SCL");
        // One message behind the other: eleven bytes and an address again, of nine bits each, at 100 kHz are some 1.1
        // ms.
        assertTrue(
                messages(result).size() > 200, String.valueOf(messages(result).size()));
        assertEquals(Math.round(LONG.seconds() / Wave.UNIT), capture.end());
    }

    @Test
    void aNameBreaksNoFile(@TempDir Path folder) throws Exception {
        Channel odd = new Channel("a $end\n$var wire 1 ! b");
        odd.add(0, Channel.LOW);
        odd.add(5, Channel.HIGH);
        StringBuilder text = new StringBuilder();
        VcdWriter.write(new Capture(1e-9, List.of(odd), 9, List.of()), text);
        Path file = Files.writeString(folder.resolve("odd.vcd"), text);
        Capture back = CaptureReader.read(file);
        assertEquals(List.of(), back.problems());
        assertEquals(1, back.channels().size());
        assertEquals(2, back.edges());
    }

    @Test
    void aPhaseThatIsLateAndABitOrderTurnedRoundAreAsTheirClassesSay() {
        for (int mode = 0; mode < 4; mode++) {
            for (boolean isFirst : new boolean[] {true, false}) {
                SpiTalk talk = new SpiTalk("sck", "mosi", "miso", 1e6);
                talk.select("cs", false);
                inkel.core.catalog.SpiNeed need = new inkel.core.catalog.SpiNeed(
                        mode, inkel.core.quantity.Frequency.ofHertz(1e6), isFirst, false, true);
                talk.until(1e-3);
                talk.message("cs", need, List.of(0xA5, 0x13), List.of(0x0F, 0xC4));
                Capture capture = new Capture(Wave.UNIT, talk.channels(), 2_000_000, List.of());
                Decoding decoding = new Decoding(capture);
                decoding.take(Role.SCK, capture.channel("sck").orElseThrow());
                decoding.take(Role.MOSI, capture.channel("mosi").orElseThrow());
                decoding.take(Role.MISO, capture.channel("miso").orElseThrow());
                decoding.take(Role.CS, capture.channel("cs").orElseThrow());
                List<Message> messages = decoding.decode(
                                Kind.SPI, new Options(Optional.empty(), Optional.empty(), Optional.of(mode)))
                        .found()
                        .messages();
                assertEquals(1, messages.size(), "mode " + mode);
                int first = isFirst ? 0xA5 : Integer.reverse(0xA5) >>> 24;
                assertEquals(first, messages.get(0).bytes().get(0), "mode " + mode);
            }
        }
    }
}
