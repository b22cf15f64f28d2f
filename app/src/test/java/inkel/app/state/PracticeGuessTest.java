package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.bench.fault.Fault;
import inkel.core.diagnosis.Suspect;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Naming what was planted: all of it, some of it, or something else. */
class PracticeGuessTest {
    @TempDir
    private Path folder;

    private PracticeWork practice;

    @BeforeEach
    void twoArePlanted() throws Exception {
        Session session = Given.session(folder);
        session.files().open(Given.copy(Given.MOTH_LAMP, folder));
        practice = session.practice();
        practice.begin(2, Optional.empty(), 5);
        assertEquals(2, planted().size());
    }

    private List<Fault> planted() {
        return practice.roundProperty().get().planted().orElseThrow().faults();
    }

    private Optional<PracticeWork.Guess> name(Fault... together) {
        practice.guess(new Suspect(List.of(List.of(together)), 1));
        return practice.roundProperty().get().guess();
    }

    private boolean isTold() {
        return practice.roundProperty().get().end().isPresent();
    }

    @Test
    void oneOfTwoIsNotAll() {
        Fault one = planted().get(0);
        Fault other = planted().get(1);
        assertEquals(Optional.of(PracticeWork.Guess.ONE_OF_SEVERAL), name(one));
        assertEquals(Optional.of(PracticeWork.Guess.ONE_OF_SEVERAL), name(one), "the same once more");
        assertTrue(!isTold());
        assertEquals(Optional.of(PracticeWork.Guess.RIGHT), name(other));
        assertTrue(isTold());
    }

    @Test
    void bothTogetherAreIt() {
        assertEquals(
                Optional.of(PracticeWork.Guess.RIGHT),
                name(planted().get(1), planted().get(0)));
        assertTrue(isTold());
    }

    @Test
    void somethingElseIsWrong() {
        assertEquals(Optional.of(PracticeWork.Guess.WRONG), name());
        practice.guess(new Suspect(List.of(List.of()), 1));
        assertEquals(
                Optional.of(PracticeWork.Guess.WRONG),
                practice.roundProperty().get().guess(),
                "that all is right is wrong too");
        assertTrue(!isTold());
    }
}
