package inkel.app.ui.wire;

import inkel.app.state.Session;
import inkel.app.ui.ends.BothEnds;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.stage.StagePane;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.document.edit.Plug;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import inkel.core.wiring.EndPlace;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javafx.collections.FXCollections;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** One wire at a time, on a card that can be read from a metre away, with the whole list below. */
public final class WireStage extends StagePane {
    private static final double CARD = 352;
    private static final double TOLD = 380;
    private static final double LEAST_TOLD = 280;

    private static final PseudoClass DONE = PseudoClass.getPseudoClass("done");

    private final Session session;
    private final VBox told = new VBox();
    private final StackPane ends = new StackPane();
    private final HBox foot = new HBox(14);
    private final Set<String> turned = new HashSet<>();
    private final ListView<WireStep> list = new ListView<>();
    private final ProgrammingStrip programming = new ProgrammingStrip();
    private WireList wires;
    private WireWords words;
    private String currentId = "";

    public WireStage(Session session) {
        super(Stage.WIRE);
        this.session = session;
        told.getStyleClass().add("wire-told");
        told.setMinWidth(LEAST_TOLD);
        told.setPrefWidth(TOLD);
        HBox.setHgrow(ends, Priority.ALWAYS);
        HBox.setHgrow(foot, Priority.ALWAYS);
        foot.setAlignment(Pos.CENTER_LEFT);
        HBox both = new HBox(18, told, ends);
        VBox.setVgrow(both, Priority.ALWAYS);
        VBox card = new VBox(8, both, foot);
        card.getStyleClass().addAll("sheet", "wire-card");
        card.setId("wire-card");
        card.setMinHeight(CARD);
        card.setPrefHeight(CARD);
        list.setId("wire-list");
        list.getStyleClass().add("wire-list");
        list.setCellFactory(view -> new StepCell());
        list.setMinHeight(120);
        VBox.setVgrow(list, Priority.ALWAYS);
        getChildren().addAll(card, list, programming);
        list.getSelectionModel().selectedItemProperty().addListener((property, old, next) -> {
            if (next != null && !next.id().equals(currentId)) {
                go(next);
            }
        });
        addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
        setFocusTraversable(true);
        subscriptions().on(session.nodeProperty(), (property, old, next) -> currentId = "");
        refreshWith(session);
    }

    private void keys(KeyEvent event) {
        if (event.getTarget() instanceof TextInputControl) {
            return;
        }
        if (event.getCode() == KeyCode.SPACE) {
            done();
        } else if (event.getCode() == KeyCode.BACK_SPACE) {
            back();
        } else {
            return;
        }
        event.consume();
    }

    @Override
    protected void refresh() {
        Assessment assessment = session.assessmentProperty().get();
        Optional<WireList> found = assessment == null
                ? Optional.empty()
                : assessment.wires(session.nodeProperty().get());
        if (found.isEmpty()) {
            return;
        }
        wires = found.get();
        words = new WireWords(wires.node());
        list.setItems(FXCollections.observableArrayList(wires.steps()));
        programming.show(wires, words);
        WireStep current = wires.step(currentId)
                .or(wires::next)
                .or(() -> wires.steps().stream().findFirst())
                .orElse(null);
        if (current == null) {
            told.getChildren().setAll(Ui.text(Words.get("wire.none"), "later"));
            ends.getChildren().clear();
            foot.getChildren().clear();
        } else {
            go(current);
        }
    }

    private void go(WireStep step) {
        currentId = step.id();
        list.getSelectionModel().select(step);
        list.scrollTo(Math.max(0, step.number() - 2));
        session.selectionProperty().set(step.subject());
        boolean hasFocus = told.getScene() != null && isInside(told.getScene().getFocusOwner());
        showCard(step);
        showEnds(step);
        if (hasFocus) {
            requestFocus();
        }
    }

    private boolean isInside(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at == foot) {
                return true;
            }
        }
        return false;
    }

    private void showCard(WireStep step) {
        Caption number = Ui.word(String.valueOf(step.number()), "wire-number");
        Caption of = Ui.word(Words.get("wire.of", "count", wires.steps().size()), "wire-of");
        Region swatch = new Region();
        swatch.getStyleClass().addAll("swatch", "swatch-" + step.colour().text());
        Caption colour = Ui.word(colour(step), "wire-colour");
        Caption state = Ui.word(step.plugged() ? Words.get("wire.plugged") : "", "good-text");
        HBox top = new HBox(10, number, of, Ui.spring(), state);
        top.setAlignment(Pos.CENTER_LEFT);
        HBox sort = new HBox(12, swatch, colour);
        sort.setAlignment(Pos.CENTER_LEFT);
        told.getChildren().setAll(top, sort, end(step.from(), "wire-from"), line(step), end(step.to(), "wire-to"));
        foot.getChildren().setAll(buttons(step));
    }

    private Node end(Terminal terminal, String id) {
        Caption name = Ui.text(words.name(terminal), "wire-end");
        name.setId(id);
        return new VBox(name, Ui.text(words.place(terminal), "wire-place"));
    }

    private Node line(WireStep step) {
        Region thread = new Region();
        thread.getStyleClass().addAll("wire-thread", "swatch-" + step.colour().text());
        HBox row = new HBox(18, thread);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setPadding(new Insets(0, 0, 0, 18));
        String between = words.between(step);
        String kind = Words.get("wire.kind." + step.kind().name().toLowerCase(Locale.ROOT));
        row.getChildren()
                .add(Ui.word(between.isEmpty() ? kind : between, between.isEmpty() ? "quiet" : "wire-between"));
        return row;
    }

    private List<Node> buttons(WireStep step) {
        Button done = new Button(Words.get(step.plugged() ? "wire.next" : "wire.done"));
        done.setId("wire-done");
        done.getStyleClass().add("main-button");
        done.setMinWidth(Region.USE_PREF_SIZE);
        done.setOnAction(event -> done());
        Caption space = Ui.word(Words.get("wire.space"), "key");
        space.setMinWidth(Region.USE_PREF_SIZE);
        Button back = button("wire.back", this::back);
        Button skip = button("wire.skip", this::skip);
        List<Node> row = new ArrayList<>(List.of(done, space, back, skip));
        if (step.plugged()) {
            row.add(button("wire.pull", () -> plug(step, false)));
        }
        if (isToAPin(step)) {
            row.add(button("wire.elsewhere", () -> askWhere(step)));
        }
        row.add(Ui.spring());
        return row;
    }

    /** Whether the wire has a pin that it could be plugged at in place of another. */
    private boolean isToAPin(WireStep step) {
        return step.subject().isPin()
                && step.fitting().isEmpty()
                && wires.node()
                        .wire(step.subject().endpoint())
                        .filter(wire -> !wires.node().isTie(wire))
                        .isPresent();
    }

    /** A field in place of the buttons for the pin that the wire really sits on. */
    private void askWhere(WireStep step) {
        TextField pin = new TextField();
        pin.setId("wire-elsewhere-pin");
        pin.setPrefWidth(110);
        pin.setPromptText(Words.get("wire.elsewhere.prompt"));
        pin.setAccessibleText(Words.get("wire.elsewhere.ask"));
        Caption trouble = Ui.text("", "stop-text", "small");
        pin.setOnAction(event -> {
            Optional<String> why = session.pins().sitsOn(step.subject(), pin.getText());
            trouble.setText(why.orElse(""));
            if (why.isEmpty()) {
                currentId = "";
                refresh();
            }
        });
        foot.getChildren()
                .setAll(
                        Ui.word(Words.get("wire.elsewhere.ask"), "row-name"),
                        pin,
                        button("wire.elsewhere.leave", this::refresh),
                        trouble);
        pin.requestFocus();
    }

    private static Button button(String key, Runnable action) {
        Button button = new Button(Words.get(key));
        button.setId(key.replace('.', '-'));
        button.getStyleClass().add("quiet-button");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(event -> action.run());
        return button;
    }

    /** The colour of the wire with its sort and length. */
    private String colour(WireStep step) {
        String colour = Words.get("colour." + step.colour().text());
        return step.jumper(wires.node())
                .map(jumper -> colour + ", " + WireWords.jumper(jumper))
                .orElse(colour);
    }

    private void showEnds(WireStep step) {
        Assessment assessment = session.assessmentProperty().get();
        BothEnds both = new BothEnds(assessment, wires.node(), step, place -> turned.contains(key(place)));
        ends.getChildren().setAll(both);
        foot.getChildren().removeIf(child -> child instanceof Tile);
        Stream.of(step.from(), step.to())
                .flatMap(end -> EndPlace.of(assessment.reports().circuit(), wires.node(), end).stream())
                .filter(EndPlace::canBeTurned)
                .map(place -> turning(place, step))
                .forEach(foot.getChildren()::add);
    }

    private Tile turning(EndPlace place, WireStep step) {
        Tile turn = Ui.pill(
                "turn-" + place.placed().id(),
                Words.get("ends.turn", "part", place.placed().part().name()),
                () -> turn(place, step));
        turn.setMaxHeight(Region.USE_PREF_SIZE);
        return turn;
    }

    private static String key(EndPlace place) {
        return place.node().place(place.placed()).toString();
    }

    /** Shows a part from its other side from now on. */
    private void turn(EndPlace place, WireStep step) {
        String key = key(place);
        if (!turned.remove(key)) {
            turned.add(key);
        }
        showEnds(step);
    }

    private Optional<WireStep> current() {
        return wires == null ? Optional.empty() : wires.step(currentId);
    }

    /** Ticks the wire off and goes to the next one that is not plugged. */
    private void done() {
        current().ifPresent(step -> {
            currentId = wires.steps().stream()
                    .filter(other -> other.number() > step.number() && !other.plugged())
                    .findFirst()
                    .map(WireStep::id)
                    .orElse(step.id());
            if (step.plugged()) {
                refresh();
            } else {
                plug(step, true);
            }
        });
    }

    private void plug(WireStep step, boolean in) {
        session.apply(new Plug(wires.node().node().id(), Set.of(step.id()), in));
    }

    private void back() {
        move(-1);
    }

    private void skip() {
        move(1);
    }

    private void move(int by) {
        current().ifPresent(step -> {
            int index = Math.max(0, Math.min(wires.steps().size() - 1, step.number() - 1 + by));
            go(wires.steps().get(index));
        });
    }

    /** A line of the list. */
    private final class StepCell extends ListCell<WireStep> {
        private final Caption number = Ui.word("", "step-number").right();
        private final Region swatch = new Region();
        private final Caption from = Ui.word("", "step-end");
        private final Caption to = Ui.word("", "step-end");
        private final Caption kind = Ui.word("", "quiet");
        private final Label tick = new Label();
        private final Caption arrow = Ui.word("→", "quiet");
        private final HBox row = new HBox(12, number, swatch, from, arrow, to, kind, Ui.spring(), tick);

        StepCell() {
            number.setMinWidth(26);
            arrow.setMinWidth(USE_PREF_SIZE);
            swatch.getStyleClass().add("swatch");
            from.setPrefWidth(160);
            from.setMinWidth(90);
            to.setPrefWidth(178);
            to.setMinWidth(90);
            kind.setMinWidth(0);
            row.setAlignment(Pos.CENTER_LEFT);
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(WireStep step, boolean isEmpty) {
            super.updateItem(step, isEmpty);
            if (isEmpty || step == null) {
                setGraphic(null);
                return;
            }
            number.setText(String.valueOf(step.number()));
            swatch.getStyleClass().setAll("swatch", "swatch-" + step.colour().text());
            from.setText(words.name(step.from()));
            to.setText(words.name(step.to()));
            kind.setText(words.kind(step));
            tick.setGraphic(step.plugged() ? Ui.icon(inkel.app.ui.kit.Icons.TICK, "step-tick") : null);
            pseudoClassStateChanged(DONE, step.plugged());
            setAccessibleText(Words.say(Fact.of("wire.step")
                    .with("number", step.number())
                    .with("from", words.name(step.from()))
                    .with("to", words.name(step.to()))
                    .with("state", Words.get(step.plugged() ? "wire.plugged" : "wire.open"))));
            setGraphic(row);
        }
    }
}
