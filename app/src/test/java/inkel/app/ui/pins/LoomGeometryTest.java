package inkel.app.ui.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LoomGeometryTest {
    private static LoomModel model(LoomView view) {
        return LoomModel.of(Given.assessment(Given.LOCKS), "lower-lock", view);
    }

    @ParameterizedTest(name = "room of {0}")
    @ValueSource(doubles = {300, 700, 860, 1400, 2300})
    void everyThreadIsFoundWhereItStands(double room) {
        LoomGeometry loom = new LoomGeometry(model(LoomView.USUAL), room);
        for (int i = 0; i < loom.model().threads().size(); i++) {
            assertEquals(i, loom.threadAt(loom.x(i)));
        }
        assertEquals(-1, loom.threadAt(LoomGeometry.LEFT - 1), "left of them all");
        assertEquals(-1, loom.threadAt(loom.width()), "right of them all");
    }

    @Test
    void threadsNeverStandSoCloseThatKnotsTouch() {
        LoomGeometry narrow = new LoomGeometry(model(LoomView.USUAL), 100);
        assertTrue(narrow.step() >= 16, "a knot is up to 15 wide");
        assertTrue(narrow.width() > 100, "so it is scrolled instead");
    }

    @Test
    void rowsFollowOneAnotherAndAreFoundByHeight() {
        LoomGeometry loom = new LoomGeometry(model(LoomView.USUAL), 860);
        for (int i = 1; i < loom.rows().size(); i++) {
            assertTrue(loom.y(i) - loom.y(i - 1) >= LoomGeometry.ROW, "row " + i);
        }
        for (int i = 0; i < loom.rows().size(); i++) {
            assertEquals(i, loom.firstRowFrom(loom.y(i)));
            assertEquals(i + 1, loom.firstRowFrom(loom.y(i) + 0.5));
        }
        assertEquals(loom.rows().size(), loom.firstRowFrom(loom.height()));
    }

    @Test
    void aFoldedModuleKeepsItsNameAndGivesItsRowsAway() {
        LoomGeometry open = new LoomGeometry(model(LoomView.USUAL), 860);
        LoomGeometry folded = new LoomGeometry(model(LoomView.USUAL.toggled("radio")), 860);
        assertEquals(open.model().modules().size(), folded.model().modules().size());
        assertEquals(open.rows().size() - 8, folded.rows().size(), "the radio has eight pins");
        assertTrue(folded.height() < open.height());
        assertEquals(
                open.model(), model(LoomView.USUAL.toggled("radio").toggled("radio")), "folding twice changes nothing");
    }
}
