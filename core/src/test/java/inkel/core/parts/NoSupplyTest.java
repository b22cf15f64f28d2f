package inkel.core.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Place;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Current;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What lacks the same is told once, with what is missing for it. */
class NoSupplyTest {
    private static final String CODE = "parts.no_supply";

    private static Builds servos(Builds table, String cls, int count) {
        for (int i = 1; i <= count; i++) {
            table.part("s" + i, cls);
        }
        return table;
    }

    private static List<String> fed(Fix fix) {
        return fix.edits().stream()
                .filter(Feed.class::isInstance)
                .map(edit -> ((Feed) edit).part())
                .toList();
    }

    @Test
    void partsOfOneClassAreToldTogether() throws Exception {
        Builds table = servos(Builds.classic(), "servo-micro", 3);
        Finding finding = RuleKit.firesAt(table, CODE, "s1");
        assertEquals("parts.no_supply.several", finding.sentence().key());
        assertEquals("[s1, s2, s3]", finding.sentence().values().get("parts").toString());
        // It is shown at the first of them, and found at each.
        for (String part : List.of("s1", "s2", "s3")) {
            assertTrue(table.assess().at(Place.ofPart(Builds.NODE, part)).contains(finding), part);
        }
        finding.fixes().forEach(fix -> assertEquals(List.of("s1", "s2", "s3"), fed(fix), fix.id()));
        RuleKit.everyWayOut(table, CODE);
    }

    @Test
    void whatWantsSomethingElseIsToldApart() {
        Builds mixed = servos(Builds.classic(), "servo-micro", 2).part("arm", "servo-standard");
        assertEquals(2, mixed.findings(CODE).size());
        Builds own = servos(Builds.classic(), "servo-micro", 2).figure("s2", "supply/V+/max", "5.2 V");
        assertEquals(2, own.findings(CODE).size());
    }

    /** The strongest supply gives 8 A: six times 1.2 A, not seven times. */
    @Test
    void asManyAsOneSupplyBearsAreFedByIt() {
        Builds table = servos(Builds.classic(), "servo-standard", 9);
        Fix first = RuleKit.firesAt(table, CODE, "s1").fixes().get(0);
        assertEquals("add-wall-supply-5v-strong", first.id());
        assertEquals(List.of("s1", "s2", "s3", "s4", "s5", "s6"), fed(first));
    }

    /** The driver itself takes 0.1 mA of its supply, and a small servo 750 mA at the most. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"0.7502 A, parts.no_supply, ''", "0.75 A, parts.no_supply.no_room, 749.9"})
    void theRailThatHasTooLittleLeftIsNamed(String rating, String key, String left) throws Exception {
        Builds table = servos(
                Builds.classic()
                        .part("bench", "bench-supply")
                        .figure("bench", "rail/+/rating", rating)
                        .part("drv", "servo-driver-16", "VCC=board.5V", "V+=bench.+"),
                "servo-micro",
                1);
        Finding finding = RuleKit.firesAt(table, CODE, "s1");
        assertEquals(key, finding.sentence().key());
        if (!left.isEmpty()) {
            assertEquals(Double.parseDouble(left) / 1000, RuleKit.si(finding, "rail_gives"), 1e-9);
            assertEquals(0.75, RuleKit.si(finding, "takes_most"), 1e-9);
        } else {
            assertTrue(fed(finding.fixes().get(0)).contains("s1"));
            assertFalse(finding.fixes().get(0).edits().get(0) instanceof AddPart);
        }
        RuleKit.everyWayOut(table, CODE);
    }

    /** What a rail is asked for beyond what it gives is nothing left, not less than nothing. */
    @Test
    void aRailThatIsOverHasNothingLeft() {
        Builds table = servos(
                Builds.classic()
                        .part("bench", "bench-supply")
                        .figure("bench", "rail/+/rating", "0.5 A")
                        .part("drv", "servo-driver-16", "VCC=board.5V", "V+=bench.+")
                        .part("arm", "servo-standard", "V+=bench.+"),
                "servo-micro",
                2);
        Finding finding = RuleKit.firesAt(table, CODE, "s1");
        assertEquals("parts.no_supply.several_no_room", finding.sentence().key());
        assertEquals(Current.ZERO, finding.evidence().get(0).value());
    }

    /** A relay that hangs on its own contact never begins, or stops as soon as it has begun; on another's it does as it should. */
    @ParameterizedTest(name = "{0}")
    @ValueSource(strings = {"relay.NO", "relay.NC", "reg.OUT"})
    void aRelayOnItsOwnContactIsNotFed(String rail) throws Exception {
        Builds table = Builds.classic()
                .part("wall", "wall-supply-9v")
                .part("relay", "relay-coil", "COM=wall.+", "V+=" + rail)
                .figure("relay", "supply/V+/max", "12 V")
                .part("reg", "regulator-linear-5v", "IN=relay.NO");
        Finding finding = RuleKit.firesAt(table, CODE, "relay");
        assertEquals("parts.no_supply.own_contact", finding.sentence().key());
        RuleKit.everyWayOut(table, CODE);
        RuleKit.quiet(
                Builds.classic()
                        .part("first", "relay-one", "VCC=board.5V", "COM=board.5V")
                        .part("relay", "relay-coil", "V+=first.NO"),
                CODE);
    }

    /** As long as nothing comes to the contact either, that alone is told. */
    @Test
    void aContactThatIsNotFedItselfIsToldFirst() {
        Finding finding = RuleKit.firesAt(Builds.classic().part("relay", "relay-coil", "V+=relay.NO"), CODE, "relay");
        assertEquals("parts.no_supply.behind", finding.sentence().key());
    }

    /** A robot goes about: what hangs on the mains is its second choice. */
    @Test
    void aTableOnBatteriesIsOfferedBatteriesFirst() {
        Builds fixed = Builds.classic().part("drv", "motor-driver", "VCC=board.5V");
        assertTrue(first(fixed).startsWith("add-wall-"), first(fixed));
        Builds roaming = Builds.classic()
                .boardUnfed()
                .part("pack", "battery-9v")
                .boardOnly("VIN", "pack.+")
                .part("drv", "motor-driver", "VCC=board.5V");
        // A block is no pack for motors: one that is feeds both.
        assertEquals("take-battery-lithium-two", first(roaming));
        List<String> ids = RuleKit.firesAt(roaming, CODE, "drv").fixes().stream()
                .map(Fix::id)
                .toList();
        assertTrue(ids.get(1).startsWith("add-battery-"), () -> "" + ids);
    }

    private static String first(Builds table) {
        return RuleKit.firesAt(table, CODE, "drv").fixes().get(0).id();
    }
}
