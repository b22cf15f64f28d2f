package inkel.stress.cases;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.app.state.Session;
import inkel.app.store.Opened;
import inkel.app.store.Recovery;
import inkel.app.store.UserState;
import inkel.app.ui.frame.Shell;
import inkel.app.ui.frame.Window;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import inkel.core.io.catalog.Shelf;
import inkel.core.io.json.JsonText;
import inkel.stress.kit.Chance;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Spoiler;
import inkel.stress.kit.Tally;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import javafx.application.Platform;
import javafx.scene.Scene;

/** Good builds with a few changes, opened in the window and looked at in every stage. */
public final class Shown implements Ordeal {
    private static final List<String> PAGES = List.of("take", "habits", "help", "find", "add_board", "left_work");

    private final Path folder;
    private final List<JsonNode> trees = new ArrayList<>();
    private final List<Throwable> told = new ArrayList<>();
    private javafx.stage.Stage stage;

    public Shown() throws Exception {
        folder = Files.createTempDirectory("inkel-stress-shown");
        Seeds.examples().forEach(text -> trees.add(Seeds.tree(text)));
        for (int i = 0; i < 20; i++) {
            trees.add(Seeds.tree(inkel.core.io.document.BuildWriter.print(Tables.of(new Random(i)))));
        }
        Logger.getLogger("inkel").addHandler(new Handler() {
            @Override
            public void publish(LogRecord told) {
                if (told.getLevel() == Level.SEVERE && told.getThrown() != null) {
                    Shown.this.told.add(told.getThrown());
                }
            }

            @Override
            public void flush() {}

            @Override
            public void close() {}
        });
        CompletableFuture<Void> up = new CompletableFuture<>();
        Platform.startup(() -> {
            Window.dress();
            Platform.setImplicitExit(false);
            stage = new javafx.stage.Stage();
            Thread.currentThread().setUncaughtExceptionHandler((thread, crash) -> told.add(crash));
            up.complete(null);
        });
        up.get();
    }

    @Override
    public String name() {
        return "window";
    }

    @Override
    public String round() {
        return "a changed build in the window: every stage, something selected, a page";
    }

    @Override
    public void round(long number, Random random, Tally tally) throws Exception {
        String text = JsonText.pretty(Spoiler.spoilt(Chance.of(random, trees), random));
        Path file = folder.resolve("shown.inkel.json");
        Files.writeString(file, text);
        if (Opened.read(file, Seeds.CATALOG).assessment().isEmpty()) {
            tally.count("refused");
            return;
        }
        CompletableFuture<Void> done = new CompletableFuture<>();
        Platform.runLater(() -> {
            try {
                look(file, random, tally, text);
                done.complete(null);
            } catch (Throwable crash) {
                done.completeExceptionally(crash);
            }
        });
        try {
            done.get();
        } catch (java.util.concurrent.ExecutionException crash) {
            tally.crashed("window", crash.getCause(), text);
        }
        List<Throwable> more = List.copyOf(told);
        told.clear();
        more.forEach(crash -> tally.crashed("window told", crash, text));
    }

    private void look(Path file, Random random, Tally tally, String text) throws IOException {
        Session session = new Session(
                Seeds.CATALOG,
                Shelf.read(folder.resolve("shelf")),
                Quiet.LANES,
                Clock.systemUTC(),
                new Recovery(folder.resolve("recovery")));
        Shell shell = new Shell(session, UserState.read(folder.resolve("state")));
        Scene scene = Window.scene(shell, Window.WIDTH, Window.HEIGHT);
        stage.setScene(scene);
        stage.show();
        try {
            session.files().open(file);
            settle(scene);
            for (Stage each : Stage.values()) {
                NodeCircuit node = Chance.of(
                        random,
                        session.assessmentProperty().get().reports().circuit().nodes());
                session.nodeProperty().set(node.node().id());
                session.stageProperty().set(each);
                session.selectionProperty().set(some(node, random));
                settle(scene);
                tally.count("stages");
            }
            if (Chance.oneIn(random, 3)) {
                shell.run(Chance.of(random, PAGES));
                settle(scene);
            }
        } finally {
            shell.dispose();
            Files.deleteIfExists(file);
        }
    }

    private static Place some(NodeCircuit node, Random random) {
        Placed placed = Chance.of(random, List.copyOf(node.parts()));
        return Chance.oneIn(random, 2) || placed.cls().pins().isEmpty()
                ? node.place(placed)
                : Place.of(
                        node.node().id(),
                        new Endpoint(
                                placed.id(),
                                Chance.of(random, placed.cls().pins()).label()));
    }

    private static void settle(Scene scene) {
        for (int i = 0; i < 2; i++) {
            scene.getRoot().applyCss();
            scene.getRoot().layout();
        }
    }
}
