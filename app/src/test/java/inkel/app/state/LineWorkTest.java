package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.line.BoardLine;
import inkel.app.line.Ear;
import inkel.app.line.LineFailure;
import inkel.app.line.Port;
import inkel.app.line.Ports;
import inkel.app.store.KnownPorts;
import inkel.app.store.UserState;
import inkel.core.io.document.PlanHash;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What becomes of what a board says, without any port. */
class LineWorkTest {
    private static final Port LEFT = new Port("/dev/left", "Adapter", Optional.of("A17"));
    private static final Port RIGHT = new Port("/dev/right", "", Optional.empty());

    @TempDir
    private Path folder;

    private final Machine machine = new Machine();
    private Session session;
    private LineWork work;

    /** Ports that are not there, with who listens and what was sent. */
    private static final class Machine implements Ports {
        private List<Port> there = List.of(LEFT, RIGHT);
        private final List<Ear> ears = new ArrayList<>();
        private final List<String> sent = new ArrayList<>();
        private int closed;

        @Override
        public List<Port> list() throws LineFailure {
            return there;
        }

        @Override
        public BoardLine listen(String path, int baud, Ear ear) {
            ears.add(ear);
            return new BoardLine() {
                @Override
                public void send(String text) {
                    sent.add(path + " " + text);
                }

                @Override
                public void close() {
                    closed++;
                }
            };
        }

        Ear ear() {
            return ears.get(ears.size() - 1);
        }
    }

    @BeforeEach
    void start() throws IOException {
        session = Given.session(folder);
        session.files().open(Given.copy(Given.LOCKS, folder));
        work = session.line();
        work.use(machine);
        work.look();
    }

    private String told() {
        return work.nowProperty().get().told().map(Fact::key).orElse("");
    }

    private void hear(String... lines) {
        List.of(lines).forEach(machine.ear()::heard);
    }

    @Test
    void aWholeReportIsReadAndWhatIsAroundItIsShown() {
        work.listen("/dev/left", 57_600);
        machine.ear().opened();
        hear("ready", "inkel-wake 1 lower-lock", "level radio.CSN high");
        assertNull(session.reports().latestProperty().get(), "the report is not at its end");
        hear("end 1", "# 1 drives gate.SIG");
        assertEquals(
                "inkel-wake 1 lower-lock\nlevel radio.CSN high\nend 1\n",
                session.reports().latestProperty().get().text());
        assertEquals(
                "ready\ninkel-wake 1 lower-lock\nlevel radio.CSN high\nend 1\n# 1 drives gate.SIG\n",
                work.heardProperty().get());
    }

    @Test
    void aReportThatBeginsAnewCountsFromThere() {
        work.listen("/dev/left", 57_600);
        hear("inkel-wake 1 lower-lock", "level radio.CSN low", "inkel-wake 1 lower-lock", "end 0");
        assertEquals(
                "inkel-wake 1 lower-lock\nend 0\n",
                session.reports().latestProperty().get().text());
    }

    @Test
    void whichBoardIsWhereIsLearntFromWhatItReports() {
        assertEquals(Optional.empty(), work.suggested("lower-lock"), "two ports, and nothing known");
        work.listen("/dev/left", 57_600);
        hear("inkel-wake 1 lower-lock");
        assertEquals(Optional.of(LEFT), work.suggested("lower-lock"));
        work.listen("/dev/right", 57_600);
        hear("inkel-wake 1 pump-house");
        assertEquals(Optional.of(RIGHT), work.suggested("pump-house"));
        // The adapter is known by its own number, in another socket too.
        Port moved = new Port("/dev/other", "Adapter", LEFT.serial());
        machine.there = List.of(RIGHT, moved);
        work.look();
        assertEquals(Optional.of(moved), work.suggested("lower-lock"));
        // Another board at the same port takes its place.
        work.listen("/dev/right", 57_600);
        hear("inkel-wake 1 lower-lock");
        assertEquals(Optional.of(RIGHT), work.suggested("lower-lock"));
        assertEquals(Optional.empty(), work.suggested("pump-house"));
        machine.there = List.of(moved);
        work.look();
        assertEquals(Optional.of(moved), work.suggested("pump-house"), "the only port there is");
    }

    @Test
    void whatIsKnownOutlivesTheProgram() {
        work.listen("/dev/left", 57_600);
        hear("inkel-wake 1 lower-lock");
        UserState state = UserState.read(folder);
        state.put(work.knownProperty().get());
        state.write();
        assertEquals(work.knownProperty().get(), UserState.read(folder).ports());
        state.put(new KnownPorts(List.of()));
        assertEquals(List.of(), state.ports().known());
    }

    @Test
    void aReportOfAnotherBoardOfTheBuildLeadsThere() {
        work.listen("/dev/left", 57_600);
        hear("inkel-wake 1 pump-house", "end 0");
        ReportWork.Found found = session.reports().latestProperty().get();
        assertEquals("lower-lock", found.wake().node().node().id());
        assertEquals("pump-house", found.other().orElseThrow().id());
        session.reports().showOther();
        assertEquals("pump-house", session.nodeProperty().get());
        found = session.reports().latestProperty().get();
        assertEquals(List.of(), found.report().told());
        assertEquals(Optional.empty(), found.other());
        hear("inkel-wake 1 nowhere", "end 0");
        assertEquals(Optional.empty(), session.reports().latestProperty().get().other());
    }

    @Test
    void silenceIsAnsweredByAskingAndSaid() {
        work.listen("/dev/left", 57_600);
        machine.ear().opened();
        assertEquals("", told());
        machine.ear().silent();
        assertEquals(List.of("/dev/left r"), machine.sent);
        assertEquals("line.silent", told());
        hear("here I am");
        assertEquals("", told());
    }

    @Test
    void aBoardWithTheCodeOfAnotherPlanIsTold() {
        String here = PlanHash.of(session.build().orElseThrow());
        work.listen("/dev/left", 57_600);
        hear("inkel-plan " + here);
        assertEquals("", told());
        hear("inkel-plan 00000000");
        assertEquals("line.other_plan", told());
        hear("Light: light 833.3 lx");
        assertEquals("line.other_plan", told(), "for as long as it talks");
        hear("inkel-plan " + here);
        assertEquals("", told());
    }

    @Test
    void lettersThatAreNoneMeanAnotherRate() {
        work.listen("/dev/left", 57_600);
        // Of 40 letters, 10 are a quarter and 11 are more.
        hear("a".repeat(30) + "\uFFFD".repeat(10));
        assertEquals("", told());
        work.listen("/dev/left", 57_600);
        hear("a".repeat(29) + "\uFFFD".repeat(11));
        assertEquals("line.nonsense", told());
        work.listen("/dev/left", 57_600);
        hear("\uFFFD".repeat(39));
        assertEquals("", told(), "too little to say");
    }

    @Test
    void lossAndFailureAreToldAndAnEarlierLineIsHeardNoMore() {
        work.listen("/dev/left", 57_600);
        Ear first = machine.ear();
        first.opened();
        first.lost();
        assertEquals("line.lost", told());
        assertEquals(LineWork.State.AWAITED, work.nowProperty().get().state());
        first.opened();
        assertEquals(LineWork.State.OPEN, work.nowProperty().get().state());
        work.listen("/dev/right", 57_600);
        assertEquals(1, machine.closed);
        first.heard("of the left one");
        first.failed(new LineFailure(Fact.of("line.gone")));
        assertEquals("", work.heardProperty().get());
        assertTrue(work.nowProperty().get().isListening());
        machine.ear().failed(new LineFailure(Fact.of("line.busy").with("port", "/dev/right")));
        assertEquals("line.busy", told());
        assertFalse(work.nowProperty().get().isListening());
        work.close();
        assertEquals("line.busy", told(), "why it failed stays to be read");
    }

    @Test
    void aBoardThatTalksForDaysFillsNothing() {
        work.listen("/dev/left", 57_600);
        for (int i = 0; i < 5000; i++) {
            hear("line " + i);
        }
        String heard = work.heardProperty().get();
        assertTrue(heard.length() <= 20_000 && heard.endsWith("line 4999\n"), "" + heard.length());
        assertTrue(heard.startsWith("line "), heard.substring(0, 20));
    }

    @Test
    void theRateIsTheOneThatTheProgramOfTheShownBoardSpeaksAt() {
        assertEquals(57_600, work.baud());
    }

    @Test
    void practisingEndsTheListening() {
        work.listen("/dev/left", 57_600);
        session.practice().begin(0, Optional.empty(), 3);
        assertEquals(1, machine.closed);
        assertFalse(work.nowProperty().get().isListening());
    }
}
