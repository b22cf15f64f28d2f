package inkel.app.ui.wire;

import inkel.app.ui.kit.Pressable;
import inkel.core.document.SeatChoice;
import inkel.core.seats.SeatPlan;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Point2D;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/** Who sits at some rows: pressed to look at, dragged to another place, moved by keys. */
final class SeatBox extends Pressable {
    private static final PseudoClass HELD = PseudoClass.getPseudoClass("held");

    private final SeatPlan.Seat seat;
    private int grip;
    private boolean isDragged;
    private Optional<SeatChoice> aim = Optional.empty();

    SeatBox(SeatPlan.Seat seat, SeatMap map, SeatMap.Hand hand, String style) {
        super(() -> hand.choose(seat), style);
        this.seat = seat;
        setId("seat-" + seat.id().replaceAll("[^A-Za-z0-9-]+", "-"));
        pseudoClassStateChanged(HELD, seat.isHeld());
        addEventHandler(MouseEvent.MOUSE_PRESSED, event -> {
            Point2D at = map.sceneToLocal(event.getSceneX(), event.getSceneY());
            grip = map.grip(seat, at.getX(), at.getY());
        });
        addEventHandler(MouseEvent.MOUSE_DRAGGED, event -> {
            if (event.getButton() == MouseButton.PRIMARY && !event.isStillSincePress()) {
                isDragged = true;
                Point2D at = map.sceneToLocal(event.getSceneX(), event.getSceneY());
                aim = map.at(seat, at.getX(), at.getY(), grip);
                hand.over(seat, aim);
                event.consume();
            }
        });
        addEventHandler(MouseEvent.MOUSE_RELEASED, event -> {
            if (isDragged) {
                isDragged = false;
                hand.drop(seat, aim);
                event.consume();
            }
        });
        addEventHandler(KeyEvent.KEY_PRESSED, event -> hand.key(seat, event));
    }

    SeatPlan.Seat seat() {
        return seat;
    }
}
