package inkel.app.ui.levels;

import inkel.app.state.Session;
import inkel.app.ui.stage.LazyView;
import inkel.core.finding.Stage;

/** The stage Levels. */
public final class LevelsView extends LazyView<LevelsStage> {
    public LevelsView(Session session) {
        super(Stage.LEVELS, () -> new LevelsStage(session));
    }
}
