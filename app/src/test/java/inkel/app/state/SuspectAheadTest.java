package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.lane.Lanes;
import inkel.core.checks.Assessment;
import inkel.core.quantity.Voltage;
import inkel.core.wake.Check;
import inkel.core.wake.WakeState;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is thought of while a reading is taken is given up for what is asked, and keeps nothing from being asked again. */
class SuspectAheadTest {
    private static final String NODE = "lower-lock";
    private static final String CHECK = "volts display.VCC";

    @TempDir
    private Path folder;

    private final Queue<Runnable> waiting = new ArrayDeque<>();
    private Session session;

    @BeforeEach
    void open() throws Exception {
        Lanes direct = Lanes.of(Runnable::run, Runnable::run);
        Lanes lanes = new Lanes(
                direct.judging(),
                direct.keeping(),
                direct.files(),
                direct.planning(),
                direct.seating(),
                direct.waking(),
                waiting::add,
                direct.searching(),
                direct.drawing(),
                direct.screen());
        session = Given.session(folder, lanes);
        session.files().open(Given.copy(Given.LOCKS, Files.createDirectories(folder.resolve("builds"))));
        session.nodeProperty().set(NODE);
    }

    private Assessment assessment() {
        return session.assessmentProperty().get();
    }

    private WakeState state() {
        session.wake().wanted(assessment(), NODE);
        return session.wake().of(assessment(), NODE).orElseThrow();
    }

    private Check check() {
        return state().wake().check(CHECK).orElseThrow();
    }

    private Optional<SuspectWork.Found> asked() {
        return session.suspects().wanted(assessment(), state());
    }

    private void think() {
        while (!waiting.isEmpty()) {
            waiting.remove().run();
        }
    }

    @Test
    void aheadOfAReadingNothingIsToldAndAfterItAllIs() {
        session.suspects().expect(assessment(), state(), check());
        session.suspects().expect(assessment(), state(), check());
        assertEquals(1, waiting.size(), "of one check once");
        think();
        assertEquals(null, session.suspects().latestProperty().get());
        session.wake().read(check(), Voltage.ofVolts(4.21), "4.21");
        assertTrue(asked().isEmpty());
        think();
        assertTrue(asked().orElseThrow().suspects().isWhole());
    }

    @Test
    void whatWasGivenUpForAnotherCheckIsThoughtOfWhenItIsAskedAgain() {
        session.wake().read(check(), Voltage.ofVolts(4.21), "4.21");
        WakeState out = state();
        asked();
        session.undo();
        session.suspects().expect(assessment(), state(), check());
        think();
        assertEquals(null, session.suspects().latestProperty().get(), "overtaken");
        session.redo();
        assertEquals(
                List.copyOf(out.results().keySet()),
                List.copyOf(state().results().keySet()));
        asked();
        think();
        assertTrue(asked().orElseThrow().suspects().isWhole());
    }
}
