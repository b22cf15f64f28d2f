package inkel.app.ui.stage;

import inkel.core.finding.Stage;
import java.util.function.Supplier;

/**
 * A stage whose pane is made when it is first shown.
 *
 * @param <P> its pane
 */
public abstract class LazyView<P extends StagePane> implements StageView {
    private final Stage stage;
    private final Supplier<P> make;
    private P pane;

    /** @param make makes the pane; called once */
    protected LazyView(Stage stage, Supplier<P> make) {
        this.stage = stage;
        this.make = make;
    }

    @Override
    public final Stage stage() {
        return stage;
    }

    @Override
    public final P pane() {
        if (pane == null) {
            pane = make.get();
        }
        return pane;
    }

    /** Whether the pane was made, so that there is something to take leave of. */
    public final boolean isMade() {
        return pane != null;
    }
}
