package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.kit.Builds;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;

class PartialPlanTest {
    private static PartialPlan of(Build build) {
        return PartialPlan.of(build, CATALOG, NODE, Patience.endless(() -> false));
    }

    /** More lamps than the board has pins, one of them wired already. */
    private static Build crowd(int lamps) {
        Builds builds = Builds.classic();
        for (int i = 0; i < lamps; i++) {
            builds = builds.part("lamp-" + i, "led");
        }
        return builds.wire("lamp-0.A", "board.D5").build();
    }

    @Test
    void asManyAsThereArePinsGetOneAndTheOthersAreLeft() throws Exception {
        Build build = crowd(30);
        Plan all = new Planner(build, CATALOG).plan(NODE);
        assertFalse(all.placed());
        PartialPlan some = of(build);
        Build after = Edit.applyAll(build, some.edits());
        List<Wire> wires = after.nodes().get(0).wires();
        assertEquals(1 + some.placed().size(), wires.size());
        assertEquals(new Endpoint("board", "D5"), wires.get(0).to(), "what is wired stays");
        Set<Endpoint> pins = new HashSet<>(wires.stream().map(Wire::to).toList());
        assertEquals(wires.size(), pins.size(), "no pin twice");
        // D2 to D13 and A0 to A5 are eighteen; D0 and D1 are the board's own line, and one has its pin already.
        assertEquals(17, some.placed().size());
        assertEquals(12, some.left().size());
        assertEquals(Optional.empty(), some.whole());
        assertEquals(17, some.wires().size());
        assertTrue(wires.containsAll(some.wires()));
        assertTrue(after.nodes().get(0).parts().stream().noneMatch(part -> part.has(Settings.LATER)));
    }

    @Test
    void whereAllHaveAPlaceAllGetIt() throws Exception {
        PartialPlan some = of(crowd(8));
        assertEquals(7, some.placed().size());
        assertEquals(List.of(), some.left());
        Plan whole = some.whole().orElseThrow();
        assertTrue(whole.placed() && !whole.complete());
        assertEquals(
                Edit.applyAll(crowd(8), some.edits()),
                whole.edit().orElseThrow().apply(crowd(8)),
                "one step comes to the same as many");
        PartialPlan none = of(Builds.classic().build());
        assertEquals(new PartialPlan(List.of(), List.of(), List.of(), List.of(), Optional.empty()), none);
    }

    @Test
    void whatIsHalfWiredKeepsItsPinsAlsoWhenTheRestHasNoPlace() throws Exception {
        Builds builds = Builds.classic();
        for (int i = 0; i < 17; i++) {
            builds = builds.part("lamp-" + i, "led");
        }
        // It comes last, when seventeen of the eighteen pins are taken.
        Build build = builds.part("radio", "packet-radio")
                .wire("radio.CE", "board.D6")
                .build();
        PartialPlan some = of(build);
        Build after = Edit.applyAll(build, some.edits());
        List<Wire> wires = after.nodes().get(0).wires();
        assertTrue(wires.stream()
                .anyMatch(wire -> wire.from().toString().equals("radio.CE")
                        && wire.to().toString().equals("board.D6")));
        assertEquals(
                wires.size(),
                wires.stream().map(Wire::to).distinct().count(),
                "no pin twice: "
                        + wires.stream()
                                .map(wire -> wire.from() + ">" + wire.to())
                                .toList());
    }

    @Test
    void noTimeLeavesAllAsItIsAndWhoeverIsStoppedEnds() {
        Build build = crowd(6);
        PartialPlan none = PartialPlan.of(build, CATALOG, NODE, Patience.of(Duration.ZERO, () -> false));
        assertEquals(List.of(), none.edits());
        assertEquals(5, none.left().size());
        assertThrows(
                CancellationException.class, () -> PartialPlan.of(build, CATALOG, NODE, Patience.endless(() -> true)));
    }
}
