package inkel.app.ui.stage;

import inkel.core.finding.Stage;

/**
 * A stage whose pane is made when it is first shown.
 *
 * @param <P> its pane
 */
public abstract class LazyView<P extends StagePane> implements StageView {
    private final Stage stage;
    private P pane;

    protected LazyView(Stage stage) {
        this.stage = stage;
    }

    /** Makes the pane; called once. */
    protected abstract P make();

    @Override
    public final Stage stage() {
        return stage;
    }

    @Override
    public final P pane() {
        if (pane == null) {
            pane = make();
        }
        return pane;
    }

    /** Whether the pane was made, so that there is something to take leave of. */
    public final boolean isMade() {
        return pane != null;
    }
}
