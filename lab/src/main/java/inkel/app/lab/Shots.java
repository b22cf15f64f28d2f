package inkel.app.lab;

import inkel.app.lane.Lanes;
import inkel.app.state.Session;
import inkel.app.state.TuneWork;
import inkel.app.store.Drawers;
import inkel.app.store.Examples;
import inkel.app.store.Recovery;
import inkel.app.store.UserState;
import inkel.app.ui.frame.Shell;
import inkel.app.ui.frame.Window;
import inkel.app.ui.kit.Pressable;
import inkel.core.catalog.BenchKind;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.document.edit.Plug;
import inkel.core.drawer.Item;
import inkel.core.drawer.Wants;
import inkel.core.finding.Stage;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.quantity.Quantity;
import inkel.core.seats.SeatPlanner;
import inkel.core.tune.servo.Arm;
import inkel.core.tune.servo.ServoDraft;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;
import inkel.core.wake.WakeState;
import inkel.core.wiring.WireStep;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.TextInputControl;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.robot.Robot;
import javax.imageio.ImageIO;

/** Drives the real window over the example builds and writes a picture of every main view. */
public final class Shots {
    public static final double WIDTH = Window.WIDTH;
    public static final double HEIGHT = Window.HEIGHT;
    private static final String NODE = "lower-lock";
    private static final long SEED = 7;
    private static final int FRAMES_TO_SETTLE = 6;

    private final Path folder;
    private Path temporary;
    private final double width;
    private final double height;
    private final Deque<Shot> left = new ArrayDeque<>();
    private final CountDownLatch done = new CountDownLatch(1);
    private final AtomicReference<Exception> failure = new AtomicReference<>();
    private Session session;
    private Shell shell;
    private Scene scene;

    /** A picture: what to open, and what to do before it is taken. */
    private record Shot(String name, String example, Runnable prepare) {}

    private Shots(Path folder, double width, double height) {
        this.folder = folder;
        this.width = width;
        this.height = height;
        shot("parts", Examples.DEMO, () -> session.selection().show(Stage.PARTS, part("radio")));
        shot("parts-find", Examples.DEMO, () -> {
            session.selection().show(Stage.PARTS, part("radio"));
            find("gnd vcc ce csn sck mosi");
            session.selection().inspect(session.catalog().get("packet-radio"));
        });
        shot("log", Examples.SEASON, () -> {
            session.stageProperty().set(Stage.PARTS);
            find("");
            session.selection().inspect(null);
            session.selectionProperty().set(null);
            session.stageProperty().set(Stage.LOG);
            session.log().select(97);
        });
        shot("start", Examples.DEMO, () -> command("new"));
        shot("power", Examples.DEMO, () -> session.selection().show(Stage.POWER, pin("driver", "V+OUT")));
        shot("levels", Examples.DEMO, () -> session.selection().show(Stage.LEVELS, pin("reader", "MISO")));
        shot("pins", Examples.DEMO, () -> session.selection().show(Stage.PINS, pin("radio", "CE")));
        shot("pins-trouble", Examples.FIRST_SKETCH, () -> session.selection().show(Stage.PINS, pin("handset", "OUT")));
        shot("wire", Examples.DEMO, () -> {
            session.selectionProperty().set(null);
            session.stageProperty().set(Stage.WIRE);
        });
        shot("seats", Examples.DEMO, () -> {
            session.selection().show(Stage.WIRE, part("reader"));
            press("#wire-tab-seats");
        });
        shot("table", Examples.DEMO, this::table);
        shot("wake", Examples.DEMO, this::wake);
        shot("tune", Examples.DEMO, this::tune);
        shot("radio", Examples.DEMO, () -> {
            session.stageProperty().set(Stage.TUNE);
            session.tune().turnTo(new TuneWork.At(part("radio"), BenchKind.PACKET_RADIO));
        });
        shot("take", Examples.DEMO, () -> command("take"));
        shot("pins-boards", Examples.DEMO, () -> {
            session.stageProperty().set(Stage.PINS);
            fire("#boards");
        });
        shot("habits", Examples.DEMO, () -> {
            session.selectionProperty().set(null);
            command("habits");
        });
        shot("help", Examples.DEMO, () -> {
            session.selection().show(Stage.LEVELS, pin("reader", "MISO"));
            command("help");
        });
        shot("night", Examples.DEMO, () -> {
            shell.getStyleClass().add("night");
            command("stage.levels"); // from whatever page is over it
            session.selection().show(Stage.LEVELS, pin("reader", "MISO"));
        });
    }

    /** All is wired, and woken up to the display, whose supply reads low. */
    private void wake() {
        String node = session.nodeProperty().get();
        session.apply(new Plug(
                node,
                session.assessmentProperty().get().wires(node).orElseThrow().steps().stream()
                        .map(WireStep::id)
                        .collect(Collectors.toSet()),
                true));
        session.stageProperty().set(Stage.WAKE);
        WakeState state =
                session.wake().wanted(session.assessmentProperty().get(), node).orElseThrow();
        Check display = state.wake().check("volts display.VCC").orElseThrow();
        for (Check check : state.wake().checks()) {
            if (check.equals(display)) {
                break;
            }
            if (check.expected() instanceof Expected.Within within) {
                double low = within.low().map(Quantity::si).orElse(0.0);
                double high = within.high().map(Quantity::si).orElse(low * 20);
                Quantity read = Quantity.of(within.unit(), Math.round((low + high) / 2 * 1000) / 1000.0);
                session.wake().read(check, read, "");
            } else if (check.expected() instanceof Expected.OneOf one) {
                session.wake().seen(check, true, one.values().get(0));
            } else {
                session.wake().seen(check, true, "");
            }
        }
        session.wake().currentProperty().set(display);
        type("#wake-field", "4.21");
        fire("#wake-keep");
    }

    /** A servo on the practice bench, stepped to both its ends, with a map and places to go. */
    private void tune() {
        session.stageProperty().set(Stage.TUNE);
        session.practice().begin(0, Optional.empty(), SEED);
        TuneWork.At at = new TuneWork.At(part("gate-upper"), BenchKind.SERVO);
        session.tune().turnTo(at);
        for (int direction : new int[] {-1, 1}) {
            do {
                session.tune().servos().change(at, servo(at).stepped(direction));
            } while (!session.tune().servos().did().orElseThrow().hums());
            session.tune()
                    .servos()
                    .change(at, servo(at).stopped().to(servo(at).rig().middle()));
        }
        ServoDraft found = servo(at);
        session.tune()
                .servos()
                .change(
                        at,
                        found.mapped(List.of(new Tuning.Point(0, 0.0006), new Tuning.Point(1023, 0.00234)))
                                .place("shut", found.low())
                                .place("crack", found.pulse(12))
                                .place("half", found.pulse(90))
                                .place("open", found.pulse(172))
                                .stop(Optional.of(0.69))
                                .released(Optional.of(0.4))
                                .moving(1.2)
                                .arm(Optional.of(new Arm(0.035, 0.08)))
                                .to(0.00196));
    }

    private ServoDraft servo(TuneWork.At at) {
        return session.tune().servos().of(at).orElseThrow();
    }

    /** A drawer that lacks a few things, with prices in the builder's own money. */
    private void table() {
        session.selectionProperty().set(null);
        session.stageProperty().set(Stage.WIRE);
        var reports = session.assessmentProperty().get().reports();
        session.drawers()
                .add(Wants.of(SeatPlanner.of(reports.circuit(), reports.wires()))
                        .counts());
        session.notices().clear();
        Item driver = Item.part("servo-driver-16");
        session.drawers().count(driver, 0);
        session.drawers().price(driver, Drawers.price("5.90"));
        session.drawers().count(Item.parse("resistor 10 kΩ").orElseThrow(), 0);
        session.drawers().count(Item.parse("resistor 20 kΩ").orElseThrow(), 8);
        press("#wire-tab-table");
    }

    private void find(String text) {
        type("#finder-field", text);
    }

    private void type(String field, String text) {
        shell.applyCss();
        shell.layout();
        ((TextInputControl) shell.lookup(field)).setText(text);
    }

    private void press(String id) {
        shell.applyCss();
        shell.layout();
        ((Pressable) shell.lookup(id)).fire();
    }

    private void fire(String id) {
        shell.applyCss();
        shell.layout();
        ((ButtonBase) shell.lookup(id)).fire();
    }

    private void command(String id) {
        shell.run(id);
    }

    private static Place part(String id) {
        return Place.ofPart(NODE, id);
    }

    private static Place pin(String part, String label) {
        return Place.of(NODE, new Endpoint(part, label));
    }

    private void shot(String name, String example, Runnable prepare) {
        left.add(new Shot(name, example, prepare));
    }

    /** Takes all pictures, replacing those of the same names. Returns when they are written. */
    public static void take(Path folder, double width, double height) throws Exception {
        Files.createDirectories(folder);
        Shots shots = new Shots(folder, width, height);
        Platform.startup(shots::start);
        shots.done.await();
        Platform.exit();
        if (shots.failure.get() != null) {
            throw shots.failure.get();
        }
    }

    private void start() {
        try {
            temporary = Files.createTempDirectory("inkel-shots");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Window.dress();
        session = new Session(
                CatalogReader.shipped(),
                inkel.core.io.catalog.Shelf.read(temporary),
                Lanes.of(Runnable::run, Runnable::run),
                Clock.systemUTC(),
                new Recovery(temporary.resolve("recovery")));
        shell = new Shell(session, UserState.read(temporary));
        scene = Window.scene(shell, width, height);
        javafx.stage.Stage stage = new javafx.stage.Stage();
        stage.setScene(scene);
        stage.show();
        // Away from everything that would show that the pointer is on it.
        new Robot().mouseMove(0, 0);
        next();
    }

    private void next() {
        Shot shot = left.poll();
        if (shot == null) {
            done.countDown();
            return;
        }
        session.files().open(copy(shot));
        shot.prepare().run();
        new AnimationTimer() {
            private int frames;

            @Override
            public void handle(long now) {
                if (++frames == FRAMES_TO_SETTLE) {
                    stop();
                    snap(shot);
                }
            }
        }.start();
    }

    /** The example anew for each picture, so that what one changes is neither in the next nor offered to it. */
    private Path copy(Shot shot) {
        try {
            try (Stream<Path> kept = Files.list(Files.createDirectories(temporary.resolve("recovery")))) {
                for (Path file : kept.toList()) {
                    Files.delete(file);
                }
            }
            Path builds = Files.createDirectories(temporary.resolve("builds"));
            Path own = builds.resolve(shot.example());
            return Files.copy(Examples.folder().resolve(shot.example()), own, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void snap(Shot shot) {
        try {
            write(scene.snapshot(null), folder.resolve(shot.name() + ".png"));
            next();
        } catch (IOException failed) {
            failure.set(failed);
            done.countDown();
        }
    }

    /** Writes what a scene shows as PNG. */
    static void write(WritableImage image, Path file) throws IOException {
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        PixelReader pixels = image.getPixelReader();
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                picture.setRGB(x, y, pixels.getArgb(x, y));
            }
        }
        ImageIO.write(picture, "png", file.toFile());
    }
}
