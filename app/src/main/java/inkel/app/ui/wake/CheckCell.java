package inkel.app.ui.wake;

import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.words.CheckWords;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.wake.Check;
import inkel.core.wake.Group;
import inkel.core.wake.Result;
import inkel.core.wake.Status;
import inkel.core.wake.WakeState;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** A line of the list: the name of a group, or a check with what became of it. */
final class CheckCell extends ListCell<CheckCell.Entry> {
    private static final PseudoClass HEAD = PseudoClass.getPseudoClass("head");

    private final Supplier<WakeState> state;
    private final Region mark = Ui.region("check-mark");
    private final Caption name = Ui.text("", "check-name");
    private final Caption read = Ui.word("", "check-read");
    private final HBox row = new HBox(8, mark, name, Ui.spring(), read);

    /** @param check empty for the name of its group */
    record Entry(Group group, Optional<Check> check) {}

    CheckCell(Supplier<WakeState> state) {
        this.state = state;
        row.setAlignment(Pos.CENTER_LEFT);
        name.setMinWidth(0);
        read.setMinWidth(Region.USE_PREF_SIZE);
        getStyleClass().add("check-cell");
        setPrefWidth(0);
    }

    @Override
    protected void updateItem(Entry entry, boolean isEmpty) {
        super.updateItem(entry, isEmpty);
        boolean isHead = !isEmpty && entry != null && entry.check().isEmpty();
        pseudoClassStateChanged(HEAD, isHead);
        setMouseTransparent(isHead);
        if (isEmpty || entry == null || state.get() == null) {
            setGraphic(null);
            setAccessibleText(null);
            return;
        }
        CheckWords words = new CheckWords(state.get().wake().node());
        if (isHead) {
            show(words.group(entry.group()), held(entry.group()), "head");
            mark.setVisible(false);
            mark.setManaged(false);
        } else {
            Check check = entry.check().orElseThrow();
            Result result = state.get().result(check);
            boolean isSeen = result.value().isEmpty()
                    && result.status() != Status.OPEN
                    && result.text().isEmpty();
            mark.setVisible(true);
            mark.setManaged(true);
            show(
                    words.line(check),
                    isSeen ? "" : CheckWords.read(result),
                    result.status().name().toLowerCase(Locale.ROOT));
            setAccessibleText(words.line(check) + ", "
                    + Words.get("wake.file." + result.status().name().toLowerCase(Locale.ROOT)));
        }
        setGraphic(row);
    }

    private String held(Group group) {
        return Words.say(Fact.of("wake.held")
                .with("held", state.get().holding(group))
                .with("count", state.get().wake().of(group).size()));
    }

    private void show(String what, String value, String style) {
        name.setText(what);
        read.setText(value);
        for (Region region : new Region[] {mark, name, read}) {
            region.getStyleClass().removeAll("open", "in", "out", "stale", "left", "head");
            region.getStyleClass().add(style);
        }
    }
}
