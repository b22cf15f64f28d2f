package inkel.app.ui.wake;

import inkel.app.state.Session;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.stage.StagePane;
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
    private final Session session;
    private final VBox readings = new VBox(6);

    public WakeStage(Session session) {
        super(Stage.WAKE);
        this.session = session;
        VBox sheet = new VBox(14, Ui.text(Words.get("stage.wake.later"), "later"), readings);
        sheet.getStyleClass().add("sheet");
        readings.setId("to-measure");
        getChildren().add(sheet);
        refreshWith(session);
    }

    @Override
    protected void refresh() {
        readings.getChildren().clear();
        Assessment assessment = session.assessmentProperty().get();
        if (assessment == null) {
            return;
        }
        List<Link> links = assessment.reports().levels().toMeasure().stream()
                .filter(link ->
                        link.signal().node().equals(session.nodeProperty().get()))
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
