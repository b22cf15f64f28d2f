package inkel.app.ui.frame;

import static java.util.concurrent.TimeUnit.MILLISECONDS;

import inkel.app.lane.Lanes;
import inkel.app.lane.Trouble;
import inkel.app.state.Session;
import inkel.app.store.Caches;
import inkel.app.store.Opened;
import inkel.app.store.Recovery;
import inkel.app.store.Shelves;
import inkel.app.store.StartMarks;
import inkel.app.store.UserState;
import inkel.app.ui.kit.Popups;
import inkel.app.ui.kit.Zoom;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.document.Build;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.catalog.Shelf;
import java.net.URL;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.text.Font;
import javafx.stage.Screen;

/** The program with its window. */
public final class Window extends Application {
    public static final double WIDTH = 1280;
    public static final double HEIGHT = 800;

    /** Ends the program once the first picture is out: the launcher keeps the classes of such a start. */
    private static final String ONLY_START = "inkel.start.only";

    private static final long CATALOG_DELAY_MILLIS = 1500;
    private static final double FIRST_SHARE = 2 / 3.0;
    private static final double LEAST_WIDTH = 1100;
    private static final double LEAST_HEIGHT = 700;
    private static final String ICON = "/inkel/app/icon/inkel-%d.png";
    private static final List<Integer> ICON_SIZES = List.of(16, 32, 64, 128);
    private static final String[] FONTS = {"Inter-Regular.otf", "Inter-Bold.otf", "Hack-Regular.ttf"};

    /** Files are read while the toolkit starts. */
    private static CompletableFuture<Catalog> catalog;

    private static CompletableFuture<Optional<Opened>> first;

    private static UserState state;
    private static Shelf shelf;

    /** Opens the window and returns when it is closed. */
    public static void open(Path file) {
        StartMarks.mark("main");
        catalog = CompletableFuture.supplyAsync(CatalogReader::shipped);
        state = UserState.read(UserState.usualFolder());
        Caches.into(state.folder());
        Optional<Path> toOpen = Optional.ofNullable(file)
                .or(() -> state.recent().stream().filter(Files::isRegularFile).findFirst());
        shelf = Shelf.read(Shelves.folder(state.folder()));
        first = catalog.thenApplyAsync(read -> toOpen.map(path -> Opened.read(path, read.with(shelf.classes()))));
        launch(Window.class);
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
        Zoom zoom = new Zoom(shell);
        Scene scene = new Scene(zoom, width, height);
        shell.install(scene, zoom);
        Popups.grow(scene, zoom::factor);
        return scene;
    }

    @Override
    public void start(javafx.stage.Stage stage) {
        StartMarks.mark("toolkit");
        dress();
        StartMarks.mark("dressed");
        Lanes lanes = Lanes.threads(Platform::runLater);
        Session session = new Session(
                catalog.join(),
                shelf,
                lanes,
                Clock.systemUTC(),
                new Recovery(state.folder().resolve("recovery")));
        Shell shell = new Shell(session, state, () -> begin(session));
        StartMarks.mark("shell");
        stage.setScene(scene(shell, WIDTH, HEIGHT));
        stage.titleProperty()
                .bind(javafx.beans.binding.Bindings.createStringBinding(
                        () -> title(session),
                        session.files().fileProperty(),
                        session.files().unsavedProperty()));
        stage.setMinWidth(900);
        stage.setMinHeight(600);
        place(stage);
        remember(stage);
        state.writeWhenChanged();
        stage.setOnHidden(event -> {
            shell.dispose();
            lanes.finish();
            state.write();
        });
        // Told to end, as at the end of a session of the system: nothing asks then, and nothing is lost.
        Runtime.getRuntime()
                .addShutdownHook(new Thread(
                        () -> {
                            session.files().rescue();
                            state.write();
                        },
                        "inkel end"));
        FirstPicture.then(
                () -> stage.isShowing()
                        && (session.build().isEmpty() && !Boolean.getBoolean(ONLY_START)
                                || session.assessmentProperty().get() != null),
                Boolean.getBoolean(ONLY_START) ? Platform::exit : session.wake()::keepUp);
        FirstPicture.then(stage::isShowing, () -> lanes.drawing().execute(() -> {
            List<Image> icons = ICON_SIZES.stream().map(Window::icon).toList();
            lanes.screen().execute(() -> stage.getIcons().addAll(icons));
        }));
        shell.askBeforeClosing(stage);
        StartMarks.mark("scene");
        if (!Boolean.getBoolean(ONLY_START)) {
            shell.welcome();
        }
        stage.show();
        StartMarks.mark("shown");
        // The rest of the catalogue is read once the first picture is out, so that a search need not wait for it.
        catalog.thenAcceptAsync(Catalog::all, CompletableFuture.delayedExecutor(CATALOG_DELAY_MILLIS, MILLISECONDS));
    }

    private static Image icon(int size) {
        return new Image(Window.class.getResource(ICON.formatted(size)).toExternalForm());
    }

    /** By now the files have been read, or soon will be. */
    private static void begin(Session session) {
        StartMarks.mark("frame");
        try {
            first.join().ifPresent(session.files()::take);
        } catch (CompletionException mistake) {
            Trouble.severe(Window.class, "what was open last could not be opened", mistake);
            session.notices().trouble(Words.get("notice.start_failed", "detail", mistake.getCause()));
        }
        session.shelves().tellBroken();
        session.drawers().open(state.folder());
        session.files().left().offerOthers();
        session.typed().offer();
        session.tune().takeUp();
        StartMarks.mark("files");
    }

    private static String title(Session session) {
        Path file = session.files().fileProperty().get();
        String unsaved = session.files().unsavedProperty().get() ? " •" : "";
        return Optional.ofNullable(file)
                .map(path -> path.getFileName().toString())
                .or(() -> session.build().map(Build::name))
                .map(name -> name + unsaved + " – Inkel")
                .orElse("Inkel");
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
            return;
        }
        Rectangle2D first = firstPlace(Screen.getPrimary().getVisualBounds());
        stage.setX(first.getMinX());
        stage.setY(first.getMinY());
        stage.setWidth(first.getWidth());
        stage.setHeight(first.getHeight());
    }

    /** Two thirds of a screen each way, in its middle; not so small that a stage has no room, nor larger than the screen. */
    static Rectangle2D firstPlace(Rectangle2D screen) {
        double width = Math.min(screen.getWidth(), Math.max(LEAST_WIDTH, screen.getWidth() * FIRST_SHARE));
        double height = Math.min(screen.getHeight(), Math.max(LEAST_HEIGHT, screen.getHeight() * FIRST_SHARE));
        return new Rectangle2D(
                screen.getMinX() + (screen.getWidth() - width) / 2,
                screen.getMinY() + (screen.getHeight() - height) / 2,
                width,
                height);
    }

    /** As it is moved: a run that is killed has no moment to say where its window was. */
    private static void remember(javafx.stage.Stage stage) {
        Map.of(
                        "x", stage.xProperty(),
                        "y", stage.yProperty(),
                        "width", stage.widthProperty(),
                        "height", stage.heightProperty())
                .forEach((key, property) -> property.addListener((observed, old, next) -> {
                    if (stage.isShowing() && !stage.isIconified()) {
                        state.put(key, next.doubleValue());
                    }
                }));
    }
}
