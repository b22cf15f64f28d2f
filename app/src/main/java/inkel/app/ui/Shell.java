package inkel.app.ui;

import inkel.app.ui.panel.WhyPanel;
import inkel.app.ui.stages.LaterStage;
import inkel.app.ui.stages.PartsStage;
import inkel.app.ui.stages.PinsStage;
import inkel.app.ui.stages.StartPage;
import inkel.app.ui.stages.WireStage;
import inkel.core.finding.Stage;
import java.nio.file.Path;
import java.util.EnumMap;
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
    private Node startPage;

    public Shell(Workbench bench, UserState state) {
        this.bench = bench;
        this.state = state;
        getStyleClass().add("shell");
        commands = new Commands(bench, this::find, this::help, this::switchTheme);
        why = new WhyPanel(bench);
        VBox middle = new VBox(new NoticeBar(bench), stageHost);
        middle.getStyleClass().add("middle");
        VBox.setVgrow(stageHost, Priority.ALWAYS);
        frame.setTop(new TopBar(bench, commands));
        frame.setLeft(new Selvedge(bench));
        frame.setCenter(middle);
        frame.setBottom(new Strip(bench));
        getChildren().add(frame);
        bench.stageProperty().addListener((property, old, next) -> showStage());
        bench.assessmentProperty().addListener((property, old, next) -> {
            if (old == null) {
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
            if (startPage == null) {
                startPage = new StartPage(commandNamed("open"), state.recent(), bench);
            }
            stageHost.getChildren().setAll(startPage);
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

    private boolean isFocusInside(Node root) {
        Node at = getScene() == null ? null : getScene().getFocusOwner();
        while (at != null && at != root) {
            at = at.getParent();
        }
        return at != null;
    }

    private Runnable commandNamed(String id) {
        return () -> commands.all().stream()
                .filter(command -> command.id().equals(id))
                .forEach(Command::run);
    }

    private Node make(Stage stage) {
        return switch (stage) {
            case PARTS -> new PartsStage(bench);
            case PINS -> new PinsStage(bench);
            case WIRE -> new WireStage(bench);
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
            bench.open(event.getDragboard().getFiles().get(0).toPath());
            event.setDropCompleted(true);
        }
        event.consume();
    }
}
