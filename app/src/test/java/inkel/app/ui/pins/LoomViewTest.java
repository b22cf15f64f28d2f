package inkel.app.ui.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.ui.pins.LoomModel.Mark;
import inkel.app.ui.pins.LoomModel.Row;
import inkel.app.ui.pins.LoomModel.Thread;
import inkel.core.checks.Assessment;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Ways to look at the loom. */
class LoomViewTest {
    private static final Assessment LOCKS = Given.assessment(Given.LOCKS);
    private static final Assessment SKETCH = Given.assessment(Given.FIRST_SKETCH);

    private static LoomModel look(LoomView view) {
        return LoomModel.of(LOCKS, "lower-lock", view);
    }

    private static List<String> labels(LoomModel model) {
        return model.threads().stream().map(Thread::label).toList();
    }

    private static Row row(LoomModel model, String part, String pin) {
        return model.modules().stream()
                .flatMap(module -> module.rows().stream())
                .filter(row -> row.place().endpoint().equals(new Endpoint(part, pin)))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void freePinsAreFoldedAwayAndCounted() {
        LoomModel all = look(LoomView.USUAL);
        LoomModel used = look(LoomView.USUAL.hidingFree(true));
        assertEquals(0, all.folded());
        assertEquals(all.threads().size() - used.threads().size(), used.folded());
        assertTrue(used.threads().stream().allMatch(Thread::isUsed));
    }

    @Test
    void threadsGroupedByBusKeepTogetherWhatBelongsTogether() {
        List<String> labels = labels(look(LoomView.USUAL.byBus(true)));
        int clock = labels.indexOf("D13");
        assertEquals(
                labels(look(LoomView.USUAL)).stream().sorted().toList(),
                labels.stream().sorted().toList());
        for (String line : List.of("D13", "D12", "D11", "D8", "D7")) {
            assertTrue(Math.abs(labels.indexOf(line) - clock) < 5, line + " is with the SPI bus: " + labels);
        }
    }

    @Test
    void pinsAreNamedByPlaceOrByNumber() {
        // D9 is the ninth place of the right row and number 9 in code.
        int thread = labels(look(LoomView.USUAL)).indexOf("D9");
        assertEquals(
                "R9", labels(look(LoomView.USUAL.named(LoomView.Names.PLACE))).get(thread));
        assertEquals(
                "9", labels(look(LoomView.USUAL.named(LoomView.Names.NUMBER))).get(thread));
        assertEquals(
                "Classic 5 V board D9, place R9 on the header, number 9 in code",
                look(LoomView.USUAL).threads().get(thread).names());
    }

    @Test
    void whatStandsInAWireIsMarkedOnIt() {
        LoomModel model = look(LoomView.USUAL);
        assertEquals(Mark.CONVERTER, row(model, "reader", "MISO").mark());
        assertEquals(Mark.NONE, row(model, "radio", "SCK").mark());
    }

    @Test
    void anotherPlanIsShownWhereItDiffers() {
        Plan plan = new Planner(SKETCH.build(), Given.CATALOG).plan("lower-lock");
        LoomModel compared = LoomModel.of(SKETCH, "lower-lock", LoomView.USUAL.comparing(Optional.of(plan)));
        long differing = compared.modules().stream()
                .flatMap(module -> module.rows().stream())
                .filter(row -> row.other() >= 0)
                .count();
        long moved = plan.wires().stream()
                .filter(wire -> SKETCH.build()
                        .node("lower-lock")
                        .orElseThrow()
                        .wire(wire.from())
                        .filter(now -> now.to().equals(wire.to()))
                        .isEmpty())
                .count();
        assertEquals(moved, differing);
        assertTrue(moved > 0);
    }

    @Test
    void currentsOfSuppliesAreKnownAndOverloadsTold() {
        LoomModel model = LoomModel.of(SKETCH, "lower-lock");
        assertTrue(row(model, "radio", "VCC").load().orElseThrow().isTooMuch(), "the sketch overloads the board's 5 V");
        assertTrue(row(look(LoomView.USUAL), "radio", "VCC")
                        .load()
                        .orElseThrow()
                        .current()
                        .amperes()
                > 0);
        assertTrue(row(model, "radio", "CE").load().isEmpty(), "a signal carries next to nothing");
    }

    @Test
    void wiresToOtherBoardsHangOnTheirPins() {
        NodeWire link = new NodeWire(
                Place.of("lower-lock", new Endpoint("board", "D2")),
                Place.of("pump-house", new Endpoint("board", "A8")),
                true,
                Extras.NONE);
        Assessment joined = Assessment.assess(LOCKS.build().withLinks(List.of(link)), Given.CATALOG);
        LoomModel model = LoomModel.of(joined, "lower-lock");
        LoomModel.Module last = model.modules().get(model.modules().size() - 1);
        assertEquals(1, last.rows().size());
        assertEquals("A8", last.rows().get(0).label());
        assertEquals("D2", model.threads().get(last.rows().get(0).thread()).label());
    }
}
