package inkel.app.ui.stages;

import inkel.app.ui.Workbench;
import inkel.app.ui.controls.Loom;
import inkel.app.ui.controls.LoomModel;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Who has which pin: the loom, its lenses, and sharing out anew. */
public final class PinsStage extends StagePane {
    private final Workbench bench;
    private final Loom loom;

    public PinsStage(Workbench bench) {
        super(Stage.PINS);
        this.bench = bench;
        loom = new Loom(bench.selectionProperty()::set);
        VBox.setVgrow(loom, Priority.ALWAYS);
        ToggleGroup lenses = new ToggleGroup();
        for (Loom.Lens lens : Loom.Lens.values()) {
            addControl(lensButton(lens, lenses));
        }
        Button plan = new Button(Words.get("command.plan"));
        plan.setId("plan");
        plan.getStyleClass().add("pill-button");
        plan.disableProperty().bind(bench.busyProperty());
        plan.setOnAction(event -> bench.plan());
        addControl(plan);
        getChildren().add(loom);
        bench.selectionProperty().addListener((property, old, next) -> loom.select(next));
        refreshWith(bench);
        loom.select(bench.selectionProperty().get());
    }

    private ToggleButton lensButton(Loom.Lens lens, ToggleGroup group) {
        ToggleButton button = new ToggleButton(Words.get("lens." + lens.name().toLowerCase(Locale.ROOT)));
        button.getStyleClass().add("pill-toggle");
        button.setToggleGroup(group);
        button.setSelected(lens == Loom.Lens.ROLES);
        button.setOnAction(event -> {
            button.setSelected(true);
            loom.setLens(lens);
        });
        return button;
    }

    @Override
    void refresh() {
        Assessment assessment = bench.assessmentProperty().get();
        String node = bench.nodeProperty().get();
        if (assessment == null || assessment.circuit(node).isEmpty()) {
            return;
        }
        loom.show(LoomModel.of(assessment, node));
    }
}
