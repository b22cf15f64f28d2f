package inkel.app.ui.tune;

import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.ui.kit.Caption;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Tile;
import inkel.app.ui.kit.Ui;
import inkel.app.ui.kit.WrapRow;
import inkel.app.ui.stage.StagePane;
import inkel.app.ui.tune.bench.BenchPane;
import inkel.app.ui.tune.capture.CapturePane;
import inkel.app.ui.tune.link.KeyPane;
import inkel.app.ui.tune.link.ModemPane;
import inkel.app.ui.tune.link.RadioPane;
import inkel.app.ui.tune.link.SerialPane;
import inkel.app.ui.tune.link.TagPane;
import inkel.app.ui.tune.servo.ServoPane;
import inkel.app.ui.tune.signal.AnalogPane;
import inkel.app.ui.tune.signal.ColourPane;
import inkel.app.ui.tune.signal.SampledPane;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.finding.Stage;
import inkel.core.tune.Draft;
import inkel.core.tune.analog.AnalogDraft;
import inkel.core.tune.colour.ColourDraft;
import inkel.core.tune.infrared.KeyDraft;
import inkel.core.tune.modem.ModemDraft;
import inkel.core.tune.serial.SerialDraft;
import inkel.core.tune.servo.ServoDraft;
import inkel.core.tune.stand.Benches;
import inkel.core.tune.stand.TuneReport;
import inkel.core.tune.tags.TagDraft;
import java.util.List;
import java.util.Optional;
import javafx.collections.FXCollections;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;

/** What differs from piece to piece: the benches of this table at the left, one of them at the right. */
public final class TuneStage extends StagePane {
    private static final double LIST = 190;
    private static final double LEAST_LIST = 150;
    private static final double NARROW = 640;

    private final Session session;
    private final ListView<TuneReport.Stand> list = new ListView<>();
    private final VBox host = new VBox(12);
    private final Caption state = Ui.text("", "quiet");
    private final Button keep;
    private final Button forget;
    private final VBox bench;
    private final HBox both;
    private final WrapRow keeping = new WrapRow(12);
    private final Tile capture;
    private final Tile round;
    private final Tile mine;
    private final Tile practise;
    private BenchPane pane;
    private CapturePane captures;
    private RoundPane rounds;

    public TuneStage(Session session) {
        super(Stage.TUNE);
        this.session = session;
        mine = Ui.pill("tune-mine", Words.get("practice.mine"), session.practice()::leave);
        practise = Ui.pill("tune-practice", Words.get("practice.practise"), session.practice()::beginWithNone);
        mine.getStyleClass().add("pill-toggle");
        practise.getStyleClass().add("pill-toggle");
        capture = Ui.pill("tune-capture", Words.get("capture.pill"), () -> {
            session.tune().roundProperty().set(false);
            session.captures()
                    .openProperty()
                    .set(!session.captures().openProperty().get());
        });
        capture.getStyleClass().add("pill-toggle");
        round = Ui.pill("tune-round", Words.get("round.pill"), () -> {
            session.captures().openProperty().set(false);
            session.tune().roundProperty().set(!session.tune().roundProperty().get());
        });
        round.getStyleClass().add("pill-toggle");
        addControl(round);
        addControl(capture);
        addControl(mine);
        addControl(practise);
        list.setId("tune-list");
        list.setAccessibleText(Words.get("tune.list"));
        list.getStyleClass().addAll("wire-list", "wake-list");
        list.setCellFactory(view -> new StandCell(session.tune()));
        list.setOnMouseClicked(event -> toBench());
        list.setMinWidth(LEAST_LIST);
        list.setPrefWidth(LIST);
        list.setMaxWidth(LIST);
        widthProperty().addListener((property, old, next) -> {
            double width = next.doubleValue() < NARROW ? LEAST_LIST : LIST;
            list.setMinWidth(width);
            list.setPrefWidth(width);
            list.setMaxWidth(width);
        });
        list.getSelectionModel().selectedItemProperty().addListener((property, old, next) -> {
            if (next != null) {
                if (list.isFocused()) {
                    toBench();
                }
                turnTo(at(next));
            }
        });
        keep = Ui.textButton("tune-keep", Words.get("tune.keep"), this::keep);
        keep.getStyleClass().add("main-button");
        forget = Ui.textButton("tune-forget", Words.get("tune.forget"), () -> session.tune()
                .forget(session.tune().currentProperty().get()));
        state.setId("tune-state");
        state.setMinWidth(0);
        keeping.setAlignment(Pos.CENTER_LEFT);
        keeping.getChildren().addAll(keep, forget, state);
        Scroller scroller = new Scroller(host);
        VBox.setVgrow(scroller, Priority.ALWAYS);
        VBox bench = new VBox(10, scroller, keeping);
        bench.setMinWidth(0);
        HBox.setHgrow(bench, Priority.ALWAYS);
        subscriptions().on(session.captures().openProperty(), (property, old, next) -> again());
        subscriptions().on(session.tune().roundProperty(), (property, old, next) -> again());
        subscriptions().on(session.captures().shownProperty(), (property, old, next) -> again());
        this.bench = bench;
        both = new HBox(12, list, bench);
        VBox.setVgrow(both, Priority.ALWAYS);
        both.setMinHeight(0);
        getChildren().add(both);
        addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
        setFocusTraversable(true);
        subscriptions().on(session.tune().changesProperty(), (property, old, next) -> again());
        subscriptions().on(session.tune().currentProperty(), (property, old, next) -> again());
        subscriptions().on(session.practice().roundProperty(), (property, old, next) -> again());
        refreshWith(session);
    }

    /** What takes the place of a bench is closed. */
    private void toBench() {
        session.captures().openProperty().set(false);
        session.tune().roundProperty().set(false);
    }

    private static TuneWork.At at(TuneReport.Stand stand) {
        return new TuneWork.At(stand.node().place(stand.part()), stand.bench());
    }

    private void again() {
        if (getScene() != null) {
            refresh();
        }
    }

    /** The arrows step a servo, Enter says that it stopped. */
    private void keys(KeyEvent event) {
        boolean isElsewhere = event.getTarget() instanceof TextInputControl
                || event.getTarget() instanceof Button
                || event.getTarget() instanceof Circle
                || event.getTarget() instanceof ListView;
        if (isElsewhere || !(pane instanceof ServoPane servo)) {
            return;
        }
        if (event.getCode() == KeyCode.LEFT || event.getCode() == KeyCode.RIGHT) {
            int direction = event.getCode() == KeyCode.LEFT ? -1 : 1;
            servo.step(direction, event.isShiftDown());
            event.consume();
        } else if (event.getCode() == KeyCode.ENTER) {
            servo.stopped();
            event.consume();
        }
    }

    private void keep() {
        session.tune().keep(session.tune().currentProperty().get());
    }

    private void turnTo(TuneWork.At at) {
        session.tune().turnTo(at);
        explain(at);
    }

    /** What the panel says hangs on the bench and its draft, though the place may be the same. */
    private void explain(TuneWork.At at) {
        session.selectionProperty().set(null);
        session.selectionProperty().set(at.part());
    }

    @Override
    protected void refresh() {
        Assessment assessment = session.assessmentProperty().get();
        String node = session.nodeProperty().get();
        mine.setSelected(!session.practice().isOn());
        practise.setSelected(session.practice().isOn());
        showRight();
        if (assessment == null || node == null) {
            return;
        }
        List<TuneReport.Stand> stands = assessment.reports().tunes().of(node);
        TuneWork.At wanted = session.tune().currentProperty().get();
        Optional<TuneReport.Stand> current = stands.stream()
                .filter(stand -> at(stand).equals(wanted))
                .findFirst()
                .or(() -> stands.stream().findFirst());
        if (current.isEmpty()) {
            pane = null;
            list.getItems().clear();
            host.getChildren().setAll(Ui.text(Words.get("tune.none"), "later"));
            Ui.show(keeping, false);
            return;
        }
        if (!list.getItems().equals(stands)) {
            list.setItems(FXCollections.observableArrayList(stands));
        }
        list.refresh();
        TuneWork.At at = at(current.get());
        list.getSelectionModel().select(current.get());
        session.tune().turnTo(at);
        boolean isOther = pane == null
                || !pane.at().equals(at)
                || !host.getChildren().contains(pane)
                || isThere(at) == pane instanceof UnwiredPane;
        if (isOther) {
            pane = pane(at);
            host.getChildren().setAll(pane);
        }
        pane.show();
        showState(at);
        explain(at);
    }

    /** A capture or the round takes the place of the benches while it is looked at. */
    private void showRight() {
        boolean isOpen = session.captures().openProperty().get();
        capture.setSelected(isOpen);
        if (isOpen) {
            captures = captures == null ? new CapturePane(session) : captures;
            HBox.setHgrow(captures, Priority.ALWAYS);
            captures.show();
        }
        boolean isRound = !isOpen && session.tune().roundProperty().get();
        round.setSelected(isRound);
        if (isRound) {
            rounds = rounds == null ? new RoundPane(session) : rounds;
            HBox.setHgrow(rounds, Priority.ALWAYS);
            rounds.show();
        }
        Node right = isOpen ? captures : isRound ? rounds : bench;
        if (!both.getChildren().contains(right)) {
            both.getChildren().setAll(list, right);
        }
    }

    /** Whether the part is wired so that its bench can be worked on. */
    private boolean isThere(TuneWork.At at) {
        return session.tune().draft(at).isPresent() || !Benches.isKept(at.bench());
    }

    private BenchPane pane(TuneWork.At at) {
        Optional<Draft> draft = session.tune().draft(at);
        if (!Benches.isKept(at.bench())) {
            return new RadioPane(session, at);
        }
        if (draft.isEmpty()) {
            return new UnwiredPane(at);
        } else if (draft.get() instanceof ServoDraft) {
            return new ServoPane(session, at);
        }
        if (draft.get() instanceof KeyDraft) {
            return new KeyPane(session, at);
        }
        if (draft.get() instanceof SerialDraft) {
            return new SerialPane(session, at);
        }
        if (draft.get() instanceof ModemDraft) {
            return new ModemPane(session, at);
        }
        if (draft.get() instanceof TagDraft) {
            return new TagPane(session, at);
        }
        if (draft.get() instanceof ColourDraft) {
            return new ColourPane(session, at);
        }
        return draft.get() instanceof AnalogDraft ? new AnalogPane(session, at) : new SampledPane(session, at);
    }

    private void showState(TuneWork.At at) {
        boolean isDraft = session.tune().isDraft(at);
        Ui.show(keeping, !(pane instanceof UnwiredPane) && Benches.isKept(at.bench()));
        keep.setDisable(!isDraft);
        forget.setDisable(!isDraft);
        String said = isDraft
                ? "tune.state.draft"
                : session.tune().kept(at).isPresent()
                        ? "tune.state.kept"
                        : session.tune().stale(at).isPresent() ? "tune.state.stale" : "tune.state.open";
        state.setText(Optional.ofNullable(session.tune().followedProperty().get())
                .filter(followed -> !isDraft)
                .map(FollowWords::say)
                .orElse(Words.get(said)));
    }
}
