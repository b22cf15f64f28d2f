package inkel.app.ui.frame;

import inkel.app.state.Session;
import inkel.app.ui.kit.Subscriptions;
import inkel.app.ui.stage.Progress;
import inkel.app.ui.stage.StageView;
import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;
import java.util.EnumMap;
import java.util.Map;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The woven edge on the left: eight knots, one a stage, each tight, loose with a count, or not begun. */
final class Selvedge extends StackPane {
    private final Session session;
    private final Stages stages;
    private final Consumer<Stage> go;
    private final Map<Stage, StageKnot> knots = new EnumMap<>(Stage.class);

    /** @param go shows a stage, also when it is the present one */
    Selvedge(Session session, Subscriptions subscriptions, Stages stages, Consumer<Stage> go) {
        this.stages = stages;
        this.session = session;
        this.go = go;
        getStyleClass().add("selvedge");
        Region cord = new Region();
        cord.getStyleClass().add("cord");
        cord.setMaxWidth(Region.USE_PREF_SIZE);
        VBox column = new VBox();
        column.getStyleClass().add("knots");
        for (StageView view : stages.all()) {
            StageKnot knot = knot(view.stage());
            knots.put(view.stage(), knot);
            column.getChildren().add(knot);
        }
        Region weave = new Region();
        weave.getStyleClass().add("weave");
        weave.setMaxWidth(Region.USE_PREF_SIZE);
        StackPane.setAlignment(weave, Pos.CENTER_RIGHT);
        getChildren().addAll(weave, cord, column);
        subscriptions.on(session.assessmentProperty(), (property, old, next) -> count());
        subscriptions.on(session.nodeProperty(), (property, old, next) -> count());
        subscriptions.on(session.wake().latestProperty(), (property, old, next) -> count());
        subscriptions.on(session.stageProperty(), (property, old, next) -> mark());
        mark();
        count();
    }

    private StageKnot knot(Stage stage) {
        StageKnot knot = new StageKnot(stage, () -> go.accept(stage));
        VBox.setVgrow(knot, Priority.ALWAYS);
        return knot;
    }

    private void mark() {
        knots.forEach((stage, knot) ->
                knot.setSelected(stage == session.stageProperty().get()));
    }

    private void count() {
        Assessment assessment = session.assessmentProperty().get();
        for (StageView view : stages.all()) {
            Progress progress = assessment == null
                    ? Progress.NOT_BEGUN
                    : view.progress(assessment, session.nodeProperty().get());
            knots.get(view.stage()).show(progress.open(), progress.isDone());
        }
    }
}
