package inkel.app.ui.wire;

import inkel.app.state.Session;
import inkel.app.ui.stage.LazyView;
import inkel.app.ui.stage.Progress;
import inkel.app.ui.why.StageNotes;
import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;

/** The stage Wire. */
public final class WireView extends LazyView<WireStage> {
    private final Session session;

    public WireView(Session session) {
        super(Stage.WIRE, () -> new WireStage(session));
        this.session = session;
    }

    @Override
    public Progress progress(Assessment assessment, String node) {
        return session.seats()
                .wires(assessment, node)
                .map(list -> Progress.of(list.openCount()))
                .orElse(Progress.NOT_BEGUN);
    }

    @Override
    public StageNotes notes() {
        return new WireNotes(session.seats());
    }
}
