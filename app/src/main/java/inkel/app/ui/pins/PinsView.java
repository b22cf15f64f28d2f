package inkel.app.ui.pins;

import inkel.app.state.Session;
import inkel.app.ui.stage.Command;
import inkel.app.ui.stage.LazyView;
import inkel.app.ui.why.StageNotes;
import inkel.core.finding.Stage;
import java.util.List;

/** The stage Pins. */
public final class PinsView extends LazyView<PinsStage> {
    private final Session session;

    public PinsView(Session session) {
        super(Stage.PINS, () -> new PinsStage(session));
        this.session = session;
    }

    @Override
    public StageNotes notes() {
        return new PinsNotes();
    }

    @Override
    public List<Command> commands() {
        return List.of(
                Command.of("plan", "Shortcut+P", this::mayPlan, session.planning()::plan),
                Command.of("plan_keeping", null, this::mayPlan, session.planning()::planKeeping),
                Command.of(
                        "stop_planning",
                        null,
                        () -> session.planning().busyProperty().get(),
                        session.planning()::stop));
    }

    private boolean mayPlan() {
        return session.assessmentProperty().get() != null
                && !session.planning().busyProperty().get();
    }
}
