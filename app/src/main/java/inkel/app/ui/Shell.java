package inkel.app.ui;

import inkel.app.ui.controls.Scroller;
import inkel.app.ui.panel.WhyPanel;
import inkel.app.ui.stages.BoardPage;
import inkel.app.ui.stages.LaterStage;
import inkel.app.ui.stages.LevelsStage;
import inkel.app.ui.stages.PartsStage;
import inkel.app.ui.stages.PinsStage;
import inkel.app.ui.stages.PowerStage;
import inkel.app.ui.stages.StartPage;
import inkel.app.ui.stages.WakeStage;
import inkel.app.ui.stages.WireStage;
import inkel.core.catalog.PartClass;
import inkel.core.finding.Stage;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The frame of the window: bar, selvedge, stage, Why panel and strip. */
public final class Shell extends StackPane {
    private static final String NIGHT = "night";

    private final Workbench bench;
    private final UserState state;
    private final Commands commands;
    private FindBox findBox;
    private final StackPane stageHost = new StackPane();
    private final Map<Stage, Node> stages = new EnumMap<>(Stage.class);
    private final WhyPanel why;
    private final BorderPane frame = new BorderPane();
    private final NodeTabs tabs;
    private Node startPage;
    private Node boardMaker;

    public Shell(Workbench bench, UserState state) {
        this(bench, state, () -> {});
    }

    /** @param begin gives the workbench what is opened at the start; called once what does not depend on it is made */
    Shell(Workbench bench, UserState state, Runnable begin) {
        this.bench = bench;
        this.state = state;
        getStyleClass().add("shell");
        tabs = new NodeTabs(bench, this::addBoard);
        commands = new Commands(bench, this::actions);
        VBox middle = new VBox(new NoticeBar(bench), stageHost);
        middle.getStyleClass().add("middle");
        VBox.setVgrow(stageHost, Priority.ALWAYS);
        frame.setTop(new TopBar(bench, commands, tabs));
        frame.setLeft(new Selvedge(bench, this::go));
        frame.setCenter(middle);
        begin.run();
        why = new WhyPanel(bench, this::makePart);
        frame.setBottom(new Strip(bench));
        getChildren().add(frame);
        bench.stageProperty().addListener((property, old, next) -> showStage());
        bench.assessmentProperty().addListener((property, old, next) -> {
            boolean isStartShown = startPage != null && stageHost.getChildren().contains(startPage);
            if (old == null || isStartShown) {
                showStage();
            }
        });
        bench.fileProperty().addListener((property, old, next) -> remember(next));
        remember(bench.fileProperty().get());
        setOnDragOver(this::dragOver);
        setOnDragDropped(this::dropped);
        if (state.flag(NIGHT)) {
            getStyleClass().add(NIGHT);
        }
        showStage();
    }

    /** Shows a stage, in place of whatever page is over it. */
    private void go(Stage stage) {
        bench.stageProperty().set(stage);
        showStage();
    }

    private Map<String, Runnable> actions() {
        Map<String, Runnable> actions = new HashMap<>(Map.of(
                "find", this::find,
                "help", this::help,
                "theme", this::switchTheme,
                "add_board", this::addBoard,
                "rename_board", tabs::renameShown,
                "make_part", () -> makePart(null),
                "find_part", this::findPart,
                "figures", this::editFigures,
                "new", this::begin));
        for (Stage stage : Stage.values()) {
            actions.put("stage." + stage.text(), () -> go(stage));
        }
        return actions;
    }

    /** Shows the start page, where a build is begun; what is open stays open until another is taken. */
    private void begin() {
        startPage = null;
        stageHost.getChildren().setAll(startPage());
        startPage().requestFocus();
    }

    private void addBoard() {
        boardMaker = new Scroller(new BoardPage(bench, this::leaveBoardMaker));
        stageHost.getChildren().setAll(boardMaker);
        Node name = boardMaker.lookup("#maker-name");
        if (name != null) {
            name.requestFocus();
        }
    }

    private void leaveBoardMaker() {
        boardMaker = null;
        showStage();
    }

    private PartsStage parts() {
        bench.stageProperty().set(Stage.PARTS);
        showStage();
        return (PartsStage) stages.get(Stage.PARTS);
    }

    private void makePart(PartClass from) {
        if (bench.assessmentProperty().get() != null) {
            parts().make(from);
        }
    }

    private void findPart() {
        if (bench.assessmentProperty().get() != null) {
            parts().find();
        }
    }

    private void editFigures() {
        parts();
        why.editFigures();
    }

    private void remember(Path file) {
        if (file != null) {
            state.addRecent(file);
        }
    }

    /** Makes the window's keys work. */
    public void install(Scene scene) {
        commands.install(scene);
    }

    private void showStage() {
        boolean isOpen = bench.assessmentProperty().get() != null;
        frame.setRight(isOpen ? why : null);
        if (!isOpen) {
            stageHost.getChildren().setAll(startPage());
            return;
        }
        Stage stage = bench.stageProperty().get();
        Node pane = stages.computeIfAbsent(stage, this::make);
        stageHost.getChildren().setAll(pane);
        // The keyboard follows to the stage, unless it is busy in the frame around it.
        if (getScene() != null && getScene().getFocusOwner() == null || isFocusInside(stageHost)) {
            pane.requestFocus();
        }
    }

    private Node startPage() {
        if (startPage == null) {
            startPage = new StartPage(commandNamed("open"), state.recent(), bench, this::showStage);
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

    /** Runs the command of that name, if it can be run now. */
    void run(String id) {
        commands.all().stream().filter(command -> command.id().equals(id)).forEach(Command::run);
    }

    private Node make(Stage stage) {
        return switch (stage) {
            case PARTS -> new PartsStage(bench);
            case PINS -> new PinsStage(bench);
            case POWER -> new PowerStage(bench);
            case LEVELS -> new LevelsStage(bench);
            case WIRE -> new WireStage(bench);
            case WAKE -> new WakeStage(bench);
            default -> new LaterStage(stage);
        };
    }

    private void find() {
        if (findBox == null) {
            findBox = new FindBox(bench, commands);
            StackPane.setAlignment(findBox, Pos.TOP_CENTER);
            getChildren().add(findBox);
        }
        findBox.open();
    }

    private void help() {
        why.takeFocus();
    }

    private void switchTheme() {
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
            if (Shelves.isDefinition(file)) {
                bench.bringIn(file);
            } else {
                bench.open(file);
            }
            event.setDropCompleted(true);
        }
        event.consume();
    }
}
