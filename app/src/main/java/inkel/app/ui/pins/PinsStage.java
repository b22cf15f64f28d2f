package inkel.app.ui.pins;

import inkel.app.state.PinWork;
import inkel.app.state.Session;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.stage.StagePane;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import inkel.core.pins.Plan;
import inkel.core.pins.Reach;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Who has which pin: the loom, its lenses, other placements, and holding or doing without with a reason. */
public final class PinsStage extends StagePane implements LoomActions {
    private final Session session;
    private final PinWork work;
    private final Loom loom;
    private final AlternativesBar alternatives;
    private final BoardSheet boards;
    private final FoundSheet found;
    private final TextField reason = new TextField();
    private final Caption because = Ui.word(Words.get("pins.reason"), "row-name");
    private final HBox holding;
    private final Caption folded = Ui.word("", "quiet", "small");
    private final Caption empty = Ui.text(Words.get("pins.empty"), "quiet");
    private LoomView view = LoomView.USUAL;

    /** The wire that the typed reason is of. */
    private Place asked;

    private String shown = "";

    public PinsStage(Session session) {
        super(Stage.PINS);
        this.session = session;
        work = session.pins();
        loom = new Loom(this);
        VBox.setVgrow(loom, Priority.ALWAYS);
        alternatives = new AlternativesBar(this::compare, this::take);
        ToggleGroup lenses = new ToggleGroup();
        for (Loom.Lens lens : Loom.Lens.values()) {
            addControl(lensButton(lens, lenses));
        }
        addControl(viewMenu());
        boards = new BoardSheet(session, this::closeSheets);
        found = new FoundSheet(session, this::closeSheets);
        for (VBox sheet : List.of(boards, found)) {
            Ui.show(sheet, false);
            VBox.setVgrow(sheet, Priority.ALWAYS);
        }
        Button others = button("alternatives", this::findOthers);
        Button which = button("boards", this::openBoards);
        Button plan = button("plan", session.planning()::plan);
        for (Button button : List.of(others, which, plan)) {
            subscriptions().bind(button.disableProperty(), session.planning().busyProperty());
        }
        List.of(others, which, button("found", this::openFound), plan).forEach(this::addControl);
        Button stop = button("stop", session.planning()::stop);
        subscriptions().bind(stop.visibleProperty(), session.planning().busyProperty());
        stop.managedProperty().bind(stop.visibleProperty());
        addControl(stop);
        reason.setId("hold-reason");
        reason.setPrefWidth(300);
        reason.setPromptText(Words.get("pins.reason.prompt"));
        reason.setAccessibleText(Words.get("pins.reason"));
        reason.setOnAction(event -> giveReason());
        reason.focusedProperty().addListener((property, old, next) -> {
            if (!next) {
                giveReason();
            }
        });
        holding = new HBox(8, because, reason);
        holding.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(alternatives, boards, found, empty, loom, folded, holding);
        subscriptions().on(session.selectionProperty(), (property, old, next) -> {
            loom.select(next);
            showReason();
        });
        subscriptions().on(session.nodeProperty(), (property, old, next) -> {
            alternatives.close();
            closeSheets();
        });
        refreshWith(session);
        loom.select(session.selectionProperty().get());
    }

    private static Button button(String command, Runnable action) {
        Button button = new Button(Words.get("command." + command));
        button.setId(command);
        button.getStyleClass().add("pill-button");
        button.setOnAction(event -> action.run());
        return button;
    }

    private ToggleButton lensButton(Loom.Lens lens, ToggleGroup group) {
        String name = lens.name().toLowerCase(Locale.ROOT);
        ToggleButton button = new ToggleButton(Words.get("lens." + name));
        button.setId("lens-" + name);
        button.getStyleClass().add("pill-toggle");
        button.setToggleGroup(group);
        button.setSelected(lens == Loom.Lens.ROLES);
        button.setOnAction(event -> {
            button.setSelected(true);
            loom.setLens(lens);
        });
        return button;
    }

    private MenuButton viewMenu() {
        MenuButton menu = new MenuButton(Words.get("loom.view"));
        menu.setId("loom-view");
        menu.setAccessibleText(Words.get("loom.view"));
        menu.getStyleClass().add("pill-button");
        CheckMenuItem byBus = check("loom.view.by_bus", isOn -> view.byBus(isOn));
        CheckMenuItem hideFree = check("loom.view.hide_free", isOn -> view.hidingFree(isOn));
        menu.getItems().addAll(byBus, hideFree, new SeparatorMenuItem());
        ToggleGroup names = new ToggleGroup();
        for (LoomView.Names by : LoomView.Names.values()) {
            String key = "loom.names." + by.name().toLowerCase(Locale.ROOT);
            RadioMenuItem item = new RadioMenuItem(Words.get(key));
            item.setId("names-" + by.name().toLowerCase(Locale.ROOT));
            item.setToggleGroup(names);
            item.setSelected(by == LoomView.Names.LABEL);
            item.setOnAction(event -> look(view.named(by)));
            menu.getItems().add(item);
        }
        MenuItem foldAll = new MenuItem(Words.get("loom.view.fold_all"));
        foldAll.setOnAction(event -> foldAll());
        menu.getItems().addAll(new SeparatorMenuItem(), foldAll);
        return menu;
    }

    private interface Change {
        LoomView to(boolean isOn);
    }

    private CheckMenuItem check(String key, Change change) {
        CheckMenuItem item = new CheckMenuItem(Words.get(key));
        item.setId(key.substring(key.lastIndexOf('.') + 1));
        item.setOnAction(event -> look(change.to(item.isSelected())));
        return item;
    }

    private void look(LoomView next) {
        view = next;
        refresh();
    }

    /** Folds every module, or opens all when all are folded. */
    private void foldAll() {
        Assessment now = session.assessmentProperty().get();
        if (now == null) {
            return;
        }
        LoomModel model = LoomModel.of(now, session.nodeProperty().get(), view);
        boolean areAllFolded = model.modules().stream().allMatch(LoomModel.Module::isFolded);
        LoomView next = view;
        for (LoomModel.Module module : model.modules()) {
            if (module.isFolded() == areAllFolded) {
                next = next.toggled(module.id());
            }
        }
        look(next);
    }

    // --- other boards

    /** Shows every board on this table, in place of the loom. */
    void openBoards() {
        open(boards);
        boards.begin();
    }

    /** Opens a place for a wiring that was found somewhere, in place of the loom. */
    void openFound() {
        open(found);
        found.begin();
    }

    private void open(VBox sheet) {
        closeSheets();
        alternatives.close();
        Ui.show(loom, false);
        Ui.show(sheet, true);
    }

    private void closeSheets() {
        if (boards.isVisible()) {
            session.planning().stop();
        }
        Ui.show(boards, false);
        Ui.show(found, false);
        Ui.show(loom, true);
    }

    // --- other placements

    private void findOthers() {
        session.planning().alternatives(found -> session.build().ifPresent(now -> alternatives.show(found, now)));
    }

    private void compare(Optional<Plan> plan) {
        look(view.comparing(plan));
    }

    private void take(Plan plan) {
        view = view.comparing(Optional.empty());
        work.take(plan);
    }

    // --- what the loom asks for

    @Override
    public void select(Place place) {
        session.selectionProperty().set(place);
    }

    @Override
    public Map<Endpoint, Reach> reach(Place signal) {
        return work.reach(signal);
    }

    @Override
    public void drop(Place signal, Reach on) {
        work.drop(signal, on);
    }

    @Override
    public void toggleHold(Place signal) {
        work.toggleHold(signal);
    }

    @Override
    public void toggleFold(String module) {
        look(view.toggled(module));
    }

    // --- holding, and doing without, with a reason

    private void giveReason() {
        String typed = reason.getText().strip();
        // Only over the words it was shown with: the same place of another build has a reason of its own.
        if (!typed.equals(shown) && work.reasonOf(asked).filter(shown::equals).isPresent()) {
            shown = typed;
            work.giveReason(asked, typed);
        }
    }

    private void showReason() {
        Place selected = session.selectionProperty().get();
        boolean isOther = !Objects.equals(selected, asked);
        if (isOther) {
            // What was typed for the wire before belongs to that one, however it was left.
            giveReason();
            asked = selected;
        }
        Optional<String> given = work.reasonOf(selected);
        Ui.show(holding, given.isPresent());
        because.setText(Words.get(work.isDeclined(selected) ? "pins.reason.without" : "pins.reason"));
        if (isOther || !reason.isFocused()) {
            shown = given.orElse("");
            reason.setText(shown);
        }
    }

    @Override
    protected void refresh() {
        Assessment assessment = session.assessmentProperty().get();
        String node = session.nodeProperty().get();
        if (assessment == null || assessment.circuit(node).isEmpty()) {
            return;
        }
        if (alternatives.isOutdated(assessment.build())) {
            alternatives.close();
        }
        LoomModel model = LoomModel.of(assessment, node, view);
        loom.show(model);
        Ui.show(empty, model.modules().isEmpty());
        Ui.show(folded, model.folded() > 0);
        folded.setText(Words.get("loom.folded", "count", model.folded()));
        showReason();
    }
}
