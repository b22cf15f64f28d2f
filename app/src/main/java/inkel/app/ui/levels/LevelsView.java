package inkel.app.ui.levels;

import inkel.app.state.Session;
import inkel.app.ui.stage.LazyView;
import inkel.core.finding.Stage;

/** The stage Levels. */
public final class LevelsView extends LazyView<LevelsStage> {
    private final Session session;

    public LevelsView(Session session) {
        super(Stage.LEVELS);
        this.session = session;
    }

    @Override
    protected LevelsStage make() {
        return new LevelsStage(session);
    }
}
