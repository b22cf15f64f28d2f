package inkel.app.ui.kit;

import static org.junit.jupiter.api.Assertions.assertEquals;

import javafx.event.Event;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class ScrollerTest {
    private static final double ROW = 40;
    private static final int ROWS = 20;

    private final VBox rows = new VBox();
    private Scroller scroller;

    @BeforeEach
    void fill() {
        for (int i = 0; i < ROWS; i++) {
            Region row = new Region();
            row.setMinHeight(ROW);
            row.setMaxHeight(ROW);
            rows.getChildren().add(row);
        }
        scroller = new Scroller(rows);
    }

    private void resize(double height) {
        scroller.resize(100, height);
        scroller.layout();
    }

    private void reveal(int row) {
        scroller.reveal(rows.getChildren().get(row));
        scroller.layout();
    }

    @Test
    void itScrollsAsLittleAsShowsARow() {
        resize(200);
        reveal(3);
        assertEquals(0, scroller.offset());
        reveal(5);
        assertEquals(6 * ROW - 200 + 4, scroller.offset());
        reveal(0);
        assertEquals(0, scroller.offset());
    }

    @Test
    void whatIsRevealedBeforeThereIsRoomIsSeenAsSoonAsThereIs() {
        reveal(19);
        resize(200);
        assertEquals(ROWS * ROW - 200, scroller.offset());
    }

    @Test
    void itStaysInViewWhenThereIsLessRoom() {
        resize(400);
        reveal(12);
        assertEquals(13 * ROW - 400 + 4, scroller.offset());
        resize(200);
        assertEquals(13 * ROW - 200 + 4, scroller.offset());
    }

    @Test
    void whoScrollsAwayIsNotTakenBack() {
        resize(400);
        reveal(12);
        Event.fireEvent(
                scroller, new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.PAGE_UP, false, false, false, false));
        scroller.layout();
        assertEquals(0, scroller.offset());
        resize(200);
        assertEquals(0, scroller.offset());
    }
}
