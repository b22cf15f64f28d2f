package inkel.app.ui.pins;

import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.pins.Reach;
import java.util.Map;

/** What the loom asks of the stage it is on. */
public interface LoomActions {
    /** Selects a place everywhere. */
    void select(Place place);

    /** Where a signal may go, for every pin; empty for what no hand can move. */
    Map<Endpoint, Reach> reach(Place signal);

    /** The builder dropped a signal on a pin. */
    void drop(Place signal, Reach on);

    /** Fixes a signal where it is, or lets it go. */
    void toggleHold(Place signal);

    /** Folds a module or opens it. */
    void toggleFold(String module);
}
