package inkel.app.ui.tune.capture;

import inkel.app.state.CaptureWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.capture.decode.Message;
import inkel.core.capture.decode.Stitches;
import inkel.core.quantity.Unit;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A line of a capture: when it is, what it says or its stitches, and what of it is not as it should be. */
final class CaptureCell extends ListCell<CaptureRows.Row> {
    /** Above and below what a line shows. */
    static final double AROUND = 11;

    private static final double TIME = 104;
    private static final int DIGITS = 6;

    private final Supplier<CaptureRows> rows;
    private final Supplier<CaptureWork.Shown> shown;
    private final Supplier<List<Double>> chosen;
    private final Caption time = Ui.word("", "capture-time");
    private final Caption text = Ui.text("", "capture-text");
    private final Caption why = Ui.text("", "stop-text");
    private final StitchRow stitches;
    private final HBox row;
    private final int wide;

    CaptureCell(
            Supplier<CaptureRows> rows,
            Supplier<CaptureWork.Shown> shown,
            Supplier<List<Double>> chosen,
            int wide,
            Consumer<Stitches.Stitch> choose) {
        this.rows = rows;
        this.shown = shown;
        this.chosen = chosen;
        this.wide = wide;
        stitches = new StitchRow(choose);
        time.setMinWidth(TIME);
        time.setPrefWidth(TIME);
        VBox said = new VBox(2, text, stitches, why);
        said.setMinWidth(0);
        HBox.setHgrow(said, Priority.ALWAYS);
        row = new HBox(10, time, said);
        row.setAlignment(Pos.TOP_LEFT);
        getStyleClass().add("capture-cell");
        setPrefWidth(0);
    }

    static String time(double seconds) {
        return seconds == 0 ? "0 s" : Numbers.print(seconds, Unit.SECOND, DIGITS);
    }

    private static String milli(double seconds) {
        return Numbers.fixed(seconds * 1e3, 2);
    }

    @Override
    protected void updateItem(CaptureRows.Row item, boolean isEmpty) {
        super.updateItem(item, isEmpty);
        if (isEmpty || item == null) {
            setGraphic(null);
            setAccessibleText(null);
            return;
        }
        Message message = rows.get().message(item);
        boolean isSewn = !item.stitches().isEmpty();
        Optional<String> wrong =
                message.why().filter(fact -> item.isFirst() && !isSewn).map(Words::say);
        List<Double> lead = rows.get().lead(item);
        String led = lead.isEmpty() ? "" : "\n" + milli(lead.get(0)) + " + " + milli(lead.get(1)) + " ms";
        time.setText(item.isFirst() ? time(message.at()) + led : "");
        text.setText(item.text());
        why.setText(wrong.orElse(""));
        Ui.show(text, !isSewn);
        Ui.show(stitches, isSewn);
        Ui.show(why, wrong.isPresent());
        if (isSewn) {
            stitches.show(
                    item.stitches(),
                    shown.get().stitches().map(sewn -> sewn.bands().bands()).orElse(List.of()),
                    wide,
                    chosen.get());
        }
        setAccessibleText(time.getText() + " " + (isSewn ? message.text() : item.text()) + " " + why.getText());
        if (getGraphic() != row) {
            setGraphic(row);
        }
    }
}
