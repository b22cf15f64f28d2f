package inkel.app.ui.tune;

import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Words;
import inkel.core.tune.stand.TuneReport;
import javafx.geometry.Pos;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** A line of the list: a part, its bench, and how far that is. */
final class StandCell extends ListCell<TuneReport.Stand> {
    private final TuneWork work;
    private final Caption name = Ui.text("", "tune-name");
    private final Caption bench = Ui.word("", "quiet");
    private final Region mark = Ui.region("check-mark");
    private final HBox row;

    StandCell(TuneWork work) {
        this.work = work;
        VBox both = new VBox(2, name, bench);
        both.setMinWidth(0);
        HBox.setHgrow(both, Priority.ALWAYS);
        row = new HBox(10, both, mark);
        row.setAlignment(Pos.CENTER_LEFT);
        getStyleClass().addAll("check-cell", "tune-cell");
        setPrefWidth(0);
    }

    @Override
    protected void updateItem(TuneReport.Stand stand, boolean isEmpty) {
        super.updateItem(stand, isEmpty);
        if (isEmpty || stand == null) {
            setGraphic(null);
            setAccessibleText(null);
            return;
        }
        String state = state(stand);
        name.setText(stand.part().part().name());
        bench.setText(Words.get("tune.bench." + stand.bench().text()));
        mark.getStyleClass().removeAll("open", "in", "stale", "left");
        mark.getStyleClass()
                .add(
                        switch (state) {
                            case "kept" -> "in";
                            case "stale" -> "stale";
                            case "draft" -> "left";
                            default -> "open";
                        });
        setAccessibleText(name.getText() + ", " + bench.getText() + ", " + Words.get("tune.state." + state));
        setGraphic(row);
    }

    private String state(TuneReport.Stand stand) {
        TuneWork.At at = new TuneWork.At(stand.node().place(stand.part()), stand.bench());
        if (work.isDraft(at)) {
            return "draft";
        }
        return stand.kept().isPresent() ? "kept" : stand.stale().isPresent() ? "stale" : "open";
    }
}
