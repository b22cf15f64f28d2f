package inkel.app.ui.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Explained;
import inkel.app.kit.Given;
import inkel.app.ui.why.Why;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.finding.Fix;
import inkel.core.finding.Stage;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What the Why panel offers of pins in the stage Pins. */
class PinNotesTest {
    private static final String NODE = "lower-lock";

    private static Why why(Build build, String part, String pin) {
        Assessment assessment = Assessment.assess(build, Given.CATALOG);
        Place place = pin.isEmpty() ? Place.ofPart(NODE, part) : Place.of(NODE, new Endpoint(part, pin));
        return Explained.at(assessment, NODE, Stage.PINS, place);
    }

    private static Fix action(Build build, String part, String pin, String id) {
        return why(build, part, pin).actions().stream()
                .filter(fix -> fix.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new AssertionError(id + " is not offered"));
    }

    private static Build locks() {
        return Given.assessment(Given.LOCKS).build();
    }

    private static List<Wire> wires(Build build, String part) {
        return build.node(NODE).orElseThrow().wires().stream()
                .filter(wire -> wire.from().part().equals(part))
                .toList();
    }

    @Test
    void aSignalIsHeldAndLetGo() throws Exception {
        Build held = action(locks(), "radio", "CSN", "hold").apply(locks());
        Endpoint select = new Endpoint("radio", "CSN");
        assertTrue(held.node(NODE).orElseThrow().wire(select).orElseThrow().held());
        Build back = action(held, "radio", "CSN", "let-go").apply(held);
        assertEquals(locks(), back);
    }

    @Test
    void aWholeModuleIsHeldAndLetGo() throws Exception {
        Build held = action(locks(), "display", "", "hold-all").apply(locks());
        assertTrue(wires(held, "display").stream().allMatch(Wire::held));
        Build back = action(held, "display", "", "let-go-all").apply(held);
        assertTrue(wires(back, "display").stream().noneMatch(Wire::held));
    }

    @Test
    void aPartIsKeptNearAnEndAndReleased() throws Exception {
        Build near = action(locks(), "handset", "", "end-far").apply(locks());
        assertEquals(
                "far",
                near.node(NODE)
                        .orElseThrow()
                        .part("handset")
                        .orElseThrow()
                        .typed(Settings.END)
                        .orElseThrow());
        assertEquals(locks(), action(near, "handset", "", "end-either").apply(near));
    }

    @Test
    void aPinOfTheBoardIsKeptFreeAndUsedAgain() throws Exception {
        Build kept = action(locks(), "board", "D2", "keep-free").apply(locks());
        Build both = action(kept, "board", "D3", "keep-free").apply(kept);
        assertEquals(
                "D2, D3",
                both.node(NODE).orElseThrow().board().typed(Settings.FORBIDDEN).orElseThrow());
        Build one = action(both, "board", "D2", "use-again").apply(both);
        assertEquals(
                "D3",
                one.node(NODE).orElseThrow().board().typed(Settings.FORBIDDEN).orElseThrow());
        assertEquals(locks(), action(one, "board", "D3", "use-again").apply(one));
    }

    @Test
    void aPinOfTheBoardTellsWhoIsOnItAndWhatItCan() {
        Why why = why(locks(), "board", "D9");
        List<String> lines = why.sections().stream()
                .flatMap(section -> section.lines().stream())
                .map(Why.Line::text)
                .toList();
        assertTrue(lines.contains("Packet radio CE"), lines.toString());
        assertTrue(lines.stream().anyMatch(line -> line.contains("pwm1.a")), lines.toString());
    }
}
