package inkel.app.ui.frame;

import inkel.app.state.Session;
import inkel.app.ui.levels.LevelsView;
import inkel.app.ui.log.LogView;
import inkel.app.ui.parts.PartsView;
import inkel.app.ui.pins.PinsView;
import inkel.app.ui.power.PowerView;
import inkel.app.ui.stage.StageView;
import inkel.app.ui.tune.TuneView;
import inkel.app.ui.wake.WakeView;
import inkel.app.ui.why.StageNotes;
import inkel.app.ui.wire.WireView;
import inkel.core.finding.Stage;
import java.util.List;
import java.util.function.Consumer;

/** The one list of the stages: the frame, the edge, the menu and the Why panel read it. */
public final class Stages {
    private final PartsView parts;
    private final List<StageView> all;

    /**
     * @param go shows a stage
     * @param command does a command of the window by its id
     */
    public Stages(Session session, Consumer<Stage> go, Consumer<String> command) {
        parts = new PartsView(session, go);
        all = List.of(
                parts,
                new PowerView(session),
                new LevelsView(session),
                new PinsView(session),
                new WireView(session, command),
                new WakeView(session, go),
                new TuneView(session),
                new LogView(session));
    }

    /** In the order of work. */
    public List<StageView> all() {
        return all;
    }

    public StageView of(Stage stage) {
        return all.stream().filter(view -> view.stage() == stage).findFirst().orElseThrow();
    }

    /** What a stage adds to the Why panel. */
    public StageNotes notes(Stage stage) {
        return of(stage).notes();
    }

    PartsView parts() {
        return parts;
    }
}
