package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.kit.Builds;
import org.junit.jupiter.api.Test;

class ShareOutTest {
    @Test
    void whatGoesNowhereGetsAPinAndTheRestStays() throws Exception {
        Build build = Builds.classic()
                .part("press", "button")
                .wire("press.A", "board.D9")
                .part("radio", "packet-radio", "VCC=board.3V3")
                .build();
        Build after = new ShareOut(NODE, CATALOG).apply(build);
        assertEquals(
                end("board.D9"),
                after.nodes().get(0).wire(end("press.A")).orElseThrow().to());
        assertEquals(
                end("board.D13"),
                after.nodes().get(0).wire(end("radio.SCK")).orElseThrow().to());
    }

    @Test
    void whereThereIsNoPlacementNothingChanges() throws Exception {
        // Five signals of the radio and one of the button on the five plain pins of the chip, reset left out.
        Builds builds = Builds.on("chip-8pin").boardOnly("VCC", "usb.5V").part("radio", "packet-radio", "VCC=usb.5V");
        for (int i = 0; i < 3; i++) {
            builds.part("press-" + i, "button");
        }
        assertEquals(builds.build(), new ShareOut(NODE, CATALOG).apply(builds.build()));
    }

    @Test
    void aTableThatIsGoneIsSaidToBe() {
        EditRefused refused = assertThrows(EditRefused.class, () -> new ShareOut("gone", CATALOG)
                .apply(Builds.classic().build()));
        assertEquals("refused.no_node", refused.reason().key());
    }
}
