package inkel.app.ui;

import inkel.core.checks.Assessment;
import inkel.core.finding.Severity;
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
    private final Workbench bench;
    private final Consumer<Stage> go;
    private final Map<Stage, StageKnot> knots = new EnumMap<>(Stage.class);

    /** @param go shows a stage, also when it is the present one */
    Selvedge(Workbench bench, Consumer<Stage> go) {
        this.bench = bench;
        this.go = go;
        getStyleClass().add("selvedge");
        Region cord = new Region();
        cord.getStyleClass().add("cord");
        cord.setMaxWidth(Region.USE_PREF_SIZE);
        VBox column = new VBox();
        column.getStyleClass().add("knots");
        for (Stage stage : Stage.values()) {
            StageKnot knot = knot(stage);
            knots.put(stage, knot);
            column.getChildren().add(knot);
        }
        Region weave = new Region();
        weave.getStyleClass().add("weave");
        weave.setMaxWidth(Region.USE_PREF_SIZE);
        StackPane.setAlignment(weave, Pos.CENTER_RIGHT);
        getChildren().addAll(weave, cord, column);
        bench.assessmentProperty().addListener((property, old, next) -> count());
        bench.nodeProperty().addListener((property, old, next) -> count());
        bench.stageProperty().addListener((property, old, next) -> mark());
        mark();
        count();
    }

    private StageKnot knot(Stage stage) {
        StageKnot knot = new StageKnot(stage, () -> go.accept(stage));
        VBox.setVgrow(knot, Priority.ALWAYS);
        return knot;
    }

    private void mark() {
        knots.forEach(
                (stage, knot) -> knot.setSelected(stage == bench.stageProperty().get()));
    }

    private void count() {
        Assessment assessment = bench.assessmentProperty().get();
        knots.forEach((stage, knot) -> {
            State state = State.of(assessment, bench.nodeProperty().get(), stage);
            knot.show(state.loose(), state.isTight());
        });
    }

    /** How far a stage is. */
    private record State(long loose, boolean isTight) {
        static State of(Assessment assessment, String node, Stage stage) {
            if (assessment == null) {
                return new State(0, false);
            }
            return switch (stage) {
                case WIRE ->
                    assessment
                            .wires(node)
                            .map(list -> new State(list.openCount(), list.openCount() == 0))
                            .orElse(new State(0, false));
                case WAKE, TUNE -> new State(0, false);
                case LOG -> new State(0, !assessment.build().log().isEmpty());
                default -> {
                    long loose = assessment.of(node, stage).stream()
                            .filter(finding -> finding.severity() != Severity.NOTE)
                            .count();
                    yield new State(loose, loose == 0);
                }
            };
        }
    }
}
