package inkel.app.ui.log;

import inkel.app.state.Session;
import inkel.app.ui.stage.LazyView;
import inkel.app.ui.stage.Progress;
import inkel.app.ui.why.StageNotes;
import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;

/** The stage Log. */
public final class LogView extends LazyView<LogStage> {
    private final Session session;

    public LogView(Session session) {
        super(Stage.LOG, () -> new LogStage(session));
        this.session = session;
    }

    @Override
    public Progress progress(Assessment assessment, String node) {
        return assessment.build().log().isEmpty() ? Progress.NOT_BEGUN : Progress.of(0);
    }

    @Override
    public StageNotes notes() {
        return new LogNotes(session);
    }
}
