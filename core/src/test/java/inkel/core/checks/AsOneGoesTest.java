package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Habit;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetHabit;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.pins.Plan;
import inkel.core.remedy.PutParts;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class AsOneGoesTest {
    private static Build put(Build build, String cls) throws Exception {
        return Edit.applyAll(build, PutParts.of(Circuit.of(build, CATALOG), NODE, CATALOG.get(cls), 1));
    }

    private static List<String> due(Build before, Build after) {
        return AsOneGoes.due(before, after, CATALOG);
    }

    private static Plan plan(Build build) {
        return AsOneGoes.of(build, CATALOG, NODE, () -> false).orElseThrow();
    }

    private static Build sharedOut(Build build) throws Exception {
        return plan(build).edit().orElseThrow().apply(build);
    }

    private static Map<Endpoint, Endpoint> wires(Build build) {
        return build.nodes().get(0).wires().stream().collect(Collectors.toMap(wire -> wire.from(), wire -> wire.to()));
    }

    // --- when

    @Test
    void aPartThatCameIsDueUntilItIsWired() throws Exception {
        Build before = Builds.classic().build();
        Build after = put(before, "packet-radio");
        assertEquals(List.of(NODE), due(before, after));
        assertEquals(List.of(), due(before, sharedOut(after)));
        // A source has no signals.
        assertEquals(List.of(), due(before, put(before, "bench-supply")));
    }

    @Test
    void wiresThatTheBuilderTakesOffStayOff() throws Exception {
        Build wired = sharedOut(put(Builds.classic().build(), "packet-radio"));
        Build off = new RemoveWire(NODE, end("packet-radio.CE")).apply(wired);
        assertEquals(List.of(), due(wired, off));
        // With the next part they are asked for again.
        assertEquals(List.of(NODE), due(off, put(off, "button")));
        assertEquals(List.of(), due(off, new SetFigure(NODE, "packet-radio", "supply/VCC/max", "3.5 V").apply(off)));
    }

    @Test
    void whoeverAsksForItIsNotForestalled() throws Exception {
        Build before = new SetHabit<>(NODE, Habit.SHARING, Habit.Sharing.WHEN_ASKED)
                .apply(Builds.classic().build());
        assertEquals(List.of(), due(before, put(before, "packet-radio")));
    }

    // --- how

    @Test
    void whatIsThereStaysWhileNothingIsBetterMoved() throws Exception {
        // By hand, scattered over the header; the radio's bus is free.
        Build build = put(
                Builds.classic()
                        .part("lamp", "led")
                        .wire("lamp.A", "board.D2")
                        .part("press", "button")
                        .wire("press.A", "board.D9")
                        .build(),
                "packet-radio");
        Map<Endpoint, Endpoint> after = wires(sharedOut(build));
        assertEquals(end("board.D2"), after.get(end("lamp.A")));
        assertEquals(end("board.D9"), after.get(end("press.A")));
        assertEquals(end("board.D13"), after.get(end("packet-radio.SCK")));
    }

    @Test
    void whatIsOnlyPlannedMovesOffABusThatIsWanted() throws Exception {
        Build build = put(inTheWay().build(), "packet-radio");
        Map<Endpoint, Endpoint> after = wires(sharedOut(build));
        assertEquals(end("board.D13"), after.get(end("packet-radio.SCK")));
        assertFalse(after.get(end("press.A")).equals(end("board.D13")));
        assertTrue(plan(build).bySoftware().isEmpty());
    }

    @Test
    void whatIsPluggedStaysAndTheProgramDrivesTheBus() throws Exception {
        Build build = put(plugged(inTheWay().build()), "packet-radio");
        assertEquals(end("board.D13"), wires(sharedOut(build)).get(end("press.A")));
        assertEquals(List.of("packet-radio"), List.copyOf(plan(build).bySoftware()));
    }

    @Test
    void whatIsHeldStaysToo() throws Exception {
        Build build = put(
                Builds.classic()
                        .part("press", "button")
                        .hold("press.A", "board.D13")
                        .build(),
                "packet-radio");
        assertEquals(end("board.D13"), wires(sharedOut(build)).get(end("press.A")));
    }

    /** A button where the classic board has the clock of its bus. */
    private static Builds inTheWay() {
        return Builds.classic().part("press", "button").wire("press.A", "board.D13");
    }

    private static Build plugged(Build build) {
        var steps = WireList.of(Circuit.of(build, CATALOG)).get(0).steps().stream()
                .map(WireStep::id)
                .collect(Collectors.toSet());
        try {
            return new Plug(NODE, steps, true).apply(build);
        } catch (EditRefused refused) {
            throw new AssertionError(refused);
        }
    }

    // --- what has no place

    @Test
    void theOthersAreSharedOutAndWhyIsSaid() throws Exception {
        // Two lines of the bus take two of the five plain pins of the chip, the strip one; a radio wants five.
        Build build = Builds.on("chip-8pin").boardOnly("VCC", "usb.5V").build();
        for (String cls : List.of("button", "packet-radio", "motion-detector")) {
            build = put(build, cls);
        }
        Plan plan = plan(build);
        assertTrue(plan.placed());
        assertTrue(plan.clash().stream().anyMatch(signal -> signal.part().equals("packet-radio")));
        Map<Endpoint, Endpoint> after = wires(sharedOut(build));
        assertTrue(after.containsKey(end("button.A")), after.toString());
        assertFalse(plan.waysOut().isEmpty());
        // It is taken over as it is: nothing says that the part is for later.
        assertEquals(
                Map.of(),
                sharedOut(build)
                        .nodes()
                        .get(0)
                        .part("motion-detector")
                        .orElseThrow()
                        .settings());
    }

    @Test
    void afterAPartHasGoneTheOneThatHadNoPlaceGetsIt() throws Exception {
        Build build = Builds.on("chip-8pin").boardOnly("VCC", "usb.5V").build();
        for (String cls : List.of("button", "packet-radio", "motion-detector")) {
            build = put(build, cls);
        }
        Build crowded = sharedOut(build);
        String wired =
                wires(crowded).keySet().stream().anyMatch(pin -> pin.part().equals("packet-radio"))
                        ? "packet-radio"
                        : "motion-detector";
        Build less = new RemovePart(NODE, "packet-radio").apply(crowded);
        Build after = due(crowded, less).isEmpty() ? less : sharedOut(less);
        assertTrue(wires(after).containsKey(end("motion-detector.OUT")), wired);
    }

    @Test
    void whoStopsItGetsNothing() throws Exception {
        Build build = put(Builds.classic().build(), "packet-radio");
        assertThrows(CancellationException.class, () -> AsOneGoes.of(build, CATALOG, NODE, () -> true));
    }

    @Test
    void aTableThatGrowsPartByPartNeedsNothingMoreFromItsBuilder() throws Exception {
        Build build = Builds.on("board-wireless-3v3").build();
        for (String cls : List.of("packet-radio", "tag-reader-spi", "display-4x20-i2c", "button", "servo-micro")) {
            Build next = put(build, cls);
            build = due(build, next).isEmpty() ? next : sharedOut(next);
            List<String> stops = Assessment.assess(build, CATALOG).findings().stream()
                    .filter(finding -> finding.severity() == Severity.STOP)
                    .map(finding -> finding.code() + " at " + finding.place())
                    .filter(stop -> !stop.startsWith("levels."))
                    .toList();
            assertEquals(List.of(), stops, "after " + cls);
        }
    }
}
