package inkel.app.ui;

import inkel.core.io.CatalogReader;
import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.scene.text.Font;
import javafx.stage.Screen;

/** The program with its window. */
public final class Window extends Application {
    static final double WIDTH = 1280;
    static final double HEIGHT = 800;
    private static final String[] FONTS = {"Inter-Regular.otf", "Inter-Bold.otf", "Hack-Regular.ttf"};

    /** The catalogue is read while the toolkit starts. */
    private static CompletableFuture<inkel.core.catalog.Catalog> catalog;

    private static Path toOpen;

    private UserState state;

    /** Opens the window and returns when it is closed. */
    public static void open(Path file) {
        toOpen = file;
        catalog = CompletableFuture.supplyAsync(CatalogReader::shipped);
        launch(Window.class);
    }

    /** A thread that does one thing after the other and does not keep the program alive. */
    public static Executor background() {
        return Executors.newSingleThreadExecutor(task -> {
            Thread thread = new Thread(task, "inkel background");
            thread.setDaemon(true);
            return thread;
        });
    }

    /** The scene with its fonts and style sheet. */
    public static Scene scene(Shell shell, double width, double height) {
        for (String font : FONTS) {
            Font.loadFont(Window.class.getResourceAsStream("/inkel/app/fonts/" + font), 13);
        }
        Scene scene = new Scene(shell, width, height);
        scene.getStylesheets()
                .add(Window.class.getResource("/inkel/app/inkel.css").toExternalForm());
        shell.install(scene);
        return scene;
    }

    @Override
    public void start(javafx.stage.Stage stage) {
        state = UserState.read(UserState.usualFolder());
        Workbench bench = new Workbench(
                catalog.join(),
                background(),
                Platform::runLater,
                Clock.systemUTC(),
                new Recovery(state.folder().resolve("recovery")));
        Path file = toOpen != null ? toOpen : state.recent().stream().findFirst().orElse(null);
        if (file != null) {
            bench.open(file);
        }
        Shell shell = new Shell(bench, state);
        stage.setScene(scene(shell, WIDTH, HEIGHT));
        stage.titleProperty().bind(javafx.beans.binding.Bindings.createStringBinding(
                () -> title(bench), bench.fileProperty(), bench.unsavedProperty()));
        stage.setMinWidth(900);
        stage.setMinHeight(600);
        place(stage);
        stage.setOnHidden(event -> remember(stage));
        StartTimer.watch(stage, bench);
        stage.show();
    }

    private static String title(Workbench bench) {
        Path file = bench.fileProperty().get();
        return file == null ? "Inkel" : file.getFileName() + (bench.unsavedProperty().get() ? " •" : "") + " – Inkel";
    }

    /** Where it was last time, if that is still on a screen. */
    private void place(javafx.stage.Stage stage) {
        double x = state.number("x", Double.NaN);
        double y = state.number("y", Double.NaN);
        double width = state.number("width", WIDTH);
        double height = state.number("height", HEIGHT);
        boolean isOnScreen = !Double.isNaN(x)
                && Screen.getScreensForRectangle(new Rectangle2D(x, y, Math.max(1, width), Math.max(1, height)))
                                .size()
                        > 0;
        if (isOnScreen) {
            stage.setX(x);
            stage.setY(y);
            stage.setWidth(width);
            stage.setHeight(height);
        }
    }

    private void remember(javafx.stage.Stage stage) {
        state.put("x", stage.getX());
        state.put("y", stage.getY());
        state.put("width", stage.getWidth());
        state.put("height", stage.getHeight());
        state.write();
    }
}
