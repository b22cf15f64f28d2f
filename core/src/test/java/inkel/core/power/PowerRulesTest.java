package inkel.core.power;

import static inkel.core.kit.Builds.place;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import java.util.List;
import org.junit.jupiter.api.Test;

class PowerRulesTest {
    @Test
    void aPeakAboveTheRatingStops() {
        // Reader 100 mA on the 50 mA rail: 50 mA short.
        Finding finding = Builds.classic()
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .findings("power.rail_peak")
                .get(0);
        assertEquals(place("board.3V3"), finding.place());
        assertEquals(0.100, finding.evidence().get(0).value().si(), 1e-9);
        assertEquals(0.050, finding.evidence().get(1).value().si(), 1e-9);
        assertEquals(0.050, finding.evidence().get(2).value().si(), 1e-9);
    }

    @Test
    void threeRadiosFitTheSmallRailAndAFourthDoesNot() {
        // 14 mA each at the peak: 42 mA of 50 mA, then 56 mA.
        Builds three = Builds.classic();
        for (int i = 1; i <= 3; i++) {
            three.part("radio-" + i, "packet-radio", "VCC=board.3V3");
        }
        assertEquals(List.of(), three.findings("power.rail_peak"));
        assertEquals(
                1,
                three.part("radio-4", "packet-radio", "VCC=board.3V3")
                        .findings("power.rail_peak")
                        .size());
    }

    @Test
    void theAverageMayReachFourFifthsOfTheRating() {
        // Water level sensors take 20 mA all the time; the board 60 mA and its small regulator 1 mA. Of the 500 mA port
        // 400 mA are 80 %: 16 sensors make 381 mA, a 17th makes 401 mA.
        Builds build = Builds.classic();
        for (int i = 1; i <= 16; i++) {
            build.part("level-" + i, "water-level", "+=board.5V");
        }
        assertEquals(List.of(), ofRail(build, "usb.5V"));
        build.part("level-17", "water-level", "+=board.5V");
        assertEquals(1, ofRail(build, "usb.5V").size());
        // With 30 of them it is 661 mA, and a stop says so.
        for (int i = 18; i <= 30; i++) {
            build.part("level-" + i, "water-level", "+=board.5V");
        }
        assertEquals(List.of(), ofRail(build, "usb.5V"));
        assertEquals(
                List.of(place("usb.5V")),
                build.findings("power.source_over").stream().map(Finding::place).toList());
    }

    private static List<Finding> ofRail(Builds build, String rail) {
        return build.findings("power.rail_average").stream()
                .filter(finding -> finding.place().equals(place(rail)))
                .toList();
    }

    @Test
    void theSourceCarriesWhatItsRegulatorsTake() {
        // Servo 750 mA at the peak and board 60 mA on the 500 mA port.
        Finding finding = Builds.classic()
                .part("servo", "servo-micro", "V+=board.5V")
                .findings("power.source_over")
                .get(0);
        // 750 mA + 60 mA + 1 mA for the small regulator on the board
        assertEquals(0.811, finding.evidence().get(0).value().si(), 1e-9);
        assertEquals(0.311, finding.evidence().get(2).value().si(), 1e-9);
    }

    @Test
    void movingTheLoadFreesTheRail() throws EditRefused {
        Build build = Builds.classic()
                .part("bench", "bench-supply")
                .part("servo", "servo-micro", "V+=board.5V")
                .build();
        Finding finding = Builds.of(Assessment.assess(build, Builds.CATALOG), "power.rail_peak")
                .get(0);
        assertEquals("board", finding.place().part());
        Fix first = finding.fixes().get(0);
        Assessment after = Assessment.assess(first.apply(build), Builds.CATALOG);
        assertEquals(List.of(), Builds.of(after, "power.source_over"));
        assertEquals(List.of(), Builds.of(after, "power.rail_peak"));
    }

    @Test
    void aGroundApartIsFoundAndJoined() throws EditRefused {
        Builds apart = Builds.classic()
                .part("bench", "bench-supply")
                .part("servo", "servo-micro", "V+=bench.+")
                .groundApart("bench");
        Finding finding = apart.findings("power.no_common_ground").get(0);
        assertEquals("bench", finding.place().part());
        Build joined = finding.fixes().get(0).apply(apart.build());
        assertEquals(List.of(), Builds.of(Assessment.assess(joined, Builds.CATALOG), "power.no_common_ground"));
    }

    @Test
    void aGroundApartThatNothingNeedsIsNobodysTrouble() {
        assertEquals(
                List.of(),
                Builds.classic()
                        .part("bench", "bench-supply")
                        .groundApart("bench")
                        .findings("power.no_common_ground"));
    }
}
