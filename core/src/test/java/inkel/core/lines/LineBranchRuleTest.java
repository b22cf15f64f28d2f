package inkel.core.lines;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.checks.Assessment;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.LongLines;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A line that goes from one to the next has two ends. */
class LineBranchRuleTest {
    private static final String CODE = "pair.branch";

    @Test
    void aStarAndARingAreTold() throws Exception {
        LongLines star = LongLines.at("gate", "house", "shed", "barn")
                .chain("gate", "house")
                .chain("gate", "shed")
                .chain("gate", "barn");
        RuleKit.everyWayOut(star.build(), RuleKit.fires(star.build(), CODE));
        LongLines ring = LongLines.at("gate", "house", "shed")
                .chain("gate", "house", "shed")
                .chain("gate", "shed");
        RuleKit.everyWayOut(ring.build(), RuleKit.fires(ring.build(), CODE));
    }

    @Test
    void theWayOutIsOneLineOfAllWithNothingAgainstIt() throws Exception {
        LongLines star = LongLines.at("gate", "house", "shed", "barn")
                .chain("house", "shed")
                .chain("house", "barn")
                .chain("house", "gate");
        Finding finding = RuleKit.fires(star.build(), CODE);
        Assessment after = Assessment.assess(finding.fixes().get(0).apply(star.build()), Builds.CATALOG);
        LongLine line = after.reports().lines().lines().get(0);
        assertEquals(4, line.stations().size());
        assertEquals(3, line.stretches().size());
        assertEquals(2, line.ends().size());
        assertEquals(
                List.of(),
                after.findings().stream()
                        .filter(other ->
                                other.code().startsWith("pair.") || other.code().equals("power.no_common_ground"))
                        .toList());
    }

    @Test
    void chainsAreQuietInAnyOrder() {
        assertEquals(
                List.of(), LongLines.at("gate", "house").chain("gate", "house").findings(CODE));
        assertEquals(
                List.of(),
                LongLines.at("gate", "house", "shed")
                        .chain("house", "gate", "shed")
                        .findings(CODE));
    }
}
