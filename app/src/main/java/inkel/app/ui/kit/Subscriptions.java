package inkel.app.ui.kit;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.Property;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;

/**
 * What a pane listens to beyond itself, so that it can stop all of that at once when it goes. Listeners on a pane's own
 * controls go with the controls and need not be in it.
 */
public final class Subscriptions {
    private final List<Runnable> ends = new ArrayList<>();

    /** Listens until disposed. */
    public <T> void on(ObservableValue<T> value, ChangeListener<? super T> listener) {
        value.addListener(listener);
        ends.add(() -> value.removeListener(listener));
    }

    /** Follows until disposed. */
    public <T> void bind(Property<T> property, ObservableValue<? extends T> value) {
        property.bind(value);
        ends.add(property::unbind);
    }

    /** Stops all of it; can be called again. */
    public void dispose() {
        ends.forEach(Runnable::run);
        ends.clear();
    }

    /** How many are live. */
    public int size() {
        return ends.size();
    }
}
