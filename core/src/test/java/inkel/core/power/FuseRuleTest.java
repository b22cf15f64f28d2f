package inkel.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.Build;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FuseRuleTest {
    private static final String CODE = "power.fuse_small";

    /** Two servos of 750 mA at their peak, each told what it takes on average. */
    private static Builds behind(String rating, String average) {
        return Builds.classic()
                .part("cells", "battery-rechargeable-4")
                .part("melts", "fuse", "IN=cells.+")
                .figure("melts", "rail/OUT/rating", rating)
                .part("gate", "servo-micro", "V+=melts.OUT")
                .figure("gate", "current/V+/idle", average)
                .part("other", "servo-micro", "V+=melts.OUT")
                .figure("other", "current/V+/idle", average);
    }

    // 1.5 A at the peak: 1.5 × 1 A, and 2.75 × 0.5455 A.
    @ParameterizedTest
    @CsvSource({
        "1 A, quiet, ''",
        "0.999 A, power.fuse_small.look, LOOK",
        "0.546 A, power.fuse_small.look, LOOK",
        "0.545 A, power.fuse_small, STOP",
    })
    void aPeakTakesItAway(String rating, String told, String severity) throws Exception {
        Builds builds = behind(rating, "6 mA");
        if (told.equals("quiet")) {
            RuleKit.quiet(builds, CODE);
            return;
        }
        Finding finding = RuleKit.firesAt(builds, CODE, "melts.OUT");
        assertEquals(told, finding.sentence().key());
        assertEquals(Severity.valueOf(severity), finding.severity());
        RuleKit.waysOut(builds, CODE, "fuse-melts");
        Build after = Edit.applyAll(builds.build(), finding.fixes().get(0).edits());
        // 1.25 × 1.5 A = 1.875 A.
        assertEquals(
                "2 A",
                after.nodes().get(0).part("melts").orElseThrow().figures().get("rail/OUT/rating"));
    }

    // Idle for 95 % of the time: 2 × (0.95 × 450 + 0.04 × 250 + 0.01 × 750) mA = 890 mA.
    @ParameterizedTest
    @CsvSource({"0.891 A, LOOK", "0.889 A, STOP"})
    void anAverageTakesItAway(String rating, String severity) throws Exception {
        Finding finding = RuleKit.firesAt(behind(rating, "450 mA"), CODE, "melts.OUT");
        assertEquals(Severity.valueOf(severity), finding.severity());
        RuleKit.waysOut(behind(rating, "450 mA"), CODE, "fuse-melts");
    }

    /** Of a fuse nothing else is said: it gives nothing, and runs warm for good. */
    @Test
    void whatIsSaidOfRailsIsNotSaidOfAFuse() {
        RuleKit.quiet(behind("0.6 A", "6 mA"), "power.rail_peak");
        RuleKit.quiet(behind("1 A", "450 mA"), "power.rail_average");
    }

    /** A switch gives nothing either, but burns. */
    @Test
    void aSwitchBearsSoMuch() {
        Builds builds = Builds.classic()
                .part("cells", "battery-rechargeable-4")
                .part("knife", "switch-supply", "IN=cells.+")
                .figure("knife", "rail/OUT/rating", "0.7 A")
                .part("gate", "servo-micro", "V+=knife.OUT");
        assertEquals(
                "power.rail_peak.in_line",
                RuleKit.firesAt(builds, "power.rail_peak", "knife.OUT")
                        .sentence()
                        .key());
    }

    @Test
    void withNothingBehindItItStays() {
        RuleKit.quiet(Builds.classic().part("melts", "fuse"), CODE);
    }
}
