package inkel.app.ui.power;

import inkel.app.state.Session;
import inkel.app.ui.stage.LazyView;
import inkel.app.ui.why.StageNotes;
import inkel.core.finding.Stage;

/** The stage Power. */
public final class PowerView extends LazyView<PowerStage> {
    public PowerView(Session session) {
        super(Stage.POWER, () -> new PowerStage(session));
    }

    @Override
    public StageNotes notes() {
        return new PowerNotes();
    }
}
