package inkel.app.ui.kit;

import static org.junit.jupiter.api.Assertions.assertEquals;

import javafx.scene.layout.Region;
import org.junit.jupiter.api.Test;

class WrapRowTest {
    private static final double GAP = 8;

    private static Region box(double width) {
        Region box = new Region();
        box.setMinSize(width, 20);
        box.setPrefSize(width, 20);
        box.setMaxSize(width, 20);
        return box;
    }

    private static WrapRow three() {
        return new WrapRow(GAP, box(100), box(100), box(100));
    }

    @Test
    void itWantsOneLine() {
        assertEquals(3 * 100 + 2 * GAP, three().prefWidth(-1));
        assertEquals(0, new WrapRow(GAP).prefWidth(-1));
        assertEquals(0, three().minWidth(-1), "and gives way");
    }

    @Test
    void withLessRoomItTakesMoreLines() {
        assertEquals(20, three().prefHeight(316));
        assertEquals(2 * 20 + GAP, three().prefHeight(210));
        assertEquals(3 * 20 + 2 * GAP, three().prefHeight(110));
    }

    @Test
    void everyChildKeepsItsWidth() {
        WrapRow row = three();
        row.resize(210, 48);
        row.layout();
        Region last = (Region) row.getChildren().get(2);
        assertEquals(100, last.getWidth());
        assertEquals(0, last.getLayoutX());
        assertEquals(20 + GAP, last.getLayoutY());
    }

    @Test
    void whatIsNotManagedTakesNoRoom() {
        WrapRow row = three();
        row.getChildren().get(1).setManaged(false);
        assertEquals(2 * 100 + GAP, row.prefWidth(-1));
    }
}
