package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.RemovePart;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.kit.RuleKit;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a way out does elsewhere decides whether it is one. */
class CleanWaysTest {
    private static List<Finding> asTheRulesHaveThem(Build build) {
        return RuleBook.run(Reports.of(Circuit.of(build, CATALOG)));
    }

    private static List<String> ids(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    private static Set<String> stops(Build build) {
        return Assessment.assess(build, CATALOG).findings().stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .filter(finding -> !finding.code().equals("pins.not_placed"))
                .map(finding -> finding.code() + " " + finding.place())
                .collect(Collectors.toSet());
    }

    /** A microphone at 3.2 V at the worst may not work; at 5 V its pull-up would harm the board of 3.3 V. */
    @Test
    void noLookIsMendedByAStop() {
        Builds table = Builds.on("board-dual-core-3v3")
                .part("mic", "sound-level", "VCC=board.3V3")
                .wire("mic.DO", "board.GP2")
                .wire("mic.AO", "board.GP26");
        Finding raw = asTheRulesHaveThem(table.build()).stream()
                .filter(finding -> finding.code().equals("parts.supply_too_low"))
                .findFirst()
                .orElseThrow();
        assertTrue(ids(raw).contains("feed-VCC-from-board.VBUS"), ids(raw).toString());
        Finding look = RuleKit.firesAt(table, "parts.supply_too_low", "mic");
        assertEquals(Severity.LOOK, look.severity());
        assertFalse(ids(look).contains("feed-VCC-from-board.VBUS"));
    }

    /** A reader of 3.3 V on a board of 5 V is harmed by one wire more or less: it is not taken away for that. */
    @Test
    void nothingIsTakenAwayForWhatItIsStoppedForAnyway() {
        Builds shared = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3");
        for (String line : List.of("SCK=D13", "MISO=D12", "MOSI=D11")) {
            String[] ends = line.split("=");
            shared.wire("radio." + ends[0], "board." + ends[1]).wire("reader." + ends[0], "board." + ends[1]);
        }
        shared.wire("radio.CSN", "board.D10").wire("radio.CE", "board.D8").wire("reader.RST", "board.D7");
        List<String> ids = ids(RuleKit.fires(shared, "spi.no_select"));
        assertTrue(ids.get(0).startsWith("move-reader.SDA-to-board."), () -> "" + ids);
        assertEquals("leave-out-reader", ids.get(ids.size() - 1));
    }

    /** What is still to be wired is offered a place, whatever its levels are found to be there. */
    @Test
    void whatGoesNowhereKeepsItsWays() {
        Builds table = Builds.classic().part("reader", "tag-reader-spi", "3.3V=board.3V3");
        assertFalse(RuleKit.fires(table, "pins.not_placed").fixes().isEmpty());
    }

    @ParameterizedTest
    @ValueSource(ints = {7, 33, 51, 60, 79})
    void ofRandomTablesToo(int seed) throws Exception {
        Build build = RandomBuilds.planned(RandomBuilds.of(seed));
        Set<String> before = stops(build);
        for (Finding finding : Assessment.assess(build, CATALOG).findings()) {
            List<Fix> moved = finding.fixes().stream()
                    // What comes with one is still to be wired.
                    .filter(fix -> fix.edits().stream().noneMatch(AddPart.class::isInstance))
                    .toList();
            List<Boolean> isClean = new ArrayList<>();
            for (Fix fix : moved) {
                Set<String> brought = stops(fix.apply(build));
                brought.removeAll(before);
                isClean.add(brought.isEmpty());
            }
            boolean isLook =
                    finding.severity() == Severity.LOOK && !finding.code().equals("pins.not_placed");
            boolean isStop = finding.severity() == Severity.STOP && moved.equals(finding.fixes());
            assertFalse(isLook && isClean.contains(false), finding + " " + ids(finding));
            List<Boolean> isKept = moved.stream()
                    .map(fix -> fix.edits().stream().noneMatch(RemovePart.class::isInstance))
                    .toList();
            for (int i = 0; isStop && i < moved.size(); i++) {
                boolean isBetter = isClean.get(i) && isKept.get(i);
                assertFalse(isBetter && !(isClean.get(0) && isKept.get(0)), finding + " " + ids(finding));
            }
        }
    }

    /** Nobody waits for forty parts to be judged ten times over. */
    @Test
    void onLargeTablesTheyAreAsTheRulesHaveThem() {
        Builds large = Builds.on("board-dual-core-3v3")
                .part("mic", "sound-level", "VCC=board.3V3")
                .wire("mic.DO", "board.GP2");
        for (int i = 0; i < 40; i++) {
            large = large.part("lamp-" + i, "led");
        }
        assertTrue(ids(RuleKit.firesAt(large, "parts.supply_too_low", "mic")).contains("feed-VCC-from-board.VBUS"));
    }
}
