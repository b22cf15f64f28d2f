package inkel.app.ui.wake;

import inkel.app.state.Session;
import inkel.app.ui.stage.LazyView;
import inkel.app.ui.stage.Progress;
import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;

/** The stage Wake. */
public final class WakeView extends LazyView<WakeStage> {
    public WakeView(Session session) {
        super(Stage.WAKE, () -> new WakeStage(session));
    }

    @Override
    public Progress progress(Assessment assessment, String node) {
        return Progress.NOT_BEGUN;
    }
}
