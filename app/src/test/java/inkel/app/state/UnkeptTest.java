package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.catalog.BenchKind;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.io.document.UnkeptText;
import inkel.core.tune.servo.ServoDraft;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What lay on a bench when a run ended lies there in the next one. */
class UnkeptTest {
    private static final TuneWork.At GATE = new TuneWork.At(Place.ofPart("lower-lock", "gate-upper"), BenchKind.SERVO);

    @TempDir
    private Path folder;

    private Path file;

    @BeforeEach
    void file() throws Exception {
        file = Given.copy(Given.LOCKS, Files.createDirectories(folder.resolve("builds")));
    }

    /** A run of the program; one that is not closed is one that was killed. */
    private Session run() {
        Session session = Given.session(folder);
        session.files().open(file);
        session.tune().takeUp();
        return session;
    }

    private static Tuning tuning(Session session) {
        return session.tune().draft(GATE).orElseThrow().tuning();
    }

    private static void move(Session session, double pulse) {
        ServoDraft draft = session.tune().servos().of(GATE).orElseThrow();
        session.tune().servos().change(GATE, draft.to(pulse).centred());
    }

    private long files() throws Exception {
        try (Stream<Path> all = Files.list(folder.resolve("recovery"))) {
            return all.filter(path -> path.getFileName().toString().matches("benches-.*\\.json"))
                    .count();
        }
    }

    @Test
    void aDraftIsThereAgainAndIsStillADraft() throws Exception {
        Session first = run();
        Tuning fresh = tuning(first);
        assertFalse(first.tune().hasDrafts());
        move(first, 1.62e-3);
        Tuning found = tuning(first);
        assertFalse(found.equals(fresh), "something was found");
        Session second = run();
        assertTrue(second.tune().isDraft(GATE));
        assertEquals(found, tuning(second));
        assertEquals(1, files(), "what was taken up is in the new run's own");
        // It goes on from there, and a third run has what came of it.
        move(second, 1.70e-3);
        Tuning further = tuning(second);
        Session third = run();
        assertEquals(further, tuning(third));
        third.tune().keep(GATE);
        assertFalse(third.tune().hasDrafts());
        assertEquals(0, files(), "nothing is left to keep");
        assertEquals(List.of(), run().tune().isDraft(GATE) ? List.of(GATE) : List.of());
    }

    @Test
    void whatIsThrownAwayOrPractisedDoesNotComeBack() {
        Session first = run();
        move(first, 1.62e-3);
        first.tune().forget(GATE);
        Session second = run();
        assertFalse(second.tune().isDraft(GATE));
        second.practice().begin();
        move(second, 1.9e-3);
        Session third = run();
        assertFalse(third.tune().isDraft(GATE));
    }

    @Test
    void anotherBuildHasNothingOfIt() throws Exception {
        Session first = run();
        move(first, 1.62e-3);
        Path other = Files.copy(file, file.resolveSibling("other.inkel.json"));
        Session second = run();
        second.files().open(other);
        assertFalse(second.tune().isDraft(GATE));
        second.files().open(file);
        assertTrue(second.tune().isDraft(GATE));
    }

    @Test
    void aTextThatIsNoneOfOursIsNothing() {
        for (String text :
                List.of("", "[]", "{", "{\"builds\": 7}", "{\"builds\": [{\"found\": [{\"at\": \"x\"}]}]}")) {
            assertTrue(UnkeptText.parse(text).values().stream().allMatch(List::isEmpty), text);
        }
        assertEquals("", UnkeptText.print(Map.of("x", List.of())));
    }
}
