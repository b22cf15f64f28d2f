package inkel.app.ui.wire;

import inkel.app.state.SeatWork;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Copying;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.stage.StagePane;
import inkel.app.words.WireWords;
import inkel.app.words.Words;
import inkel.core.catalog.Habit;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import inkel.core.document.edit.SetHabit;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.collections.FXCollections;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * One wire at a time, on a card that can be read from a metre away, with the whole list below.
 *
 * <p>Longer than other files: one list, one card and one keyboard, of which each moves the others.
 */
public final class WireStage extends StagePane implements WireCard.Desk {
    private static final double LOW = 560;

    private final Session session;
    private final WireCard card;
    private final WireRound round = new WireRound();
    private final MenuButton orders = new MenuButton();
    private final Tile onlyChanged;
    private final Tile showWires;
    private final Tile showSeats;
    private final Tile showTable;
    private final SeatsPane seats;
    private final TablePane table;
    private final ListView<WireStep> list = new ListView<>();
    private final ProgrammingStrip programming = new ProgrammingStrip();
    private final Caption loose = Ui.text("", "look-text");
    private WireList wires;
    private WireWords words;
    private String currentId = "";

    /** The wire that was shown while the breadboards were not known yet; another one may be the first then. */
    private String guessedId = "";

    /** The part whose last wire was plugged in the order part by part; it may be woken before the next. */
    private Optional<Place> finished = Optional.empty();

    private final Button wake = Ui.textButton("wire-wake", "", this::wakeFinished);

    /** @param command does a command of the window by its id */
    public WireStage(Session session, Consumer<String> command) {
        super(Stage.WIRE);
        this.session = session;
        card = new WireCard(session, this);
        seats = new SeatsPane(session);
        table = new TablePane(session, command);
        VBox.setVgrow(seats, Priority.ALWAYS);
        VBox.setVgrow(table, Priority.ALWAYS);
        showTable = tab(SeatWork.View.TABLE);
        showSeats = tab(SeatWork.View.SEATS);
        showWires = tab(SeatWork.View.WIRES);
        List.of(showTable, showSeats, showWires)
                .forEach(tab -> tab.getStyleClass().add("pill-toggle"));
        orders.setId("wire-order");
        orders.setAccessibleText(Words.get("wire.order.menu"));
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
        addControl(showTable);
        addControl(showSeats);
        addControl(showWires);
        list.setId("wire-list");
        list.setAccessibleText(Words.get("wire.list"));
        list.getStyleClass().add("wire-list");
        list.setCellFactory(view -> new StepCell(() -> words));
        list.setMinHeight(56);
        list.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        VBox.setVgrow(list, Priority.ALWAYS);
        loose.setId("wire-loose");
        wake.setId("wire-wake");
        Ui.show(wake, false);
        getChildren().addAll(card, wake, loose, list, programming, seats, table);
        list.getSelectionModel().selectedItemProperty().addListener((property, old, next) -> {
            if (next != null && !next.id().equals(currentId)) {
                go(next);
            }
        });
        addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
        Copying.byKeys(this, this::chosenText);
        setFocusTraversable(true);
        heightProperty()
                .addListener((property, old, next) -> card.setLow(next.doubleValue() > 0 && next.doubleValue() < LOW));
        subscriptions().on(session.nodeProperty(), (property, old, next) -> {
            currentId = "";
            finished = Optional.empty();
            Ui.show(wake, false);
            round.startOver();
        });
        subscriptions().on(session.selection().wireProperty(), (property, old, next) -> goTo(next));
        subscriptions().on(session.seats().latestProperty(), (property, old, next) -> {
            if (getScene() != null) {
                refresh();
            }
        });
        subscriptions().on(session.drawers().drawerProperty(), (property, old, next) -> tabs());
        subscriptions().on(session.selectionProperty(), (property, old, next) -> {
            session.seats().rowProperty().set(null);
            plan().ifPresent(seats::show);
        });
        tabs();
        refreshWith(session);
    }

    private void keys(KeyEvent event) {
        if (event.getTarget() instanceof TextInputControl || view() != SeatWork.View.WIRES) {
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
        String node = session.nodeProperty().get();
        if (assessment == null || assessment.wires(node).isEmpty()) {
            return;
        }
        Optional<SeatPlan> plan = session.seats().wanted(assessment, node);
        if (plan.isEmpty() && session.seats().isUnderWay(node) && wires != null && isOf(node)) {
            return; // what is shown stays until the holes of what comes are known
        }
        plan.ifPresentOrElse(seats::show, seats::showUnderWay);
        if (plan.isPresent() && currentId.equals(guessedId)) {
            currentId = "";
        }
        wires = session.seats().wires(assessment, node).orElseThrow();
        words = new WireWords(wires.node());
        Habit.WireOrder order = wires.node().habits().of(Habit.WIRE_ORDER);
        orders.setText(Words.get("wire.order." + Habit.text(order)));
        orders.getItems().forEach(item -> ((RadioMenuItem) item).setSelected(item.getUserData() == order));
        tabs();
        Set<String> marked = marked();
        list.setItems(FXCollections.observableArrayList(shown()));
        programming.show(wires, words);
        loose.setText(looseAgain());
        tabs();
        String wanted = session.selection().wireProperty().get();
        if (wanted != null && wires.step(wanted).isPresent()) {
            currentId = wanted;
            session.selection().wireProperty().set(null);
        }
        boolean isGuess = plan.isEmpty() && (wires.step(currentId).isEmpty() || currentId.equals(guessedId));
        WireStep current = wires.step(currentId)
                .or(() -> wires.pulls().stream().findFirst())
                .or(wires::next)
                .or(() -> wires.steps().stream().findFirst())
                .orElse(null);
        guessedId = isGuess && current != null ? current.id() : "";
        if (current == null) {
            card.showNothing();
        } else if (view() != SeatWork.View.TABLE) {
            go(current);
            markAgain(marked, current);
        } else {
            currentId = current.id();
        }
    }

    private Set<String> marked() {
        return list.getSelectionModel().getSelectedItems().stream()
                .filter(Objects::nonNull)
                .map(WireStep::id)
                .collect(Collectors.toSet());
    }

    /** Several that were marked together stay so when a new list comes, the one on the card among them. */
    private void markAgain(Set<String> marked, WireStep current) {
        if (!marked.contains(current.id())) {
            return;
        }
        for (int i = 0; i < list.getItems().size(); i++) {
            if (marked.contains(list.getItems().get(i).id())) {
                list.getSelectionModel().select(i);
            }
        }
        list.getSelectionModel().select(current);
    }

    /** Offers to wake a part when the last of its wires was plugged, where the work goes part by part. */
    private void finish(Place of, Set<String> ids) {
        boolean isByParts = wires.node().habits().of(Habit.WIRE_ORDER) == Habit.WireOrder.PARTS;
        Optional<Placed> part = isByParts ? wires.node().part(of.part()) : Optional.empty();
        part.filter(placed -> wires.steps().stream()
                        .filter(step -> step.subject().part().equals(placed.id()))
                        .allMatch(step -> step.plugged() || ids.contains(step.id())))
                .ifPresent(placed -> {
                    finished = Optional.of(wires.node().place(placed));
                    wake.setText(Words.get("wire.wake", "part", placed.part().name()));
                });
        Ui.show(wake, finished.isPresent());
    }

    private void wakeFinished() {
        finished.ifPresent(part -> {
            finished = Optional.empty();
            Ui.show(wake, false);
            session.wake().begin(part);
            session.stageProperty().set(Stage.WAKE);
        });
    }

    private boolean isOf(String node) {
        return wires.node().node().id().equals(node);
    }

    private Optional<SeatPlan> plan() {
        Assessment assessment = session.assessmentProperty().get();
        return assessment == null
                ? Optional.empty()
                : session.seats().of(assessment, session.nodeProperty().get());
    }

    private SeatWork.View view() {
        return session.seats().viewProperty().get();
    }

    private Tile tab(SeatWork.View view) {
        String name = view.name().toLowerCase(Locale.ROOT);
        return Ui.pill("wire-tab-" + name, Words.get("seats.tab." + name), () -> {
            session.seats().viewProperty().set(view);
            if (view == SeatWork.View.TABLE) {
                session.selectionProperty().set(null);
            } else if (session.selectionProperty().get() == null) {
                current().ifPresent(this::go);
            }
            tabs();
        });
    }

    private void tabs() {
        showWires.setSelected(view() == SeatWork.View.WIRES);
        showSeats.setSelected(view() == SeatWork.View.SEATS);
        showTable.setSelected(view() == SeatWork.View.TABLE);
        boolean isWires = view() == SeatWork.View.WIRES;
        Ui.show(seats, view() == SeatWork.View.SEATS);
        Ui.show(table, view() == SeatWork.View.TABLE);
        if (view() == SeatWork.View.TABLE) {
            table.refresh();
        }
        for (Node child : List.of(card, list, orders)) {
            Ui.show(child, isWires);
        }
        Ui.show(
                loose,
                isWires && wires != null && wires.isChange() && !loose.getText().isEmpty());
        Ui.show(onlyChanged, isWires && wires != null && wires.isChange());
        Ui.show(programming, isWires && wires != null && !wires.programming().isEmpty());
    }

    /** What was measured, and must be measured again since wires or what feeds them have changed. */
    private String looseAgain() {
        String signals = wires.node().staleSignals().stream()
                .map(signal -> Words.say(PinNames.of(wires.node(), signal)))
                .collect(Collectors.joining(", "));
        return signals.isEmpty() ? "" : Words.get("wire.loose_again", "signals", signals);
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
        card.show(wires, step, plan());
    }

    private Optional<WireStep> current() {
        return wires == null ? Optional.empty() : wires.step(currentId);
    }

    /** Ticks off what is chosen, or pulls it, and goes to the next task of the round. */
    @Override
    public void done() {
        current().ifPresent(step -> {
            List<WireStep> chosen = chosen(step);
            Set<String> ids = chosen.stream().map(WireStep::id).collect(Collectors.toSet());
            currentId = round.after(wires, step.id(), ids).map(WireStep::id).orElse(step.id());
            if (chosen.isEmpty()) {
                refresh();
            } else {
                boolean isPull = step.kind() == WireStep.Kind.PULL;
                if (isPull) {
                    session.wake().pull(ids);
                } else {
                    session.seats().plug(ids);
                    finish(step.subject(), ids);
                }
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
                        .with("wire", WireCard.colour(wires, task, plan()))
                        .with("kind", words.kind(task))))
                .collect(Collectors.joining("\n"));
    }

    @Override
    public void pull(WireStep step) {
        session.wake().pull(Set.of(step.id()));
    }

    @Override
    public boolean isSkipped(WireStep step) {
        return round.isSkipped(step);
    }

    @Override
    public void startOver() {
        currentId = "";
        refresh();
    }

    @Override
    public void takeFocus() {
        requestFocus();
    }

    @Override
    public void back() {
        move(-1);
    }

    /** Left for the end of the round. */
    @Override
    public void skip() {
        current().ifPresent(step -> {
            round.skip(step);
            round.after(wires, step.id(), Set.of()).ifPresentOrElse(this::go, () -> move(1));
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
}
