package inkel.app.ui.kit;

import javafx.event.EventHandler;
import javafx.geometry.Insets;
import javafx.scene.control.Skin;
import javafx.scene.control.SkinBase;
import javafx.scene.control.TextField;
import javafx.scene.control.skin.TextFieldSkin;
import javafx.scene.input.MouseEvent;

/**
 * A text field that shows its prompt only until somebody turns to it. What is needed for typing is dear, and the first
 * picture of the window goes without it.
 */
public final class LateField extends TextField {
    public LateField() {
        focusedProperty().addListener(property -> wake());
        textProperty().addListener(property -> wake());
    }

    private void wake() {
        if (getSkin() instanceof Asleep) {
            setSkin(new TextFieldSkin(this));
        }
    }

    @Override
    protected Skin<?> createDefaultSkin() {
        return isFocused() || !getText().isEmpty() ? new TextFieldSkin(this) : new Asleep(this);
    }

    /** The prompt alone. */
    private static final class Asleep extends SkinBase<LateField> {
        private final Line prompt;
        private final EventHandler<MouseEvent> press;

        Asleep(LateField field) {
            super(field);
            prompt = new Line(field.getPromptText(), "prompt");
            prompt.setManaged(false);
            prompt.setMouseTransparent(true);
            getChildren().add(prompt);
            // The field itself, since its own presses are part of what is still missing.
            press = event -> field.requestFocus();
            field.addEventHandler(MouseEvent.MOUSE_PRESSED, press);
        }

        @Override
        public void dispose() {
            getSkinnable().removeEventHandler(MouseEvent.MOUSE_PRESSED, press);
            getChildren().remove(prompt);
            super.dispose();
        }

        @Override
        protected double computePrefHeight(double width, double top, double right, double bottom, double left) {
            return top + Math.ceil(TextSize.height(prompt.whole(), prompt.getFont(), 0)) + bottom;
        }

        @Override
        protected double computeMinHeight(double width, double top, double right, double bottom, double left) {
            return computePrefHeight(width, top, right, bottom, left);
        }

        @Override
        protected void layoutChildren(double x, double y, double width, double height) {
            Insets insets = getSkinnable().getInsets();
            prompt.fit(width);
            prompt.relocate(insets.getLeft(), y + (height - prompt.height()) / 2);
        }
    }
}
