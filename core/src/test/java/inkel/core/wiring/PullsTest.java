package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.SetWire;
import inkel.core.kit.Builds;
import java.util.HashSet;
import java.util.List;
import org.junit.jupiter.api.Test;

/** After a change: all pulls before all plugs, each named by what is still known of its ends. */
class PullsTest {
    private static Build plugged() throws Exception {
        Build build = Builds.classic()
                .part("eye", "infrared-receiver", "VS=board.5V")
                .part("lamp", "led")
                .wire("eye.OUT", "board.D4")
                .wire("lamp.A", "board.D5")
                .build();
        List<String> ids = list(build).steps().stream().map(WireStep::id).toList();
        return new Plug(Builds.NODE, new HashSet<>(ids), true).apply(build);
    }

    private static WireList list(Build build) {
        return WireList.of(Circuit.of(build, Builds.CATALOG).nodes().get(0));
    }

    @Test
    void aWireThatMovedIsPulledBeforeItIsPlugged() throws Exception {
        Build moved =
                new SetWire(Builds.NODE, Wire.placed(Builds.end("eye.OUT"), Builds.end("board.D7"))).apply(plugged());
        WireList list = list(moved);
        assertTrue(list.isChange());
        List<WireStep> open = list.tasks().stream()
                .filter(task -> task.kind() == WireStep.Kind.PULL || !task.plugged())
                .toList();
        assertEquals(2, open.size());
        assertEquals(WireStep.Kind.PULL, open.get(0).kind());
        assertEquals(Builds.place("eye.OUT"), open.get(0).subject());
        assertEquals("board.D4@1", open.get(0).from().id());
        assertEquals("board.D7@1", open.get(1).from().id());
        Build pulled = new Plug(Builds.NODE, new HashSet<>(List.of(open.get(0).id())), false).apply(moved);
        assertEquals(List.of(), list(pulled).pulls());
    }

    @Test
    void theWiresOfAPartThatWentKeepItsName() throws Exception {
        WireList list = list(new RemovePart(Builds.NODE, "eye").apply(plugged()));
        List<WireStep> signals = list.pulls().stream()
                .filter(pull -> pull.from().id().equals("board.D4@1"))
                .toList();
        assertEquals(1, signals.size());
        assertEquals(new Terminal.Gone("eye.OUT@1"), signals.get(0).to());
        assertEquals(
                Place.ofPart(Builds.NODE, "board").toString(),
                signals.get(0).subject().toString(),
                "the board, since nothing else is there");
    }

    @Test
    void nothingIsToChangeWhereAllIsPlugged() throws Exception {
        assertEquals(false, list(plugged()).isChange());
    }
}
