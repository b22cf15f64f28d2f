package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.ObjectMapper;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.kit.Builds;
import inkel.core.kit.TableFile;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A part alone on a board lies where its owner would put it: neighbours in order before scattered. */
class NeighboursTest {
    private static final List<String> MANY_WIRES = List.of(
            "keypad-16", "stepper-driver", "motor-driver", "display-2x16-parallel", "rgb-led-cathode", "encoder");

    /** A header of a single-board computer has grounds and supplies between its pins. */
    private static final int MOST_GAPS = 3;

    private static List<String> pins(Build build) throws Exception {
        return new Planner(build, CATALOG)
                .plan(Builds.NODE).edit().orElseThrow().apply(build).nodes().get(0).wires().stream()
                        .map(wire -> wire.to().pin())
                        .toList();
    }

    @Test
    void eightWiresOfAKeypadRunAlongTheHeaderAndGoOnBeyondItsEnd() throws Exception {
        // D2 and D3 can call and are left; the next free neighbours are at the start of the other row.
        Builds keypad = Builds.classic().part("keys", "keypad-16");
        assertEquals(List.of("D8", "D7", "D6", "D5", "D4", "A0", "A1", "A2"), pins(keypad.build()));
        assertEquals(
                List.of("D8", "D7", "D6", "D5"),
                pins(Builds.classic().part("steps", "stepper-driver").build()));
    }

    static Stream<PartClass> boards() {
        return CATALOG.all().stream().filter(cls -> cls.kind() == Kind.BOARD);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("boards")
    void aLonePartLiesInOneOrFewPieces(PartClass board) throws Exception {
        for (String module : MANY_WIRES) {
            Build build = Builds.powered(board).part("one", module).build();
            Plan plan = new Planner(build, CATALOG).plan(Builds.NODE);
            if (plan.edit().isEmpty()) {
                continue;
            }
            Build after = plan.edit().get().apply(build);
            Merits merits = Merits.of(Circuit.of(after, CATALOG).nodes().get(0));
            assertTrue(merits.crossings() <= 1 && merits.gaps() <= MOST_GAPS, module + ": " + merits);
        }
    }

    /** A table on which the first search ends with a bus on a pin that the board looks at while it starts. */
    private static Build crowded(String board) throws Exception {
        return TableFile.laid(new ObjectMapper()
                .readTree(
                        """
                {"board": "%s", "parts": ["shift-in", "led", "flow", "colour-frequency", "servo-micro"]}
                """
                                .formatted(board)));
    }

    @Test
    void aBusGetsTheGoodPinsThatOthersTookFirst() throws Exception {
        for (String board : List.of("board-wireless-3v3", "module-wireless")) {
            assertEquals(List.of(), Builds.of(Assessment.assess(crowded(board), CATALOG), "pins.boot_strap"), board);
        }
    }
}
