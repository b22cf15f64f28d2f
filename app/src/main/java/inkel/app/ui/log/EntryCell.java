package inkel.app.ui.log;

import inkel.app.state.LogWork;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.log.Entry;
import java.util.Locale;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** One line of the record: when, what sort, where, what it says, and its value at the right. */
final class EntryCell extends ListCell<LogRow> {
    private static final double TIME = 44;
    private static final double SORT = 92;
    private static final double PLACE = 188;

    /** Under this the place stands above what is said. */
    private static final double NARROW = 520;

    private final Session session;

    EntryCell(Session session) {
        this.session = session;
        getStyleClass().add("log-cell");
    }

    @Override
    protected void updateItem(LogRow row, boolean isEmpty) {
        super.updateItem(row, isEmpty);
        setText(null);
        pseudoClass("day", false);
        if (isEmpty || row == null) {
            setGraphic(null);
            setAccessibleText(null);
            return;
        }
        if (row.entry().isEmpty()) {
            String day = RecordWords.day(row.day());
            pseudoClass("day", true);
            setGraphic(Ui.word(day, "section"));
            setAccessibleText(day);
            return;
        }
        setGraphic(graphic(row.entry().get()));
    }

    private void pseudoClass(String name, boolean isOn) {
        pseudoClassStateChanged(PseudoClass.getPseudoClass(name), isOn);
    }

    private static Caption wide(Caption caption, double width) {
        caption.setMinWidth(width);
        caption.setPrefWidth(width);
        caption.setMaxWidth(width);
        return caption;
    }

    private Node graphic(Entry entry) {
        LogWork log = session.log();
        String sort = entry.sort().name().toLowerCase(Locale.ROOT).replace('_', '-');
        Caption time = wide(Ui.word(RecordWords.time(entry.line(), log.zone()), "log-time"), TIME);
        Region dot = Ui.region("log-dot");
        dot.getStyleClass().add("sort-" + sort);
        HBox kind = new HBox(6, dot, Ui.text(RecordWords.sort(entry.sort()), "log-sort", "sort-" + sort + "-text"));
        kind.setAlignment(Pos.CENTER_LEFT);
        kind.setMinWidth(SORT);
        kind.setPrefWidth(SORT);
        String place = session.ownBuildPlace(entry.line().place());
        String what = RecordWords.what(entry);
        String value = RecordWords.value(entry);
        String notCounting = entry.counts() ? "" : " " + Words.get("log.counts_no_more");
        Caption said = Ui.text(what + notCounting, entry.counts() ? "log-said" : "quiet");
        said.setMinWidth(0);
        Caption end = Ui.word(value, entry.isWell() ? "log-value" : "log-value-off");
        end.setMinWidth(Region.USE_PREF_SIZE);
        setAccessibleText(String.join(
                ", ", RecordWords.when(entry.line(), log.zone()), RecordWords.sort(entry.sort()), place, what, value));
        boolean isNarrow = getListView() != null && getListView().getWidth() < NARROW;
        if (isNarrow) {
            Caption where = Ui.word(place, "log-place");
            where.setMinWidth(0);
            HBox.setHgrow(where, Priority.ALWAYS);
            HBox head = new HBox(8, time, kind, where, end);
            head.setAlignment(Pos.CENTER_LEFT);
            return new VBox(2, head, said);
        }
        HBox.setHgrow(said, Priority.ALWAYS);
        said.setMaxWidth(Double.MAX_VALUE);
        HBox line = new HBox(10, time, kind, wide(Ui.word(place, "log-place"), PLACE), said, end);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }
}
