package inkel.app.ui.wire;

import inkel.app.state.Session;
import inkel.app.ui.ends.BothEnds;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Copying;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.stage.StagePane;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.catalog.Habit;
import inkel.core.checks.Assessment;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.SetHabit;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import inkel.core.wiring.EndPlace;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireOhms;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
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
import javafx.scene.control.MenuButton;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** One wire at a time, on a card that can be read from a metre away, with the whole list below. */
public final class WireStage extends StagePane {
    private static final double ENDS = 270;
    private static final double LEAST_CARD = 296;
    private static final double LOW = 560;
    private static final double TOLD = 380;
    private static final double LEAST_TOLD = 190;
    private static final double LEAST_ENDS = 300;
    private static final double GAP = 18;

    private static final PseudoClass DONE = PseudoClass.getPseudoClass("done");

    private final Session session;
    private final VBox card = new VBox(8);
    private final VBox told = new VBox();
    private final StackPane ends = new StackPane();
    private final WrapRow foot = new WrapRow(14);
    private final Set<String> turned = new HashSet<>();
    private final WireRound round = new WireRound();
    private final MenuButton orders = new MenuButton();
    private final Tile onlyChanged;
    private final ListView<WireStep> list = new ListView<>();
    private final ProgrammingStrip programming = new ProgrammingStrip();
    private WireList wires;
    private WireWords words;
    private String currentId = "";
    private boolean isLow;

    public WireStage(Session session) {
        super(Stage.WIRE);
        this.session = session;
        orders.setId("wire-order");
        orders.getStyleClass().add("pill-button");
        ToggleGroup group = new ToggleGroup();
        for (Habit.WireOrder order : Habit.WireOrder.values()) {
            RadioMenuItem item = new RadioMenuItem(Words.get("wire.order." + Habit.text(order)));
            item.setId("wire-order-" + Habit.text(order));
            item.setToggleGroup(group);
            item.setUserData(order);
            item.setOnAction(event -> order(order));
            orders.getItems().add(item);
        }
        addControl(orders);
        onlyChanged = Ui.pill("wire-changed", Words.get("wire.changed"), this::toggleChanged);
        onlyChanged.getStyleClass().add("pill-toggle");
        addControl(onlyChanged);
        told.getStyleClass().add("wire-told");
        told.setMinWidth(LEAST_TOLD);
        told.setPrefWidth(TOLD);
        ends.setMinWidth(0);
        ends.setPrefHeight(ENDS);
        HBox.setHgrow(ends, Priority.ALWAYS);
        HBox.setHgrow(told, Priority.SOMETIMES);
        foot.setAlignment(Pos.CENTER_LEFT);
        HBox both = new HBox(GAP, told, ends);
        VBox.setVgrow(both, Priority.ALWAYS);
        // Where both have no room, what is said is worth more than the picture.
        both.widthProperty().addListener((property, old, next) -> {
            told.setPrefWidth(Math.max(LEAST_TOLD, Math.min(TOLD, next.doubleValue() - LEAST_ENDS - GAP)));
            boolean hasRoom = next.doubleValue() >= LEAST_TOLD + LEAST_ENDS + GAP;
            if (hasRoom != ends.isVisible()) {
                Ui.show(ends, hasRoom);
                current().ifPresent(this::showCard);
                current().ifPresent(this::showEnds);
            }
        });
        card.getChildren().addAll(both, foot);
        card.getStyleClass().addAll("sheet", "wire-card");
        card.setId("wire-card");
        card.setMinHeight(Region.USE_PREF_SIZE);
        list.setId("wire-list");
        list.getStyleClass().add("wire-list");
        list.setCellFactory(view -> new StepCell());
        list.setMinHeight(56);
        list.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        VBox.setVgrow(list, Priority.ALWAYS);
        getChildren().addAll(card, list, programming);
        list.getSelectionModel().selectedItemProperty().addListener((property, old, next) -> {
            if (next != null && !next.id().equals(currentId)) {
                go(next);
            }
        });
        addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
        Copying.byKeys(this, this::chosenText);
        setFocusTraversable(true);
        heightProperty().addListener((property, old, next) -> {
            boolean isLowNow = next.doubleValue() > 0 && next.doubleValue() < LOW;
            if (isLowNow != isLow) {
                isLow = isLowNow;
                card.setMinHeight(isLow ? LEAST_CARD : Region.USE_PREF_SIZE);
                current().ifPresent(step -> {
                    showCard(step);
                    showEnds(step);
                });
            }
        });
        subscriptions().on(session.nodeProperty(), (property, old, next) -> {
            currentId = "";
            round.startOver();
        });
        subscriptions().on(session.selection().wireProperty(), (property, old, next) -> goTo(next));
        refreshWith(session);
    }

    private void keys(KeyEvent event) {
        if (event.getTarget() instanceof TextInputControl) {
            return;
        }
        if (event.getCode() == KeyCode.SPACE) {
            done();
        } else if (event.getCode() == KeyCode.BACK_SPACE || event.getCode() == KeyCode.LEFT) {
            back();
        } else if (event.getCode() == KeyCode.RIGHT) {
            move(1);
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
        Habit.WireOrder order = wires.node().habits().of(Habit.WIRE_ORDER);
        orders.setText(Words.get("wire.order." + Habit.text(order)));
        orders.getItems().forEach(item -> ((RadioMenuItem) item).setSelected(item.getUserData() == order));
        Ui.show(onlyChanged, wires.isChange());
        list.setItems(FXCollections.observableArrayList(shown()));
        programming.show(wires, words);
        String wanted = session.selection().wireProperty().get();
        if (wanted != null && wires.step(wanted).isPresent()) {
            currentId = wanted;
            session.selection().wireProperty().set(null);
        }
        WireStep current = wires.step(currentId)
                .or(() -> wires.pulls().stream().findFirst())
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

    /** What the list shows: all, or only what is to be pulled and plugged. */
    private List<WireStep> shown() {
        return onlyChanged.isSelected() && wires.isChange()
                ? wires.tasks().stream().filter(WireRound::isOpen).toList()
                : wires.tasks();
    }

    private void toggleChanged() {
        onlyChanged.setSelected(!onlyChanged.isSelected());
        refresh();
    }

    private void order(Habit.WireOrder order) {
        session.apply(new SetHabit<>(session.nodeProperty().get(), Habit.WIRE_ORDER, order));
    }

    /** Shows a wire that was asked for from elsewhere. */
    private void goTo(String id) {
        if (id != null && wires != null && getScene() != null) {
            wires.step(id).ifPresent(step -> {
                session.selection().wireProperty().set(null);
                go(step);
            });
        }
    }

    private void go(WireStep step) {
        currentId = step.id();
        if (!list.getSelectionModel().getSelectedItems().contains(step)) {
            list.getSelectionModel().clearSelection();
            list.getSelectionModel().select(step);
        }
        list.scrollTo(Math.max(0, list.getItems().indexOf(step) - 1));
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
        boolean isPull = step.kind() == WireStep.Kind.PULL;
        Caption of = Ui.word(
                Words.get(
                        isPull ? "wire.of_pulls" : "wire.of",
                        "count",
                        isPull ? wires.pulls().size() : wires.steps().size()),
                "wire-of");
        Region swatch = new Region();
        swatch.getStyleClass().addAll("swatch", "swatch-" + step.colour().text());
        Caption colour = Ui.word(isLow ? Words.get("colour." + step.colour().text()) : colour(step), "wire-colour");
        String now =
                isPull ? "wire.to_pull" : step.plugged() ? "wire.plugged" : round.isSkipped(step) ? "wire.skipped" : "";
        Caption state = Ui.word(now.isEmpty() ? "" : Words.get(now), isPull ? "stop-text" : "good-text");
        HBox sort = new HBox(12, swatch, colour);
        sort.setAlignment(Pos.CENTER_LEFT);
        HBox top = new HBox(10, number, of);
        top.setAlignment(Pos.CENTER_LEFT);
        told.getChildren().setAll(top);
        if (isLow) {
            // No room for more than which wire, from where to where.
            HBox.setMargin(sort, new Insets(0, 0, 0, 16));
            top.getChildren().addAll(sort, Ui.spring(), state);
            told.getChildren().addAll(end(step.from(), "wire-from"), end(step.to(), "wire-to"));
        } else {
            top.getChildren().addAll(Ui.spring(), state);
            told.getChildren().addAll(sort, end(step.from(), "wire-from"), line(step), end(step.to(), "wire-to"));
        }
        foot.getChildren().setAll(buttons(step));
        if (!isPull) {
            WireOhms.of(step)
                    .map(expected -> new OhmsField(session, wires, step, expected, this::requestFocus))
                    .ifPresent(foot.getChildren()::add);
        }
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
        boolean isPull = step.kind() == WireStep.Kind.PULL;
        Button done = new Button(Words.get(isPull ? "wire.pulled" : step.plugged() ? "wire.next" : "wire.done"));
        done.setId("wire-done");
        done.getStyleClass().add("main-button");
        done.setMinWidth(Region.USE_PREF_SIZE);
        done.setOnAction(event -> done());
        Caption space = Ui.word(Words.get("wire.space"), "key");
        space.setMinWidth(Region.USE_PREF_SIZE);
        Button back = button("wire.back", this::back);
        Button skip = button("wire.skip", this::skip);
        List<Node> row = new ArrayList<>(isLow ? List.of(done, back, skip) : List.of(done, space, back, skip));
        if (step.plugged() && !isPull) {
            row.add(button("wire.pull", () -> plug(step, false)));
        }
        if (isToAPin(step)) {
            row.add(button("wire.elsewhere", () -> askWhere(step)));
        }
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
                .map(jumper -> jumper.isBrought() ? WireWords.jumper(jumper) : colour + ", " + WireWords.jumper(jumper))
                .orElse(colour);
    }

    private void showEnds(WireStep step) {
        Assessment assessment = session.assessmentProperty().get();
        BothEnds both = new BothEnds(assessment, wires.node(), step, place -> turned.contains(key(place)));
        ends.getChildren().setAll(both);
        foot.getChildren().removeIf(child -> child instanceof Tile);
        List<EndPlace> turnable = Stream.of(step.from(), step.to())
                .flatMap(end -> EndPlace.of(assessment.reports().circuit(), wires.node(), end).stream())
                .filter(place -> ends.isVisible() && place.canBeTurned())
                .toList();
        turnable.forEach(place -> foot.getChildren().add(turning(place, step, turnable.size() == 1)));
    }

    private Tile turning(EndPlace place, WireStep step, boolean isOnlyOne) {
        String whole = Words.get("ends.turn", "part", place.placed().part().name());
        Tile turn = Ui.pill(
                "turn-" + place.placed().id(), isOnlyOne ? Words.get("ends.turn_it") : whole, () -> turn(place, step));
        turn.setAccessibleText(whole);
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

    /** Ticks off what is chosen, or pulls it, and goes to the next task of the round. */
    private void done() {
        current().ifPresent(step -> {
            currentId = round.after(wires, step.id()).map(WireStep::id).orElse(step.id());
            List<WireStep> chosen = chosen(step);
            if (chosen.isEmpty()) {
                refresh();
            } else {
                boolean isPull = step.kind() == WireStep.Kind.PULL;
                session.apply(new Plug(
                        wires.node().node().id(),
                        chosen.stream().map(WireStep::id).collect(Collectors.toSet()),
                        !isPull));
            }
        });
    }

    /** The open tasks that are chosen in the list, of the sort of the one on the card. */
    private List<WireStep> chosen(WireStep step) {
        boolean isPull = step.kind() == WireStep.Kind.PULL;
        List<WireStep> marked = list.getSelectionModel().getSelectedItems().contains(step)
                ? list.getSelectionModel().getSelectedItems()
                : List.of(step);
        return marked.stream()
                .filter(task -> WireRound.isOpen(task) && (task.kind() == WireStep.Kind.PULL) == isPull)
                .toList();
    }

    /** The chosen wires as text, one a line. */
    private String chosenText() {
        return list.getSelectionModel().getSelectedItems().stream()
                .map(task -> Words.say(Fact.of("wire.as_text")
                        .with("number", task.number())
                        .with("ends", words.ends(task))
                        .with("wire", colour(task))
                        .with("kind", words.kind(task))))
                .collect(Collectors.joining("\n"));
    }

    private void plug(WireStep step, boolean in) {
        session.apply(new Plug(wires.node().node().id(), Set.of(step.id()), in));
    }

    private void back() {
        move(-1);
    }

    /** Left for the end of the round. */
    private void skip() {
        current().ifPresent(step -> {
            round.skip(step);
            round.after(wires, step.id()).ifPresentOrElse(this::go, () -> move(1));
        });
    }

    private void move(int by) {
        current().ifPresent(step -> {
            List<WireStep> all = list.getItems();
            int index = Math.max(0, Math.min(all.size() - 1, all.indexOf(step) + by));
            list.getSelectionModel().clearSelection();
            go(all.get(index));
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
            boolean isPull = step.kind() == WireStep.Kind.PULL;
            swatch.setVisible(!isPull);
            tick.setGraphic(step.plugged() && !isPull ? Ui.icon(inkel.app.ui.kit.Icons.TICK, "step-tick") : null);
            pseudoClassStateChanged(DONE, step.plugged() && !isPull);
            setAccessibleText(Words.say(Fact.of("wire.step")
                    .with("number", step.number())
                    .with("from", words.name(step.from()))
                    .with("to", words.name(step.to()))
                    .with(
                            "state",
                            Words.get(isPull ? "wire.to_pull" : step.plugged() ? "wire.plugged" : "wire.open"))));
            setGraphic(row);
        }
    }
}
