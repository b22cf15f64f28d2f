package inkel.app.ui.kit;

import javafx.beans.property.BooleanProperty;
import javafx.beans.property.BooleanPropertyBase;
import javafx.css.PseudoClass;
import javafx.scene.AccessibleAction;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;

/**
 * A region that acts when it is clicked, or when space or Enter is pressed on it. It lays its children out itself and
 * has no skin, which is why it serves where there are many: cards, knots, gauges.
 */
public class Pressable extends Region {
    private static final PseudoClass SELECTED = PseudoClass.getPseudoClass("selected");

    private final Runnable action;
    private final BooleanProperty selected = new BooleanPropertyBase() {
        @Override
        protected void invalidated() {
            pseudoClassStateChanged(SELECTED, get());
            notifyAccessibleAttributeChanged(AccessibleAttribute.SELECTED);
        }

        @Override
        public Object getBean() {
            return Pressable.this;
        }

        @Override
        public String getName() {
            return "selected";
        }
    };

    /** @param action what a press does */
    protected Pressable(Runnable action, String style) {
        this.action = action;
        getStyleClass().add(style);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.TOGGLE_BUTTON);
        addEventHandler(MouseEvent.MOUSE_PRESSED, event -> {
            if (event.getTarget() == this || !isFocusWithin()) {
                requestFocus();
            }
        });
        addEventHandler(MouseEvent.MOUSE_CLICKED, event -> {
            if (event.getButton() == MouseButton.PRIMARY && event.isStillSincePress()) {
                fire();
                event.consume();
            }
        });
        addEventHandler(KeyEvent.KEY_PRESSED, event -> {
            boolean isPress = event.getCode() == KeyCode.SPACE || event.getCode() == KeyCode.ENTER;
            if (isPress && isFocused() && !event.isShortcutDown()) {
                fire();
                event.consume();
            }
        });
    }

    /** Acts as a click does. */
    public final void fire() {
        if (!isDisabled()) {
            action.run();
        }
    }

    public final boolean isSelected() {
        return selected.get();
    }

    public final void setSelected(boolean isSelected) {
        selected.set(isSelected);
    }

    public final BooleanProperty selectedProperty() {
        return selected;
    }

    @Override
    public Object queryAccessibleAttribute(AccessibleAttribute attribute, Object... parameters) {
        return attribute == AccessibleAttribute.SELECTED
                ? (Object) isSelected()
                : super.queryAccessibleAttribute(attribute, parameters);
    }

    @Override
    public void executeAccessibleAction(AccessibleAction accessibleAction, Object... parameters) {
        if (accessibleAction == AccessibleAction.FIRE) {
            fire();
        } else {
            super.executeAccessibleAction(accessibleAction, parameters);
        }
    }
}
