package inkel.app.ui.reckon;

import inkel.app.state.ReckonUse;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Fleeting;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.words.ReckonWords;
import inkel.app.words.Words;
import inkel.core.calc.CalcRefused;
import inkel.core.calc.Calculation;
import inkel.core.calc.Calculator;
import inkel.core.calc.Reckoning;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Place;
import inkel.core.finding.Fix;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** All calculations at the left, one of them at the right: fields with units, the answer while one types, its formula. */
public final class ReckonPage extends VBox {
    private static final double LIST_WIDTH = 230;
    private static final double FIELD = 130;

    private final Map<String, Tile> tiles = new LinkedHashMap<>();
    private final Caption title = Ui.word("", "section");
    private final Caption about = Ui.text("", "quiet");
    private final GridPane fields = new GridPane();
    private final GridPane answers = new GridPane();
    private final Caption problem = Ui.text("", "stop-text");
    private final Caption formula = Ui.text("", "tune-formula");
    private final Session session;
    private final VBox use = new VBox(6);
    private Reckoning shown;

    /** @param leave goes back to where one came from */
    public ReckonPage(Session session, Runnable leave) {
        super(12);
        this.session = session;
        setId("reckon-page");
        getStyleClass().addAll("stage", "take-page");
        Tile back = Ui.pill("reckon-leave", Words.get("reckon.leave"), leave);
        back.setMinWidth(USE_PREF_SIZE);
        HBox head = new HBox(12, Ui.word(Words.get("reckon.title"), "stage-title"), Ui.spring(), back);
        head.setAlignment(Pos.CENTER_LEFT);
        VBox list = new VBox(6);
        for (Calculation calculation : Calculator.all()) {
            String name = calculation.name();
            Tile tile = new Tile(() -> show(Reckoning.of(calculation)), described(name), "choice");
            tile.setId("reckon-" + name);
            tile.setAccessibleText(ReckonWords.title(name));
            tiles.put(name, tile);
            list.getChildren().add(tile);
        }
        Scroller left = new Scroller(list);
        left.setMinWidth(LIST_WIDTH);
        left.setPrefWidth(LIST_WIDTH);
        for (GridPane grid : new GridPane[] {fields, answers}) {
            grid.setHgap(12);
            grid.setVgap(7);
        }
        problem.setId("reckon-problem");
        formula.setId("reckon-formula");
        answers.setId("reckon-answers");
        VBox right = new VBox(
                12,
                title,
                about,
                fields,
                Ui.word(Words.get("reckon.answer"), "section"),
                problem,
                answers,
                use,
                Ui.word(Words.get("reckon.formula"), "section"),
                formula);
        right.getStyleClass().addAll("sheet", "tune-sheet");
        right.setMinWidth(0);
        Scroller scroller = new Scroller(right);
        HBox.setHgrow(scroller, Priority.ALWAYS);
        HBox body = new HBox(14, left, scroller);
        VBox.setVgrow(body, Priority.ALWAYS);
        getChildren().addAll(head, body);
        show(Reckoning.of(Calculator.all().get(0)));
    }

    private static Node described(String name) {
        return new VBox(1, Ui.word(ReckonWords.title(name), "choice-title"), Ui.word(name, "quiet", "small"));
    }

    /** Shows a calculation with what is given to it so far. */
    public void show(Reckoning next) {
        shown = next;
        String name = next.calculation().name();
        tiles.forEach((other, tile) -> tile.setSelected(other.equals(name)));
        title.setText(ReckonWords.title(name));
        about.setText(ReckonWords.about(name));
        fields.getChildren().clear();
        Map<String, Unit> units = next.units();
        int row = 0;
        for (String key : next.keys()) {
            TextField field = Fleeting.of(new TextField(next.given().getOrDefault(key, "")));
            field.setId("reckon-key-" + key);
            field.setPrefWidth(FIELD);
            field.setMinWidth(FIELD);
            field.setAccessibleText(ReckonWords.key(name, key));
            field.textProperty().addListener((property, old, text) -> {
                shown = shown.with(key, text);
                answer();
            });
            Caption label = Ui.word(ReckonWords.key(name, key), next.isNeeded(key) ? "reckon-key" : "quiet");
            String unit = units.containsKey(key) ? units.get(key).symbol() : "";
            fields.addRow(row, label, field, Ui.word(unit, "quiet"));
            row++;
        }
        answer();
    }

    /** Where the answer goes on the table, when what is selected there is something that it fits. */
    private void use(Map<String, Object> answer) {
        use.getChildren().clear();
        String name = shown.calculation().name();
        Place selected = session.selectionProperty().get();
        Optional<NodeCircuit> node = Optional.ofNullable(
                        session.assessmentProperty().get())
                .filter(now -> ReckonUse.isFor(name))
                .flatMap(now -> now.circuit(session.nodeProperty().get()));
        node.ifPresent(table -> {
            Optional<Fix> fix = Optional.ofNullable(selected)
                    .flatMap(place -> new ReckonUse(table, place).of(name, shown.given(), answer));
            use.getChildren()
                    .add(fix.<Node>map(this::used)
                            .orElseGet(
                                    () -> Ui.text(Words.get("reckon.use.where." + name.replace('-', '_')), "quiet")));
        });
    }

    private Tile used(Fix fix) {
        Tile tile = Ui.pill("reckon-use", Words.say(fix.title()), () -> {
            if (session.apply(fix)) {
                session.notices().done(Words.get("reckon.used"));
            }
        });
        tile.setMaxWidth(USE_PREF_SIZE);
        return tile;
    }

    private void answer() {
        answers.getChildren().clear();
        use.getChildren().clear();
        String name = shown.calculation().name();
        formula.setText(ReckonWords.formula(shown));
        try {
            int row = 0;
            Map<String, Object> found = shown.answer();
            for (Map.Entry<String, Object> one : found.entrySet()) {
                Caption said = Ui.word(ReckonWords.value(one.getKey(), one.getValue()), "reckon-value");
                said.setId("reckon-answer-" + one.getKey());
                answers.addRow(row, Ui.word(ReckonWords.answer(name, one.getKey()), "quiet"), said);
                row++;
            }
            use(found);
            problem.setText("");
        } catch (CalcRefused refused) {
            problem.setText(Words.say(refused.reason()));
        }
        Ui.show(problem, !problem.getText().isEmpty());
    }
}
