package inkel.app.ui.help;

import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Fleeting;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.words.GlossaryWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.document.Node;
import inkel.core.terms.Term;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Explains what is selected, the words in that, and all words of the field, with what they come to on this board. */
public final class HelpPage extends VBox {
    private static final double LIST = 230;

    private final Session session;
    private final Map<Term, Tile> tiles = new EnumMap<>(Term.class);
    private final VBox list = new VBox(4);
    private final VBox shown = new VBox(8);
    private final Caption none = Ui.text(Words.get("help.find.none"), "quiet");

    /**
     * What is selected, as the Why panel tells it.
     *
     * @param title empty for nothing
     * @param text all that is said of it
     */
    public record Subject(String title, String verdict, String text) {
        public static final Subject NONE = new Subject("", "", "");
    }

    /** A key and what it does. */
    public record Key(String key, String what) {}

    /**
     * @param keys those that work now
     * @param close goes back to the stage
     */
    public HelpPage(Session session, Subject subject, List<Key> keys, Runnable close) {
        super(10);
        this.session = session;
        getStyleClass().addAll("stage", "help-page");
        setId("help-page");
        Tile leave = Ui.pill("help-leave", Words.get("help.leave"), close);
        leave.setMinWidth(USE_PREF_SIZE);
        HBox head = new HBox(12, Ui.word(Words.get("help.title"), "stage-title"), Ui.spring(), leave);
        head.setAlignment(Pos.CENTER_LEFT);
        TextField find = Fleeting.of(new TextField());
        find.setId("help-find");
        find.setPromptText(Words.get("help.find"));
        find.setAccessibleText(Words.get("help.terms"));
        find.textProperty().addListener((property, old, next) -> list(next));
        GlossaryWords.all().forEach(term -> tiles.put(term, tile(term)));
        VBox left = new VBox(8, Ui.word(Words.get("help.terms"), "section-title"), find, new Scroller(list));
        VBox.setVgrow(left.getChildren().get(2), Priority.ALWAYS);
        left.getStyleClass().addAll("sheet", "help-sheet");
        left.setMinWidth(LIST);
        left.setPrefWidth(LIST);
        VBox right = new VBox(14, subject(subject), shown, keys(keys));
        shown.getStyleClass().addAll("sheet", "help-sheet");
        shown.setId("help-term");
        Scroller told = new Scroller(right);
        HBox.setHgrow(told, Priority.ALWAYS);
        HBox body = new HBox(14, left, told);
        VBox.setVgrow(body, Priority.ALWAYS);
        getChildren().addAll(head, body);
        list("");
        show(GlossaryWords.in(subject.text()).stream()
                .findFirst()
                .orElse(GlossaryWords.all().get(0)));
    }

    private VBox subject(Subject subject) {
        VBox box = new VBox(6, Ui.word(Words.get("help.subject"), "section-title"));
        box.getStyleClass().addAll("sheet", "help-sheet");
        box.setId("help-subject");
        if (subject.title().isEmpty()) {
            box.getChildren().add(Ui.text(Words.get("help.subject.none"), "quiet"));
            return box;
        }
        box.getChildren().add(Ui.text(subject.title(), "why-title"));
        if (!subject.verdict().isEmpty()) {
            box.getChildren().add(Ui.text(subject.verdict()));
        }
        List<Term> terms = GlossaryWords.in(subject.text());
        if (!terms.isEmpty()) {
            WrapRow row = new WrapRow(6);
            terms.forEach(term -> row.getChildren()
                    .add(Ui.pill("help-in-" + term.text(), GlossaryWords.name(term), () -> show(term))));
            box.getChildren().addAll(Ui.word(Words.get("help.terms_here"), "quiet", "small"), row);
        }
        return box;
    }

    private static VBox keys(List<Key> keys) {
        VBox box = new VBox(3, Ui.word(Words.get("help.keys"), "section-title"));
        box.getStyleClass().addAll("sheet", "help-sheet");
        box.setId("help-keys");
        for (Key key : keys) {
            Caption name = Ui.word(key.key(), "mono");
            name.setMinWidth(130);
            name.setPrefWidth(130);
            HBox row = new HBox(10, name, Ui.text(key.what()));
            box.getChildren().add(row);
        }
        return box;
    }

    private Tile tile(Term term) {
        Tile tile = new Tile(() -> show(term), Ui.text(GlossaryWords.name(term)), Pos.CENTER_LEFT, "choice");
        tile.setId("help-term-" + term.text());
        tile.setAccessibleText(GlossaryWords.name(term));
        tile.setMaxWidth(Double.MAX_VALUE);
        return tile;
    }

    private void list(String typed) {
        List<Term> found = GlossaryWords.find(typed);
        list.getChildren().setAll(found.stream().map(tiles::get).toList());
        if (found.isEmpty()) {
            list.getChildren().add(none);
        }
    }

    /** Shows one term with its meaning and its numbers. */
    public void show(Term term) {
        tiles.forEach((other, tile) -> tile.setSelected(other == term));
        shown.getChildren()
                .setAll(Ui.text(GlossaryWords.name(term), "why-title"), Ui.text(GlossaryWords.meaning(term)));
        Assessment assessment = session.assessmentProperty().get();
        if (assessment == null) {
            shown.getChildren().add(Ui.text(Words.get("help.here.closed"), "quiet"));
            return;
        }
        String node = session.nodeProperty().get();
        String board = assessment.build().node(node).map(Node::name).orElse(node);
        shown.getChildren().add(Ui.word(Words.get("help.here", "board", board), "section-title"));
        List<String> here = GlossaryWords.here(assessment, node, term);
        here.forEach(said -> shown.getChildren().add(Ui.text(said)));
        if (here.isEmpty()) {
            shown.getChildren().add(Ui.text(Words.get("help.here.none"), "quiet"));
        }
    }
}
