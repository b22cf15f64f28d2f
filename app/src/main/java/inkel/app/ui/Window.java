package inkel.app.ui;

import static java.util.concurrent.TimeUnit.MILLISECONDS;

import inkel.core.catalog.Catalog;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.catalog.Shelf;
import java.net.URL;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
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

    private static final long CATALOG_DELAY_MILLIS = 1500;
    private static final String[] FONTS = {"Inter-Regular.otf", "Inter-Bold.otf", "Hack-Regular.ttf"};

    /** Files are read while the toolkit starts. */
    private static CompletableFuture<Catalog> catalog;

    private static CompletableFuture<Optional<Opened>> first;

    private static UserState state;
    private static Shelf shelf;

    /** Opens the window and returns when it is closed. */
    public static void open(Path file) {
        StartTimer.mark("main");
        catalog = CompletableFuture.supplyAsync(CatalogReader::shipped);
        state = UserState.read(UserState.usualFolder());
        Optional<Path> toOpen = Optional.ofNullable(file)
                .or(() -> state.recent().stream().filter(Files::isRegularFile).findFirst());
        shelf = Shelf.read(Shelves.folder(state.folder()));
        first = catalog.thenApply(read -> toOpen.map(path -> Opened.read(path, read.with(shelf.classes()))));
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

    /**
     * Loads the fonts and takes Inkel's style sheet in place of the toolkit's, which it is complete without. Must run
     * before the first control is made.
     */
    public static void dress() {
        for (String font : FONTS) {
            Font.loadFont(Window.class.getResourceAsStream("/inkel/app/fonts/" + font), 13);
        }
        // The build makes the binary form, which need not be parsed at every start.
        URL binary = Window.class.getResource("/inkel/app/inkel.bss");
        URL style = binary != null ? binary : Window.class.getResource("/inkel/app/inkel.css");
        Application.setUserAgentStylesheet(style.toExternalForm());
    }

    /** The window's scene, with its keys. */
    public static Scene scene(Shell shell, double width, double height) {
        Scene scene = new Scene(shell, width, height);
        shell.install(scene);
        return scene;
    }

    @Override
    public void start(javafx.stage.Stage stage) {
        StartTimer.mark("toolkit");
        dress();
        StartTimer.mark("dressed");
        Workbench bench = new Workbench(
                catalog.join(),
                shelf,
                background(),
                Platform::runLater,
                Clock.systemUTC(),
                new Recovery(state.folder().resolve("recovery")));
        Shell shell = new Shell(bench, state, () -> begin(bench));
        StartTimer.mark("shell");
        stage.setScene(scene(shell, WIDTH, HEIGHT));
        stage.titleProperty()
                .bind(javafx.beans.binding.Bindings.createStringBinding(
                        () -> title(bench), bench.fileProperty(), bench.unsavedProperty()));
        stage.setMinWidth(900);
        stage.setMinHeight(600);
        place(stage);
        stage.setOnHidden(event -> remember(stage));
        StartTimer.watch(stage, bench);
        StartTimer.mark("scene");
        stage.show();
        StartTimer.mark("shown");
        // The rest of the catalogue is read once the first picture is out, so that a search need not wait for it.
        catalog.thenAcceptAsync(Catalog::all, CompletableFuture.delayedExecutor(CATALOG_DELAY_MILLIS, MILLISECONDS));
    }

    /** By now the files have been read, or soon will be. */
    private static void begin(Workbench bench) {
        StartTimer.mark("frame");
        first.join().ifPresent(bench::take);
        bench.shelves().tellBroken();
        bench.offerLeftNew();
        StartTimer.mark("files");
    }

    private static String title(Workbench bench) {
        Path file = bench.fileProperty().get();
        return file == null
                ? bench.build().map(build -> build.name() + " • – Inkel").orElse("Inkel")
                : file.getFileName() + (bench.unsavedProperty().get() ? " •" : "") + " – Inkel";
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
