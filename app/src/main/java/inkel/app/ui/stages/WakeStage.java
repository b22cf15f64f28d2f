package inkel.app.ui.stages;

import inkel.app.ui.Ui;
import inkel.app.ui.Workbench;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;
import inkel.core.levels.Link;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import java.util.List;
import javafx.scene.layout.VBox;

/** What the first power-up will ask for so far: readings on wires that were left with little to spare. */
public final class WakeStage extends StagePane {
    private final Workbench bench;
    private final VBox readings = new VBox(6);

    public WakeStage(Workbench bench) {
        super(Stage.WAKE);
        this.bench = bench;
        VBox sheet = new VBox(14, Ui.text(Words.get("stage.wake.later"), "later"), readings);
        sheet.getStyleClass().add("sheet");
        readings.setId("to-measure");
        getChildren().add(sheet);
        refreshWith(bench);
    }

    @Override
    void refresh() {
        readings.getChildren().clear();
        Assessment assessment = bench.assessmentProperty().get();
        if (assessment == null) {
            return;
        }
        List<Link> links = assessment.reports().levels().toMeasure().stream()
                .filter(link -> link.signal().node().equals(bench.nodeProperty().get()))
                .toList();
        if (!links.isEmpty()) {
            readings.getChildren().add(Ui.text(Words.get("wake.to_measure"), "section-title"));
        }
        for (Link link : links) {
            readings.getChildren()
                    .add(Ui.text(Words.say(Fact.of("wake.measure_high")
                            .with("from", PinNames.of(link.node(), link.from()))
                            .with("to", PinNames.of(link.node(), link.to()))
                            .with("volts", link.check().vih())
                            .with("expected", link.check().vohMin()))));
        }
    }
}
