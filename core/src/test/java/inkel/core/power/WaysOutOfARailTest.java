package inkel.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Extras;
import inkel.core.document.Moment;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Which ways out an overloaded rail is offered: those that are enough by themselves first, the least effort first. */
class WaysOutOfARailTest {
    /** The 3.3 V rail of the classic board, made for 50 mA, unless the test says otherwise. */
    private static Builds rail(String rating) {
        return Builds.classic().figure("board", "rail/3V3/rating", rating);
    }

    private static Builds radio(Builds build, String id, String peak) {
        return build.part(id, "packet-radio", "VCC=board.3V3").figure(id, "current/VCC/peak", peak);
    }

    private static Moment moment(String id, String part) {
        return new Moment(
                id,
                id,
                List.of(new Moment.Raise(part, "peak")),
                TimeSpan.ofSeconds(0.1),
                Optional.empty(),
                Optional.empty(),
                Set.of(),
                Extras.NONE);
    }

    private static List<String> offered(Builds build, String code, String place) throws Exception {
        Finding finding = RuleKit.firesAt(build, code, place);
        for (Fix fix : finding.fixes()) {
            RuleKit.wayOut(build.build(), finding, fix);
        }
        return finding.fixes().stream().map(Fix::id).toList();
    }

    private static List<String> peak(Builds build) throws Exception {
        return offered(build, "power.rail_peak", "board.3V3");
    }

    @Test
    void twoMomentsApartOnlyWhereThatIsEnough() throws Exception {
        // 40 + 40 mA of 60 mA: one at a time is 40.3 mA. Of 40 mA: 40.3 mA is still too much.
        Builds two = radio(radio(rail("60 mA"), "one", "40 mA"), "two", "40 mA")
                .moment(moment("first", "one"))
                .moment(moment("second", "two"));
        assertEquals("apart-first-second", peak(two).get(0));
        assertTrue(
                peak(two.figure("board", "rail/3V3/rating", "40 mA")).stream().noneMatch(id -> id.startsWith("apart")));
    }

    @Test
    void twoMomentsApartWhenThatIsJustEnough() throws Exception {
        // One at its peak, the other at rest: 40 mA and 320 µA.
        Builds two = radio(radio(rail("40.32 mA"), "one", "40 mA"), "two", "40 mA")
                .moment(moment("first", "one"))
                .moment(moment("second", "two"));
        assertEquals("apart-first-second", peak(two).get(0));
    }

    @Test
    void turningDownOnlyWhereItSavesEnough() throws Exception {
        // From 125 mA to 60 mA or to 46 mA: of 165 mA the first leaves 100 mA, the second 90 mA, as hearing takes 50
        // mA.
        Builds build = rail("100 mA")
                .part("radio", "packet-radio-boosted", "VCC=board.3V3")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .figure("reader", "current/3.3V/peak", "40 mA");
        assertEquals("-6 dBm", turnedDownTo(build));
        assertEquals("-18 dBm", turnedDownTo(build.figure("board", "rail/3V3/rating", "99 mA")));
        assertEquals("-18 dBm", turnedDownTo(build.figure("board", "rail/3V3/rating", "90 mA")));
        assertTrue(peak(build.figure("board", "rail/3V3/rating", "89 mA")).stream()
                .noneMatch(id -> id.startsWith("turn-down")));
    }

    private static String turnedDownTo(Builds build) throws Exception {
        Finding finding = RuleKit.firesAt(build, "power.rail_peak", "board.3V3");
        assertEquals("turn-down-radio", finding.fixes().get(0).id());
        RuleKit.wayOut(build.build(), finding, finding.fixes().get(0));
        return ((SetSetting) finding.fixes().get(0).edits().get(0)).value();
    }

    @Test
    void turningDownSavesNothingWhereAnotherModeTakesAsMuch() throws Exception {
        // Sending falls from 14 mA to 9 mA, but hearing still takes 14 mA.
        Builds build = radio(rail("110 mA"), "radio", "14 mA").part("reader", "tag-reader-spi", "3.3V=board.3V3");
        assertTrue(peak(build).stream().noneMatch(id -> id.startsWith("turn-down")));
    }

    @Test
    void turnedDownOnceIsNotOfferedAgain() throws Exception {
        Builds build = rail("50 mA")
                .part("radio", "packet-radio-boosted", "VCC=board.3V3")
                .setting("radio", "turned_down", "-6 dBm");
        assertTrue(
                peak(build).stream().noneMatch(id -> id.startsWith("turn-down")),
                "60 mA after turning down are still above 50 mA");
    }

    @Test
    void theSmallestLoadThatIsEnoughMovesFirst() throws Exception {
        // 100 + 40 + 14 mA on 150 mA: any of them is enough, and so are the 26 mA that turning one down saves.
        Builds build = radio(rail("150 mA"), "small", "14 mA").part("reader", "tag-reader-spi", "3.3V=board.3V3");
        radio(build, "middle", "40 mA");
        assertEquals(
                List.of(
                        "turn-down-middle",
                        "add-regulator-linear-3v3-small",
                        "add-regulator-small-3v3-small",
                        "add-regulator-linear-3v3-middle",
                        "add-regulator-small-3v3-middle"),
                peak(build));
        // On 120 mA neither the small one nor turning down is: 140 and 128 mA are left, so they are not offered.
        List<String> more = peak(build.figure("board", "rail/3V3/rating", "120 mA"));
        assertEquals("add-regulator-linear-3v3-middle", more.get(0), more.toString());
        assertTrue(more.contains("add-regulator-linear-3v3-reader"), more.toString());
        assertFalse(more.contains("add-regulator-linear-3v3-small"), more.toString());
    }

    /** 500 mA of a port: the servo hangs on what the board makes of it, and its own supply leaves the port what it can give. */
    @Test
    void aSourceIsRelievedOfWhatHangsBelowIt() throws Exception {
        Builds table = Builds.classic()
                .part("servo", "servo-standard", "V+=board.5V")
                .part("radio", "packet-radio", "VCC=board.3V3");
        List<String> ways = offered(table, "power.source_over", "usb.5V");
        assertEquals("add-wall-supply-5v-servo", ways.get(0), ways.toString());
        assertTrue(ways.stream().noneMatch(way -> way.endsWith("-radio")), "14 mA are nothing beside 0.8 A: " + ways);
        RuleKit.waysOut(
                table,
                "power.source_over",
                "add-wall-supply-5v-servo",
                "add-wall-supply-5v-strong-servo",
                "add-wall-supply-5v-board");
    }

    /** 12 V at 11.6 V or more: 1.2 A at 5.1 V are 5.1 / (0.88 × 11.6) × 1.2 A = 600 mA of it, and 15 mA for a standing servo. */
    @Test
    void behindARegulatorCountsWhatTheSourceGives() throws Exception {
        Builds table = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("down", "regulator-down", "IN+=wall.+")
                .part("arm", "servo-standard", "V+=down.OUT+");
        // The arm's 600 mA and 5 mA: too much by 305 mA, which the arm is more than.
        List<String> ways = offered(table.figure("wall", "rail/+/rating", "300 mA"), "power.source_over", "wall.+");
        assertTrue(ways.stream().anyMatch(way -> way.endsWith("-arm")), ways.toString());
    }

    @Test
    void aCapacitorCarriesABurstWhereThatIsEnough() throws Exception {
        // 2 A of 1.8 A for 577 µs; behind a capacitor 350 mA flow.
        Builds modem = Builds.classic()
                .part("four", "wall-supply-4v")
                .figure("four", "rail/+/rating", "1.8 A")
                .part("modem", "text-modem", "VCC=four.+");
        assertEquals(
                "capacitor-modem", offered(modem, "power.source_over", "four.+").get(0));
        Builds weak = modem.figure("four", "rail/+/rating", "300 mA");
        assertTrue(offered(weak, "power.source_over", "four.+").stream().noneMatch(id -> id.startsWith("capacitor")));
    }
}
