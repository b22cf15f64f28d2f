package inkel.core.checks;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.RenamePart;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.quantity.Current;
import inkel.core.quantity.Quantity;
import java.util.List;
import org.junit.jupiter.api.Test;

class ComparedTest {
    /** A 3.3 V radio that was put on 5 V by mistake. */
    private static final Build WRONG =
            Builds.classic().part("radio", "packet-radio", "VCC=board.5V").build();

    private static Assessment judged(Build build) {
        return Assessment.assess(build, Builds.CATALOG);
    }

    @Test
    void aRightFeedIsToldAsWhatWasDoneWhatItTakesAndWhatIsNoLongerWrong() throws Exception {
        Build right = new Feed(Builds.NODE, "radio", "VCC", Builds.end("board.3V3")).apply(WRONG);
        Compared compared = Compared.of(judged(WRONG), judged(right));
        assertEquals(1, compared.plan().size());
        assertTrue(compared.gone().stream()
                .anyMatch(finding -> finding.rule().code().equals("parts.supply_too_high")));
        assertTrue(compared.come().stream()
                .noneMatch(finding -> finding.rule().code().equals("parts.supply_too_high")));
        Compared.Told weak = compared.numbers().stream()
                .filter(told -> told.place().pin().equals("3V3"))
                .findFirst()
                .orElseThrow();
        double was = ((Quantity) weak.what().values().get("was")).si();
        double is = ((Quantity) weak.what().values().get("is")).si();
        // Nothing hung on the 3.3 V rail before; the radio's own peak does since.
        Current peak = judged(right).circuit(Builds.NODE).orElseThrow().rails().stream()
                .filter(rail -> rail.id().pin().equals("3V3"))
                .findFirst()
                .orElseThrow()
                .peak();
        assertEquals(0, was, 1e-12);
        assertEquals(peak.amperes(), is, 1e-12);
        assertTrue(is > 0.005, "a radio takes milliamperes");
    }

    @Test
    void backwardsWhatWasGoneComes() throws Exception {
        Build right = new Feed(Builds.NODE, "radio", "VCC", Builds.end("board.3V3")).apply(WRONG);
        Compared there = Compared.of(judged(WRONG), judged(right));
        Compared back = Compared.of(judged(right), judged(WRONG));
        assertEquals(there.gone(), back.come());
        assertEquals(there.come(), back.gone());
    }

    /** Three servos lack one supply and are told once: with one of them fed that is not gone, with one more it is told anew. */
    @Test
    void aVerdictOnSeveralIsGoneWithTheLastAndComesWithEachMore() throws Exception {
        Builds two = Builds.classic()
                .part("wall", "wall-supply-6v")
                .part("a", "servo-micro")
                .part("b", "servo-micro");
        Build before = two.build();
        Build one = new Feed(Builds.NODE, "a", "V+", Builds.end("wall.+")).apply(before);
        Build none = new Feed(Builds.NODE, "b", "V+", Builds.end("wall.+")).apply(one);
        assertEquals(0, unfed(Compared.of(judged(before), judged(one)).gone()));
        assertEquals(1, unfed(Compared.of(judged(one), judged(none)).gone()));
        Build three = two.part("c", "servo-micro").build();
        assertEquals(1, unfed(Compared.of(judged(before), judged(three)).come()));
        assertEquals(0, unfed(Compared.of(judged(three), judged(before)).gone()));
        Difference fewer = Difference.between(judged(before), judged(one));
        assertEquals(0, unfed(fewer.gone()) + unfed(fewer.come()));
        assertEquals(1, unfed(Difference.between(judged(before), judged(three)).come()));
        assertEquals(1, unfed(Difference.between(judged(one), judged(none)).gone()));
    }

    private static long unfed(List<Finding> findings) {
        return findings.stream()
                .filter(finding -> finding.code().equals("parts.no_supply"))
                .count();
    }

    @Test
    void theSameBuildHasNothingToTellAndANameIsNoNumber() throws Exception {
        assertTrue(Compared.of(judged(WRONG), judged(WRONG)).isSame());
        Build renamed = new RenamePart(Builds.NODE, "radio", "Lock radio").apply(WRONG);
        Compared compared = Compared.of(judged(WRONG), judged(renamed));
        assertEquals(List.of(), compared.numbers());
        assertEquals(List.of(), compared.gone());
        assertEquals(1, compared.plan().size());
    }
}
