package inkel.core.remedy;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

class LampFeedTest {
    /** A backlight of 40 mA that bears 3.6 V, on a pin of 20 mA that gives 5 V. */
    private static Builds screen(String board) {
        return Builds.powered(Builds.CATALOG.get(board))
                .part("screen", "display-colour", board.equals("board-native-usb") ? "VCC=board.VCC" : "VCC=board.5V")
                .wire("screen.BLK", board.equals("board-native-usb") ? "board.A0" : "board.D6");
    }

    private static List<String> titles(Finding finding) {
        return finding.fixes().stream().map(fix -> fix.title().key()).toList();
    }

    @Test
    void aRailThatSuitsLightsIt() throws Exception {
        Builds classic = screen("board-classic-5v");
        Finding over = classic.findings("power.pin_current").get(0);
        assertEquals(List.of("fix.tie"), titles(over));
        Build tied = over.fixes().get(0).apply(classic.build());
        assertEquals("board.3V3", tied.nodes().get(0).wires().get(0).to().toString());
        RuleKit.waysOut(classic, "power.pin_current", "tie-screen.BLK");
    }

    @Test
    void whereNoneDoesARegulatorComesAndNothingInTheWire() throws Exception {
        Builds small = screen("board-native-usb");
        RuleKit.waysOut(
                small,
                "power.pin_current",
                "light-regulator-linear-3v3",
                "light-regulator-small-3v3",
                "light-regulator-down-3v3");
        RuleKit.waysOut(
                small,
                "levels.harms",
                "light-regulator-linear-3v3",
                "light-regulator-small-3v3",
                "light-regulator-down-3v3");
        for (String code : List.of("power.pin_current", "levels.harms")) {
            Finding found = small.findings(code).get(0);
            assertEquals("bench/screen.BLK", found.place().toString());
            assertTrue(!found.fixes().isEmpty(), code);
            for (Fix fix : found.fixes()) {
                assertEquals("fix.light", fix.title().key(), code);
                Build lit = fix.apply(small.build());
                String rail = lit.nodes().get(0).wires().get(0).to().part();
                assertTrue(lit.nodes().get(0).part(rail).isPresent() && !rail.equals("board"), rail);
            }
        }
    }

    @Test
    void aRailWithoutRoomForItIsNoWayOut() {
        // The board's 3.3 V give 50 mA; with 20 mA more taken from them 40 do not fit.
        Builds full = screen("board-classic-5v").figure("board", "rail/3V3/rating", "39 mA");
        assertTrue(titles(full.findings("power.pin_current").get(0)).stream().noneMatch("fix.tie"::equals));
    }
}
