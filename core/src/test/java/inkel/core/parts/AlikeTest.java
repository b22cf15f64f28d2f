package inkel.core.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** One cause, one finding: what hangs on the wrong rail in the same way. */
class AlikeTest {
    /** The screen's logic and its lamp on 3.3 V are one mistake, and so are three radios on 5 V. */
    @Test
    void whatOneRailSuitsAsBadlyIsToldOnce() throws Exception {
        Builds screen = Builds.classic().part("lcd", "display-2x16-parallel", "VDD=board.3V3", "A=board.3V3");
        Finding low = RuleKit.firesAt(screen, "parts.supply_too_low", "lcd");
        assertEquals("parts.supply_too_low", low.sentence().key());
        assertEquals("[VDD, A]", low.sentence().values().get("pin").toString());
        assertEquals("feed-VDD-from-board.5V", low.fixes().get(0).id());
        RuleKit.waysOut(screen, "parts.supply_too_low", "feed-VDD-from-board.5V", "add-wall-supply-5v");

        Builds radios = Builds.classic()
                .part("one", "packet-radio", "VCC=board.5V")
                .part("two", "packet-radio", "VCC=board.5V")
                .part("other", "memory-card", "VCC=board.5V")
                .part("apart", "packet-radio", "VCC=usb.5V");
        List<Finding> high = radios.findings("parts.supply_too_high");
        assertEquals(
                List.of("[one, two]", "other", "apart"),
                high.stream()
                        .map(finding -> finding.sentence().values().get("part").toString())
                        .toList());
        assertEquals(
                "parts.supply_too_high.damages.several", high.get(0).sentence().key());
        assertEquals(2, high.get(0).places().size());
        assertEquals(
                2,
                high.get(0).fixes().get(0).edits().stream()
                        .filter(edit -> edit.toString().contains("rail=board.3V3"))
                        .count());
        for (Finding finding : high) {
            RuleKit.everyWayOut(radios.build(), finding);
        }
    }

    /** 50 mA at 3.3 V: five radios of 14 mA are too many for that, and go on something of their own together. */
    @Test
    void aRailThatBearsOneOfThemAloneIsNoWayOutForAll() throws Exception {
        Builds table = Builds.classic();
        for (int i = 1; i <= 5; i++) {
            table.part("r" + i, "packet-radio", "VCC=board.5V");
        }
        Finding finding = RuleKit.fires(table, "parts.supply_too_high");
        assertTrue(
                finding.fixes().stream().noneMatch(fix -> fix.id().contains("board.3V3")),
                finding.fixes().toString());
        RuleKit.waysOut(table, "parts.supply_too_high", "add-regulator-linear-3v3");
    }
}
