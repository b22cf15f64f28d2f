package inkel.stress.cases;

import inkel.app.lane.Lanes;
import inkel.app.state.Session;
import inkel.app.store.Recovery;
import inkel.app.store.UserState;
import inkel.app.ui.frame.Shell;
import inkel.app.ui.frame.Window;
import inkel.core.document.edit.RenameNode;
import inkel.core.io.catalog.Shelf;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Random;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import javafx.util.Duration;

/** The child of {@link WindowKills}: the real window, in which somebody edits, plans and saves by chance. */
public final class Editor {
    private static Path file;
    private static Path state;
    private static Random random;

    private Editor() {}

    public static void main(String[] words) {
        file = Path.of(words[0]);
        state = Path.of(words[1]);
        random = new Random(Long.parseLong(words[2]));
        Application.launch(Program.class);
    }

    /** Made by the toolkit. */
    public static final class Program extends Application {
        private int edits;

        @Override
        public void start(Stage stage) {
            Window.dress();
            Session session = new Session(
                    Seeds.CATALOG,
                    Shelf.read(state.resolve("shelf")),
                    Lanes.threads(Platform::runLater),
                    Clock.systemUTC(),
                    new Recovery(state.resolve("recovery")));
            Shell shell = new Shell(session, UserState.read(state));
            stage.setScene(Window.scene(shell, Window.WIDTH, Window.HEIGHT));
            Runtime.getRuntime().addShutdownHook(new Thread(session.files()::rescue));
            stage.show();
            session.files().open(file);
            session.assessmentProperty().addListener((property, old, next) -> {
                if (old == null) {
                    edit(session);
                }
            });
        }

        private void edit(Session session) {
            String node = session.build().orElseThrow().nodes().get(0).id();
            if (random.nextInt(12) == 0) {
                session.planning().plan();
            }
            if (random.nextInt(15) == 0) {
                session.files().save();
            }
            if (session.apply(new RenameNode(node, "Edit " + ++edits))) {
                System.out.println(edits);
            }
            PauseTransition next = new PauseTransition(Duration.millis(random.nextInt(150)));
            next.setOnFinished(event -> edit(session));
            next.play();
        }
    }
}
