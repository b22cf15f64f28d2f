package inkel.core.circuit;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Output;
import inkel.core.kit.Builds;
import inkel.core.power.RegulatorReport;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A board that is fed through another pin than its usual one. */
class IntakeTest {
    private static double peak(Builds build, String rail) {
        return build.circuit().rail(end(rail)).orElseThrow().peak().amperes();
    }

    private static double lowest(Builds build, String rail) {
        return build.circuit()
                .rail(end(rail))
                .orElseThrow()
                .volts()
                .orElseThrow()
                .lowest()
                .volts();
    }

    @Test
    void throughItsSocketTheBoardsRegulatorMakesFiveVolts() {
        Builds build = Builds.classic()
                .part("wall", "wall-supply-9v")
                .boardOnly("VIN", "wall.+")
                .part("level", "water-level", "+=board.5V");
        // Board 60 mA, sensor 20 mA, 6 mA of the 5 V regulator and 1 mA of the small one.
        assertEquals(0.087, peak(build, "wall.+"), 1e-9);
        assertEquals(4.8, lowest(build, "board.5V"), 1e-9);
        Output five = build.circuit().board().cls().output("5V").orElseThrow();
        assertEquals(Output.Way.LINEAR, five.way());
        assertEquals(0.8, five.rating().range().lowest().amperes(), 1e-9);
        assertEquals(List.of(), build.findings("parts.no_supply"));
    }

    @Test
    void throughItsFiveVoltPinTheRailPassesOnWhatComes() {
        Builds build = Builds.classic().part("wall", "wall-supply-5v").boardOnly("5V", "wall.+");
        assertEquals(4.9, lowest(build, "board.5V"), 1e-9);
        assertEquals(0.061, peak(build, "wall.+"), 1e-9);
        assertEquals(3.2, lowest(build, "board.3V3"), 1e-9);
    }

    @Test
    void theRegulatorWinsOverThePortWhileBothAreFed() {
        Builds build = Builds.classic().part("wall", "wall-supply-9v").boardAlso("VIN", "wall.+");
        assertEquals(4.8, lowest(build, "board.5V"), 1e-9, "the regulator's");
        assertEquals(0, peak(build, "usb.5V"), 1e-9);
    }

    @Test
    void aDiodeTakesItsShare() {
        Builds build = Builds.classic()
                .part("wall", "wall-supply-5v")
                .boardOnly("5V", "wall.+")
                .setting("board", "diode", "5V");
        assertEquals(4.5, lowest(build, "board.5V"), 1e-9);
    }

    @Test
    void theAirAroundItIsTheBuildersToSay() {
        // (12.4 − 4.8) V · (20 mA of the sensor, 60 mA of the board, 1 mA of the small regulator) + 12.4 V · 6 mA
        // = 690 mW; 65 °C/W: 44.85 °C above the air.
        Builds build = Builds.classic()
                .part("wall", "wall-supply-12v")
                .boardOnly("VIN", "wall.+")
                .part("level", "water-level", "+=board.5V");
        assertEquals(40 + 44.85, junction(build), 1e-3);
        assertEquals(60 + 44.85, junction(build.setting("board", "ambient", "60 °C")), 1e-3);
    }

    private static double junction(Builds build) {
        return build.assess().reports().power().regulators().stream()
                .filter(regulator -> regulator.rail().id().equals(end("board.5V")))
                .findFirst()
                .flatMap(RegulatorReport::junction)
                .orElseThrow()
                .celsius();
    }

    @Test
    void whatIsTurnedDownTakesLess() {
        Builds build = Builds.classic().part("radio", "packet-radio-boosted", "VCC=board.3V3");
        assertEquals(0.125, peak(build, "board.3V3"), 1e-9);
        assertEquals(0.060, peak(build.setting("radio", "turned_down", "-6 dBm"), "board.3V3"), 1e-9);
        assertTrue(build.circuit().part("radio").orElseThrow().cls().modes().size() >= 3);
    }

    @Test
    void aCapacitorHidesBurstsFromTheRail() {
        // 2 A for 577 µs of every 4.615 ms are 250 mA; the modem's busy state takes 350 mA between.
        Builds build = Builds.classic().part("four", "wall-supply-4v").part("modem", "text-modem", "VCC=four.+");
        assertEquals(2, peak(build, "four.+"), 1e-9);
        assertEquals(0.350, peak(build.setting("modem", "capacitor", "1000 µF"), "four.+"), 1e-9);
    }
}
