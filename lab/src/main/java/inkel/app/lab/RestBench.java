package inkel.app.lab;

import com.sun.management.OperatingSystemMXBean;
import inkel.app.lane.Lanes;
import inkel.app.state.Session;
import inkel.app.store.Examples;
import inkel.app.store.Recovery;
import inkel.app.store.UserState;
import inkel.app.ui.frame.Shell;
import inkel.app.ui.frame.Window;
import inkel.core.document.edit.RenamePart;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.catalog.Shelf;
import java.io.PrintWriter;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;

/** What the window takes while nobody touches it, and what is left of a thousand edits. */
final class RestBench {
    private static final int EDITS = 1000;
    private static final long SETTLE_SECONDS = 8;
    private static final long IDLE_SECONDS = 60;

    private RestBench() {}

    static void run(PrintWriter out) throws Exception {
        Path folder = Files.createTempDirectory("inkel-rest");
        Path build = Files.copy(
                Examples.folder().resolve(Examples.SEASON),
                folder.resolve("season.inkel.json"),
                StandardCopyOption.REPLACE_EXISTING);
        CompletableFuture<javafx.stage.Stage> empty = new CompletableFuture<>();
        Platform.setImplicitExit(false);
        Platform.startup(() -> empty.complete(showEmpty()));
        empty.get();
        idle(out, "idle window with nothing in it");
        CompletableFuture<Session> shown = new CompletableFuture<>();
        Platform.runLater(() -> {
            empty.join().close();
            shown.complete(show(folder, build));
        });
        Session session = shown.get();
        idle(out, "idle window with the example, goal under 0.5 %");
        double settled = heap();
        for (int i = 0; i < EDITS; i++) {
            String name = "Radio " + i;
            onScreen(() -> session.apply(new RenamePart("lower-lock", "radio", name)));
        }
        for (int i = 0; i < EDITS; i++) {
            onScreen(session::undo);
        }
        onScreen(session.files()::save);
        untilCalm();
        double after = heap();
        out.printf(
                "heap before %.1f MB, after %d edits and undo of each %.1f MB: %+.0f %% (goal within 10)%n",
                settled, EDITS, after, 100 * (after / settled - 1));
        Platform.exit();
    }

    /** Until what is queued has been done: hardly anything runs for a few seconds. */
    private static void untilCalm() throws InterruptedException {
        long before;
        do {
            before = busy();
            TimeUnit.SECONDS.sleep(SETTLE_SECONDS);
        } while (busy() - before > TimeUnit.SECONDS.toNanos(SETTLE_SECONDS) / 20);
    }

    private static void idle(PrintWriter out, String what) throws InterruptedException {
        TimeUnit.SECONDS.sleep(SETTLE_SECONDS);
        long before = busy();
        TimeUnit.SECONDS.sleep(IDLE_SECONDS);
        out.printf(
                "%s: %.2f %% of a core over %d s%n",
                what, 100.0 * (busy() - before) / TimeUnit.SECONDS.toNanos(IDLE_SECONDS), IDLE_SECONDS);
        out.flush();
    }

    private static javafx.stage.Stage showEmpty() {
        javafx.stage.Stage stage = new javafx.stage.Stage();
        stage.setScene(new javafx.scene.Scene(new javafx.scene.layout.Pane(), Window.WIDTH, Window.HEIGHT));
        stage.show();
        return stage;
    }

    private static Session show(Path folder, Path build) {
        Window.dress();
        Session session = new Session(
                CatalogReader.shipped(),
                Shelf.read(folder),
                Lanes.threads(Platform::runLater),
                Clock.systemUTC(),
                new Recovery(folder.resolve("recovery")));
        javafx.stage.Stage stage = new javafx.stage.Stage();
        stage.setScene(Window.scene(new Shell(session, UserState.read(folder)), Window.WIDTH, Window.HEIGHT));
        stage.show();
        session.files().open(build);
        return session;
    }

    private static void onScreen(Runnable run) throws Exception {
        CompletableFuture<Void> done = new CompletableFuture<>();
        Platform.runLater(() -> {
            run.run();
            done.complete(null);
        });
        done.get();
    }

    private static long busy() {
        return ((OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean()).getProcessCpuTime();
    }

    /** What is still held once all that can go has gone. */
    private static double heap() throws InterruptedException {
        for (int i = 0; i < 4; i++) {
            System.gc();
            TimeUnit.MILLISECONDS.sleep(200);
        }
        return ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed() / 1e6;
    }
}
