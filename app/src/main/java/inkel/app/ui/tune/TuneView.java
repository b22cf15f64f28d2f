package inkel.app.ui.tune;

import inkel.app.state.Session;
import inkel.app.ui.stage.LazyView;
import inkel.app.ui.stage.Progress;
import inkel.app.ui.why.StageNotes;
import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;
import inkel.core.tune.stand.Benches;
import inkel.core.tune.stand.TuneReport;
import java.util.List;

/** The stage Tune. */
public final class TuneView extends LazyView<TuneStage> {
    private final Session session;

    public TuneView(Session session) {
        super(Stage.TUNE, () -> new TuneStage(session));
        this.session = session;
    }

    /** Not begun until something was kept: a table of benches alone is nothing that waits. */
    @Override
    public Progress progress(Assessment assessment, String node) {
        List<TuneReport.Stand> stands = assessment.reports().tunes().of(node).stream()
                .filter(stand -> Benches.isKept(stand.bench()))
                .toList();
        long kept = stands.stream().filter(stand -> stand.kept().isPresent()).count();
        return kept == 0 ? Progress.NOT_BEGUN : Progress.of((int) (stands.size() - kept));
    }

    @Override
    public StageNotes notes() {
        return new TuneNotes(session.tune());
    }
}
