package inkel.app.ui.kit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleStringProperty;
import org.junit.jupiter.api.Test;

class SubscriptionsTest {
    @Test
    void nothingIsHeardOrFollowedOnceDisposed() {
        SimpleStringProperty name = new SimpleStringProperty("a");
        SimpleBooleanProperty source = new SimpleBooleanProperty();
        SimpleBooleanProperty follower = new SimpleBooleanProperty();
        List<String> heard = new ArrayList<>();
        Subscriptions subscriptions = new Subscriptions();
        subscriptions.on(name, (property, old, next) -> heard.add(next));
        subscriptions.bind(follower, source);
        name.set("b");
        source.set(true);
        subscriptions.dispose();
        subscriptions.dispose();
        name.set("c");
        source.set(false);
        assertEquals(List.of("b"), heard);
        assertEquals(true, follower.get());
        assertFalse(follower.isBound());
        assertEquals(0, subscriptions.size());
    }
}
