package inkel.core.remedy;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.edit.AddPart;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A stronger source in the place of a weak one. The wall supply of 5 V gives 2 A, the strong one 8 A. */
class OtherSourceTest {
    private static final String OVER = "power.source_over";
    private static final String STRONG = "take-wall-supply-5v-strong";

    private static List<String> ids(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    private static List<String> taken(Finding finding) {
        return ids(finding).stream().filter(id -> id.startsWith("take-")).toList();
    }

    private static Builds lit(String source, String rail, String peak) {
        return Builds.classic()
                .part("source", source)
                .part("matrix", "matrix-driver", "VCC=source." + rail)
                .figure("matrix", "current/VCC/peak", peak);
    }

    @Test
    void aStrongerSupplyOfTheSameVoltsComesBeforeOneMore() throws Exception {
        Builds weak = lit("wall-supply-5v", "+", "2.5 A");
        Finding finding = RuleKit.fires(weak, OVER);
        assertEquals(List.of(STRONG), taken(finding));
        int first = 0;
        while (finding.fixes().get(first).edits().stream().noneMatch(AddPart.class::isInstance)) {
            first++;
        }
        assertTrue(ids(finding).indexOf(STRONG) < first, () -> "" + ids(finding));
        Build after = RuleKit.way(finding, STRONG).apply(weak.build());
        Part source = after.node(Builds.NODE).orElseThrow().part("source").orElseThrow();
        assertEquals("wall-supply-5v-strong", source.classId());
        RuleKit.everyWayOut(weak, OVER);
    }

    @Test
    void itBearsAllOfItAtItsExactLimit() {
        assertEquals(List.of(STRONG), taken(RuleKit.fires(lit("wall-supply-5v", "+", "8 A"), OVER)));
        assertEquals(List.of(), taken(RuleKit.fires(lit("wall-supply-5v", "+", "8.01 A"), OVER)));
    }

    @Test
    void aPortAndABenchSupplyStayWhatTheyAre() {
        assertEquals(List.of(), taken(RuleKit.fires(lit("usb-port", "5V", "2 A"), OVER)));
        assertEquals(List.of(), taken(RuleKit.fires(lit("bench-supply", "+", "4 A"), OVER)));
    }

    @Test
    void aBatteryIsReplacedByABattery() throws Exception {
        // The chip works from 2.7 V at 8 MHz; the coin falls to 2.0 V, three cells AA to 3.0 V, one of lithium to 3.0
        // V,
        // which wants more care.
        Builds badge =
                Builds.on("chip-8pin").boardUnfed().part("cell", "battery-coin").boardOnly("VCC", "cell.+");
        Finding finding = RuleKit.fires(badge, "parts.supply_too_low");
        assertEquals(List.of("take-battery-aa-3", "take-battery-lithium"), taken(finding));
        assertEquals("take-battery-aa-3", ids(finding).get(0));
        RuleKit.everyWayOut(badge, "parts.supply_too_low");
    }

    @Test
    void motorsBesideTheBoardGetOneOfTheirOwnFirst() {
        // Five servos of up to 1 A hang on what the board hangs on.
        Builds arm =
                Builds.classic().boardUnfed().part("wall", "wall-supply-5v").boardOnly("5V", "wall.+");
        for (int i = 1; i <= 5; i++) {
            arm.part("servo-" + i, "servo-standard", "V+=wall.+");
        }
        List<String> ids = ids(RuleKit.fires(arm, OVER));
        assertTrue(ids.contains(STRONG), () -> "" + ids);
        assertTrue(ids.indexOf(STRONG) > 0, () -> "" + ids);
        assertTrue(ids.get(0).startsWith("add-"), () -> "" + ids);
    }

    @Test
    void whatFindsNoRoomIsFedFromTheStrongerOne() throws Exception {
        Builds full = lit("wall-supply-5v", "+", "1.9 A")
                .part("more", "matrix-driver")
                .figure("more", "current/VCC/peak", "1 A");
        full.boardUnfed().boardOnly("5V", "source.+");
        Finding finding = RuleKit.fires(full, "parts.no_supply");
        Fix fix = RuleKit.way(finding, STRONG);
        assertEquals("fix.other_source_and_feed", fix.title().key());
        Part more = fix.apply(full.build())
                .node(Builds.NODE)
                .orElseThrow()
                .part("more")
                .orElseThrow();
        assertEquals(new Endpoint("source", "+"), more.feeds().get("VCC"));
        RuleKit.wayOut(full.build(), finding, fix);
    }

    @Test
    void cellsThatAreTooWeakForMotorsAreReplacedByAPack() throws Exception {
        // Four cells usually give 6 V, and 0.7 A; the bridge works from 4.5 V and takes up to 2.4 A for its motors.
        Builds tug = Builds.classic()
                .boardUnfed()
                .part("cells", "battery-aa-4")
                .part("bridge", "motor-driver", "VCC=board.5V")
                .part("left", "motor-leads")
                .part("right", "motor-leads")
                .wire("left.M+", "bridge.AO1")
                .wire("right.M+", "bridge.BO1");
        Finding finding = RuleKit.firesAt(tug, "parts.no_supply", "bridge");
        assertEquals("parts.no_supply.no_room", finding.sentence().key());
        assertEquals("take-battery-lithium-two", ids(finding).get(0));
    }

    @Test
    void cellsThatUsuallyDoComeBeforeWhatMustBeBought() throws Exception {
        // They fall to 4.0 V at their end, and the bridge, of a little fan, works from 4.5 V.
        Builds lit = Builds.classic()
                .boardUnfed()
                .part("cells", "battery-aa-4")
                .part("bridge", "motor-driver", "VCC=board.5V")
                .figure("bridge", "current/VM/active", "0.3 A")
                .figure("bridge", "current/VM/peak", "0.5 A");
        Finding finding = RuleKit.firesAt(lit, "parts.no_supply", "bridge");
        assertEquals("feed-VM-from-cells.+", ids(finding).get(0));
    }
}
