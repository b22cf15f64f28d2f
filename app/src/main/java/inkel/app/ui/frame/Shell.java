package inkel.app.ui.frame;

import inkel.app.export.Export;
import inkel.app.export.Exports;
import inkel.app.state.Session;
import inkel.app.store.Examples;
import inkel.app.store.UserState;
import inkel.app.ui.help.AboutPage;
import inkel.app.ui.help.HelpPage;
import inkel.app.ui.help.TourBar;
import inkel.app.ui.kit.Copying;
import inkel.app.ui.kit.Scroller;
import inkel.app.ui.kit.Subscriptions;
import inkel.app.ui.kit.Zoom;
import inkel.app.ui.reckon.ReckonPage;
import inkel.app.ui.stage.Command;
import inkel.app.ui.stage.StageView;
import inkel.app.ui.start.BoardPage;
import inkel.app.ui.start.HabitsPage;
import inkel.app.ui.start.LeftPage;
import inkel.app.ui.start.StartPage;
import inkel.app.ui.take.Printer;
import inkel.app.ui.take.TakePage;
import inkel.app.ui.why.Why;
import inkel.app.ui.why.WhyPanel;
import inkel.core.finding.Stage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/**
 * The frame of the window: bar, selvedge, stage, Why panel and strip.
 *
 * <p>Longer than other files: the parts of the window, each in a file of its own, are put together here and follow its
 * width, theme and stage.
 */
public final class Shell extends StackPane implements Frame, TakePage.Desk {
    private static final String MODEM_NUMBER = "modem.number";
    private static final String NIGHT = "night";
    private static final String ZOOM = "zoom";
    private static final String TOURED = "toured";

    private final Session session;
    private final UserState state;
    private final Commands commands;
    private FindBox findBox;
    private final StackPane stageHost = new StackPane();
    private final Subscriptions subscriptions = new Subscriptions();
    private final Stages stages;
    private final WhyPanel why;
    private final BorderPane frame = new BorderPane();
    private final NodeTabs tabs;
    private final TourBar tour;
    private Zoom zoom;
    private Node startPage;
    private Node boardMaker;
    private HabitsPage habitsPage;
    private TakePage takePage;
    private TypedWatch typed;

    public Shell(Session session, UserState state) {
        this(session, state, () -> {});
    }

    /** @param begin gives the workbench what is opened at the start; called once what does not depend on it is made */
    Shell(Session session, UserState state, Runnable begin) {
        this.session = session;
        this.state = state;
        getStyleClass().add("shell");
        tabs = new NodeTabs(session, subscriptions, this::addBoard);
        stages = new Stages(session, this::go, this::run);
        commands = new Commands(session, this, stages, new Folders(state));
        tour = new TourBar(() -> Files.isRegularFile(toPractiseOn()), this::practise, () -> {
            state.put(TOURED, true);
            session.inBackground(state::write);
        });
        VBox middle = new VBox(tour, new NoticeBar(session, subscriptions), stageHost);
        middle.getStyleClass().add("middle");
        VBox.setVgrow(stageHost, Priority.ALWAYS);
        frame.setTop(new TopBar(session, subscriptions, commands, tabs));
        frame.setLeft(new Selvedge(session, subscriptions, stages, this::go));
        frame.setCenter(middle);
        session.files().left().onList(this::leftWork);
        session.typed().onCopy(Copying::put);
        begin.run();
        why = new WhyPanel(session, subscriptions, stages::notes, stages.parts()::makeFrom);
        frame.setBottom(new Strip(session, subscriptions));
        getChildren().add(frame);
        // What has no room is cut at the bottom, and never the bar on top.
        setAlignment(frame, Pos.TOP_LEFT);
        subscriptions.on(session.stageProperty(), (property, old, next) -> showStage());
        subscriptions.on(session.assessmentProperty(), (property, old, next) -> {
            boolean isStartShown = startPage != null && stageHost.getChildren().contains(startPage);
            if (old == null || isStartShown) {
                showStage();
            }
        });
        // A page over the stage was of the build before.
        subscriptions.on(session.openingsProperty(), (property, old, next) -> showStage());
        subscriptions.on(session.files().fileProperty(), (property, old, next) -> remember(next));
        remember(session.files().fileProperty().get());
        setOnDragOver(this::dragOver);
        setOnDragDropped(this::dropped);
        if (state.flag(NIGHT)) {
            getStyleClass().add(NIGHT);
        }
        session.wake().meterProperty().set(state.meter());
        subscriptions.on(session.wake().meterProperty(), (property, old, next) -> state.put(next));
        session.line().knownProperty().set(state.ports());
        subscriptions.on(session.line().knownProperty(), (property, old, next) -> state.put(next));
        session.tune().talk().numberProperty().set(state.text(MODEM_NUMBER).orElse(""));
        subscriptions.on(
                session.tune().talk().numberProperty(), (property, old, next) -> state.put(MODEM_NUMBER, next));
        showStage();
    }

    @Override
    public void go(Stage stage) {
        session.stageProperty().set(stage);
        showStage();
    }

    /** Whoever is here for the first time is shown around, in sentences that can be left. */
    void welcome() {
        if (!state.flag(TOURED)) {
            tour();
        }
    }

    @Override
    public void tour() {
        tour.begin();
    }

    private void practise() {
        session.practice().open(toPractiseOn());
    }

    private static Path toPractiseOn() {
        return Examples.folder().resolve(Examples.MOTH_LAMP);
    }

    /** With changes that are not saved, the window stays open at first and asks in its notice. */
    public void askBeforeClosing(javafx.stage.Stage window) {
        window.focusedProperty().addListener((property, old, next) -> {
            if (next) {
                session.files().lookOutside();
            }
        });
        window.setOnCloseRequest(event -> {
            // What is typed is taken over when its field is left.
            requestFocus();
            if (!session.files().mayLeave(window::close, this::saveAs)) {
                event.consume();
            }
        });
    }

    /** Asks for a file, saves to it, then does what it is given. */
    void saveAs(Runnable then) {
        commands.saveAs(then);
    }

    @Override
    public void renameBoard() {
        tabs.renameShown();
    }

    /** What is open stays open until another is taken. */
    @Override
    public void begin() {
        startPage = null;
        stageHost.getChildren().setAll(startPage());
        startPage().requestFocus();
    }

    @Override
    public void addBoard() {
        boardMaker = new Scroller(new BoardPage(session, this::leaveBoardMaker));
        stageHost.getChildren().setAll(boardMaker);
        Node first = boardMaker.lookup("#equals-count");
        if (first != null) {
            first.requestFocus();
        }
    }

    @Override
    public void habits() {
        leavePages();
        habitsPage = new HabitsPage(session, () -> {
            leaveHabits();
            showStage();
        });
        stageHost.getChildren().setAll(new Scroller(habitsPage));
        habitsPage.lookup("#habits-leave").requestFocus();
    }

    @Override
    public TakePage takeAlong(String kind) {
        leavePages();
        takePage = new TakePage(session, this, Printer.SYSTEM);
        Exports.find(kind).ifPresent(takePage::show);
        stageHost.getChildren().setAll(takePage);
        frame.setRight(null); // room for pages
        takePage.lookup("#take-leave").requestFocus();
        return takePage;
    }

    @Override
    public ReckonPage reckon() {
        leavePages();
        ReckonPage page = new ReckonPage(session, this::showStage);
        stageHost.getChildren().setAll(page);
        frame.setRight(null); // room for formulas
        page.lookup("#reckon-leave").requestFocus();
        return page;
    }

    @Override
    public void about() {
        leavePages();
        AboutPage page = new AboutPage(state.folder(), this::showStage);
        stageHost.getChildren().setAll(page);
        frame.setRight(null); // room for licences
        page.lookup("#about-leave").requestFocus();
    }

    @Override
    public void leftWork() {
        leavePages();
        LeftPage page = new LeftPage(session.files().left(), this::showStage);
        stageHost.getChildren().setAll(page);
        page.lookup("#left-leave").requestFocus();
    }

    @Override
    public void save(Export export) {
        commands.write(export);
    }

    @Override
    public void saveAll() {
        commands.writeAll();
    }

    @Override
    public void leave() {
        showStage();
    }

    private void leavePages() {
        leaveHabits();
        if (takePage != null) {
            takePage.dispose();
            takePage = null;
        }
    }

    private void leaveHabits() {
        if (habitsPage != null) {
            habitsPage.dispose();
            habitsPage = null;
        }
    }

    private void leaveBoardMaker() {
        boardMaker = null;
        showStage();
    }

    @Override
    public void editFigures() {
        go(Stage.PARTS);
        why.editFigures();
    }

    private void remember(Path file) {
        if (file != null) {
            state.addRecent(file);
            // At once, so that it is there after a crash.
            session.inBackground(state::write);
        }
    }

    /** The window is gone: nothing of it listens to the session any more. */
    public void dispose() {
        if (typed != null) {
            typed.end();
        }
        subscriptions.dispose();
        stages.all().stream().filter(StageView::isMade).forEach(view -> view.pane()
                .dispose());
    }

    /** Makes the window's keys work, and shows it as large as last time. */
    public void install(Scene scene, Zoom shown) {
        zoom = shown;
        zoom.show(state.number(ZOOM, 1));
        commands.install(scene);
        typed = new TypedWatch(session, subscriptions, scene);
    }

    @Override
    public void textSize(int by) {
        if (by == 0) {
            zoom.show(1);
        } else {
            zoom.step(by);
        }
        state.put(ZOOM, zoom.factor());
        session.inBackground(state::write);
    }

    private void showStage() {
        leavePages();
        boolean isOpen = session.assessmentProperty().get() != null;
        frame.setRight(isOpen ? why : null);
        if (!isOpen) {
            stageHost.getChildren().setAll(startPage());
            return;
        }
        Stage stage = session.stageProperty().get();
        Node pane = stages.of(stage).pane();
        stageHost.getChildren().setAll(pane);
        // The keyboard follows to the stage, unless it is busy in the frame around it.
        if (getScene() != null && getScene().getFocusOwner() == null || isFocusInside(stageHost)) {
            pane.requestFocus();
        }
    }

    private Node startPage() {
        if (startPage == null) {
            startPage = new StartPage(commandNamed("open"), state.recent(), session, this::showStage);
        }
        return startPage;
    }

    private boolean isFocusInside(Node root) {
        Node at = getScene() == null ? null : getScene().getFocusOwner();
        while (at != null && at != root) {
            at = at.getParent();
        }
        return at != null;
    }

    private Runnable commandNamed(String id) {
        return () -> run(id);
    }

    List<Command> commands() {
        return commands.all();
    }

    /** Runs the command of that name, if it can be run now. */
    public void run(String id) {
        commands.all().stream().filter(command -> command.id().equals(id)).forEach(Command::run);
    }

    @Override
    public void find() {
        if (findBox == null) {
            findBox = new FindBox(session, commands);
            StackPane.setAlignment(findBox, Pos.TOP_CENTER);
            getChildren().add(findBox);
        }
        findBox.open();
    }

    @Override
    public void why() {
        why.takeFocus();
    }

    @Override
    public void help() {
        leavePages();
        HelpPage page = new HelpPage(session, subject(), keys(), this::showStage);
        stageHost.getChildren().setAll(page);
        frame.setRight(null); // room for words
        page.lookup("#help-leave").requestFocus();
    }

    private HelpPage.Subject subject() {
        return why.said()
                .map(said -> new HelpPage.Subject(
                        said.title(), said.verdict().map(Why.Verdict::sentence).orElse(""), said.text()))
                .orElse(HelpPage.Subject.NONE);
    }

    private List<HelpPage.Key> keys() {
        return commands.all().stream()
                .filter(command -> command.keys().isPresent() && command.isPossible())
                .map(command -> new HelpPage.Key(command.keys().get().getDisplayText(), command.title()))
                .toList();
    }

    @Override
    public void switchTheme() {
        boolean isNight = !getStyleClass().contains(NIGHT);
        if (isNight) {
            getStyleClass().add(NIGHT);
        } else {
            getStyleClass().remove(NIGHT);
        }
        state.put(NIGHT, isNight);
    }

    private void dragOver(DragEvent event) {
        if (event.getDragboard().hasFiles()) {
            event.acceptTransferModes(TransferMode.COPY);
        }
        event.consume();
    }

    private void dropped(DragEvent event) {
        if (event.getDragboard().hasFiles()) {
            Path file = event.getDragboard().getFiles().get(0).toPath();
            session.files().dropped(file);
            event.setDropCompleted(true);
        }
        event.consume();
    }
}
