package inkel.app.kit;

import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.store.Examples;
import inkel.app.store.UserState;
import inkel.app.ui.frame.Shell;
import inkel.app.ui.frame.Window;
import inkel.app.ui.kit.Pressable;
import inkel.core.catalog.BenchKind;
import inkel.core.checks.Assessment;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Stage;
import inkel.core.tune.stand.Benches;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.TextInputControl;

/** Every screen of the window, one after the other, for what must hold on all of them. Used on the window's thread. */
public final class Screens {
    private static final long SEED = 7;

    private final Path folder;
    private final double width;
    private final double height;
    private final javafx.stage.Stage stage;
    private final Map<String, Runnable> all = new LinkedHashMap<>();
    private Session session;
    private Shell shell;
    private Scene scene;
    private int opened;

    public Screens(javafx.stage.Stage stage, double width, double height) {
        this.stage = stage;
        this.width = width;
        this.height = height;
        try {
            folder = Files.createTempDirectory("inkel-screens");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        add("start", () -> {});
        add("parts", () -> at(Given.LOCKS, Stage.PARTS, part("radio")));
        add("parts-found", () -> {
            at(Given.LOCKS, Stage.PARTS, part("radio"));
            type("#finder-field", "gnd vcc ce csn sck mosi");
            session.selection().inspect(Given.CATALOG.get("packet-radio"));
        });
        add("parts-own", () -> {
            at(Given.LOCKS, Stage.PARTS, part("radio"));
            run("make_part");
        });
        add("figures", () -> {
            at(Given.LOCKS, Stage.PARTS, part("radio"));
            run("figures");
        });
        add("power", () -> at(Given.LOCKS, Stage.POWER, pin("driver", "V+OUT")));
        add("power-trouble", () -> at(Given.FIRST_SKETCH, Stage.POWER, null));
        add("levels", () -> at(Given.LOCKS, Stage.LEVELS, pin("reader", "MISO")));
        add("levels-trouble", () -> at(Given.FIRST_SKETCH, Stage.LEVELS, pin("reader", "MOSI")));
        add("pins", () -> at(Given.LOCKS, Stage.PINS, pin("radio", "CE")));
        add("pins-trouble", () -> at(Given.FIRST_SKETCH, Stage.PINS, pin("handset", "OUT")));
        add("boards", () -> {
            at(Given.MOTH_LAMP, Stage.PINS, null);
            run("boards");
        });
        add("found", () -> {
            at(Given.MOTH_LAMP, Stage.PINS, null);
            run("found");
        });
        add("wire", () -> at(Given.LOCKS, Stage.WIRE, null));
        add("wire-begin", () -> at(Given.MOTH_LAMP, Stage.WIRE, null));
        add("seats", () -> {
            at(Given.LOCKS, Stage.WIRE, part("reader"));
            press("#wire-tab-seats");
        });
        add("table", () -> {
            at(Given.LOCKS, Stage.WIRE, null);
            press("#wire-tab-table");
        });
        add("wake", () -> at(Examples.SEASON, Stage.WAKE, null));
        add("practice", () -> {
            at(Given.MOTH_LAMP, Stage.WAKE, null);
            session.practice().begin(1, Optional.empty(), SEED);
        });
        for (BenchKind kind : BenchKind.values()) {
            add("tune-" + kind.text(), () -> bench(kind));
        }
        add("log", () -> {
            at(Examples.SEASON, Stage.LOG, null);
            session.log().select(97);
        });
        add("log-empty", () -> at(Given.MOTH_LAMP, Stage.LOG, null));
        add("take", () -> page("take"));
        add("habits", () -> page("habits"));
        add("reckon", () -> page("reckon"));
        add("about", () -> page("about"));
        add("left", () -> page("left_work"));
        add("find", () -> page("find"));
        add("help", () -> {
            at(Given.LOCKS, Stage.PINS, pin("radio", "CE"));
            run("help");
        });
        add("new", () -> page("new"));
        add("add-board", () -> page("add_board"));
    }

    private void add(String name, Runnable show) {
        all.put(name, show);
    }

    public List<String> names() {
        return List.copyOf(all.keySet());
    }

    /** The window's root as it is now. */
    public Shell shell() {
        return shell;
    }

    public Scene scene() {
        return scene;
    }

    /** Shows each screen in a window that knows nothing of the ones before, and hands over all that is seen there. */
    public void each(BiConsumer<String, Stream<Node>> look) {
        all.forEach((name, show) -> {
            begin();
            show.run();
            settle();
            look.accept(name, seen());
            shell.dispose();
        });
    }

    private void begin() {
        session = Given.session(folder);
        shell = new Shell(session, UserState.read(folder.resolve("state")));
        scene = Window.scene(shell, width, height);
        stage.setScene(scene);
        stage.setWidth(width);
        stage.setHeight(height);
        stage.show();
    }

    /** Lays everything out as often as a few frames would. */
    public void settle() {
        for (int i = 0; i < 4; i++) {
            scene.getRoot().applyCss();
            scene.getRoot().layout();
        }
    }

    private void open(String example) {
        try {
            Path own = Files.createDirectories(folder.resolve("builds-" + opened++));
            session.files().open(Given.copy(example, own));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private void at(String example, Stage where, Place selected) {
        open(example);
        session.selectionProperty().set(selected);
        session.stageProperty().set(where);
        settle();
    }

    private void page(String command) {
        open(Given.LOCKS);
        settle();
        run(command);
    }

    private void run(String command) {
        shell.run(command);
        settle();
    }

    private void type(String field, String text) {
        settle();
        ((TextInputControl) shell.lookup(field)).setText(text);
    }

    private void press(String id) {
        settle();
        Node node = shell.lookup(id);
        if (node instanceof Pressable pressable) {
            pressable.fire();
        } else {
            ((ButtonBase) node).fire();
        }
    }

    /** The first bench of a kind among the builds there are. */
    private void bench(BenchKind kind) {
        for (String example : List.of(Given.LOCKS, Given.MOTH_LAMP, Given.TEXT_BOX, Given.BED, Given.TWO_BOARDS)) {
            open(example);
            session.stageProperty().set(Stage.TUNE);
            Assessment assessment = session.assessmentProperty().get();
            Optional<TuneWork.At> found = assessment.build().nodes().stream()
                    .flatMap(node -> assessment.circuit(node.id()).orElseThrow().parts().stream()
                            .filter(part ->
                                    part.cls().handling().benches().contains(kind) && Benches.isThere(part, kind))
                            .map(part -> new TuneWork.At(Place.ofPart(node.id(), part.id()), kind)))
                    .findFirst();
            if (found.isPresent()) {
                session.nodeProperty().set(found.get().part().node());
                session.tune().turnTo(found.get());
                return;
            }
        }
    }

    private static Place part(String id) {
        return Place.ofPart("lower-lock", id);
    }

    private static Place pin(String part, String label) {
        return Place.of("lower-lock", new Endpoint(part, label));
    }

    /** All nodes on the screen that can be seen, from the back to the front. */
    public Stream<Node> seen() {
        List<Node> found = new ArrayList<>();
        gather(shell, found);
        return found.stream();
    }

    private static void gather(Node node, List<Node> into) {
        if (!node.isVisible()) {
            return;
        }
        into.add(node);
        if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> gather(child, into));
        }
    }

    /** Where a node is, for whoever has to find it. */
    public static String where(Node node) {
        List<String> path = new ArrayList<>();
        for (Node at = node; at != null && path.size() < 6; at = at.getParent()) {
            path.add(at.getClass().getSimpleName()
                    + (at.getId() == null ? "" : "#" + at.getId())
                    + at.getStyleClass().stream().map(style -> "." + style).reduce("", String::concat));
        }
        path.sort(Comparator.comparingInt(path::indexOf).reversed());
        return String.join(" > ", path);
    }

    public void clear() throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(file);
            }
        }
    }
}
