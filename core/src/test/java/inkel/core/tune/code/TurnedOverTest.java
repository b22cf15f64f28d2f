package inkel.core.tune.code;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.routine.Step;
import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A coil that a transistor pulls low is moved by a high of the board. */
class TurnedOverTest {
    private static List<Step> key(Builds table) {
        return StartPlan.of(table.wire("relay.IN", "board.D8").circuit())
                .tasks()
                .get(0)
                .routine()
                .key();
    }

    @Test
    void behindATransistorTheBoardBeginsWithAHigh() {
        Between driver = new Between.CoilDriver(Builds.end("relay.IN"), Resistance.ofOhms(1000), Extras.NONE);
        assertEquals(
                List.of(new Step.Switch("IN", true)),
                key(Builds.classic().part("relay", "relay-coil", "V+=board.5V").between(driver)));
    }

    @Test
    void withoutOneItPutsOutWhatThePartWants() {
        assertEquals(
                List.of(new Step.Switch("IN", false)),
                key(Builds.classic().part("relay", "relay-opto", "VCC=board.5V")));
    }
}
