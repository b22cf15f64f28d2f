package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.lane.Lanes;
import inkel.core.document.Node;
import inkel.core.document.edit.SetPurpose;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.WireStep;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Seats in a window: quick hands keep what they plug at, and what is written down of the table is what is shown. */
class SeatWorkTest {
    private static final String NODE = "lower-lock";

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
                waiting::add,
                direct.waking(),
                direct.diagnosing(),
                direct.searching(),
                direct.drawing(),
                direct.screen());
        session = Given.session(folder, lanes);
        session.files().open(Given.copy(Given.LOCKS, Files.createDirectories(folder.resolve("builds"))));
        session.nodeProperty().set(NODE);
    }

    private Optional<SeatPlan> shown() {
        return session.seats().wanted(session.assessmentProperty().get(), NODE);
    }

    private SeatPlan seated() {
        shown();
        while (!waiting.isEmpty()) {
            waiting.remove().run();
        }
        return shown().orElseThrow();
    }

    private Node node() {
        return session.build().orElseThrow().node(NODE).orElseThrow();
    }

    private static WireStep to(SeatPlan plan, String end) {
        return plan.list().steps().stream()
                .filter(step -> step.to().id().equals(end))
                .findFirst()
                .orElseThrow();
    }

    private static List<String> lines(SeatPlan plan) {
        return plan.list().steps().stream()
                .map(step -> step.number() + " " + step.id() + " " + plan.runs(step))
                .toList();
    }

    @Test
    void twoTicksBeforeTheTableIsFoundAgainKeepBothSeats() {
        SeatPlan plan = seated();
        session.seats().plug(Set.of(to(plan, "reader.MOSI@1").id()));
        assertTrue(shown().isEmpty(), "not found again yet");
        session.seats().plug(Set.of(to(plan, "level.S@1").id()));
        assertTrue(node().seats().containsKey("reader"));
        assertTrue(node().seats().containsKey("level"));
        assertEquals(lines(plan), lines(seated()));
    }

    @Test
    void aTableThatIsNotThisOneAnyMoreKeepsNothing() {
        SeatPlan plan = seated();
        session.apply(new SetPurpose(NODE, "level", "how high the water stands"));
        session.seats().plug(Set.of(to(plan, "level.S@1").id()));
        assertTrue(node().plugged().contains(to(plan, "level.S@1").id()));
        assertTrue(node().seats().isEmpty());
        assertEquals(lines(plan), lines(seated()));
    }

    @Test
    void whatIsWrittenOfATableHalfWiredIsWhatIsShown() {
        SeatPlan plan = seated();
        session.seats()
                .plug(Set.of(
                        to(plan, "shifter.HV3@1").id(),
                        to(plan, "reader.MOSI@1").id()));
        SeatPlan after = seated();
        assertEquals(lines(after), lines(Seated.of(session.assessmentProperty().get(), NODE)));
        assertEquals(lines(plan), lines(after));
    }
}
