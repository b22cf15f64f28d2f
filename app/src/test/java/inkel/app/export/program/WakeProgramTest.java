package inkel.app.export.program;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import inkel.app.kit.Given;
import inkel.core.bench.Answer;
import inkel.core.bench.Asked;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.FaultKind;
import inkel.core.bench.fault.Faults;
import inkel.core.bench.fault.Layout;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.Language;
import inkel.core.catalog.Pin;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Meter;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.SetWire;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.document.BuildReader;
import inkel.core.quantity.Voltage;
import inkel.core.wake.MoreLooks;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import inkel.core.wake.report.BoardReport;
import inkel.core.wake.report.ReportPlan;
import inkel.core.wake.report.SimulatedBoard;
import inkel.core.wiring.WireList;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The made programs compile, run on a board that stands in, and print what Wake reads. */
class WakeProgramTest {
    /** Where something that no class foretells may stand. */
    private static final long UNTOLD = 487;

    private static final Catalog CATALOG = CatalogReader.shipped();

    @TempDir
    private Path folder;

    /** A board with all that a program needs to know of it. */
    private record Table(Layout layout, NodeWake wake, WireList list, ReportPlan plan) {
        static Table of(String example, String node) throws Exception {
            return of(BuildReader.read(Given.EXAMPLES.resolve(example), CATALOG), node);
        }

        static Table of(Build build, String node) {
            Layout layout = Layout.of(Circuit.of(build, CATALOG));
            NodeWake wake =
                    WakePlan.of(layout.circuit(), Meter.USUAL).node(node).orElseThrow();
            WireList list = layout.lists().stream()
                    .filter(of -> of.node().node().id().equals(node))
                    .findFirst()
                    .orElseThrow();
            return new Table(layout, wake, list, ReportPlan.of(wake));
        }

        PracticeBench bench(Twist twist) {
            return new PracticeBench(layout.circuit(), layout.lists(), twist, Meter.USUAL, 11);
        }

        String program(Language.Name language) {
            return WakeProgram.of(language, plan, list).orElseThrow();
        }

        BoardReport read(String text) {
            return BoardReport.read(text, wake, list, new MoreLooks(layout, wake, Meter.USUAL));
        }

        Fault fault(FaultKind kind, String part) {
            return Faults.of(layout).stream()
                    .filter(fault -> fault.kind() == kind && fault.at().part().equals(part))
                    .findFirst()
                    .orElseThrow();
        }
    }

    /** What hangs on the pins of a board, as a bench tells it, for a board that stands in. */
    private static final class World {
        private final Table table;
        private final PracticeBench bench;
        private final Scene scene;
        private final Map<String, Integer> names = new TreeMap<>();
        private final List<String> lines = new ArrayList<>();

        World(Table table, PracticeBench bench, Language.Name language) {
            this.table = table;
            this.bench = bench;
            NodeCircuit node = table.wake().node();
            Set<Place> all = new HashSet<>();
            node.parts().forEach(placed -> all.add(node.place(placed)));
            scene = Scene.resting(all);
            Language of = WakeProgram.language(node, language).orElseThrow();
            table.plan().pins().forEach(pin -> name(of, pin));
            rests(node, of);
            buses(node, of);
            shifts(node, of);
            converters(of);
            voices(node, of);
            table.plan().way().ifPresent(way -> way.pin()
                    .ifPresent(pin -> lines.add("talk " + name(of, pin) + " "
                            + Math.round(way.baud().hertz()))));
        }

        /** A name that is no number gets one of its own. */
        private int name(Language of, Pin pin) {
            String call = pin.number().isEmpty() ? pin.label() : pin.number();
            String whole = of.name() == Language.Name.CPP ? of.call(pin) : call;
            return whole.matches("[0-9]+")
                    ? Integer.parseInt(whole)
                    : names.computeIfAbsent(whole, key -> 1000 + names.size());
        }

        private List<String> texts(Question question) {
            return ((Answer.Texts) bench.ask(new Asked(scene, question)).orElseThrow()).texts();
        }

        private void rests(NodeCircuit node, Language of) {
            for (ReportPlan.Level level : table.plan().levels()) {
                boolean isHigh = ((Answer.Sight)
                                bench.ask(new Asked(scene, new Question.Rests(node.place(level.signal()), true)))
                                        .orElseThrow())
                        .isWell();
                lines.add("rest " + name(of, level.pin()) + " " + (isHigh ? 1 : 0));
            }
            for (ReportPlan.Analog analog : table.plan().analogs()) {
                long code = analog.check()
                        .flatMap(check ->
                                bench.ask(new Asked(scene, check.asked().question())))
                        .map(answer -> analog.converter().reads(Voltage.ofVolts(((Answer.Amount) answer).si())))
                        .orElse(UNTOLD);
                lines.add("adc " + name(of, analog.pin()) + " " + code);
            }
        }

        private void buses(NodeCircuit node, Language of) {
            for (ReportPlan.Bus bus : table.plan().buses()) {
                lines.add("i2c " + name(of, bus.sda()) + " " + name(of, bus.scl()));
                bus.parts().forEach(placed -> texts(new Question.Answers(List.of(node.place(placed))))
                        .forEach(address -> {
                            lines.add("device " + Integer.decode(address));
                            table.plan().registers().stream()
                                    .filter(register -> register.part() == placed)
                                    .forEach(register ->
                                            lines.add("register " + register.first() + " " + bytes(node, register)));
                        }));
            }
        }

        /** As it is on the wire: bits that differ from one make to another stand as ones, and what comes late comes late. */
        private String bytes(NodeCircuit node, ReportPlan.Register register) {
            List<String> expected = register.part().cls().handling().checks().stream()
                    .filter(WakeCheck.Identity.class::isInstance)
                    .map(check -> ((WakeCheck.Identity) check).values())
                    .findFirst()
                    .orElseThrow();
            Optional<Long> mask = register.asking().mask();
            String read = texts(new Question.Register(node.place(register.part()), expected, mask)).stream()
                    .findFirst()
                    .orElse("0xFF")
                    .substring(2);
            long ones = (1L << 4 * read.length()) - 1;
            String value = ("%0" + read.length() + "X").formatted(Long.parseLong(read, 16) | ones & ~mask.orElse(ones));
            List<String> all = new ArrayList<>();
            int before = Math.max(0, register.asking().send().size() - 1)
                    + register.asking().late() / 2;
            all.addAll(Collections.nCopies(before, "0xFF"));
            for (int i = 0; i < value.length(); i += 2) {
                all.add("0x" + value.substring(i, i + 2));
            }
            return String.join(",", all);
        }

        private void shifts(NodeCircuit node, Language of) {
            for (ReportPlan.Register register : table.plan().registers()) {
                register.spi()
                        .ifPresent(spi -> lines.add("spi " + name(of, spi.clock()) + " "
                                + name(of, spi.out().orElseThrow())
                                + " " + name(of, spi.in()) + " "
                                + spi.select().map(pin -> name(of, pin)).orElse(-1) + " " + register.first() + " "
                                + bytes(node, register) + " "
                                + register.asking().idle()));
            }
        }

        private void converters(Language of) {
            Set<String> made = new TreeSet<>();
            for (ReportPlan.Code code : table.plan().codes()) {
                if (code.bus().isEmpty()) {
                    List<Pin> pins = code.spi();
                    made.add("spi " + name(of, pins.get(0)) + " " + name(of, pins.get(1)) + " -1 "
                            + (pins.size() < 3 ? "-1" : name(of, pins.get(2))) + " 0 0 0");
                }
            }
            lines.addAll(made);
        }

        private void voices(NodeCircuit node, Language of) {
            for (ReportPlan.Line line : table.plan().lines()) {
                String expected = line.part().cls().handling().checks().stream()
                        .filter(WakeCheck.Reply.class::isInstance)
                        .map(check -> ((WakeCheck.Reply) check).expect())
                        .findFirst()
                        .orElseThrow();
                lines.add("rest " + name(of, line.from()) + " 1");
                texts(new Question.Reply(node.place(line.part()), expected))
                        .forEach(said -> lines.add("uart " + name(of, line.from()) + " "
                                + Math.round(line.baud().hertz()) + " " + said));
            }
        }
    }

    /** @param sent what converters got: {@code told 96 64} over I2C, {@code shifted 10 56} over SPI */
    private record Ran(String out, Set<Integer> driven, Set<Integer> left, List<String> sent) {}

    private Ran run(List<String> command) throws Exception {
        return run(command, "");
    }

    /** @param typed what somebody types while it runs */
    private Ran run(List<String> command, String typed) throws Exception {
        Path input = Files.writeString(folder.resolve("typed"), typed);
        Process process = new ProcessBuilder(command)
                .redirectInput(ProcessBuilder.Redirect.from(input.toFile()))
                .redirectError(folder.resolve("errors").toFile())
                .start();
        String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertTrue(process.waitFor(60, TimeUnit.SECONDS));
        String errors = Files.readString(folder.resolve("errors"));
        assertEquals(0, process.exitValue(), errors);
        return new Ran(out, pins(errors, "driven "), pins(errors, "left "), sent(errors));
    }

    private static List<String> sent(String errors) {
        return errors.lines().filter(line -> line.matches("(told|shifted) .*")).toList();
    }

    private static Set<Integer> pins(String errors, String word) {
        return errors.lines()
                .filter(line -> line.startsWith(word))
                .map(line -> Integer.parseInt(line.substring(word.length())))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private Path standIn(String name) throws IOException {
        try (InputStream in = WakeProgramTest.class.getResourceAsStream(name)) {
            return Files.write(folder.resolve(name), in.readAllBytes());
        }
    }

    private static boolean isThere(String tool) {
        try {
            return new ProcessBuilder(tool, "--version")
                            .redirectErrorStream(true)
                            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                            .start()
                            .waitFor()
                    == 0;
        } catch (IOException missing) {
            return false;
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    private Ran cpp(Table table, Twist twist, String typed) throws Exception {
        assumeTrue(isThere("g++"), "no C++ compiler: the made C++ programs are not run");
        World world = new World(table, table.bench(twist), Language.Name.CPP);
        Path source = Files.writeString(folder.resolve("wake.cpp"), table.program(Language.Name.CPP));
        List<String> compile = new ArrayList<>(List.of("g++", "-std=c++17", "-Wall", "-Wextra", "-Werror"));
        compile.add("-Wno-unused-function");
        world.names.forEach((name, number) -> compile.add("-D" + name + "=" + number));
        compile.addAll(List.of(
                "-include",
                standIn("standin.h").toString(),
                source.toString(),
                "-o",
                folder.resolve("wake").toString()));
        run(compile);
        Path told = Files.write(folder.resolve("world"), world.lines);
        return run(List.of(folder.resolve("wake").toString(), told.toString(), typed));
    }

    private Ran python(Table table, Twist twist) throws Exception {
        return python(table, twist, "");
    }

    private Ran python(Table table, Twist twist, String typed) throws Exception {
        assumeTrue(isThere("python3"), "no Python: the made Python programs are not run");
        World world = new World(table, table.bench(twist), Language.Name.PYTHON_CONTROLLER);
        Path source = Files.writeString(folder.resolve("wake.py"), table.program(Language.Name.PYTHON_CONTROLLER));
        run(List.of("python3", "-m", "py_compile", source.toString()));
        Path told = Files.write(folder.resolve("world"), world.lines);
        return run(List.of("python3", standIn("standin.py").toString(), told.toString(), source.toString()), typed);
    }

    private static Map<String, Answer> answers(BoardReport report) {
        Map<String, Answer> answers = new TreeMap<>();
        report.taken().forEach(taken -> answers.put(taken.check().id(), taken.answer()));
        return answers;
    }

    /** What the program printed is what the board that is not there reports; codes are the stand-in's own. */
    private static void assertSame(Table table, Twist twist, Ran ran) {
        String own = new SimulatedBoard(table.plan(), table.list(), table.bench(twist)).report();
        BoardReport read = table.read(ran.out());
        assertEquals(
                List.of(),
                read.told().stream()
                        .filter(told -> !told.why().key().equals("report.unasked"))
                        .toList(),
                ran.out());
        assertTrue(read.isWhole(), ran.out());
        Map<String, Answer> printed = answers(read);
        printed.keySet().removeIf(id -> id.startsWith("codes "));
        assertEquals(answers(table.read(own)), printed, ran.out());
        assertEquals(Set.of(), ran.left(), "pins that are still outputs");
    }

    @Test
    void theCppProgramOfTheExampleReportsWhatTheBenchGives() throws Exception {
        Table table = Table.of(Given.LOCKS, "lower-lock");
        assertSame(table, Twist.NONE, cpp(table, Twist.NONE, ""));
        Twist dead = table.fault(FaultKind.PART_DEAD, "display")
                .forms(table.layout())
                .get(0);
        assertSame(table, dead, cpp(table, dead, ""));
        Twist radio =
                table.fault(FaultKind.PART_DEAD, "radio").forms(table.layout()).get(0);
        assertSame(table, radio, cpp(table, radio, ""));
    }

    @Test
    void onlyBusLinesAreEverDrivenUntilANumberIsTyped() throws Exception {
        Table table = Table.of(Given.LOCKS, "pump-house");
        assertFalse(table.plan().acts().isEmpty(), "a relay is there");
        ReportPlan.Act act = table.plan().acts().get(0);
        Set<Integer> quiet = cpp(table, Twist.NONE, "").driven();
        assertEquals(quiet, cpp(table, Twist.NONE, "77\nr\n").driven());
        Ran typed = cpp(table, Twist.NONE, act.number() + "\n");
        Set<Integer> more = new TreeSet<>(typed.driven());
        more.removeAll(quiet);
        assertEquals(1, more.size(), act + ": " + typed.driven());
        assertEquals(Set.of(), typed.left());
    }

    /** A bridge turns nothing unless it is told which way: its inputs are driven with its pulses, and let go with them. */
    @Test
    void whatASignNeedsIsHeldMeanwhile() throws Exception {
        Table table = wheels("board-dual-core-3v3", "VBUS", "GP");
        for (String typed : List.of("1\n", "servo driver.PWMA 1200\n")) {
            for (Ran ran : List.of(cpp(table, Twist.NONE, typed), python(table, Twist.NONE, typed))) {
                assertEquals(Set.of(6, 7, 8, 9), Set.copyOf(ran.driven()), typed);
                assertEquals(Set.of(), ran.left());
            }
        }
        assertEquals(Set.of(), Set.copyOf(cpp(table, Twist.NONE, "r\n").driven()));
        Table computer = wheels("computer-40pin", "USB", "GPIO");
        Ran ran = computer(computer, Twist.NONE, "1\n");
        assertEquals(Set.of(6, 7, 8, 9), Set.copyOf(ran.driven()));
        assertEquals(Set.of(), ran.left());
    }

    private Table wheels(String board, String usb, String pin) throws Exception {
        Path file = Files.writeString(
                folder.resolve("wheels.inkel.json"),
                """
                {"format": 2, "name": "Wheels", "nodes": [{"id": "desk", "name": "Desk",
                  "board": {"class": "BOARD", "name": "Board", "feeds": {"USB": "port.5V"}},
                  "parts": [
                    {"id": "port", "class": "usb-port", "name": "Port"},
                    {"id": "pack", "class": "wall-supply-6v", "name": "Pack"},
                    {"id": "driver", "class": "motor-driver", "name": "Driver",
                      "feeds": {"VM": "pack.+", "VCC": "board.3V3"}}],
                  "wires": [
                    {"from": "driver.PWMA", "to": "board.PIN6"}, {"from": "driver.AIN1", "to": "board.PIN7"},
                    {"from": "driver.AIN2", "to": "board.PIN8"}, {"from": "driver.STBY", "to": "board.PIN9"}]}]}
                """
                        .replace("BOARD", board)
                        .replace("USB", usb)
                        .replace("PIN", pin));
        return Table.of(BuildReader.read(file, CATALOG), "desk");
    }

    @Test
    void whileAPartIsTunedItGivesCodesAndPulsesOfAWidth() throws Exception {
        Build moved = new SetWire(
                        "lower-lock", Wire.placed(new Endpoint("gate-upper", "SIG"), new Endpoint("board", "D3")))
                .apply(BuildReader.read(Given.EXAMPLES.resolve(Given.LOCKS), CATALOG));
        Table table = Table.of(moved, "lower-lock");
        assertFalse(cpp(table, Twist.NONE, "servo gate-upper.SIG 9000\nservo nobody.SIG 1500\n")
                .driven()
                .contains(3));
        Ran ran = cpp(table, Twist.NONE, "servo gate-upper.SIG 1960\na\n");
        assertTrue(ran.driven().contains(3), ran.driven().toString());
        assertEquals(Set.of(), ran.left());
        // One code of the report and forty that were asked for.
        assertEquals(
                41, ran.out().lines().filter(line -> line.startsWith("adc A0 ")).count(), ran.out());
    }

    /** With a servo and a knob beside what it has. */
    private static Build withServo(Path file, String servoAt, String knobAt) throws Exception {
        Build build = BuildReader.read(file, CATALOG);
        build = new AddPart("desk", Part.of("gate", "servo-micro", "Gate servo", "")).apply(build);
        build = new SetWire("desk", Wire.placed(new Endpoint("gate", "SIG"), new Endpoint("board", servoAt)))
                .apply(build);
        if (knobAt.isEmpty()) {
            return build;
        }
        build = new AddPart("desk", Part.of("knob", "knob", "Knob", "")).apply(build);
        return new SetWire("desk", Wire.placed(new Endpoint("knob", "OUT"), new Endpoint("board", knobAt)))
                .apply(build);
    }

    @Test
    void pythonGivesCodesAndPulsesOfAWidthToo() throws Exception {
        Table table = Table.of(withServo(standInBuild(), "GP15", "GP26"), "desk");
        assertFalse(python(table, Twist.NONE, "servo gate.SIG 9000\n").driven().contains(15));
        Ran ran = python(table, Twist.NONE, "servo gate.SIG 1960\na\n");
        assertTrue(ran.driven().contains(15), ran.driven().toString());
        assertEquals(
                41, ran.out().lines().filter(line -> line.startsWith("adc ")).count(), ran.out());
        Path board = Path.of(
                WakeProgramTest.class.getResource("on-a-computer.inkel.json").toURI());
        Table computer = Table.of(withServo(board, "GPIO18", ""), "desk");
        assertFalse(
                computer(computer, Twist.NONE, "servo gate.SIG wide\n").driven().contains(18));
        Ran moved = computer(computer, Twist.NONE, "servo gate.SIG 1960\n");
        assertTrue(moved.driven().contains(18), moved.driven().toString());
        assertEquals(Set.of(), moved.left());
    }

    @Test
    void thePythonProgramReportsWhatTheBenchGives() throws Exception {
        Table table = twoLanguages();
        assertSame(table, Twist.NONE, python(table, Twist.NONE));
        Twist dead = table.fault(FaultKind.PART_DEAD, "compass")
                .forms(table.layout())
                .get(0);
        assertSame(table, dead, python(table, dead));
    }

    @Test
    void bothLanguagesOfOneBoardPrintTheSame() throws Exception {
        Table table = twoLanguages();
        Ran cpp = cpp(table, Twist.NONE, "");
        Ran python = python(table, Twist.NONE);
        assertEquals(answers(table.read(cpp.out())), answers(table.read(python.out())));
        assertTrue(answers(table.read(cpp.out())).size() > 5, cpp.out());
    }

    /** What hangs on the device files of a computer, as a bench tells it. */
    private static List<String> devices(Table table, PracticeBench bench) {
        World world = new World(table, bench, Language.Name.PYTHON_COMPUTER);
        List<String> lines = new ArrayList<>();
        for (String line : world.lines) {
            String[] words = line.split(" ");
            switch (words[0]) {
                case "rest" -> lines.add("pin " + words[1] + " " + words[2]);
                case "i2c" -> lines.add("i2c /dev/i2c-1");
                // The system drives the select at GPIO8 itself; any other is a plain pin.
                case "spi" ->
                    lines.add("spi /dev/spidev0.0 " + (words[4].equals("8") ? "-" : words[4]) + " " + words[5] + " "
                            + words[6] + " " + words[7]);
                case "uart" -> lines.add("uart /dev/serial0 " + words[2] + " " + words[3]);
                default -> lines.add(line);
            }
        }
        return lines;
    }

    private Ran computer(Table table, Twist twist) throws Exception {
        return computer(table, twist, "");
    }

    private Ran computer(Table table, Twist twist, String typed) throws Exception {
        assumeTrue(isThere("python3"), "no Python: the made Python programs are not run");
        Path source = Files.writeString(folder.resolve("wake.py"), table.program(Language.Name.PYTHON_COMPUTER));
        run(List.of("python3", "-m", "py_compile", source.toString()));
        Path told = Files.write(folder.resolve("world"), devices(table, table.bench(twist)));
        return run(List.of("python3", standIn("kernel.py").toString(), told.toString(), source.toString()), typed);
    }

    @Test
    void aComputerReportsByItsDeviceFilesAlone() throws Exception {
        Table table = Table.of(
                BuildReader.read(
                        Path.of(WakeProgramTest.class
                                .getResource("on-a-computer.inkel.json")
                                .toURI()),
                        CATALOG),
                "desk");
        Ran well = computer(table, Twist.NONE);
        assertSame(table, Twist.NONE, well);
        Map<String, Answer> answers = answers(table.read(well.out()));
        assertTrue(
                answers.keySet()
                        .containsAll(Set.of(
                                "register radio 0x00", "register reader 0x37", "register tilt 0x00", "answers all")),
                answers.keySet().toString());
        // The select of the radio is a plain pin, driven for as long as it is needed; that of the reader is the
        // system's.
        assertEquals(Set.of(22), well.driven());
        Twist dead = table.fault(FaultKind.PART_DEAD, "compass")
                .forms(table.layout())
                .get(0);
        assertSame(table, dead, computer(table, dead));
    }

    /** A 3.3 V board that takes both languages, with something on each kind of bus. */
    private static Table twoLanguages() throws Exception {
        return Table.of(BuildReader.read(standInBuild(), CATALOG), "desk");
    }

    private static Path standInBuild() throws Exception {
        return Path.of(
                WakeProgramTest.class.getResource("two-languages.inkel.json").toURI());
    }

    /** With a memory and a card beside the radio, each with a select of its own. */
    private static Table withMemories(Path file, String... selects) throws Exception {
        Build build = BuildReader.read(file, CATALOG);
        NodeCircuit desk = Circuit.of(build, CATALOG).node("desk").orElseThrow();
        Endpoint from = Endpoint.parse("board.3V3").orElseThrow();
        Map<String, List<String>> parts =
                Map.of("memory-serial", List.of("CLK", "DI", "DO"), "memory-card", List.of("SCK", "MOSI", "MISO"));
        int made = 0;
        for (String cls : List.of("memory-serial", "memory-card")) {
            build = new AddPart("desk", Part.of(cls, cls, cls, "").withFeed("VCC", from)).apply(build);
            for (int i = 0; i < 3; i++) {
                Wire beside = desk.wire(new Endpoint(
                                "radio", List.of("SCK", "MOSI", "MISO").get(i)))
                        .orElseThrow();
                build = new SetWire(
                                "desk",
                                Wire.placed(new Endpoint(cls, parts.get(cls).get(i)), beside.to()))
                        .apply(build);
            }
            build = new SetWire("desk", Wire.placed(new Endpoint(cls, "CS"), new Endpoint("board", selects[made++])))
                    .apply(build);
        }
        for (String pin : List.of("WP", "HOLD")) {
            build = new SetWire("desk", Wire.placed(new Endpoint("memory-serial", pin), from)).apply(build);
        }
        return Table.of(build, "desk");
    }

    private static void areRead(Table table, Ran ran) {
        assertSame(table, Twist.NONE, ran);
        assertTrue(ran.out().contains("reg memory-serial capacity 0x000016"), ran.out());
        assertTrue(ran.out().contains("reg memory-card idle-state 0x01"), ran.out());
    }

    /** Asked with more than one byte, answered late, or told only in some bits. */
    @Test
    void whatIsAskedForInAnotherWayThanARegister() throws Exception {
        Table table = withMemories(standInBuild(), "GP13", "GP14");
        areRead(table, cpp(table, Twist.NONE, ""));
        areRead(table, python(table, Twist.NONE));
        Path onComputer = Path.of(
                WakeProgramTest.class.getResource("on-a-computer.inkel.json").toURI());
        Table computer = withMemories(onComputer, "GPIO23", "GPIO24");
        areRead(computer, computer(computer, Twist.NONE));
        for (String part : List.of("memory-serial", "memory-card")) {
            Twist dead =
                    table.fault(FaultKind.PART_DEAD, part).forms(table.layout()).get(0);
            assertSame(table, dead, cpp(table, dead, ""));
            assertSame(table, dead, python(table, dead));
        }
    }

    /** With a converter on each bus. */
    private static Table withConverters(Path file, String rail, String select) throws Exception {
        Build build = BuildReader.read(file, CATALOG);
        NodeCircuit desk = Circuit.of(build, CATALOG).node("desk").orElseThrow();
        Endpoint from = Endpoint.parse(rail).orElseThrow();
        build = new AddPart("desk", Part.of("slow", "dac-12-i2c", "Slow", "").withFeed("VCC", from)).apply(build);
        build = new AddPart(
                        "desk",
                        Part.of("quick", "dac-8-spi", "Quick", "")
                                .withFeed("VDD", from)
                                .withFeed("VREF", from))
                .apply(build);
        Map<String, String> same = Map.of(
                "slow.SDA",
                "compass.SDA",
                "slow.SCL",
                "compass.SCL",
                "quick.SCK",
                "radio.SCK",
                "quick.SDI",
                "radio.MOSI");
        for (Map.Entry<String, String> one : same.entrySet()) {
            Wire beside =
                    desk.wire(Endpoint.parse(one.getValue()).orElseThrow()).orElseThrow();
            build = new SetWire("desk", Wire.placed(Endpoint.parse(one.getKey()).orElseThrow(), beside.to()))
                    .apply(build);
        }
        build = new SetWire("desk", Wire.placed(new Endpoint("quick", "CS"), new Endpoint("board", select)))
                .apply(build);
        return Table.of(build, "desk");
    }

    private static int number(Table table, String pin, long code) {
        return table.plan().codes().stream()
                .filter(one -> one.pin().toString().equals(pin) && one.code() == code)
                .findFirst()
                .orElseThrow()
                .number();
    }

    @Test
    void aConverterIsSentItsCodeWhenItsNumberIsTyped() throws Exception {
        Table table = withConverters(standInBuild(), "board.3V3", "GP14");
        int slow = number(table, "slow.OUT", 2048);
        int quick = number(table, "quick.VOUT", 64);
        String typed = slow + "\n" + quick + "\n";
        // 2048 of 12 bits behind 0100 0000 and before four zeros: 0x40 0x80 0x00. 64 of 8 bits between 0011 and 0000:
        // 0x34 0x00.
        List<String> wanted = List.of("told 96 64", "told 96 128", "told 96 0", "shifted 14 52", "shifted 14 0");
        for (Ran ran : List.of(cpp(table, Twist.NONE, typed), python(table, Twist.NONE, typed))) {
            List<String> got = ran.sent().stream()
                    .filter(line -> line.startsWith("told 96 ") || line.startsWith("shifted 14 "))
                    .toList();
            assertEquals(wanted, got, ran.out());
            assertEquals(Set.of(), ran.left());
            assertTrue(ran.out().contains("# " + slow + " has slow.OUT give code 2048"), ran.out());
        }
        assertTrue(cpp(table, Twist.NONE, "r\n").sent().stream().noneMatch(line -> line.startsWith("told 96 ")));
        Path board = Path.of(
                WakeProgramTest.class.getResource("on-a-computer.inkel.json").toURI());
        Table computer = withConverters(board, "board.3V3@1", "GPIO25");
        Ran ran = computer(
                computer,
                Twist.NONE,
                number(computer, "slow.OUT", 2048) + "\n" + number(computer, "quick.VOUT", 64) + "\n");
        List<String> last = ran.sent().subList(ran.sent().size() - 5, ran.sent().size());
        assertEquals(List.of("told 96 64", "told 96 128", "told 96 0", "shifted 0 52", "shifted 0 0"), last);
        assertTrue(ran.driven().contains(25), ran.driven().toString());
        assertEquals(Set.of(), ran.left());
    }

    @Test
    void aDialectOfSixteenBitsSaysCodesAsTheConverterHasThem() throws Exception {
        // 12 bits: 48 700 of 65 535 is 3 043 of 4 095.
        Table table = Table.of(withServo(standInBuild(), "GP15", "GP26"), "desk");
        String program = table.program(Language.Name.PYTHON_CONTROLLER);
        assertTrue(program.contains("ADC(pin).read_u16() >> more"), program);
        assertTrue(program.contains("(\"GP26\", Pin(26), 4)"), program);
    }

    @Test
    void aChipWithoutAPortSpeaksByAPlainPinAndDrivesNoOther() throws Exception {
        Table table = Table.of(
                BuildReader.read(
                        Path.of(WakeProgramTest.class
                                .getResource("small-chip.inkel.json")
                                .toURI()),
                        CATALOG),
                "sill");
        assertEquals("P3", table.plan().way().orElseThrow().pin().orElseThrow().label());
        String text = table.program(Language.Name.CPP);
        assertTrue(text.contains("wire P3 to the receiving pin of a serial adapter"), text);
        assertTrue(text.contains("from 8640 to 10560 baud"), text);
        Ran ran = cpp(table, Twist.NONE, "");
        BoardReport read = table.read(ran.out());
        assertEquals(List.of(), read.told(), ran.out());
        assertTrue(read.isWhole(), ran.out());
        assertEquals(
                answers(table.read(new SimulatedBoard(table.plan(), table.list(), table.bench(Twist.NONE)).report())),
                answers(read));
        assertTrue(answers(read).containsKey("answers clock"), ran.out());
        assertEquals(Set.of(3), ran.left(), "only what speaks stays an output");
    }

    @Test
    void theRateIsOneThatTheClockCanBeDividedDownTo() throws Exception {
        // 16 MHz: 115 200 would be 2.1 % off, 57 600 is 0.8 %. 125 MHz divides to 115 200 within 0.01 %.
        Table classic = Table.of(Given.LOCKS, "lower-lock");
        assertEquals("board-classic-5v", classic.wake().node().board().cls().id());
        assertEquals(57_600, classic.plan().way().orElseThrow().baud().hertz());
        assertTrue(classic.program(Language.Name.CPP).contains("RATE = 57600;"));
        assertEquals(115_200, twoLanguages().plan().way().orElseThrow().baud().hertz());
    }

    @Test
    void aBoardThatTakesNeitherHasNoProgram() throws Exception {
        Table table = Table.of(Given.LOCKS, "lower-lock");
        assertTrue(WakeProgram.of(Language.Name.PYTHON_CONTROLLER, table.plan(), table.list())
                .isEmpty());
        assertTrue(table.program(Language.Name.CPP).startsWith("// What the board of Lower lock finds"));
    }
}
