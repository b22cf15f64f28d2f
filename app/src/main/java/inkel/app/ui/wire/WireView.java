package inkel.app.ui.wire;

import inkel.app.state.Session;
import inkel.app.ui.stage.LazyView;
import inkel.app.ui.stage.Progress;
import inkel.app.ui.why.StageNotes;
import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;
import java.util.function.Consumer;

/** The stage Wire. */
public final class WireView extends LazyView<WireStage> {
    private final Session session;

    /** @param command does a command of the window by its id */
    public WireView(Session session, Consumer<String> command) {
        super(Stage.WIRE, () -> new WireStage(session, command));
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
