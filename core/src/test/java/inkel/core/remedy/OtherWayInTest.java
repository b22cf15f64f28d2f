package inkel.core.remedy;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Endpoint;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A pack of two cells falls to 6.0 V, where VIN of the board wants 7.0 V; its 5V pin takes 5 V from elsewhere. */
class OtherWayInTest {
    private static final String LOW = "parts.supply_too_low";
    private static final String PAST = "feed-5V-from-esc.BEC-instead";

    private static Builds glider() {
        return Builds.classic()
                .boardUnfed()
                .part("pack", "battery-lithium-two")
                .boardOnly("VIN", "pack.+")
                .part("esc", "speed-controller", "V+=pack.+");
    }

    private static List<String> ids(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    @Test
    void theBoardIsFedPastTheLowPin() throws Exception {
        Finding finding = RuleKit.firesAt(glider(), LOW, "board");
        assertEquals(PAST, ids(finding).get(0));
        Map<String, Endpoint> feeds = finding.fixes()
                .get(0)
                .apply(glider().build())
                .node(Builds.NODE)
                .orElseThrow()
                .board()
                .feeds();
        assertEquals(Map.of("5V", new Endpoint("esc", "BEC")), feeds);
        RuleKit.everyWayOut(glider().build(), finding);
        // The regulator wants no more than its pin, of which it is said.
        RuleKit.quiet(glider(), "power.dropout");
        Builds mostlyLow = glider().figure("pack", "rail/+/volts", "6.1 V");
        assertEquals(PAST, ids(RuleKit.fires(mostlyLow, "power.dropout")).get(0));
    }

    @Test
    void aRailThatIsFullIsNoWayIn() {
        // The controller gives 1 A, and a servo takes 1 A of it.
        Builds full = glider().part("servo", "servo-standard", "V+=esc.BEC");
        assertFalse(ids(RuleKit.firesAt(full, LOW, "board")).contains(PAST));
    }

    @Test
    void whatGoesAboutGetsARegulatorBeforeOneMoreSource() {
        List<String> ids = ids(RuleKit.firesAt(glider(), LOW, "board"));
        int regulator = ids.indexOf("add-regulator-servo-instead");
        int bank = ids.indexOf("add-power-bank-instead");
        int wall = ids.indexOf("add-wall-supply-9v");
        assertTrue(regulator > 0 && regulator < bank && bank < wall, () -> "" + ids);
        assertEquals(ids.size(), ids.stream().distinct().count());
    }

    @Test
    void whatIsNoBoardIsFedAtThatPin() {
        List<String> ids = ids(RuleKit.firesAt(
                Builds.classic().part("pack", "battery-lithium-two").part("down", "regulator-down", "IN+=pack.+"),
                LOW,
                "down"));
        assertTrue(ids.stream().noneMatch(id -> id.endsWith("-instead")), () -> "" + ids);
    }

    private static Builds charger(String... feeds) {
        return Builds.classic()
                .boardUnfed()
                .part("cell", "battery-lithium")
                .part("boost", "charger-up", feeds)
                .boardOnly("5V", "boost.OUT+");
    }

    /** The port of a charger wants 5 V, and the cell belongs to its other side. */
    @Test
    void aCellAtThePortOfAChargerGoesToWhereItBelongs() throws Exception {
        Builds wrong = charger("IN+=cell.+");
        for (String code : List.of(LOW, "parts.no_supply")) {
            Finding finding = RuleKit.firesAt(wrong, code, "boost");
            assertEquals("move-IN+-to-B+", ids(finding).get(0), code);
            RuleKit.everyWayOut(wrong.build(), finding);
        }
        Map<String, Endpoint> feeds = RuleKit.firesAt(wrong, LOW, "boost")
                .fixes()
                .get(0)
                .apply(wrong.build())
                .node(Builds.NODE)
                .orElseThrow()
                .part("boost")
                .orElseThrow()
                .feeds();
        assertEquals(Map.of("B+", new Endpoint("cell", "+")), feeds);
    }

    @Test
    void whereTheOtherPinIsFedOrWantsOtherVoltsNothingMoves() {
        Builds fed = charger("IN+=cell.+", "B+=cell.+");
        assertFalse(ids(RuleKit.firesAt(fed, LOW, "boost")).contains("move-IN+-to-B+"));
        Builds port = Builds.classic()
                .boardUnfed()
                .part("wall", "wall-supply-5v")
                .part("boost", "charger-up", "IN+=wall.+")
                .boardOnly("5V", "boost.OUT+");
        assertFalse(ids(RuleKit.firesAt(port, "parts.no_supply", "boost")).contains("move-IN+-to-B+"));
    }
}
