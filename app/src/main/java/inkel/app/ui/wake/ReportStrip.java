package inkel.app.ui.wake;

import inkel.app.state.ReportWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.CheckWords;
import inkel.app.words.ReportWords;
import inkel.app.words.Words;
import inkel.core.wake.Answers;
import inkel.core.wake.report.BoardReport;
import java.io.File;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** What a board reports of itself: pasted, from a file, or from the board that is not there. */
final class ReportStrip extends VBox {
    private static final int ROWS = 8;

    private final ReportWork work;
    private final TextArea text = new TextArea();
    private final VBox lines = new VBox(2);
    private final Scroller scroller = new Scroller(lines);
    private final Button keep;
    private final Button plug;
    private final Tile other;
    private final LineStrip line;
    private String judged = "";

    ReportStrip(ReportWork work, LineStrip line) {
        super(8);
        this.work = work;
        this.line = line;
        setId("report-strip");
        getStyleClass().addAll("sheet", "meter-strip");
        text.setId("report-text");
        text.setPromptText(Words.get("report.prompt"));
        text.setPrefRowCount(ROWS);
        text.getStyleClass().add("take-text");
        text.setMinHeight(Region.USE_PREF_SIZE);
        keep = Ui.textButton("report-keep", "", work::keep);
        keep.getStyleClass().setAll("button", "pill-button");
        plug = Ui.textButton("report-plug", Words.get("report.plug"), work::plug);
        other = Ui.pill("report-other", Words.get("report.other"), work::showOther);
        WrapRow row = new WrapRow(10);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren()
                .addAll(
                        Ui.textButton("report-judge", Words.get("report.judge"), () -> work.read(text.getText())),
                        Ui.textButton("report-file", Words.get("report.file"), this::open),
                        plug,
                        other,
                        keep);
        VBox.setVgrow(scroller, Priority.ALWAYS);
        scroller.setMinHeight(0);
        lines.setId("report-lines");
        getChildren().addAll(Ui.text(Words.get("report.how"), "quiet"), line, text, row, scroller);
    }

    private void open() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.get("report.file"));
        File chosen = chooser.showOpenDialog(getScene().getWindow());
        if (chosen != null) {
            work.open(chosen.toPath());
        }
    }

    /** @param found null while nothing was read */
    void show(ReportWork.Found found, boolean isPractice) {
        Ui.show(plug, isPractice);
        Ui.show(line, !isPractice);
        Ui.show(other, found != null && found.other().isPresent());
        lines.getChildren().clear();
        int count = found == null ? 0 : found.report().taken().size();
        Ui.show(keep, count > 0);
        Ui.show(scroller, found != null);
        if (found == null) {
            // What was judged and is of no use any more goes; what is only typed stays.
            if (text.getText().equals(judged)) {
                text.clear();
            }
            judged = "";
            return;
        }
        judged = found.text();
        // What was heard around a report stays to be read.
        if (!text.getText().contains(found.text())) {
            text.setText(found.text());
        }
        keep.setText(Words.get("report.keep", "count", count));
        CheckWords words = new CheckWords(found.wake().node());
        for (BoardReport.Told told : found.report().told()) {
            lines.getChildren().add(line(ReportWords.say(told), "look-text"));
        }
        add(words, found.report(), false);
        add(words, found.report(), true);
        if (count == 0) {
            lines.getChildren().add(line(Words.get("report.nothing"), "quiet"));
        }
    }

    /** What is not as it should be is looked for first. */
    private void add(CheckWords words, BoardReport report, boolean isWell) {
        report.taken().stream()
                .filter(taken -> Answers.isWell(taken.check(), taken.answer()) == isWell)
                .forEach(taken -> lines.getChildren()
                        .add(line(ReportWords.say(words, taken), isWell ? "report-good" : "stop-text")));
    }

    /** What a board says, as it comes. */
    void hear(String heard) {
        if (!heard.isEmpty()) {
            text.setText(heard);
            // The latest is looked at, such as what the board offers to drive.
            text.positionCaret(heard.length());
        }
    }

    private static Caption line(String said, String style) {
        Caption line = Ui.text(said, style);
        line.setMinWidth(0);
        return line;
    }
}
