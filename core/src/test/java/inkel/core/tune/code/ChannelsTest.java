package inkel.core.tune.code;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.kit.Builds;
import inkel.core.kit.TwoBoards;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** By which numbers a program asks parts for their pins. */
class ChannelsTest {
    private static Map<String, String> channels(Builds table) {
        Assessment assessment = table.assess();
        NodeCircuit node = assessment.reports().circuit().nodes().get(0);
        Map<String, String> found = new TreeMap<>();
        CodeConstants.of(
                        node,
                        assessment.reports().pins(),
                        Optional.empty(),
                        assessment.reports().radios())
                .stream()
                .map(CodeConstants.Entry::constant)
                .filter(constant -> constant.name().contains("CHANNEL"))
                .forEach(constant -> found.put(constant.name(), constant.value()));
        return found;
    }

    @Test
    void anExpanderARegisterAndAConverterHaveNumbers() {
        Builds table = Builds.classic()
                .part("ports", "port-expander", "VCC=board.5V")
                .part("outs", "shift-out", "VCC=board.5V")
                .part("volts", "adc-16", "VDD=board.5V")
                .part("lamp", "led")
                .part("other", "led")
                .part("knob", "knob", "VCC=board.5V")
                .wire("lamp.A", "ports.P6")
                .wire("other.A", "outs.Q3")
                .wire("knob.OUT", "volts.A2");
        assertEquals(Map.of("LAMP_A_CHANNEL", "6", "OTHER_A_CHANNEL", "3", "KNOB_OUT_CHANNEL", "2"), channels(table));
    }

    /** Also a bus that a multiplexer parts is asked for by its number. */
    @Test
    void soHasABusOfAMultiplexer() {
        Builds table = Builds.classic()
                .part("ways", "i2c-multiplexer", "VIN=board.5V")
                .part("air", "pressure", "VCC=board.3V3")
                .wire("air.SDA", "ways.SD5")
                .wire("air.SCL", "ways.SC5");
        assertEquals(Map.of("AIR_SDA_CHANNEL", "5", "AIR_SCL_CHANNEL", "5"), channels(table));
    }

    @Test
    void aBridgeAReceiverAndAnOpenEndHaveNone() {
        Builds table = Builds.classic()
                .part("driver", "motor-driver", "VCC=board.5V", "VM=board.5V")
                .part("wheel", "motor-leads")
                .part("hears", "rc-receiver", "V+=board.5V")
                .part("arm", "servo-micro", "V+=board.5V")
                .part("wall", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=wall.+")
                .part("lock", "solenoid", "V+=switch.OUT+")
                .wire("wheel.M+", "driver.AO1")
                .wire("wheel.M-", "driver.AO2")
                .wire("arm.SIG", "hears.CH3")
                .wire("lock.IN", "switch.OUT-");
        assertEquals(Map.of(), channels(table));
    }

    private static String constants(Build build, String id) {
        Assessment assessment = Assessment.assess(build, Builds.CATALOG);
        return CodeConstants.ofBoards(
                        assessment.circuit(id).orElseThrow(),
                        assessment.reports().pins())
                .stream()
                .map(entry -> entry.constant().name() + "=" + entry.constant().value())
                .collect(Collectors.joining(" "));
    }

    /** Who sends and who listens has the pin by the far board's name; a bus is named as that of the parts. */
    @Test
    void wiresToOtherBoardsHaveNames() throws Exception {
        Build plain = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, "one.D3 > two.D18", "two.D19 > one.D4");
        assertEquals("TO_TWO_D18_PIN=3 FROM_TWO_D19_PIN=4", constants(plain, "one"));
        Build rated = TwoBoards.joined(
                TwoBoards.CLASSIC, TwoBoards.WIRELESS, "one.D1 > two.D16 : 9600", "two.D17 > one.D0 : 9600");
        assertEquals("TO_TWO_D16_PIN=1 FROM_TWO_D17_PIN=0 TWO_BAUD=9600", constants(rated, "one"));
        assertEquals("FROM_ONE_D3_PIN=18 TO_ONE_D4_PIN=19", constants(plain, "two"));
        Build bus = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, "one.A4 > two.D21", "one.A5 > two.D22");
        assertEquals("I2C_SDA_PIN=21 I2C_SCL_PIN=22", constants(bus, "two"));
    }

    /** A bus with a part and another board on it has its pins once. */
    @Test
    void aBusIsNamedOnceForAll() throws Exception {
        Builds air = Builds.powered(Builds.CATALOG.get("board-dual-core-3v3"))
                .part("air", "pressure", "VCC=board.3V3")
                .wire("air.SDA", "board.GP4")
                .wire("air.SCL", "board.GP5");
        Build both = TwoBoards.joined(
                air, Builds.powered(Builds.CATALOG.get(TwoBoards.WIRELESS)), "one.GP4 > two.D21", "one.GP5 > two.D22");
        Assessment assessment = Assessment.assess(both, Builds.CATALOG);
        assertEquals(
                2,
                CodeConstants.of(
                                assessment.circuit("one").orElseThrow(),
                                assessment.reports().pins(),
                                Optional.empty(),
                                assessment.reports().radios())
                        .stream()
                        .filter(entry -> entry.constant().name().startsWith("I2C_"))
                        .count());
    }
}
