package inkel.app.ui.parts;

import inkel.app.state.Session;
import inkel.app.ui.stage.Command;
import inkel.app.ui.stage.LazyView;
import inkel.app.ui.why.StageNotes;
import inkel.core.catalog.PartClass;
import inkel.core.finding.Stage;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/** The stage Parts. */
public final class PartsView extends LazyView<PartsStage> {
    private final Session session;
    private final Consumer<Stage> go;

    /** @param go shows a stage */
    public PartsView(Session session, Consumer<Stage> go) {
        super(Stage.PARTS, () -> new PartsStage(session));
        this.session = session;
        this.go = go;
    }

    @Override
    public StageNotes notes() {
        return new PartsNotes();
    }

    @Override
    public List<Command> commands() {
        BooleanSupplier isOpen = () -> session.assessmentProperty().get() != null;
        return List.of(
                Command.of("find_part", "Shortcut+F", isOpen, this::find),
                Command.of("make_part", null, isOpen, () -> makeFrom(null)),
                Command.of("feed_all", null, session.parts()::isSomeUnfed, session.parts()::feedAll));
    }

    private void find() {
        go.accept(Stage.PARTS);
        pane().find();
    }

    /** Opens the form for a part of one's own, beginning as a class; as nothing when that is null. */
    public void makeFrom(PartClass from) {
        if (session.assessmentProperty().get() != null) {
            go.accept(Stage.PARTS);
            pane().make(from);
        }
    }
}
