package inkel.app.ui.frame;

import inkel.app.state.Session;
import inkel.app.state.TypedWork.Typed;
import inkel.app.ui.kit.Fleeting;
import inkel.app.ui.kit.Subscriptions;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import javafx.animation.PauseTransition;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.TextInputControl;
import javafx.util.Duration;

/** Sees to it that what is typed and not taken over yet outlives a run that ends meanwhile. */
final class TypedWatch {
    private static final Duration PAUSE = Duration.millis(400);

    private final Session session;

    /** The fields that somebody was in, with what stood in them when it was last known to be in the build. */
    private final Map<TextInputControl, String> known = new LinkedHashMap<>();

    private final PauseTransition pause = new PauseTransition(PAUSE);
    private TextInputControl present;
    private List<Typed> kept = List.of();

    TypedWatch(Session session, Subscriptions subscriptions, Scene scene) {
        this.session = session;
        pause.setOnFinished(event -> gather());
        subscriptions.on(scene.focusOwnerProperty(), (property, old, next) -> entered(next));
        // A change of the build may be what was typed in the field that somebody is in, or just left.
        subscriptions.on(session.assessmentProperty(), (property, old, next) -> taken());
    }

    private void entered(Node next) {
        if (next instanceof TextInputControl field && field.isEditable() && !Fleeting.is(field)) {
            present = field;
            if (known.putIfAbsent(field, Objects.requireNonNullElse(field.getText(), "")) == null) {
                field.textProperty().addListener((property, old, text) -> changed(field));
            }
        }
        pause.playFromStart();
    }

    /** What changes without anybody being in the field is a value of the build that is shown. */
    private void changed(TextInputControl field) {
        if (!field.isFocused()) {
            known.replace(field, Objects.requireNonNullElse(field.getText(), ""));
        }
        pause.playFromStart();
    }

    private void taken() {
        if (present != null) {
            known.replace(present, present.getText());
            pause.playFromStart();
        }
    }

    /** What stands in fields that are still shown and is not what is known of them. */
    private void gather() {
        known.keySet().removeIf(field -> field.getScene() == null);
        List<Typed> typed = known.entrySet().stream()
                .filter(each -> isTyped(each.getKey(), each.getValue()))
                .map(each -> new Typed(name(each.getKey()), each.getKey().getText()))
                .toList();
        if (!typed.equals(kept)) {
            kept = typed;
            session.typed().keep(typed);
        }
    }

    private static boolean isTyped(TextInputControl field, String before) {
        String text = field.getText();
        return text != null && !text.isBlank() && !text.equals(before);
    }

    private static String name(TextInputControl field) {
        String name = field.getAccessibleText();
        return name == null || name.isBlank() ? Objects.requireNonNullElse(field.getPromptText(), "") : name;
    }

    /** Keeps what stands in fields when the window is closed. */
    void end() {
        pause.stop();
        gather();
    }
}
