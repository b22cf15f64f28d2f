package inkel.app.ui.wake;

import inkel.app.state.Session;
import inkel.app.ui.stage.LazyView;
import inkel.app.ui.stage.Progress;
import inkel.app.ui.why.StageNotes;
import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;
import java.util.function.Consumer;

/** The stage Wake. */
public final class WakeView extends LazyView<WakeStage> {
    private final Session session;

    /** @param goTo shows another stage */
    public WakeView(Session session, Consumer<Stage> goTo) {
        super(Stage.WAKE, () -> new WakeStage(session, goTo));
        this.session = session;
    }

    /** Not begun until something was read: the checks of a plan alone are nothing that waits. */
    @Override
    public Progress progress(Assessment assessment, String node) {
        return session.wake()
                .counted(assessment, node)
                .filter(state -> state.results().values().stream()
                        .anyMatch(result -> result.at().isPresent()))
                .map(state -> Progress.of((int) (state.count() - state.holding())))
                .orElse(Progress.NOT_BEGUN);
    }

    @Override
    public StageNotes notes() {
        return new WakeNotes(session.wake());
    }
}
