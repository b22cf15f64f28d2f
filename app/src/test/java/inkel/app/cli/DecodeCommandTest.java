package inkel.app.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import inkel.app.kit.Given;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DecodeCommandTest {
    private static final String LOCKS = Given.EXAMPLES.resolve(Given.LOCKS).toString();

    @TempDir
    private Path folder;

    private record Ran(int code, String out, String err) {}

    private static Ran run(String... args) {
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        int code = Cli.run(new PrintWriter(out, true), new PrintWriter(err, true), args);
        return new Ran(code, out.toString(), err.toString());
    }

    /** A dump in microseconds of the changes of wires, the ids of which are their letters. */
    private String dump(String wires, Map<Long, String> changes) throws Exception {
        StringBuilder text = new StringBuilder("$timescale 1 us $end\n");
        for (char wire : wires.toCharArray()) {
            text.append("$var wire 1 ").append(wire).append(" D").append(wire).append(" $end\n");
        }
        text.append("$enddefinitions $end\n");
        changes.forEach(
                (time, what) -> text.append("#").append(time).append("\n").append(what));
        return Files.writeString(folder.resolve("capture.vcd"), text).toString();
    }

    private static void add(Map<Long, String> changes, double time, char wire, int level) {
        changes.merge(Math.round(time), level + "" + wire + "\n", String::concat);
    }

    private String serial(String said, double baud) throws Exception {
        Map<Long, String> changes = new TreeMap<>();
        double time = 1000;
        add(changes, 0, 'a', 1);
        for (char letter : said.toCharArray()) {
            add(changes, time, 'a', 0);
            for (int i = 0; i < 8; i++) {
                add(changes, time + (i + 1) * 1e6 / baud, 'a', (letter >> i) & 1);
            }
            add(changes, time + 9e6 / baud, 'a', 1);
            time += 10e6 / baud;
        }
        add(changes, time + 1e6, 'a', 1);
        return dump("a", changes);
    }

    /** Each byte with whether it is answered; a clock of 100 kHz. */
    private String bus(int[]... messages) throws Exception {
        Map<Long, String> changes = new TreeMap<>();
        double time = 100;
        add(changes, 0, 'a', 1);
        add(changes, 0, 'b', 1);
        for (int[] message : messages) {
            add(changes, time, 'a', 0);
            add(changes, time + 5, 'b', 0);
            time += 10;
            for (int value : message) {
                int bits = (value & 0xFF) << 1 | (value < 0x100 ? 0 : 1);
                for (int i = 8; i >= 0; i--) {
                    add(changes, time, 'a', (bits >> i) & 1);
                    add(changes, time + 3, 'b', 1);
                    add(changes, time + 8, 'b', 0);
                    time += 10;
                }
            }
            add(changes, time, 'a', 0);
            add(changes, time + 5, 'b', 1);
            add(changes, time + 8, 'a', 1);
            time += 50;
        }
        return dump("ab", changes);
    }

    @Test
    void aSerialLineIsReadAndHeldAgainstThePlan() throws Exception {
        Ran ran = run("decode", serial("OK\n", 9600), "--as", "uart", "--json");
        assertEquals(0, ran.code(), ran.err());
        JsonNode answer = new ObjectMapper().readTree(ran.out());
        assertEquals("uart", answer.get("kind").asText());
        assertEquals(9600, answer.get("baud").asDouble(), 60);
        assertEquals("OK\\n", answer.get("messages").get(0).get("text").asText());
        assertEquals(0x4F, answer.get("messages").get(0).get("bytes").get(0).asInt());
        assertTrue(answer.get("messages").get(0).get("ok").asBoolean());
        assertEquals(0.001, answer.get("messages").get(0).get("at_s").asDouble(), 1e-6);
        String planned = "Da=pump-house/modem.TXD";
        Ran well = run("decode", serial("OK\n", 9600), "--as", "uart", "--channels", planned, "--build", LOCKS);
        assertEquals(0, well.code(), well.out() + well.err());
        Ran slow = run("decode", serial("OK\n", 4800), "--as", "UART", "--channels", planned, "--build", LOCKS);
        assertEquals(1, slow.code());
        assertTrue(slow.out().contains("and not at 9600"), slow.out());
    }

    @Test
    void whoIsSilentAndWhoIsNotInThePlanIsTold() throws Exception {
        // 0x27 is the display and is not answered; 0x23 answers and is of nobody; 0x40 is the driver.
        String file = bus(new int[] {0x14E}, new int[] {0x46, 0x10}, new int[] {0x80, 0x00});
        Ran ran = run(
                "decode",
                file,
                "--as",
                "i2c",
                "--channels",
                "Da=lower-lock/display.SDA,Db=lower-lock/display.SCL",
                "--build",
                LOCKS,
                "--json");
        assertEquals(1, ran.code(), ran.err());
        JsonNode answer = new ObjectMapper().readTree(ran.out());
        assertEquals(3, answer.get("messages").size(), ran.out());
        assertEquals(
                "nobody answers at 0x27",
                answer.get("messages").get(0).get("why").asText());
        assertEquals(
                "0x23 write 0x10", answer.get("messages").get(1).get("text").asText());
        assertEquals(100_000, answer.get("clock_hz").asDouble(), 1);
        assertEquals(
                "[\"Display 4 × 20 does not answer at 0x27.\",\"Somebody answers at 0x23, where the plan has nobody.\"]",
                answer.get("told").toString());
    }

    /** Wires that are called by what they carry are those. */
    @Test
    void aFileThatNamesItsWiresNeedsNoWord() throws Exception {
        Path named = folder.resolve("named.vcd");
        String text = Files.readString(Path.of(bus(new int[] {0x46, 0x10})));
        Files.writeString(named, text.replace(" Da $end", " SDA $end").replace(" Db $end", " SCL $end"));
        Ran ran = run("decode", named.toString(), "--as", "i2c");
        assertEquals(0, ran.code(), ran.err());
        assertTrue(ran.out().contains("0x23 write 0x10"), ran.out());
        Ran half = run("decode", named.toString(), "--as", "spi");
        assertEquals(2, half.code());
        assertTrue(half.err().contains("--channels SDA=sck,SCL=mosi,D2=miso,D3=cs"), half.err());
    }

    @Test
    void aBusThatNobodyNamedIsFoundAndSaidHow() throws Exception {
        Ran ran = run("decode", bus(new int[] {0x46, 0x10}), "--as", "i2c");
        assertEquals(0, ran.code(), ran.err());
        assertTrue(ran.out().contains("0x23 write 0x10"), ran.out());
        assertTrue(ran.out().contains("100 kHz by the edges"), ran.out());
        assertTrue(ran.out().contains("Da is read as SDA and Db as SCL"), ran.out());
    }

    @Test
    void whatIsMissingOrWrongIsOneSentence() throws Exception {
        String file = bus(new int[] {0x4E});
        for (String[] given : new String[][] {
            {"Da=sda", "i2c needs scl as well."},
            {"Da=sda,Dx=scl", "The file has no channel Dx; it has Da, Db."}
        }) {
            Ran ran = run("decode", file, "--as", "i2c", "--channels", given[0]);
            assertEquals(2, ran.code());
            assertTrue(ran.err().contains(given[1]), ran.err());
        }
        String serial = serial("OK\n", 9600);
        Ran notABus = run("decode", serial, "--as", "i2c");
        assertEquals("Say which channels are what: --channels Da=sda,D1=scl. The file has Da.\n", notABus.err());
        file = bus(new int[] {0x4E});
        Ran noPin = run("decode", file, "--as", "i2c", "--channels", "Da=lower-lock/nobody.SDA", "--build", LOCKS);
        assertTrue(noPin.err().contains("The build has no lower-lock/nobody.SDA"), noPin.err());
        assertEquals(
                2,
                run("decode", folder.resolve("none").toString(), "--as", "uart").code());
        String rubbish = Files.writeString(folder.resolve("rubbish"), "hello\n").toString();
        Ran nothing = run("decode", rubbish, "--as", "uart");
        assertEquals(2, nothing.code());
        assertTrue(nothing.err().startsWith("There is no capture in it"), nothing.err());
        String cut = Files.writeString(folder.resolve("cut"), Files.readString(Path.of(serial("OK\n", 9600))) + "#5\n0")
                .toString();
        Ran read = run("decode", cut, "--as", "uart");
        assertEquals(0, read.code());
        assertTrue(read.err().contains("the time goes back"), read.err());
        assertTrue(read.out().contains("OK"), read.out());
    }

    @Test
    void pulsesAreHeldAgainstTheirClass() throws Exception {
        Map<Long, String> changes = new TreeMap<>();
        add(changes, 0, 'a', 0);
        for (int i = 0; i < 4; i++) {
            add(changes, 1000 + 20_000 * i, 'a', 1);
            add(changes, 1000 + 20_000 * i + (i == 3 ? 2800 : 1500), 'a', 0);
        }
        add(changes, 90_000, 'a', 1);
        String file = dump("a", changes);
        assertEquals(0, run("decode", file, "--as", "pulses").code());
        Ran ran = run("decode", file, "--as", "pulses", "--channels", "Da=gate-upper.SIG", "--build", LOCKS);
        assertEquals(1, ran.code());
        assertTrue(ran.out().contains("2800.0 µs  (longer than 2500 µs)"), ran.out());
        assertTrue(ran.out().contains("1 pulse is outside"), ran.out());
    }

    @Test
    void aKeyOfAHandsetIsReadFromItsTrain() throws Exception {
        Map<Long, String> changes = new TreeMap<>();
        double time = 1000;
        add(changes, 0, 'a', 1);
        // Marks of a pulse-width train: 2.4 ms, then bits 0, 2, 4 and 7 long, which are command 21 and address 1.
        for (int bit = -1; bit < 12; bit++) {
            boolean isLong = bit == 0 || bit == 2 || bit == 4 || bit == 7;
            add(changes, time, 'a', 0);
            time += bit < 0 ? 2400 : isLong ? 1200 : 600;
            add(changes, time, 'a', 1);
            time += 600;
        }
        add(changes, time + 50_000, 'a', 0);
        String file = dump("a", changes);
        Ran said = run("decode", file, "--as", "infrared");
        assertTrue(said.out().contains("pulse width 1/21  2400,600,1200"), said.out());
        Ran ran = run("decode", file, "--as", "infrared", "--json");
        for (String part :
                List.of("\"coding\":\"pulse-width\"", "\"address\":1", "\"command\":21", "\"repeat\":false")) {
            assertTrue(ran.out().replace(" ", "").contains(part), part + " in " + ran.out());
        }
    }
}
