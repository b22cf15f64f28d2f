package inkel.app.export.program;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import inkel.app.kit.Given;
import inkel.core.catalog.BenchKind;
import inkel.core.catalog.Language;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.LogLine;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Found;
import inkel.core.document.Tuning.Point;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.Stations;
import inkel.core.document.edit.Tune;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.PlanHash;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Constants for the code: what is in them, and that compilers take them. */
class ConstantsFileTest {
    @TempDir
    private Path folder;

    private static Build locks() throws Exception {
        return BuildReader.read(Given.EXAMPLES.resolve(Given.LOCKS), Given.CATALOG);
    }

    private static String of(Build build, String node, Language.Name name) {
        Assessment assessment = Assessment.assess(build, Given.CATALOG);
        NodeCircuit circuit = assessment.circuit(node).orElseThrow();
        return ConstantsFile.of(
                build,
                circuit,
                assessment.reports(),
                WakeProgram.language(circuit, name).orElseThrow());
    }

    private void compile(String... command) throws Exception {
        try {
            Process process = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(folder.resolve("out").toFile())
                    .start();
            assertEquals(0, process.waitFor(), Files.readString(folder.resolve("out")));
        } catch (IOException missing) {
            assumeTrue(false, "no " + command[0] + ": made constants are not compiled");
        }
    }

    private static Build tuned(Build build) throws Exception {
        Tuning servo = new Tuning(
                BenchKind.SERVO,
                Map.of("high_end", new Found(Quantity.of(Unit.SECOND, 2380e-6), 10e-6, Source.MEASURED)),
                Map.of("map", List.of(new Point(0, 600e-6), new Point(1023, 2340e-6))),
                Map.of("half open", Quantity.of(Unit.SECOND, 1470e-6)),
                Map.of(),
                Map.of());
        return new Tune(
                        Place.ofPart("lower-lock", "gate-upper"),
                        servo,
                        LogLine.By.TYPED,
                        Instant.parse("2026-05-01T18:30:00Z"))
                .apply(build);
    }

    @Test
    void pinsAddressesRatesAndWhatWasTunedAreThere() throws Exception {
        Build build = tuned(locks());
        String file = of(build, "lower-lock", Language.Name.CPP);
        for (String line : List.of(
                "static const char PLAN[] = \"" + PlanHash.of(build) + "\";",
                "static const int PACKET_RADIO_CE_PIN = 9;",
                "static const int I2C_SDA_PIN = A4;",
                "static const int UPPER_GATE_SERVO_SIG_CHANNEL = 0;",
                "static const int DISPLAY_4_20_ADDRESS = 0x27;",
                "static const int UPPER_GATE_SERVO_HIGH_US = 2380;  // Upper gate servo, measured, kept on 2026-05-01",
                // 1470 µs at 50.03 Hz of 4096 counts: 301.2.
                "static const int UPPER_GATE_SERVO_HALF_OPEN_TICKS = 301;",
                "static const double UPPER_GATE_SERVO_MAP_US_PER_CODE = 1.7009;")) {
            assertTrue(file.contains(line), line + " in " + file);
        }
        assertTrue(of(build, "pump-house", Language.Name.CPP).contains("TEXT_MODEM_BAUD = 9600;"));
    }

    @Test
    void turnsThatAreBegunApartAreThere() throws Exception {
        assertTrue(!of(locks(), "lower-lock", Language.Name.CPP).contains("ROUND_US"));
        Build apart = new SetSetting("lower-lock", "board", Settings.TURNS, "apart").apply(locks());
        String file = of(apart, "lower-lock", Language.Name.CPP);
        // The driver of the servos is wanted 50 times a second, the display twice: of 20 ms every 16th.
        for (String line : List.of(
                "static const long ROUND_US = 20000;",
                "static const int DISPLAY_4_20_EACH_ROUNDS = 16;",
                "static const int DISPLAY_4_20_FROM_ROUND = ")) {
            assertTrue(file.contains(line), line + " in " + file);
        }
    }

    @Test
    void radiosAreThereWithWhatBothEndsAgreeIn() throws Exception {
        Place radio = Place.ofPart("lower-lock", "radio");
        Build build = Edit.applyAll(
                locks(),
                List.of(
                        new Stations.SetAir(radio, Optional.empty(), "address", Optional.of("C4 E1 07 52 0A")),
                        new Stations.SetAir(radio, Optional.empty(), "rate", Optional.of("250k")),
                        new Stations.SetPacket(radio, List.of("level:int16", "name:char[4]"))));
        String lock = of(build, "lower-lock", Language.Name.CPP);
        // The lock has number 1 and the pump house 0; the lowest byte goes first.
        for (String line : List.of(
                "static const int PACKET_RADIO_CHANNEL = 76;",
                "static const long PACKET_RADIO_RATE_BITS = 250000;",
                "static const int PACKET_RADIO_ADDRESS[] = {0x0B, 0x52, 0x07, 0xE1, 0xC4};",
                "static const int PACKET_RADIO_TO_PUMP_HOUSE[] = {0x0A, 0x52, 0x07, 0xE1, 0xC4};",
                "static const int PACKET_RADIO_RETRY_WAIT_US = 1500;",
                "struct LOCKS_PACKET {\n    int16_t level;\n    char name[4];\n};")) {
            assertTrue(lock.contains(line), line + " in " + lock);
        }
        Path file = folder.resolve("pins.h");
        Files.writeString(file, "#define A0 14\n#define A4 18\n#define A5 19\n" + lock.replace("A0;", "14;"));
        compile(
                "g++",
                "-fsyntax-only",
                "-x",
                "c++",
                "-DA1=15",
                "-DA2=16",
                "-DA3=17",
                "-DA6=20",
                "-DA7=21",
                file.toString());
    }

    @Test
    void twoPartsOfOneNameGetNamesOfTheirOwn() throws Exception {
        Build build = new AddPart("lower-lock", Part.of("second", "button", "Level sensor", "")).apply(locks());
        build = new AddPart("lower-lock", Part.of("third", "button", "Level  sensor!", "")).apply(build);
        build = new SetWire("lower-lock", Wire.placed(new Endpoint("second", "A"), new Endpoint("board", "D2")))
                .apply(build);
        build = new SetWire("lower-lock", Wire.placed(new Endpoint("third", "A"), new Endpoint("board", "D3")))
                .apply(build);
        String file = of(build, "lower-lock", Language.Name.CPP);
        assertTrue(file.contains("LEVEL_SENSOR_A_PIN = 2;"), file);
        assertTrue(file.contains("LEVEL_SENSOR_A_PIN_2 = 3;"), file);
    }

    @Test
    void aNameNeverLeavesItsRemark() throws Exception {
        Build build = new AddPart("lower-lock", Part.of("evil", "button", "x\nint y = 1; \\", "")).apply(locks());
        build = new SetWire("lower-lock", Wire.placed(new Endpoint("evil", "A"), new Endpoint("board", "D2")))
                .apply(build);
        for (String line : of(build, "lower-lock", Language.Name.CPP).lines().toList()) {
            assertTrue(
                    line.isEmpty()
                            || line.startsWith("//")
                            || line.startsWith("#pragma")
                            || line.startsWith("static const ")
                            // The struct of a packet: fields are names of C and nothing else.
                            || line.matches("#include <stdint\\.h>|struct [A-Z0-9_]+ \\{|};")
                            || line.matches(" {4}[a-z0-9_ ]+ [A-Za-z0-9_]+(\\[[0-9]+])?;"),
                    line);
            assertTrue(!line.endsWith("\\"), line);
        }
    }

    @Test
    void cppIsCompiled() throws Exception {
        Path header = Files.writeString(folder.resolve("pins.h"), of(tuned(locks()), "lower-lock", Language.Name.CPP));
        Path source = Files.writeString(
                folder.resolve("uses.cpp"),
                "enum { A0 = 14, A1, A2, A3, A4, A5 };\n#include \"pins.h\"\nint main() { return PACKET_RADIO_CE_PIN - 9; }\n");
        compile(
                "g++",
                "-Wall",
                "-Werror",
                "-Wno-unused-variable",
                "-I" + header.getParent(),
                source.toString(),
                "-o",
                folder.resolve("uses").toString());
        compile(folder.resolve("uses").toString());
    }

    /** A bridge, an open end and a receiver's channel are no numbers: nothing in a program stands for them. */
    @Test
    void whatPartsOfferIsCompiledWhateverItIs() throws Exception {
        Path table = Path.of(
                ConstantsFileTest.class.getResource("every-channel.inkel.json").toURI());
        Path header = Files.writeString(
                folder.resolve("pins.h"), of(BuildReader.read(table, Given.CATALOG), "desk", Language.Name.CPP));
        Path source = Files.writeString(
                folder.resolve("uses.cpp"),
                "#include \"pins.h\"\nstatic_assert(LAMP_A_CHANNEL == 6 && OTHER_A_CHANNEL == 3 && KNOB_OUT_CHANNEL == 2"
                        + " && AIR_SDA_CHANNEL == 5 && SWITCH_SIG_PIN == 8, \"\");\n");
        compile("g++", "-fsyntax-only", "-I" + header.getParent(), source.toString());
    }

    @Test
    void pythonIsCompiledForBothDialects() throws Exception {
        Path plain = Path.of(
                ConstantsFileTest.class.getResource("two-languages.inkel.json").toURI());
        String controller = of(BuildReader.read(plain, Given.CATALOG), "desk", Language.Name.PYTHON_CONTROLLER);
        Path first = Files.writeString(folder.resolve("pins.py"), controller);
        compile("python3", "-c", "exec(open(r'" + first + "').read()); assert COMPASS_ADDRESS == 0x1E");
        Path board = Path.of(
                ConstantsFileTest.class.getResource("on-a-computer.inkel.json").toURI());
        String computer = of(BuildReader.read(board, Given.CATALOG), "desk", Language.Name.PYTHON_COMPUTER);
        assertTrue(
                computer.contains("SPI_SCK_PIN = 11  # spi.sck of the bus at GPIO11, place 23 of the header"),
                computer);
        Path second = Files.writeString(folder.resolve("pins2.py"), computer);
        compile("python3", "-m", "py_compile", second.toString());
    }
}
