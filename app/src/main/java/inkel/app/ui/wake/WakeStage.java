package inkel.app.ui.wake;

import inkel.app.state.PracticeWork;
import inkel.app.state.ReportWork;
import inkel.app.state.Session;
import inkel.app.state.SuspectWork;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.stage.StagePane;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.diagnosis.Evidence;
import inkel.core.diagnosis.Suspect;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import inkel.core.wake.Check;
import inkel.core.wake.Group;
import inkel.core.wake.Result;
import inkel.core.wake.Status;
import inkel.core.wake.WakeState;
import inkel.core.wiring.TableWire;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.collections.FXCollections;
import javafx.event.ActionEvent;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The first power-up: the checks in their order at the left, one of them large at the right. */
public final class WakeStage extends StagePane implements CheckCard.Desk, SuspectsPane.Desk {
    private static final double LIST = 290;
    private static final double LEAST_CARD = 300;
    private static final double LEAST_LIST = 170;
    private static final double NARROW = 640;

    private final Session session;
    private final Consumer<Stage> goTo;
    private final ListView<CheckCell.Entry> list = new ListView<>();
    private final CheckCard card;
    private final MeterStrip meter;
    private final Tile showMeter;
    private final SuspectsPane suspects = new SuspectsPane(this);
    private final PracticeStrip practice;
    private final LineStrip line;
    private final ReportStrip report;
    private final Tile showReport;
    private final HBox both = new HBox(12);
    private final Tile mine;
    private final Tile practise;
    private WakeState state;
    private String currentId = "";

    /** @param goTo shows another stage */
    public WakeStage(Session session, Consumer<Stage> goTo) {
        super(Stage.WAKE);
        this.session = session;
        this.goTo = goTo;
        card = new CheckCard(session, this);
        meter = new MeterStrip(session.wake().meterProperty());
        Ui.show(meter, false);
        showMeter = Ui.pill("wake-show-meter", Words.get("wake.meter"), this::toggleMeter);
        showMeter.getStyleClass().add("pill-toggle");
        practice = new PracticeStrip(session.practice());
        mine = Ui.pill("bench-mine", Words.get("practice.mine"), session.practice()::leave);
        practise = Ui.pill("bench-practice", Words.get("practice.practise"), this::practise);
        mine.getStyleClass().add("pill-toggle");
        practise.getStyleClass().add("pill-toggle");
        line = new LineStrip(session.line(), session::build);
        report = new ReportStrip(session.reports(), line);
        VBox.setVgrow(report, Priority.ALWAYS);
        Ui.show(report, false);
        showReport = Ui.pill("wake-show-report", Words.get("report.show"), this::toggleReport);
        showReport.getStyleClass().add("pill-toggle");
        addControl(showReport);
        addControl(showMeter);
        addControl(mine);
        addControl(practise);
        list.setId("wake-list");
        list.setAccessibleText(Words.get("wake.list"));
        list.getStyleClass().addAll("wire-list", "wake-list");
        list.setCellFactory(view -> new CheckCell(() -> state));
        list.setMinWidth(LEAST_LIST);
        list.setPrefWidth(LIST);
        list.setMaxWidth(LIST);
        list.getSelectionModel().selectedItemProperty().addListener((property, old, next) -> {
            if (next != null
                    && next.check()
                            .filter(check -> !check.id().equals(currentId))
                            .isPresent()) {
                go(next.check().orElseThrow());
            }
        });
        widthProperty().addListener((property, old, next) -> {
            double width = next.doubleValue() < NARROW ? LEAST_LIST : LIST;
            list.setPrefWidth(width);
            list.setMaxWidth(width);
        });
        VBox large = new VBox(12, card, suspects);
        VBox.setVgrow(card, Priority.ALWAYS);
        Scroller scroller = new Scroller(large);
        scroller.setPrefWidth(LEAST_CARD);
        HBox.setHgrow(scroller, Priority.ALWAYS);
        both.getChildren().setAll(list, scroller);
        VBox.setVgrow(both, Priority.ALWAYS);
        both.setMinHeight(0);
        getChildren().addAll(practice, report, meter, both);
        addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
        addEventFilter(KeyEvent.KEY_TYPED, this::typed);
        setFocusTraversable(true);
        subscriptions().on(session.nodeProperty(), (property, old, next) -> currentId = "");
        subscriptions().on(session.wake().currentProperty(), (property, old, next) -> {
            boolean isAsked = next != null && state != null && !next.id().equals(currentId);
            if (isAsked && state.wake().check(next.id()).isPresent()) {
                go(next);
            }
        });
        subscriptions().on(session.wake().latestProperty(), (property, old, next) -> again());
        subscriptions().on(session.wake().meterProperty(), (property, old, next) -> again());
        subscriptions().on(session.reports().latestProperty(), (property, old, next) -> showReported());
        subscriptions().on(session.line().nowProperty(), (property, old, next) -> line.showNow());
        subscriptions().on(session.line().heardProperty(), (property, old, next) -> report.hear(next));
        subscriptions()
                .on(
                        session.line().portsProperty(),
                        (property, old, next) ->
                                line.suggest(session.nodeProperty().get()));
        subscriptions().on(session.suspects().latestProperty(), (property, old, next) -> again());
        subscriptions().on(session.practice().roundProperty(), (property, old, next) -> showRound());
        showRound();
        refreshWith(session);
    }

    private void practise() {
        if (!session.practice().isOn()) {
            currentId = "";
            session.practice().begin();
        }
    }

    private void toggleReport() {
        showReport.setSelected(!showReport.isSelected());
        showReported();
        if (showReport.isSelected()) {
            line.begin(session.line().baud());
            line.suggest(session.nodeProperty().get());
        }
        Ui.show(report, showReport.isSelected());
        Ui.show(both, !showReport.isSelected());
    }

    private void showReported() {
        ReportWork.Found found = session.reports().latestProperty().get();
        boolean isHere = found != null
                && found.wake().node().node().id().equals(session.nodeProperty().get());
        report.show(isHere ? found : null, session.practice().isOn());
    }

    private void showRound() {
        showReported();
        PracticeWork.Round round = session.practice().roundProperty().get();
        if (round == null || round.isPlanting()) {
            // What is typed belongs to the bench that is left.
            card.forget();
        }
        practice.show(session.practice().roundProperty().get());
        mine.setSelected(!session.practice().isOn());
        practise.setSelected(session.practice().isOn());
        if (state != null) {
            again();
        }
    }

    private void again() {
        if (getScene() != null) {
            refresh();
        }
    }

    private void toggleMeter() {
        showMeter.setSelected(!showMeter.isSelected());
        meter.show();
        Ui.show(meter, showMeter.isSelected());
    }

    private void keys(KeyEvent event) {
        boolean isField = event.getTarget() instanceof TextInputControl;
        if (event.getCode() == KeyCode.ENTER && !isField && !(event.getTarget() instanceof Button)) {
            card.field().fireEvent(new ActionEvent());
            event.consume();
        } else if (event.getCode() == KeyCode.ESCAPE && isField) {
            requestFocus();
            event.consume();
        } else if (!isField && (event.getCode() == KeyCode.LEFT || event.getCode() == KeyCode.BACK_SPACE)) {
            back();
            event.consume();
        } else if (!isField && event.getCode() == KeyCode.RIGHT) {
            skip();
            event.consume();
        } else if (!isField && event.getCode() == KeyCode.F && !event.isShortcutDown() && !event.isAltDown()) {
            turn();
            event.consume();
        }
    }

    /** Digits typed anywhere begin a reading. */
    private void typed(KeyEvent event) {
        String text = event.getCharacter();
        boolean isBeginning = text.length() == 1 && (Character.isDigit(text.charAt(0)) || "-−.,".contains(text));
        if (isBeginning
                && !(event.getTarget() instanceof TextInputControl)
                && card.wantsText()
                && !event.isShortcutDown()) {
            card.field().requestFocus();
            card.field().setText(text);
            card.field().positionCaret(1);
            event.consume();
        }
    }

    @Override
    protected void refresh() {
        Assessment assessment = session.assessmentProperty().get();
        String node = session.nodeProperty().get();
        if (assessment == null || node == null || assessment.wires(node).isEmpty()) {
            return;
        }
        Optional<WakeState> found = session.wake().wanted(assessment, node);
        if (found.isEmpty()) {
            boolean isOther = state == null || !state.wake().node().node().id().equals(node);
            boolean hasFailed = session.wake().hasFailed(assessment, node);
            if (isOther || hasFailed) {
                state = null;
                list.getItems().clear();
                card.showNothing(Words.get(hasFailed ? "wake.failed" : "wake.working"));
            }
            return;
        }
        state = found.get();
        list.setItems(FXCollections.observableArrayList(entries()));
        Optional<Check> current = session.wake()
                .begun(state)
                .or(() -> state.wake().check(currentId))
                .or(state::next)
                .or(() -> state.wake().checks().stream().findFirst());
        current.ifPresentOrElse(this::go, () -> card.showNothing(Words.get("wake.none")));
    }

    private List<CheckCell.Entry> entries() {
        List<CheckCell.Entry> entries = new ArrayList<>();
        for (Group group : state.wake().groups()) {
            entries.add(new CheckCell.Entry(group, Optional.empty()));
            state.wake().of(group).forEach(check -> entries.add(new CheckCell.Entry(group, Optional.of(check))));
        }
        return entries;
    }

    /** @param asked a check of this node, perhaps as it was before a reading narrowed it */
    private void go(Check asked) {
        Check check = state.wake().check(asked.id()).orElse(asked);
        boolean isOther = !check.id().equals(currentId);
        currentId = check.id();
        session.wake().currentProperty().set(check);
        int index = 0;
        while (index < list.getItems().size()
                && list.getItems()
                        .get(index)
                        .check()
                        .filter(other -> other.id().equals(check.id()))
                        .isEmpty()) {
            index++;
        }
        list.getSelectionModel().clearAndSelect(index);
        if (isOther) {
            list.scrollTo(Math.max(0, index - 4));
        }
        Place at = check.at().part().isEmpty() ? Place.ofPart(check.at().node(), Part.BOARD) : check.at();
        // Two checks may be about one pin; what is said of them differs.
        session.selectionProperty().set(null);
        session.selectionProperty().set(at);
        card.show(state, check);
        showSuspects(check);
    }

    /** What it could be, as long as anything that was read is not as foretold. */
    private void showSuspects(Check check) {
        Assessment assessment = session.assessmentProperty().get();
        boolean isOut = SuspectWork.isAsked(Evidence.of(state));
        Ui.show(suspects, isOut);
        if (isOut) {
            session.suspects()
                    .wanted(assessment, state)
                    .ifPresentOrElse(found -> suspects.show(found, state.wake().node()), suspects::showWorking);
        } else if (assessment != null) {
            session.suspects().expect(assessment, state, check);
        }
    }

    @Override
    public void take(Check look) {
        session.wake().look(session.nodeProperty().get(), look);
        refresh();
        go(look);
        requestFocus();
    }

    @Override
    public Optional<Runnable> isThis(Suspect suspect) {
        PracticeWork.Round round = session.practice().roundProperty().get();
        if (round == null) {
            return Optional.of(() -> session.suspects().confirm(suspect));
        }
        return round.end().isPresent()
                ? Optional.empty()
                : Optional.of(() -> session.practice().guess(suspect));
    }

    @Override
    public void next() {
        List<Check> all = state.wake().checks();
        int from = index();
        for (int i = 1; i <= all.size(); i++) {
            Check check = all.get((from + i) % all.size());
            Result result = state.result(check);
            if (result.status() != Status.IN && result.status() != Status.LEFT) {
                go(check);
                requestFocus();
                return;
            }
        }
        skip();
    }

    private int index() {
        List<Check> all = state.wake().checks();
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).id().equals(currentId)) {
                return i;
            }
        }
        return 0;
    }

    @Override
    public void back() {
        move(-1);
    }

    @Override
    public void skip() {
        move(1);
    }

    private void move(int by) {
        if (state != null && !state.wake().checks().isEmpty()) {
            int last = state.wake().checks().size() - 1;
            go(state.wake().checks().get(Math.max(0, Math.min(last, index() + by))));
        }
    }

    @Override
    public void turn() {
        if (state != null) {
            String node = session.nodeProperty().get();
            state.wake().check(currentId).filter(Check::isBetweenPoints).ifPresent(check -> session.wake()
                    .turn(node, check, turned -> {
                        boolean isStill = currentId.equals(check.id())
                                && node.equals(session.nodeProperty().get());
                        if (isStill) {
                            refresh();
                            go(turned);
                            requestFocus();
                        }
                    }));
        }
    }

    @Override
    public void toWire(String id) {
        session.selection().wireProperty().set(id);
        goTo.accept(Stage.WIRE);
    }

    @Override
    public void toWireOf(TableWire wire) {
        session.nodeProperty().set(wire.node());
        toWire(wire.id());
    }
}
