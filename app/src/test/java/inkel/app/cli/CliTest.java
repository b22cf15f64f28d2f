package inkel.app.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import inkel.app.kit.Given;
import inkel.core.calc.Calculation;
import inkel.core.calc.Calculator;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.io.RandomAccessFile;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CliTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String LOCKS = Given.EXAMPLES.resolve(Given.LOCKS).toString();
    private static final String SKETCH =
            Given.EXAMPLES.resolve(Given.FIRST_SKETCH).toString();

    @TempDir
    private Path folder;

    /** What a command printed and how it ended. */
    @BeforeEach
    void aShelfOfItsOwn() {
        System.setProperty("inkel.state", folder.resolve("state").toString());
    }

    private record Ran(int code, String out, String err) {
        JsonNode json() {
            try {
                return JSON.readTree(out);
            } catch (IOException notJson) {
                throw new AssertionError(out, notJson);
            }
        }
    }

    @Test
    void aProgramIsHeldAgainstThePlan(@TempDir Path code) throws Exception {
        Path planned = code.resolve("pins.h");
        run("export", LOCKS, "--as", "pins.h", "--node", "lower-lock", "-o", planned.toString());
        Ran same = run("check", LOCKS, "--code", planned.toString());
        assertEquals(0, same.code(), same.out() + same.err());
        assertTrue(same.out().contains("constants are as the plan has them."), same.out());
        String text = Files.readString(planned);
        String line = text.lines()
                .filter(one -> one.contains("PACKET_RADIO_CHANNEL"))
                .findFirst()
                .orElseThrow();
        Files.writeString(planned, text.replace(line, "static const int PACKET_RADIO_CHANNEL = 90;"));
        Ran other = run("check", LOCKS, "--code", planned.toString());
        assertEquals(1, other.code());
        int number = text.lines().toList().indexOf(line) + 1;
        assertTrue(
                other.out().contains("Line " + number + ": PACKET_RADIO_CHANNEL is 90, and the plan has 76."),
                other.out());
        Ran json = run("check", LOCKS, "--code", planned.toString(), "--json");
        assertTrue(json.out().contains("\"wanted\" : \"76\""), json.out());
    }

    private static Ran run(String... args) {
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        int code = Cli.run(new PrintWriter(out, true), new PrintWriter(err, true), args);
        return new Ran(code, out.toString(), err.toString());
    }

    /** Asked for help, every command tells its own and has done what it was asked for. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "check",
                "plan",
                "export",
                "import",
                "calc",
                "catalogue",
                "boards",
                "seats",
                "wake",
                "practise",
                "decode"
            })
    void everyCommandHelps(String name) {
        for (Ran ran : List.of(run(name, "--help"), run(name, "-h"), run("help", name))) {
            assertEquals(0, ran.code(), ran.err());
            assertTrue(ran.out().startsWith("Usage: inkel " + name + " "), ran.out());
            assertEquals("", ran.err());
        }
    }

    @Test
    void calcTellsEveryCalculationWithItsExample() {
        // Long lines are broken by the usage text.
        String help = run("calc", "--help").out().replaceAll("\\s+", " ");
        for (Calculation one : Calculator.all()) {
            String first = one.example().split(" ")[0];
            String shown = first.length() > 60 ? first.substring(0, first.indexOf(',') + 1) : first;
            assertTrue(help.contains(" " + one.name() + " " + shown), one.name());
        }
        assertTrue(help.contains("duty=50% v=5V"), help);
    }

    @Test
    void checkListsTheFaultsWithTheirCodes() {
        Ran ran = run("check", SKETCH, "--json");
        assertEquals(1, ran.code());
        Set<String> codes = new TreeSet<>();
        for (JsonNode finding : ran.json().get("findings")) {
            codes.add(finding.get("code").asText());
            String node = finding.get("node").asText();
            assertTrue(Set.of("lower-lock", "pump-house").contains(node), node);
            assertTrue(finding.get("subject").asText().startsWith(node + "/"));
            assertFalse(finding.get("message").asText().isBlank());
            for (JsonNode fix : finding.get("fixes")) {
                assertFalse(fix.get("id").asText().isBlank());
                assertFalse(fix.get("title").asText().isBlank());
            }
        }
        assertTrue(codes.size() >= 15, codes.toString());
        assertEquals(
                ran.json().get("findings").size(),
                ran.json().at("/counts/stop").asInt()
                        + ran.json().at("/counts/look").asInt()
                        + ran.json().at("/counts/note").asInt());
        assertEquals("", ran.err());
    }

    @Test
    void numbersOfAFindingCarryTheirUnit() {
        for (JsonNode finding : run("check", SKETCH, "--json").json().get("findings")) {
            if (finding.get("subject").asText().equals("lower-lock/radio")
                    && finding.get("code").asText().equals("parts.supply_too_high")) {
                assertEquals(5.25, finding.at("/numbers/rail_highest_v").asDouble(), 1e-9);
                return;
            }
        }
        throw new AssertionError("the radio on 5 V is one of the faults");
    }

    @Test
    void aHealthyBuildEndsWithZero() {
        Ran ran = run("check", LOCKS);
        assertEquals(0, ran.code());
        assertTrue(ran.out().contains("0 to stop for"));
    }

    @Test
    void planSaysWhatItDid() throws IOException {
        Path out = folder.resolve("planned.inkel.json");
        Ran ran = run("plan", SKETCH, "--json", "-o", out.toString());
        assertEquals(3, ran.code(), "placed, and what was wrong besides pins is still to be stopped for");
        for (JsonNode stop : ran.json().get("stops")) {
            assertEquals("stop", stop.get("severity").asText());
        }
        assertTrue(ran.json().get("stops").size() > 0);
        assertTrue(ran.json().get("placed").asBoolean());
        assertTrue(ran.json().get("complete").asBoolean());
        JsonNode node = ran.json().get("nodes").get(0);
        assertEquals("Lower lock", node.get("name").asText());
        for (JsonNode pin : node.get("pins")) {
            assertTrue(Set.of("fixed", "placed", "held").contains(pin.get("how").asText()));
            if (pin.get("part").asText().equals("radio")
                    && pin.get("signal").asText().equals("SCK")) {
                assertEquals("D13", pin.get("pin").asText());
                assertEquals("right 5", pin.get("position").asText());
                assertEquals("fixed", pin.get("how").asText());
            }
        }
        Set<String> addresses = new TreeSet<>();
        node.get("addresses")
                .forEach(entry -> addresses.add(entry.get("address").asText()));
        assertEquals(3, addresses.size(), "the two displays are told apart");
        assertTrue(ran.json().get("millis").asDouble() > 0);
        Ran after = run("check", out.toString(), "--json");
        for (JsonNode finding : after.json().get("findings")) {
            String code = finding.get("code").asText();
            assertFalse(code.startsWith("pins."), finding.toString());
            assertFalse(code.startsWith("i2c.address"), finding.toString());
        }
    }

    @Test
    void aPlanWithNothingToStopForEndsWithZero() {
        Ran ran = run("plan", LOCKS);
        assertEquals(0, ran.code());
        assertFalse(ran.out().contains("stop  "));
        assertEquals(0, run("plan", LOCKS, "--json").json().get("stops").size());
    }

    /** A table that only names its parts: the plan says what would be fed, and feeds it when asked. */
    @Test
    void aPlanFeedsWhatNothingFeedsWhenAsked() throws IOException {
        Path file = folder.resolve("bare.inkel.json");
        Files.writeString(
                file,
                """
                {"format": 2, "name": "Bare", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-classic-5v", "name": "Board"},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                           {"id": "air", "class": "pressure", "name": "Air"}]}]}
                """);
        Ran bare = run("plan", file.toString());
        assertEquals(3, bare.code());
        assertTrue(
                bare.out().contains("With --feed, 2 supply pins are fed from rails that are on the table."),
                bare.out());
        Path out = folder.resolve("fed.inkel.json");
        Ran fed = run("plan", file.toString(), "--feed", "--json", "-o", out.toString());
        assertEquals(0, fed.code(), fed.out());
        assertEquals(
                "[{\"node\":\"a\",\"part\":\"board\",\"pin\":\"USB\",\"rail\":\"usb.5V\"},"
                        + "{\"node\":\"a\",\"part\":\"air\",\"pin\":\"VCC\",\"rail\":\"board.3V3\"}]",
                fed.json().get("fed").toString());
        assertEquals(
                0,
                run("plan", out.toString(), "--feed", "--json")
                        .json()
                        .get("fed")
                        .size());
        assertFalse(run("plan", out.toString()).out().contains("--feed"));
    }

    /** Two pressure sensors on one bus: one must be tied for its other address. Three SPI parts on a board of one port. */
    @Test
    void aPlanTellsItsStrapsAndWhatTheProgramDrives() throws IOException {
        Path file = folder.resolve("two.inkel.json");
        Files.writeString(
                file,
                """
                {"format": 2, "name": "Two", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-classic-5v", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                           {"id": "one", "class": "pressure", "name": "One", "feeds": {"VCC": "board.3V3"}},
                           {"id": "two", "class": "pressure", "name": "Two", "feeds": {"VCC": "board.3V3"}},
                           {"id": "fix", "class": "positioning-receiver", "name": "Fix", "feeds": {"VCC": "board.5V"}}],
                 "wires": []}]}
                """);
        JsonNode node =
                run("plan", file.toString(), "--json").json().get("nodes").get(0);
        assertEquals(1, node.get("straps").size());
        assertEquals("SDO", node.get("straps").get(0).get("signal").asText());
        assertEquals("3V3", node.get("straps").get(0).get("pin").asText());
        assertEquals(1, node.get("software").size(), "the one port is the console's");
        assertEquals("fix", node.get("software").get(0).get("part").asText());
        Ran text = run("plan", file.toString());
        assertTrue(text.out().contains("Tied for an address: "), text.out());
        assertTrue(text.out().contains("Driven by the program on plain pins"), text.out());
    }

    @Test
    void aPlanTellsPinsThatTheStartLooksAt() throws IOException {
        // Of the wireless board's outputs eight are left; D12 and D15 are looked at while it starts.
        Path file = folder.resolve("start.inkel.json");
        Files.writeString(
                file,
                """
                {"format": 2, "name": "Start", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-wireless-3v3", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                           {"id": "one", "class": "button", "name": "One"}],
                 "wires": [{"from": "one.A", "to": "board.D15", "held": true}]}]}
                """);
        Ran ran = run("plan", file.toString());
        assertTrue(ran.out().contains("Looked at while the board starts: one.A → board.D15"), ran.out());
        assertEquals(
                "D15",
                run("plan", file.toString(), "--json")
                        .json()
                        .get("nodes")
                        .get(0)
                        .get("start_up")
                        .get(0)
                        .get("pin")
                        .asText());
    }

    /** No pin of the dual-core board bears 5 V, wherever the sensor talks. */
    @Test
    void planSaysOfAStopThatNothingElseIsWithoutIt() throws IOException {
        Path file = folder.resolve("sonar.inkel.json");
        Files.writeString(
                file,
                """
                {"format": 2, "name": "Sonar", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-dual-core-3v3", "name": "Board", "feeds": {"USB": "usb.5V"}},
                 "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                           {"id": "one", "class": "distance-ultrasonic", "name": "One", "feeds": {"VCC": "usb.5V"}}]}]}
                """);
        Ran ran = run("plan", file.toString());
        assertEquals(3, ran.code());
        assertTrue(ran.out().contains("No other placement is without it."), ran.out());
        JsonNode stop =
                run("plan", file.toString(), "--json").json().get("stops").get(0);
        assertTrue(stop.get("proved").asBoolean());
        assertEquals("1.55", stop.at("/numbers/too_much_by_v").asText(), "no digits of the machine's own");
    }

    @Test
    void planTellsHowFarItCame() throws IOException {
        Path file = Given.crowd(20, folder);
        Ran ran = run("plan", file.toString(), "--json");
        assertEquals(1, ran.code());
        // Eighteen pins beside the board's own line.
        assertEquals(18, ran.json().at("/some/a/parts").size());
        assertEquals(2, ran.json().at("/some/a/left").size());
        assertTrue(run("plan", file.toString()).out().contains("18 parts have a place beside what is wired, 2 not:"));
    }

    @Test
    void planWithoutAPlacementNamesTheClash() throws IOException {
        Path file = folder.resolve("clash.inkel.json");
        Files.writeString(
                file,
                """
                {"format": 1, "name": "Clash", "nodes": [{"id": "a", "name": "A",
                 "board": {"class": "board-classic-5v", "name": "Board"},
                 "parts": [{"id": "one", "class": "infrared-receiver", "name": "One"},
                           {"id": "two", "class": "infrared-receiver", "name": "Two"}],
                 "wires": [{"from": "one.OUT", "to": "board.D7", "held": true},
                           {"from": "two.OUT", "to": "board.D7", "held": true}]}]}
                """);
        Ran ran = run("plan", file.toString(), "--json");
        assertEquals(1, ran.code());
        assertFalse(ran.json().get("placed").asBoolean());
        assertEquals(2, ran.json().get("clash").size());
        assertEquals(
                "2 wires want the same pin.",
                ran.json().get("shortage").get("why").asText());
        assertTrue(run("plan", file.toString()).out().contains("  2 wires want the same pin."));
        assertTrue(ran.json().get("ways_out").size() > 0);
    }

    /** Legs of a chip and pins of a computer's header are counted in one go, and that number comes first. */
    @Test
    void wiresOfAChipAndOfAComputerNameWhatIsPrinted() throws IOException {
        for (String[] one : new String[][] {
            {"chip-28pin", "VCC", "VCC", "leg 7: left row, 7th from the marked end"},
            {"computer-40pin", "USB", "5V", "header pin 2: right row, "}
        }) {
            Path file = folder.resolve(one[0] + ".inkel.json");
            Files.writeString(
                    file,
                    """
                    {"format": 2, "name": "Legs", "nodes": [{"id": "a", "name": "A",
                     "board": {"class": "%s", "name": "Board", "feeds": {"%s": "usb.5V"}},
                     "parts": [{"id": "usb", "class": "usb-port", "name": "USB"},
                               {"id": "air", "class": "display-4x20-i2c", "name": "Display", "feeds": {"VCC": "%s"}}],
                     "wires": []}]}
                    """
                            .formatted(one[0], one[1], one[2].equals("5V") ? "board.5V" : "usb.5V"));
            Ran ran = run("export", file.toString(), "--as", "wires.csv");
            assertEquals(0, ran.code(), ran.toString());
            assertTrue(ran.out().contains(one[3]), ran.out());
        }
    }

    @Test
    void wiresAreExportedAsTheyArePlugged() throws IOException {
        Ran ran = run("export", LOCKS, "--as", "wires.csv");
        assertEquals(0, ran.code());
        try (CSVParser parser = CSVParser.parse(
                ran.out(),
                CSVFormat.RFC4180
                        .builder()
                        .setHeader()
                        .setSkipHeaderRecord(true)
                        .get())) {
            var records = parser.getRecords();
            assertEquals("1", records.get(0).get("number"));
            assertEquals("black", records.get(0).get("colour"));
            assertTrue(records.stream()
                    .anyMatch(row -> row.get("from").equals("Board D13")
                            && row.get("to").equals("Packet radio SCK")
                            && row.get("from_place").equals("right row, 5th from the USB end, 14th from the far end")));
        }
        assertEquals(2, run("export", LOCKS, "--as", "wires.doc").code());
    }

    // "static const int PACKET_RADIO_CE_PIN = 9;  // Packet radio, CE: wire 43 to D9"
    @Test
    void aWireHasOneNumberWhereverItIsTold() throws IOException {
        Map<String, String> wires = new HashMap<>();
        try (CSVParser parser = CSVParser.parse(
                run("export", LOCKS, "--as", "wires.csv").out(),
                CSVFormat.RFC4180
                        .builder()
                        .setHeader()
                        .setSkipHeaderRecord(true)
                        .get())) {
            parser.getRecords().stream()
                    .filter(row -> row.get("board").equals("Lower lock"))
                    .forEach(row -> wires.put(row.get("number"), row.get("from") + " > " + row.get("to")));
        }
        Matcher told = Pattern.compile("// (.+), (\\S+): wire ([0-9, ]+) to (\\S+)\n")
                .matcher(run("export", LOCKS, "--as", "start.cpp").out());
        int checked = 0;
        while (told.find()) {
            List<String> said = List.of(told.group(3).split(", "));
            String ends = said.stream().map(wires::get).collect(Collectors.joining("; "));
            assertTrue(ends.contains(told.group(1) + " " + told.group(2)), told.group() + ends);
            checked++;
        }
        assertEquals(15, checked);
    }

    // The packet radio's select is held up; the modem's serial input hears the board through a divider.
    @Test
    void netsTellWhatStandsBetweenTheirEnds() {
        List<String> lines =
                run("export", LOCKS, "--as", "nets.csv").out().lines().toList();
        assertTrue(lines.get(0).endsWith(",place,between"), lines.get(0));
        assertEquals(
                1,
                lines.stream()
                        .filter(line -> line.contains("Lower lock,Packet radio CSN,")
                                && line.contains("10 kΩ")
                                && line.contains("to 3.3 V regulator row"))
                        .count());
        assertEquals(
                1,
                lines.stream()
                        .filter(line ->
                                line.contains("Text modem RXD,") && line.contains("5.6 kΩ") && line.contains("1.2 kΩ"))
                        .count());
        assertTrue(lines.stream().anyMatch(line -> line.contains("Packet radio CE,") && line.endsWith(",")));
    }

    @Test
    void catalogueFindsByLabels() {
        Ran ran = run("catalogue", "gnd vcc ce csn sck mosi", "--json");
        assertEquals("packet-radio", ran.json().get("parts").get(0).get("id").asText());
        assertTrue(run("catalogue").out().contains("servo-driver-16"));
    }

    @Test
    void calcAnswersInBothForms() {
        Ran ran = run("calc", "uart", "clock=16MHz", "baud=9600", "--json");
        assertEquals(0, ran.code());
        assertEquals(103, ran.json().get("register").asInt());
        assertTrue(run("calc", "led", "v=5V", "vf=2.0V", "i=10mA").out().contains("r_ohm 330"));
    }

    @Test
    void aBatchGoesOnAfterARefusedLine() throws IOException {
        Path file = folder.resolve("batch.jsonl");
        Files.writeString(
                file,
                """
                {"calc":"uart","clock":16e6,"baud":9600}
                {"calc":"uart","clock":16e6}
                not json
                {"calc":"led","v":5,"vf":2,"i":"10mA"}
                """);
        Ran ran = run("calc", "--batch", file.toString());
        String[] lines = ran.out().strip().split("\\R");
        assertEquals(4, lines.length);
        assertTrue(lines[0].contains("\"register\":103"));
        assertTrue(lines[1].contains("\"error\"") && lines[1].contains("baud"));
        assertTrue(lines[2].contains("\"error\""));
        assertTrue(lines[3].contains("\"r_ohm\":330"));
        assertEquals(0, ran.code());
    }

    @ParameterizedTest(name = "inkel {0}")
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            calc uart clock=16MHz       | baud
            calc uart clock=16MHz baud=fast | fast
            calc flux x=1               | flux
            calc uart clock             | key=value
            calc                        | calc
            check nowhere.json          | nowhere.json
            plan nowhere.json           | nowhere.json
            export nowhere.json --as wires.csv | nowhere.json
            """)
    void badInputIsOneSentenceAndExitTwo(String call, String named) {
        Ran ran = run(call.split(" "));
        assertEquals(2, ran.code());
        assertEquals("", ran.out());
        assertTrue(ran.err().contains(named), ran.err());
        assertEquals(1, ran.err().strip().lines().count(), ran.err());
    }

    @Test
    void filesThatAreNoBuildsAreRefusedAndLeftAlone() throws IOException {
        byte[][] contents = {
            {},
            Files.readString(Path.of(LOCKS)).substring(0, 900).getBytes(StandardCharsets.UTF_8),
            Files.readString(Path.of(LOCKS))
                    .replace("\"format\" : 2", "\"format\" : 9")
                    .getBytes(StandardCharsets.UTF_8),
            "PK not json at all".getBytes(StandardCharsets.UTF_8),
            ("{\"a\":" + "[".repeat(200_000)).getBytes(StandardCharsets.UTF_8),
            "{\"name\":\"\u00e4\"}".getBytes(StandardCharsets.ISO_8859_1),
        };
        for (byte[] content : contents) {
            Path file = folder.resolve("bad.inkel.json");
            Files.write(file, content);
            Ran ran = run("check", file.toString(), "--json");
            assertEquals(2, ran.code());
            assertEquals("", ran.out());
            assertTrue(ran.err().startsWith("bad.inkel.json: "), ran.err());
            assertEquals(content.length, Files.size(file));
        }
        Path huge = folder.resolve("huge.inkel.json");
        try (RandomAccessFile sparse = new RandomAccessFile(huge.toFile(), "rw")) {
            sparse.setLength(200L << 20);
        }
        assertTrue(run("check", huge.toString()).err().contains("200 MB"));
    }

    @Test
    void theCatalogueListsEveryClass() {
        assertTrue(run("catalogue", "--json").json().get("parts").size() >= 71);
        JsonNode found =
                run("catalogue", "gnd vcc ce csn sck mosi", "--json").json().get("parts");
        assertEquals("packet-radio", found.get(0).get("id").asText());
    }

    @Test
    void everyKindIsWrittenAtOnce() throws Exception {
        Path into = folder.resolve("all");
        Ran ran = run("export", LOCKS, "--all", "-o", into.toString());
        assertEquals(0, ran.code());
        try (var files = Files.list(into)) {
            Set<String> names = new TreeSet<>(
                    files.map(file -> file.getFileName().toString()).toList());
            assertEquals(
                    Set.of(
                                    "lower-lock-pins.h",
                                    "lower-lock-start.cpp",
                                    "pump-house-start.cpp",
                                    "lower-lock-wake.cpp",
                                    "pump-house-pins.h",
                                    "pump-house-wake.cpp",
                                    "loom.png",
                                    "loom.svg",
                                    "nets.csv",
                                    "parts.csv",
                                    "readings.csv",
                                    "record.md",
                                    "record.pdf",
                                    "power.csv",
                                    "river.png",
                                    "river.svg",
                                    "sheet.md",
                                    "sheet.pdf",
                                    "wires.csv")
                            .stream()
                            .map(kind -> "otterbeck-locks-" + kind)
                            .collect(java.util.stream.Collectors.toCollection(TreeSet::new)),
                    names);
        }
        Ran nowhere = run("export", LOCKS, "--all");
        assertEquals(2, nowhere.code());
        assertTrue(nowhere.err().contains("-o"), nowhere.err());
    }

    @Test
    void partsAreListedAsATable() {
        Ran ran = run("export", LOCKS, "--as", "parts.csv");
        assertEquals(0, ran.code());
        assertTrue(ran.out().startsWith("node,count,kind,what,for,mark,item,have,to_get,price\r\n"), ran.out());
        assertTrue(ran.out().contains(",brown black orange,resistor 10 kΩ,0,"), ran.out());
        assertTrue(ran.out().lines().anyMatch(line -> line.startsWith("Pump house,1,part,Text modem")), ran.out());
        assertFalse(ran.out().contains("capacitor"), "all of them are fitted");
        String sketch = run("export", SKETCH, "--as", "parts.csv").out();
        assertTrue(sketch.contains(",print 104,capacitor 100 nF,0,"), sketch);
        assertTrue(sketch.lines().anyMatch(line -> line.contains("capacitor") && line.contains("10 µF")));
    }

    @Test
    void partsAreSetAgainstTheDrawer() throws IOException {
        Path drawer = folder.resolve("state").resolve("drawer");
        Files.createDirectories(drawer);
        // Two radios are wanted, one on each board: the one that is there goes to the first.
        Files.writeString(drawer.resolve("drawer.csv"), "what,count,price\npart packet-radio,1,3.20\n");
        try {
            List<String> radios = run("export", LOCKS, "--as", "parts.csv")
                    .out()
                    .lines()
                    .filter(line -> line.contains("part packet-radio"))
                    .toList();
            assertEquals(2, radios.size());
            assertTrue(radios.get(0).endsWith("part packet-radio,1,0,3.20"), radios.get(0));
            assertTrue(radios.get(1).endsWith("part packet-radio,0,1,3.20"), radios.get(1));
        } finally {
            Files.delete(drawer.resolve("drawer.csv"));
        }
    }

    @Test
    void railsAndLoadsAreListedAsATable() {
        Ran ran = run("export", LOCKS, "--as", "power.csv");
        assertEquals(0, ran.code());
        // Reader 100 mA, radio 14 mA, shifter 1.5 mA, when the tag field is on while the radio sends.
        assertTrue(
                ran.out()
                        .lines()
                        .anyMatch(line -> line.startsWith("Lower lock,3.3 V regulator,,3.25000,3.35000,0.800000,")
                                && line.contains(",0.115500,0.115500,\"Radio sends, Tag field on\"")),
                ran.out());
        assertEquals(2, run("export", LOCKS, "--as", "power.xml").code());
    }

    @Test
    void aDefinitionIsBroughtInAndPutOnATable() throws IOException {
        Path build = Files.copy(Path.of(LOCKS), folder.resolve("b.inkel.json"));
        Path definition = folder.resolve("gauge.json");
        Files.writeString(
                definition,
                """
                {"id": "own-cli-gauge", "name": "Cli gauge", "summary": "Counts drops.", "kind": "module",
                 "kinds": ["rain"], "pins": [{"label": "GND", "is": "ground"}, {"label": "VCC", "is": "supply"}],
                 "supplies": [{"pin": "VCC", "range": {"min": "3 V", "max": "5.5 V"}, "absolute_max": "6 V"}]}
                """);
        assertEquals(
                0,
                run("import", definition.toString(), "--into", build.toString()).code());
        assertTrue(run("catalogue", "cli gauge").out().startsWith("own-cli-gauge"));
        assertTrue(Files.readString(build).contains("own-cli-gauge"));
        assertEquals(0, run("check", build.toString()).code());

        Files.writeString(definition, Files.readString(definition).replace("drops", "many drops"));
        Ran same = run("import", definition.toString());
        assertEquals(2, same.code());
        assertTrue(same.err().contains("own-cli-gauge"), same.err());
        assertEquals(0, run("import", definition.toString(), "--replace").code());

        Files.writeString(definition, "{\"id\": 3}");
        Ran broken = run("import", definition.toString());
        assertEquals(2, broken.code());
        assertTrue(broken.err().contains("/id"), broken.err());
    }

    @Test
    void readingsOfATableGoIntoTheRecordOnce() throws Exception {
        Path build = Files.copy(Path.of(LOCKS), folder.resolve("b.inkel.json"));
        Path table = folder.resolve("bench.csv");
        Files.writeString(
                table,
                """
                Value;Place;At
                3,29 V;lower-lock/radio.VCC;2026-05-20T18:00:00Z
                soup;lower-lock/radio.VCC;
                """);
        Ran some = run("import", table.toString(), "--into", build.toString());
        assertEquals(1, some.code());
        assertTrue(some.err().startsWith("1 reading of bench.csv taken into the record.\nLine 3: “soup”"), some.err());
        Files.writeString(table, "place,value\nlower-lock/reader.3.3V,3.30 V\n");
        assertEquals(
                0, run("import", table.toString(), "--into", build.toString()).code());
        Ran again = run("import", table.toString(), "--into", build.toString());
        assertEquals(0, again.code());
        assertTrue(
                again.err().startsWith("0 readings of bench.csv taken into the record; 1 was there already."),
                again.err());
        assertEquals(2, run("import", table.toString()).code());
        Files.writeString(table, "time,where,volts\n18:30,lower-lock/radio.VCC,3.29\n");
        Ran other = run("import", table.toString(), "--into", build.toString());
        assertEquals(2, other.code());
        assertEquals(
                "bench.csv could not be brought in: The first line should name at least the columns place, value.",
                other.err().strip());
        Files.writeString(table, "place,value\nlower-lock/reader.3.3V,3.30 V\n");
        // What is exported is there already when it comes back.
        Path given = folder.resolve("given.csv");
        assertEquals(
                0,
                run("export", build.toString(), "--as", "readings.csv", "-o", given.toString())
                        .code());
        String before = Files.readString(build);
        Ran back = run("import", given.toString(), "--into", build.toString());
        assertTrue(back.err().startsWith("0 readings of given.csv"), back.err());
        assertEquals(before, Files.readString(build));
    }

    @Test
    void aCaptureAndADashAreToldFor() throws Exception {
        Path capture = folder.resolve("p.vcd");
        assertEquals(0, run("practise", LOCKS, "--vcd", capture.toString()).code());
        Ran ran = run("import", capture.toString());
        assertEquals(2, ran.code());
        assertTrue(ran.err().contains("inkel decode"), ran.err());
        assertEquals(
                run("export", LOCKS, "--as", "nets.csv").out(),
                run("export", LOCKS, "--as", "nets.csv", "-o", "-").out());
        assertEquals(2, run("plan", LOCKS, "-o", "-").code());
        assertFalse(Files.exists(Path.of("-")));
    }

    @Test
    void noLineOfABatchStopsTheOthers() throws IOException {
        Path file = folder.resolve("many.jsonl");
        Files.write(
                file,
                String.join(
                                "\n",
                                "{\"calc\":\"pwm-driver\",\"osc\":\"25MHz\",\"f\":\"20kHz\"}",
                                "{\"calc\":\"battery\",\"capacity_ah\":1e300,\"usable\":0.8,\"average_a\":1e-300}",
                                "{\"calc\":\"uart\",\"clock\":16e6,\"baud\":9600} and more",
                                "{\"calc\":\"uart\",\"clock\":16e6,\"clock\":8e6,\"baud\":9600}",
                                "{\"calc\":\"uart\",\"clock\":[16e6],\"baud\":9600}",
                                "not json",
                                "\u00e4",
                                "{\"calc\":\"uart\",\"clock\":16e6,\"baud\":9600}")
                        .getBytes(StandardCharsets.ISO_8859_1));
        Ran ran = run("calc", "--batch", file.toString());
        assertEquals(0, ran.code());
        String[] lines = ran.out().strip().split("\n");
        assertEquals(8, lines.length);
        for (int i = 0; i < 7; i++) {
            assertTrue(JSON.readTree(lines[i]).has("error"), lines[i]);
        }
        assertEquals(103, JSON.readTree(lines[7]).get("register").asInt());
    }

    /** Sets that are gone through in no order differ between processes, so these are fresh ones. */
    @Test
    void theSameBuildGivesTheSameAnswerInEveryProcess() throws Exception {
        Set<String> answers = new TreeSet<>();
        for (int i = 0; i < 5; i++) {
            Process process = new ProcessBuilder(
                            ProcessHandle.current().info().command().orElseThrow(),
                            "-XX:TieredStopAtLevel=1",
                            "-cp",
                            System.getProperty("java.class.path"),
                            "-Dinkel.state=" + folder.resolve("state"),
                            "inkel.app.Main",
                            "check",
                            SKETCH,
                            "--json")
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            answers.add(new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8));
            assertEquals(1, process.waitFor());
        }
        assertEquals(1, answers.size());
        assertTrue(answers.iterator().next().contains("power.rail_peak"));
    }

    @Test
    void seatsSaysEveryHole() {
        Ran ran = run("seats", Given.EXAMPLES.resolve(Given.LOCKS).toString(), "--node", "lower-lock", "--json");
        assertEquals(0, ran.code());
        JsonNode node = ran.json().path("nodes").get(0);
        assertEquals(1, ran.json().path("nodes").size());
        assertEquals(63, node.path("boards").get(0).path("rows").asInt());
        for (JsonNode seat : node.path("seats")) {
            assertTrue(seat.path("from").asInt() >= 1 && seat.path("to").asInt() <= 63, seat.toString());
        }
        double sum = 0;
        for (JsonNode wire : node.path("wires")) {
            sum += wire.path("length_m").asDouble();
            assertTrue(
                    wire.path("hole_from")
                            .asText()
                            .matches("1 [a-j]\\d+|1 (left|right)-(plus|minus) \\d+|.*@\\d+|away .*"),
                    wire.toString());
        }
        assertEquals(node.path("total_m").asDouble(), sum, 1e-9);
        assertTrue(node.path("bound_m").asDouble() <= sum);
        assertTrue(run("seats", Given.EXAMPLES.resolve(Given.LOCKS).toString())
                .out()
                .contains("Tag reader: "));
        Ran wrong = run("seats", Given.EXAMPLES.resolve(Given.LOCKS).toString(), "--node", "attic");
        assertEquals(2, wrong.code());
        assertTrue(wrong.err().contains("\"attic\"") && wrong.err().contains("pump-house"), wrong.err());
    }

    @Test
    void boardsTriesEveryBoardBestFirst() {
        Ran ran = run("boards", Given.EXAMPLES.resolve("moth-lamp.inkel.json").toString(), "--json");
        assertEquals(0, ran.code(), ran.err());
        JsonNode boards = ran.json().path("nodes").get(0).path("boards");
        long known = Given.CATALOG.all().stream()
                .filter(cls -> cls.controller().isPresent())
                .count();
        assertEquals(known, boards.size());
        JsonNode first = boards.get(0);
        assertTrue(first.path("placed").asBoolean());
        assertTrue(first.path("why").isNull());
        assertEquals(0, first.path("stop").asInt());
        JsonNode last = boards.get(boards.size() - 1);
        assertFalse(last.path("placed").asBoolean());
        assertTrue(last.path("clash").size() > 0);
        assertFalse(last.path("why").asText().isEmpty());
    }

    @Test
    void boardsOfATableThatIsNotThereNamesThoseThatAre() {
        Ran ran = run("boards", LOCKS, "--node", "attic");
        assertEquals(2, ran.code());
        assertTrue(ran.err().contains("lower-lock") && ran.err().contains("attic"), ran.err());
    }

    @Test
    void boardsInWordsNamesTheOneThatIsThere() {
        Ran ran = run("boards", LOCKS, "--node", "pump-house");
        assertEquals(0, ran.code(), ran.err());
        assertTrue(ran.out().contains("(the one that is there)"), ran.out());
    }

    @Test
    void wakeTellsEveryCheckWithWhatItShouldRead() {
        Ran ran = run("wake", Given.EXAMPLES.resolve(Given.LOCKS).toString(), "--node", "lower-lock", "--json");
        assertEquals(0, ran.code());
        JsonNode nodes = ran.json().path("nodes");
        assertEquals(1, nodes.size());
        JsonNode radio = null;
        for (JsonNode check : nodes.get(0).path("checks")) {
            assertEquals("open", check.path("state").asText());
            radio = check.path("id").asText().equals("volts radio.VCC") ? check : radio;
        }
        assertEquals("part", radio.path("group").asText());
        assertEquals("lower-lock/radio.VCC", radio.path("from").asText());
        assertEquals("lower-lock/radio.GND", radio.path("to").asText());
        assertEquals("volt", radio.path("unit").asText());
        // The regulator gives 3.25 to 3.35 V; a meter adds half a per cent and two steps of 10 mV at either end.
        assertEquals(3.21, radio.path("expected").path("low").asDouble(), 0.011);
        assertEquals(3.39, radio.path("expected").path("high").asDouble(), 0.011);
        assertTrue(run("wake", Given.EXAMPLES.resolve(Given.MOTH_LAMP).toString())
                .out()
                .contains("3V3: 3.16 V – 3.44 V"));
        Ran wrong = run("wake", Given.EXAMPLES.resolve(Given.LOCKS).toString(), "--node", "attic");
        assertEquals(2, wrong.code());
        assertTrue(wrong.err().contains("lower-lock"), wrong.err());
    }

    private static Ran practise(String typed, String... more) {
        InputStream before = System.in;
        try {
            System.setIn(new ByteArrayInputStream(typed.getBytes(StandardCharsets.UTF_8)));
            List<String> args = new ArrayList<>(
                    List.of("practise", Given.EXAMPLES.resolve(Given.MOTH_LAMP).toString()));
            args.addAll(List.of(more));
            return run(args.toArray(String[]::new));
        } finally {
            System.setIn(before);
        }
    }

    @Test
    void practiseReadsByNumberSaysWhatItCouldBeAndTellsAtTheEnd() {
        String readings = "1\n".repeat(5);
        Ran ran = practise("w\n" + readings + "w\nx\n99\ne\n", "--kind", "contact-loose", "--seed", "7");
        assertEquals(0, ran.code(), ran.err());
        List<String> lines = ran.out().lines().toList();
        assertTrue(lines.get(0).startsWith("Practice bench of Lamp, seed 7: 1 fault planted."), lines.get(0));
        assertTrue(ran.out().contains("nothing to explain"), "before anything is off");
        assertTrue(ran.out().contains("Not as it should be."), ran.out());
        assertTrue(ran.out().contains("sits loose"), ran.out());
        assertTrue(ran.out().contains("Planted: wire "), ran.out());
        assertTrue(ran.err().contains("x is no choice") && ran.err().contains("99 is no choice"), ran.err());
    }

    @Test
    void practiseInJsonIsOneObjectALineAndTheSameForTheSameSeed() throws Exception {
        String first = practise("1\n1\n", "--json", "--seed", "5").out();
        assertEquals(first, practise("1\n1\n", "--json", "--seed", "5").out());
        List<String> keys = new ArrayList<>();
        for (String line : first.lines().toList()) {
            JsonNode object = new ObjectMapper().readTree(line);
            keys.add(object.fieldNames().next());
        }
        assertEquals(List.of("begin", "choices", "reading", "choices", "reading", "choices", "end"), keys);
    }

    @Test
    void practiseWritesWhatItsWiresDidAndDecodeReadsIt(@TempDir Path folder) throws Exception {
        Path file = folder.resolve("bench.vcd");
        Ran ran = practise("", "--faults", "0", "--seed", "3", "--vcd", file.toString(), "--json");
        assertEquals(0, ran.code(), ran.err());
        assertTrue(ran.out().contains("recorded"));
        Ran decoded = run(
                "decode",
                file.toString(),
                "--as",
                "i2c",
                "--build",
                Given.EXAMPLES.resolve(Given.MOTH_LAMP).toString());
        assertEquals(0, decoded.code(), decoded.err());
        assertTrue(decoded.out().contains("0x29"), decoded.out());
    }

    @Test
    void practiseRefusesWhatCannotBePlanted() {
        assertEquals(2, practise("", "--faults", "3").code());
        Ran unknown = practise("", "--kind", "bad-luck");
        assertEquals(2, unknown.code());
        assertTrue(unknown.err().contains("bad-luck") && unknown.err().contains("contact-loose"), unknown.err());
        Ran none = practise("", "--kind", "capacitor-missing");
        assertEquals(2, none.code());
        assertTrue(none.err().contains("choose another kind"), none.err());
    }

    private Ran report(String text, String... more) throws Exception {
        Path file = Files.writeString(folder.resolve("report.txt"), text);
        List<String> args = new ArrayList<>(List.of("wake", LOCKS, "--report", file.toString()));
        args.addAll(List.of(more));
        return run(args.toArray(String[]::new));
    }

    @Test
    void aReportIsJudgedLineByLine() throws Exception {
        Ran well = report("inkel-wake 1 lower-lock\nreg radio 0x00 0x08\nend 1\n");
        assertEquals(0, well.code(), well.err());
        assertTrue(
                well.out().contains("line 2: Packet radio: register 0x00 reads 0x08: 0x08. As it should be."),
                well.out());
        Ran wrong = report("inkel-wake 1 lower-lock\nreg radio 0x00 0xFF\nreg reader\nend 2\n");
        assertEquals(1, wrong.code());
        assertTrue(wrong.out().contains("line 3: reg reader: cannot be read"), wrong.out());
        Ran none = report("hello\n");
        assertEquals(2, none.code());
        assertTrue(none.out().contains("This is no report"), none.out());
        Ran missing =
                run("wake", LOCKS, "--report", folder.resolve("nowhere.txt").toString());
        assertEquals(2, missing.code());
        assertTrue(missing.err().contains("nowhere.txt cannot be read."), missing.err());
    }

    @Test
    void aReportIsOfTheBoardThatItNames() throws Exception {
        Ran ran = report("inkel-wake 1 pump-house\nreg radio 0x00 0x08\nend 1\n", "--json");
        assertEquals(0, ran.code(), ran.err());
        assertEquals("pump-house", ran.json().path("node").asText());
        assertEquals(
                "register radio 0x00",
                ran.json().path("taken").get(0).path("check").asText());
        assertTrue(ran.json().path("whole").asBoolean());
        assertEquals(0, ran.json().path("told").size());
    }

    @Test
    void aProgramIsOfOneBoardAndOnlyOfOneThatTakesIt() {
        Ran first = run("export", LOCKS, "--as", "wake.cpp");
        assertEquals(0, first.code());
        assertTrue(first.out().contains("\"inkel-wake 1 lower-lock "), first.out());
        assertTrue(first.err().contains("Lower lock"), first.err());
        Ran other = run("export", LOCKS, "--as", "wake.cpp", "--node", "pump-house");
        assertTrue(other.out().contains("\"inkel-wake 1 pump-house "), other.err());
        assertEquals("", other.err());
        Ran python = run("export", LOCKS, "--as", "wake.py");
        assertEquals(2, python.code());
        assertTrue(python.err().contains("takes no program of that kind"), python.err());
        Ran nobody = run("export", LOCKS, "--as", "wake.cpp", "--node", "attic");
        assertEquals(2, nobody.code());
        assertTrue(nobody.err().contains("attic") && nobody.err().contains("pump-house"), nobody.err());
    }
}
