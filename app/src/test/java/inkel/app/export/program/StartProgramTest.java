package inkel.app.export.program;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import inkel.app.kit.Given;
import inkel.core.catalog.Kind;
import inkel.core.catalog.Language;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Carries;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetWire;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.PlanHash;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Resistance;
import inkel.core.remedy.AddParts;
import inkel.core.tune.code.StartPlan;
import inkel.core.wiring.WireList;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Programs to begin with: every class compiles, what is read is told, and nothing moves before a key.
 *
 * <p>Longer than other files: it makes, compiles and runs programs in three languages.
 */
class StartProgramTest {
    private static final String NODE = "desk";

    @TempDir
    private Path folder;

    private static String of(Build build, Language.Name name) {
        Assessment assessment = Assessment.assess(build, Given.CATALOG);
        NodeCircuit circuit = assessment.circuit(NODE).orElseThrow();
        return StartProgram.of(
                build,
                circuit,
                assessment.reports().pins(),
                WireList.of(circuit),
                WakeProgram.language(circuit, name).orElseThrow());
    }

    /** A table with a board on a USB port. */
    private Build on(String board) throws Exception {
        PartClass cls = Given.CATALOG.find(board).orElseThrow();
        String feeds = cls.supplies().isEmpty()
                ? ""
                : ", \"feeds\": {\"" + cls.supplies().get(0).pin() + "\": \"usb.5V\"}";
        Path file = Files.writeString(
                folder.resolve("table.inkel.json"),
                "{\"format\": 2, \"name\": \"Start\", \"nodes\": [{\"id\": \"desk\", \"name\": \"Desk\", \"board\":"
                        + " {\"class\": \"" + board + "\", \"name\": \"Board\"" + feeds
                        + "}, \"parts\": [{\"id\": \"usb\","
                        + " \"class\": \"usb-port\", \"name\": \"USB\"}]}]}");
        return BuildReader.read(file, Given.CATALOG);
    }

    /** With one part of a class, its pins chosen by the planner; empty where the board cannot bear it. */
    private static Optional<Build> with(Build empty, PartClass module) throws Exception {
        NodeCircuit node = Circuit.of(empty, Given.CATALOG).nodes().get(0);
        Build build = Edit.applyAll(empty, AddParts.of(node, module, 1));
        Plan plan = new Planner(build, Given.CATALOG).plan(NODE);
        return plan.placed() ? Optional.of(plan.takenBy(build)) : Optional.empty();
    }

    private static List<PartClass> modules() {
        return Given.CATALOG.all().stream()
                .filter(cls ->
                        cls.kind() == Kind.MODULE && cls.signals().findAny().isPresent())
                .toList();
    }

    private String run(List<String> command, Path errors) throws Exception {
        Process process = new ProcessBuilder(command)
                .redirectInput(ProcessBuilder.Redirect.from(
                        Files.writeString(folder.resolve("nothing"), "").toFile()))
                .redirectError(errors.toFile())
                .start();
        String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertTrue(process.waitFor(120, TimeUnit.SECONDS));
        assertEquals(0, process.exitValue(), Files.readString(errors));
        return out;
    }

    private static void assumeThere(String tool) {
        try {
            assertEquals(
                    0,
                    new ProcessBuilder(tool, "--version")
                            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                            .start()
                            .waitFor());
        } catch (IOException missing) {
            assumeTrue(false, "no " + tool + ": made programs are not compiled");
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    private Path beside(String name) throws IOException {
        try (InputStream in = StartProgramTest.class.getResourceAsStream(name)) {
            return Files.write(folder.resolve(name), in.readAllBytes());
        }
    }

    /** One file for every class that the board bears, with how many there are. */
    private List<Path> everyClass(String board, Language.Name language, String ending) throws Exception {
        List<Path> files = new ArrayList<>();
        for (PartClass module : modules()) {
            Optional<Build> build = with(on(board), module);
            if (build.isPresent()) {
                files.add(Files.writeString(
                        folder.resolve(module.id().replace('-', '_') + ending), of(build.get(), language)));
            }
        }
        return files;
    }

    @Test
    void theProgramOfEveryClassCompiles() throws Exception {
        assumeThere("g++");
        List<String> command = new ArrayList<>(List.of("g++", "-std=c++11", "-Wall", "-Wextra", "-Werror"));
        command.addAll(List.of("-fsyntax-only", "-I", folder.toString()));
        command.addAll(List.of("-include", beside("declared.h").toString()));
        Files.writeString(folder.resolve("Wire.h"), "");
        Files.writeString(folder.resolve("SPI.h"), "");
        List<Path> files = everyClass("board-big-5v", Language.Name.CPP, ".cpp");
        assertTrue(files.size() > 75, files.size() + " of " + modules().size());
        files.add(Files.writeString(
                folder.resolve("boards.cpp"), of(boards("board-big-5v", "D3", "D4"), Language.Name.CPP)));
        files.forEach(file -> command.add(file.toString()));
        run(command, folder.resolve("errors"));
    }

    /** Two boards of a class with a plain wire there and one back. */
    private Build boards(String board, String to, String from) throws Exception {
        Build two = new CopyNode(NODE, "far", "Far").apply(on(board));
        Place here = Place.of(NODE, new Endpoint(Part.BOARD, to));
        Place back = Place.of(NODE, new Endpoint(Part.BOARD, from));
        Place far = Place.of("far", new Endpoint(Part.BOARD, to));
        Place farBack = Place.of("far", new Endpoint(Part.BOARD, from));
        return two.withLinks(
                List.of(new NodeWire(here, far, true, Extras.NONE), new NodeWire(farBack, back, false, Extras.NONE)));
    }

    @Test
    void aPlainWireFromAnotherBoardIsToldAndOneToItWaitsForItsKey() throws Exception {
        Build two = boards("board-classic-5v", "D3", "D4");
        Ran quiet = cpp(two, "");
        assertTrue(quiet.lines("Far").findFirst().orElseThrow().startsWith("Far: D4 "), quiet.out());
        assertFalse(quiet.drives(3));
        Ran told = cpp(two, key(quiet, "Far D3") + "\n");
        assertTrue(told.drives(3) && !told.drives(4), told.errors());
    }

    /** Two boards of a class with a serial line there and back. */
    private Build line(String board, String to, String from, int baud) throws Exception {
        Build two = boards(board, to, from);
        Carries serial = new Carries(Optional.of(Carries.Kind.SERIAL), Optional.of(Frequency.ofHertz(baud)));
        return two.withLinks(
                two.links().stream().map(link -> link.withCarries(serial)).toList());
    }

    @Test
    void aLineFromAnotherBoardIsHeardAndOneToItRestsHighAndSpeaksForItsKey() throws Exception {
        Build two = line("board-classic-5v", "D3", "D4", 4800);
        String world = WORLD + "uart 4 4800 gate-open\ntalk 3 4800\n";
        Ran quiet = cpp(two, "", world);
        assertTrue(quiet.lines("Far").anyMatch("Far: gate-open"::equals), quiet.out());
        assertTrue(quiet.drives(3) && !quiet.drives(4), quiet.errors());
        String said = "inkel " + NODE;
        assertFalse(quiet.out().contains(said), "nothing is said before its key");
        Ran asked = cpp(two, key(quiet, "Far") + "\n", world);
        assertTrue(asked.out().endsWith(said + "\r\n"), asked.out());
    }

    @Test
    void aLineOnThePinsThatItSpeaksWithYouByIsTheBuilders() throws Exception {
        String program = of(line("board-classic-5v", "D1", "D0", 9600), Language.Name.CPP);
        assertFalse(program.contains("sayAndHear"), program);
        assertFalse(program.contains("drive("), program);
        assertTrue(program.contains("Yours: this program speaks with you"), program);
    }

    @Test
    void aComputerDoesNotDriveThePinsOfItsPort() throws Exception {
        String program = of(line("computer-40pin", "GPIO4", "GPIO5", 9600), Language.Name.PYTHON_COMPUTER);
        assertFalse(program.contains("begin_to_far"), program);
    }

    @Test
    void soItDoesInBothDialectsOfPython() throws Exception {
        assumeThere("python3");
        for (Language.Name name : List.of(Language.Name.PYTHON_CONTROLLER, Language.Name.PYTHON_COMPUTER)) {
            boolean isComputer = name == Language.Name.PYTHON_COMPUTER;
            List<Path> files = everyClass(isComputer ? "computer-40pin" : "board-dual-core-3v3", name, ".py");
            assertTrue(files.size() > 60, name + ": " + files.size());
            Build two = isComputer
                    ? boards("computer-40pin", "GPIO17", "GPIO27")
                    : boards("board-dual-core-3v3", "GP14", "GP15");
            files.add(Files.writeString(folder.resolve("boards.py"), of(two, name)));
            Build line = isComputer
                    ? line("computer-40pin", "GPIO4", "GPIO5", 9600)
                    : line("board-dual-core-3v3", "GP14", "GP15", 9600);
            files.add(Files.writeString(folder.resolve("line.py"), of(line, name)));
            List<String> command = new ArrayList<>(List.of("python3", "-m", "py_compile"));
            files.forEach(file -> command.add(file.toString()));
            run(command, folder.resolve("errors"));
        }
    }

    @Test
    void fewClassesAreLeftToTheBuilder() throws Exception {
        List<String> left = modules().stream()
                .filter(cls -> cls.handling().routine().isLeft())
                .map(PartClass::id)
                .sorted()
                .toList();
        assertTrue(
                left.size() <= 0.15 * modules().size(),
                left + " of " + modules().size());
        String docs = Files.readString(Path.of("..", "docs", "code.md"));
        left.forEach(id -> assertTrue(docs.contains("`" + id + "`"), id + " in docs/code.md"));
        // What has no routine of its own is read or switched by what its pins are.
        for (PartClass module : modules()) {
            Optional<Build> build = with(on("board-big-5v"), module);
            if (build.isEmpty() || !module.handling().routine().isEmpty()) {
                continue;
            }
            StartPlan plan =
                    StartPlan.of(Circuit.of(build.get(), Given.CATALOG).nodes().get(0));
            assertTrue(
                    plan.tasks().isEmpty()
                            || plan.tasks().get(0).routine().steps().findAny().isPresent()
                            || !module.signals()
                                    .anyMatch(pin ->
                                            pin.use().drives() || pin.use().listens())
                            || module.id().startsWith("buffer")
                            || module.id().startsWith("shifter"),
                    module.id());
        }
    }

    private static Build add(Build build, String cls, String name, Map<String, String> wires) throws Exception {
        String id = name.toLowerCase();
        Build with = new AddPart(NODE, Part.of(id, cls, name, "")).apply(build);
        for (Map.Entry<String, String> wire : wires.entrySet()) {
            with = new SetWire(
                            NODE,
                            Wire.placed(new Endpoint(id, wire.getKey()), new Endpoint(Part.BOARD, wire.getValue())))
                    .apply(with);
        }
        return with;
    }

    /** Light and tilt on I2C, a radio on SPI, a level, a lamp and a servo. */
    private Build table() throws Exception {
        Build build = on("board-classic-5v");
        build = add(build, "light-sensor", "Light", Map.of("SDA", "A4", "SCL", "A5"));
        build = add(build, "motion-unit", "Tilt", Map.of("SDA", "A4", "SCL", "A5"));
        build = add(
                build,
                "packet-radio",
                "Radio",
                Map.of("SCK", "D13", "MOSI", "D11", "MISO", "D12", "CSN", "D8", "CE", "D9"));
        build = add(build, "water-level", "Tank", Map.of("S", "A0"));
        build = add(build, "relay-one", "Pump", Map.of("IN", "D4"));
        return add(build, "servo-micro", "Gate", Map.of("SIG", "D3"));
    }

    private record Ran(String out, String errors) {
        Stream<String> lines(String part) {
            return out.lines().filter(line -> line.startsWith(part + ":"));
        }

        boolean drives(int pin) {
            return errors.lines().anyMatch(("driven " + pin)::equals);
        }
    }

    private static final String WORLD =
            """
            i2c 18 19
            device 35
            register 16 3,232
            device 104
            register 59 64,0,224,0,0,0,0,0,0,131,255,125,0,0
            spi 13 11 12 8 9 1
            adc 14 487
            """;

    private Ran cpp(Build build, String typed) throws Exception {
        return cpp(build, typed, WORLD);
    }

    private Ran cpp(Build build, String typed, String told) throws Exception {
        assumeThere("g++");
        Path source = Files.writeString(folder.resolve("start.cpp"), of(build, Language.Name.CPP));
        beside("Wire.h");
        beside("SPI.h");
        List<String> compile = new ArrayList<>(List.of("g++", "-std=c++17", "-Wall", "-Wextra", "-Werror"));
        compile.addAll(List.of("-Wno-unused-function", "-DA0=14", "-DA4=18", "-DA5=19", "-I", folder.toString()));
        compile.addAll(List.of("-include", beside("standin.h").toString(), source.toString(), "-o"));
        compile.add(folder.resolve("start").toString());
        run(compile, folder.resolve("errors"));
        Path world = Files.writeString(folder.resolve("world"), told);
        String out = run(
                List.of(folder.resolve("start").toString(), world.toString(), typed, "1500"), folder.resolve("errors"));
        return new Ran(out, Files.readString(folder.resolve("errors")));
    }

    @Test
    void whatIsReadIsToldInItsUnit() throws Exception {
        Ran ran = cpp(table(), "");
        assertTrue(ran.out().startsWith("inkel-plan " + PlanHash.of(table()) + "\n"), ran.out());
        // 0x03E8 is 1000 counts of 1/1.2 lx.
        assertTrue(ran.lines("Light").allMatch("Light: light 833.3 lx"::equals), ran.out());
        // 16384 counts are one g; -8192 half of it the other way; 131 counts are a degree a second.
        assertEquals(
                "Tilt: tilt x 1 g tilt y -0.5 g tilt z 0 g temperature 36.53 C turn x 1 deg/s turn y -1 deg/s turn z 0"
                        + " deg/s",
                ran.lines("Tilt").findFirst().orElseThrow());
        assertTrue(ran.lines("Radio").allMatch("Radio: something on the channel 1"::equals), ran.out());
        assertTrue(ran.lines("Tank").allMatch("Tank: S 487"::equals), ran.out());
        // It begins after some 0.8 s of setting up and runs 1.5 s from there: at one second and at two.
        assertEquals(2, ran.lines("Light").count(), ran.out());
        assertTrue(ran.errors().contains("sent 35 16\n"), ran.errors());
    }

    @Test
    void nothingIsSwitchedOrMovedBeforeItsKey() throws Exception {
        Ran quiet = cpp(table(), "");
        assertFalse(quiet.drives(3), "the servo");
        assertFalse(quiet.drives(4), "the relay");
        String pump = key(quiet, "Pump");
        String gate = key(quiet, "Gate");
        assertFalse(cpp(table(), "97\nx\n").drives(4));
        Ran switched = cpp(table(), pump + "\n");
        assertTrue(switched.drives(4) && !switched.drives(3), switched.errors());
        Ran moved = cpp(table(), gate + "\n");
        assertTrue(moved.drives(3) && !moved.drives(4), moved.errors());
    }

    private static String key(Ran ran, String part) {
        return ran.out()
                .lines()
                .filter(line -> line.matches("[0-9]+ " + part + ".*"))
                .findFirst()
                .orElseThrow()
                .split(" ")[0];
    }

    @Test
    void aPartThatDoesNotAnswerIsTold() throws Exception {
        Build build = add(table(), "climate-i2c", "Air", Map.of("SDA", "A4", "SCL", "A5"));
        assertTrue(cpp(build, "").lines("Air").allMatch("Air: does not answer"::equals));
    }

    /** By their numbers, the lowest bit of the first byte that differs first: 4 before 2 before 1; of a fourth there is none. */
    private static final String PROBES =
            """
            probe 2 40,1,0,0,0,0,0,9 600
            probe 2 40,2,7,0,0,0,0,9 -162
            probe 2 40,4,0,255,0,0,0,9 320
            """;

    private static final List<String> PROBED = List.of(
            "Tank: temperature 20 C",
            "Boiler: temperature -10.125 C",
            "Room: temperature 37.5 C",
            "Yard: does not answer");

    private Build probes(String board, String pin) throws Exception {
        Build build = on(board);
        for (String name : List.of("Tank", "Boiler", "Room", "Yard")) {
            build = add(build, "temperature-water", name, Map.of("DQ", pin));
        }
        return build;
    }

    @Test
    void severalOnOneLineAreReadOneByOne() throws Exception {
        Ran ran = cpp(probes("board-classic-5v", "D2"), "", PROBES);
        PROBED.forEach(line -> assertTrue(ran.out().lines().anyMatch(line::equals), ran.out()));
        Ran alone = cpp(
                add(on("board-classic-5v"), "temperature-water", "Tank", Map.of("DQ", "D2")),
                "",
                PROBES.lines().findFirst().orElseThrow());
        assertTrue(alone.lines("Tank").allMatch("Tank: temperature 37.5 C"::equals), alone.out());
    }

    @Test
    void soTheyAreInPython() throws Exception {
        assumeThere("python3");
        Path source = Files.writeString(
                folder.resolve("start.py"),
                of(probes("board-dual-core-3v3", "GP2"), Language.Name.PYTHON_CONTROLLER)
                        .replaceFirst("(?s)\ndef run\\(\\):.*$", "\nread_all()\n"));
        Path world = Files.writeString(folder.resolve("world"), PROBES);
        String out = run(
                List.of("python3", beside("standin.py").toString(), world.toString(), source.toString()),
                folder.resolve("errors"));
        PROBED.forEach(line -> assertTrue(out.lines().anyMatch(line::equals), out));
    }

    @Test
    void pythonTellsTheSame() throws Exception {
        assumeThere("python3");
        Build build = on("board-dual-core-3v3");
        build = add(build, "light-sensor", "Light", Map.of("SDA", "GP4", "SCL", "GP5"));
        build = add(build, "motion-unit", "Tilt", Map.of("SDA", "GP4", "SCL", "GP5"));
        build = add(
                build,
                "packet-radio",
                "Radio",
                Map.of("SCK", "GP18", "MOSI", "GP19", "MISO", "GP16", "CSN", "GP17", "CE", "GP20"));
        build = add(build, "relay-one", "Pump", Map.of("IN", "GP15"));
        Path source = Files.writeString(
                folder.resolve("start.py"),
                of(build, Language.Name.PYTHON_CONTROLLER)
                        // Two rounds, and no keys: what stands in has no ports to wait at.
                        .replaceFirst("(?s)\ndef run\\(\\):.*$", "\n")
                        .concat("begin_light()\nbegin_tilt()\nbegin_radio()\noffer()\nread_all()\nread_all()\n"));
        Path world = Files.writeString(
                folder.resolve("world"),
                WORLD.replace("i2c 18 19", "i2c 4 5").replace("spi 13 11 12 8", "spi 18 19 16 17"));
        String out = run(
                List.of("python3", beside("standin.py").toString(), world.toString(), source.toString()),
                folder.resolve("errors"));
        Ran ran = new Ran(out, Files.readString(folder.resolve("errors")));
        assertTrue(out.startsWith("inkel-plan " + PlanHash.of(build) + "\n"), out);
        assertEquals(
                2, ran.lines("Light").filter("Light: light 833.3 lx"::equals).count(), out);
        assertTrue(ran.lines("Tilt").allMatch(line -> line.startsWith("Tilt: tilt x 1 g tilt y -0.5 g")), out);
        assertTrue(ran.lines("Radio").allMatch("Radio: something on the channel 1"::equals), out);
        assertFalse(ran.drives(15), "the relay");
    }

    @Test
    void aComputerReadsByItsDeviceFiles() throws Exception {
        assumeThere("python3");
        Build build = BuildReader.read(
                Path.of(StartProgramTest.class
                        .getResource("on-a-computer.inkel.json")
                        .toURI()),
                Given.CATALOG);
        String program = of(build, Language.Name.PYTHON_COMPUTER);
        String begins = program.substring(program.indexOf("\ndef run():"))
                .lines()
                .filter(line -> line.matches("    begin_\\w+\\(\\)"))
                .map(String::strip)
                .collect(Collectors.joining("\n"));
        Path source = Files.writeString(
                folder.resolve("start.py"),
                program.substring(0, program.indexOf("\ndef run():")) + "\n" + begins
                        + "\noffer()\nread_all()\nfor line in held.values():\n    os.close(line.file)\n");
        Path world = Files.writeString(
                folder.resolve("world"),
                """
                i2c /dev/i2c-1
                device 0x1E
                register 0x03 0,100,0,0,255,156
                spi /dev/spidev0.0 22 0x09 1
                uart /dev/serial0 9600 $GPGGA,x
                """);
        String out = run(
                List.of("python3", beside("kernel.py").toString(), world.toString(), source.toString()),
                folder.resolve("errors"));
        // 100 counts of 0.0917 µT; nobody stands in for the tilt sensor.
        assertTrue(out.contains("Compass: x 9.17 uT z 0 uT y -9.17 uT\nTilt sensor: does not answer\n"), out);
        assertTrue(out.contains("Packet radio: something on the channel 1\n"), out);
        assertTrue(out.contains("Positioning receiver: $GPGGA,x\n"), out);
    }

    /**
     * By hand: 652 tenths of a percent, 101 tenths of a degree below nought; 10 ms high and 10 ms low are 50 pulses a second; a
     * servo pulse of 1.5 ms; minus 1000 of 24 bits. The pulses are read in steps of some 6 µs.
     */
    private static final String TIMED =
            """
            answer 2 30 2,140,128,101,239
            wave 3 10000 10000
            wave 4 1500 18500
            clocked 6 5 255,252,24
            """;

    private Build timed(String board, String before) throws Exception {
        Build build = add(on(board), "climate-wire", "Air", Map.of("DATA", before + 2));
        build = add(build, "flow", "Pipe", Map.of("SIG", before + 3));
        build = add(build, "rc-receiver", "Stick", Map.of("CH1", before + 4));
        return add(build, "load-cell", "Scale", Map.of("DT", before + 5, "SCK", before + 6));
    }

    private static void assertTimed(String out) {
        assertTrue(out.contains("Air: humidity 65.2 % temperature -10.1 C\n"), out);
        assertTrue(out.matches("(?s).*Pipe: pulses in a second (49|50|51)\\n.*"), out);
        assertTrue(out.matches("(?s).*Stick: CH1 (149[0-9]|15[01][0-9]) us\\n.*"), out);
        assertTrue(out.contains("Scale: load -1000\n"), out);
    }

    @Test
    void pulsesAreReadByTheirLength() throws Exception {
        assertTimed(cpp(timed("board-classic-5v", "D"), "", TIMED).out());
        // The part may take its time before it answers.
        assertTimed(cpp(timed("board-classic-5v", "D"), "", TIMED.replace("answer 2 30", "answer 2 180"))
                .out());
    }

    /** One reading every two seconds is what this sensor gives; the others are read at one second and at two. */
    @Test
    void aPartThatWantsRestIsReadLessOften() throws Exception {
        Build build = add(on("board-classic-5v"), "light-sensor", "Light", Map.of("SDA", "A4", "SCL", "A5"));
        build = add(build, "climate-wire", "Air", Map.of("DATA", "D2"));
        Ran ran = cpp(build, "", WORLD + TIMED.lines().findFirst().orElseThrow() + "\n");
        assertEquals(2, ran.lines("Light").count(), ran.out());
        assertEquals(1, ran.lines("Air").count(), ran.out());
    }

    @Test
    void soTheyAreByAControllerInPython() throws Exception {
        assumeThere("python3");
        Path source = Files.writeString(
                folder.resolve("start.py"),
                of(timed("board-dual-core-3v3", "GP"), Language.Name.PYTHON_CONTROLLER)
                        .replaceFirst("(?s)\ndef run\\(\\):.*$", "\nread_all()\nread_air()\n"));
        for (String gap : List.of("30", "180")) {
            Path world = Files.writeString(folder.resolve("world"), TIMED.replace("answer 2 30", "answer 2 " + gap));
            String out = run(
                    List.of("python3", beside("standin.py").toString(), world.toString(), source.toString()),
                    folder.resolve("errors"));
            assertTimed(out);
            assertEquals(
                    1, out.lines().filter(line -> line.startsWith("Air:")).count(), "it wants two seconds of rest");
        }
    }

    /** Two alike, of which the world of the test closes one; a third with a resistor of its own. */
    private Build contacts(String board, String open, String closed, String pulled) throws Exception {
        Build build = add(on(board), "button", "Bell", Map.of("A", open));
        build = add(build, "button", "Door", Map.of("A", closed));
        build = add(build, "button", "Gate", Map.of("A", pulled));
        return new Insert(NODE, new Between.PulledUp(new Endpoint("gate", "A"), Resistance.ofOhms(10_000), Extras.NONE))
                .apply(build);
    }

    @Test
    void aContactReadsHighUntilItCloses() throws Exception {
        Ran ran = cpp(contacts("board-classic-5v", "D2", "D3", "D4"), "", "rest 3 0\n");
        assertTrue(ran.lines("Bell").allMatch("Bell: A 1"::equals), ran.out());
        assertTrue(ran.lines("Door").allMatch("Door: A 0"::equals), ran.out());
        // What stands in knows nothing of the resistor, so that this one tells that the pin does not pull.
        assertTrue(ran.lines("Gate").allMatch("Gate: A 0"::equals), ran.out());
        assertEquals(
                3,
                ran.out()
                        .lines()
                        .filter(line -> line.matches("(Bell|Door|Gate): .*"))
                        .distinct()
                        .count());
    }

    @Test
    void soItDoesWithPython() throws Exception {
        assumeThere("python3");
        for (boolean isComputer : List.of(true, false)) {
            Build build = isComputer
                    ? contacts("computer-40pin", "GPIO17", "GPIO27", "GPIO22")
                    : contacts("board-dual-core-3v3", "GP2", "GP3", "GP4");
            String program = of(build, isComputer ? Language.Name.PYTHON_COMPUTER : Language.Name.PYTHON_CONTROLLER);
            Path source = Files.writeString(
                    folder.resolve("start.py"),
                    program.substring(0, program.indexOf("\ndef run():"))
                            + "\nbegin_bell()\nbegin_door()\nbegin_gate()\nread_all()\n"
                            + (isComputer ? "for line in inputs.values():\n    os.close(line.file)\n" : ""));
            Path world = Files.writeString(folder.resolve("world"), isComputer ? "pin 27 0\n" : "rest 3 0\n");
            String standIn = isComputer ? "kernel.py" : "standin.py";
            String out = run(
                    List.of("python3", beside(standIn).toString(), world.toString(), source.toString()),
                    folder.resolve("errors"));
            assertEquals("Bell: A 1\nDoor: A 0\nGate: A 0\n", out);
        }
    }

    @Test
    void leadsSayTheirWireAndTheirPin() throws Exception {
        Build build = table();
        NodeCircuit node = Circuit.of(build, Given.CATALOG).nodes().get(0);
        int wire = WireList.of(node).steps().stream()
                .filter(step -> step.subject().equals(node.place(new Endpoint("pump", "IN"))))
                .findFirst()
                .orElseThrow()
                .number();
        String text = of(build, Language.Name.CPP);
        assertTrue(text.contains("static const int PUMP_IN_PIN = 4;  // Pump, IN: wire " + wire + " to D4"), text);
        assertTrue(text.contains("#include <Wire.h>") && text.contains("#include <SPI.h>"), text);
        // Other pins than those of the framework's bus: by plain pins, without its header.
        Build moved = new SetWire(NODE, Wire.placed(new Endpoint("light", "SDA"), new Endpoint(Part.BOARD, "D5")))
                .apply(build);
        assertFalse(of(moved, Language.Name.CPP).contains("Wire.h"));
    }
}
