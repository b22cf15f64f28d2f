package inkel.app.ui.pins;

import inkel.app.state.FoundCsv;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.CodeWords;
import inkel.app.words.FoundWords;
import inkel.app.words.PlanWords;
import inkel.app.words.Words;
import inkel.core.boards.BoardTrials;
import inkel.core.boards.FoundLine;
import inkel.core.boards.FoundPlan;
import inkel.core.boards.FoundWiring;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Reports;
import inkel.core.circuit.NodeCircuit;
import inkel.core.quantity.Fact;
import inkel.core.tune.code.CodeBack;
import inkel.core.tune.code.CodeConstants;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextArea;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * A wiring that was found somewhere, pasted: what is understood of it is told line by line while it is typed, and what
 * becomes of each wire on this board when it is taken.
 */
final class FoundSheet extends VBox {
    private final Session session;
    private final TextArea text = new TextArea();
    private final VBox rows = new VBox(4);
    private final Caption told = Ui.word("", "quiet");
    private final MenuButton madeFor = new MenuButton();
    private final Tile take;
    private PartClass source;

    FoundSheet(Session session, Runnable close) {
        super(8);
        this.session = session;
        setId("found-sheet");
        getStyleClass().add("sheet");
        text.setId("found-text");
        text.setPromptText(Words.get("found.prompt"));
        text.setAccessibleText(Words.get("found.title"));
        text.setPrefRowCount(8);
        text.setMinHeight(140);
        text.textProperty().addListener((property, old, next) -> read());
        madeFor.setId("found-board");
        madeFor.getStyleClass().add("pill-button");
        told.setId("found-told");
        take = pill("found-take", "found.take", this::take);
        Tile leave = pill("found-close", "boards.close", close);
        HBox head = new HBox(10, Ui.word(Words.get("found.title"), "section-title"), Ui.spring(), leave);
        head.setAlignment(Pos.CENTER_LEFT);
        HBox choice = new HBox(10, Ui.word(Words.get("found.made_for"), "row-name"), madeFor, Ui.spring(), told, take);
        choice.setAlignment(Pos.CENTER_LEFT);
        Scroller scroller = new Scroller(rows);
        VBox.setVgrow(scroller, Priority.ALWAYS);
        getChildren().addAll(head, Ui.text(Words.get("found.hint"), "quiet", "small"), text, choice, scroller);
    }

    private static Tile pill(String id, String words, Runnable action) {
        Tile tile = Ui.pill(id, Words.get(words), action);
        tile.setMinWidth(USE_PREF_SIZE);
        tile.setMaxHeight(USE_PREF_SIZE);
        return tile;
    }

    /** Begins with what the table has for a board. */
    void begin() {
        node().ifPresent(node ->
                source = session.catalog().get(node.board().part().classId()));
        madeFor.getItems().clear();
        for (PartClass board : BoardTrials.boards(session.catalog())) {
            MenuItem item = new MenuItem(board.name());
            item.setId("found-for-" + board.id());
            item.setOnAction(event -> choose(board));
            madeFor.getItems().add(item);
        }
        choose(source);
        text.requestFocus();
    }

    private void choose(PartClass board) {
        source = board;
        madeFor.setText(board.name());
        read();
    }

    private Optional<NodeCircuit> node() {
        return Optional.ofNullable(session.assessmentProperty().get())
                .flatMap(now -> now.circuit(session.nodeProperty().get()));
    }

    private void read() {
        rows.getChildren().clear();
        node().ifPresent(node -> {
            List<FoundLine> lines = FoundWiring.read(node, source, plain(node));
            Map<Integer, CodeBack.Told> constants = constants(node);
            lines.stream().filter(line -> line.kind() != FoundLine.Kind.NOTHING).forEach(line -> rows.getChildren()
                    .add(
                            line.kind() == FoundLine.Kind.UNCLEAR && constants.containsKey(line.number())
                                    ? row(constants.get(line.number()))
                                    : row(node, line)));
            long unclear = lines.stream()
                    .filter(line -> line.kind() == FoundLine.Kind.UNCLEAR && !constants.containsKey(line.number()))
                    .count();
            long wires = lines.stream()
                    .filter(line -> line.kind() == FoundLine.Kind.WIRE || line.kind() == FoundLine.Kind.FEED)
                    .count();
            told.setText(
                    text.getText().isBlank()
                            ? ""
                            : Words.say(
                                    Fact.of("found.told").with("wires", wires).with("unclear", unclear)));
            take.setDisable(wires == 0);
        });
    }

    private String plain(NodeCircuit node) {
        return FoundCsv.plain(text.getText(), node.node().name());
    }

    /** Constants that this board's code would have too, by their lines: what is no wire of them is no less understood. */
    private Map<Integer, CodeBack.Told> constants(NodeCircuit node) {
        Reports reports = session.assessmentProperty().get().reports();
        return CodeBack.read(
                        node,
                        CodeConstants.of(
                                node,
                                reports.pins(),
                                reports.loops().node(node.node().id()),
                                reports.radios()),
                        text.getText())
                .stream()
                .collect(Collectors.toMap(CodeBack.Told::line, Function.identity()));
    }

    private static HBox row(CodeBack.Told told) {
        return row(
                told.name() + " = " + told.found(), CodeWords.say(told), told.isSame() ? "finding-text" : "stop-text");
    }

    private static HBox row(NodeCircuit node, FoundLine line) {
        boolean isUnclear = line.kind() == FoundLine.Kind.UNCLEAR;
        return row(line.text().strip(), FoundWords.line(node, line), isUnclear ? "stop-text" : "finding-text");
    }

    private static HBox row(String said, String means, String style) {
        Caption written = Ui.word(said, "key");
        written.setMinWidth(220);
        written.setPrefWidth(260);
        Caption understood = Ui.text(means, style);
        HBox.setHgrow(understood, Priority.ALWAYS);
        HBox row = new HBox(12, written, understood);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void take() {
        session.planning().found(source, node().map(this::plain).orElse(text.getText()), this::taken);
    }

    private void taken(FoundPlan found) {
        if (found.plan().filter(plan -> !plan.placed()).isPresent()) {
            session.notices()
                    .trouble(found.plan()
                            .flatMap(plan -> plan.shortage().map(PlanWords::shortage))
                            .orElse(Words.get("notice.plan_unknown")));
        }
        if (!found.edits().isEmpty() && session.apply(found.edits())) {
            node().ifPresent(node -> {
                rows.getChildren().clear();
                rows.getChildren().add(Ui.word(Words.get("found.became"), "section-title"));
                found.changes().forEach(change -> rows.getChildren()
                        .add(Ui.text(FoundWords.change(node, change), "finding-text")));
                told.setText(Words.get("found.taken"));
                take.setDisable(true);
            });
        }
    }
}
