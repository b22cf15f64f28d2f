package inkel.core.wake;

import static inkel.core.kit.Builds.end;
import static inkel.core.kit.Builds.place;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Answer;
import inkel.core.bench.Asked;
import inkel.core.bench.Band;
import inkel.core.bench.Benches;
import inkel.core.bench.Drives;
import inkel.core.bench.Ends;
import inkel.core.bench.Foretelling;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.bench.Twist;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Switched;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.kit.Builds;
import inkel.core.wiring.WireList;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A winding that another board's transistor lets go to ground. */
class LetToGroundTest {
    private static Builds lock() {
        return Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=twelve.+")
                .part("lock", "solenoid", "V+=switch.OUT+")
                .wire("lock.IN", "switch.OUT-")
                .wire("switch.SIG", "board.D8");
    }

    private static Check sign(Builds table) {
        return WakePlan.of(Circuit.of(table.build(), Builds.CATALOG), Meter.USUAL).nodes().get(0).checks().stream()
                .filter(check -> check.id().startsWith("sign lock"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatMovesItIsThePinOfTheBoardThatIsDriven() {
        assertEquals(
                Optional.of(new Switched(end("switch.SIG"), end("board.D8"), true)),
                Switched.toGround(lock().circuit(), end("lock.IN")));
        Expected.Seen told = (Expected.Seen) sign(lock()).expected();
        assertEquals("wake.driven", told.what().key());
        assertTrue(told.what().values().get("to").toString().contains("high"), told.toString());
        assertTrue(told.what().values().get("pin").toString().contains("D8"), told.toString());
    }

    @Test
    void nothingIsMovedThatNobodyDrives() {
        Builds idle = Builds.classic()
                .part("twelve", "wall-supply-12v")
                .part("switch", "switch-transistor", "V+=twelve.+")
                .part("lock", "solenoid", "V+=switch.OUT+")
                .wire("lock.IN", "switch.OUT-");
        assertEquals(Optional.empty(), Switched.toGround(idle.circuit(), end("lock.IN")));
        assertEquals(Optional.empty(), Switched.toGround(lock().circuit(), end("switch.SIG")));
    }

    /** Open, the coil lifts it to the supply; closed, 0.3 V at 5 A are 0.06 Ω, and half an ampere leaves next to nothing. */
    @Test
    void theOpenEndIsAtTheSupplyAndTheClosedOneAtGround() {
        Circuit circuit = Circuit.of(lock().build(), Builds.CATALOG);
        Benches benches = new Benches(circuit, WireList.of(circuit));
        Scene rest = Scene.resting(benches.all());
        Band open = new Foretelling(benches.model(rest))
                .band(benches.volts(lock().circuit(), end("lock.IN")))
                .orElseThrow();
        assertEquals(12, open.expected(), 0.1);
        Scene driven = rest.driving(Map.of(place("board.D8"), Drives.HIGH));
        Band closed = new Foretelling(benches.model(driven))
                .band(benches.volts(lock().circuit(), end("lock.IN")))
                .orElseThrow();
        assertEquals(0.1, closed.expected(), 0.05, "half an ampere through 0.06 Ω and two jumpers");
        assertTrue(closed.high() < 0.6, closed.toString());
    }

    @Test
    void aWireThatIsNotInShowsWhereverItIs() {
        assertTrue(pulls(Twist.NONE), "as planned it pulls");
        assertFalse(pulls(without("board.D8@1", "switch.SIG@1")));
        assertFalse(pulls(without("switch.OUT-@1", "lock.IN@1")));
    }

    private static Twist without(String from, String to) {
        NodeCircuit node = lock().circuit();
        return WireList.of(node).steps().stream()
                .filter(step -> step.from().id().equals(from) && step.to().id().equals(to))
                .map(step -> new Twist.Builder().without(Ends.wire(node, step)).build())
                .findFirst()
                .orElseThrow();
    }

    private static boolean pulls(Twist twist) {
        Circuit circuit = Circuit.of(lock().build(), Builds.CATALOG);
        Check check = sign(lock());
        PracticeBench bench = new PracticeBench(circuit, WireList.of(circuit), twist, Meter.USUAL, 1);
        Place at = check.at();
        Answer answer = bench.ask(new Asked(check.asked().scene(), new Question.Look(Question.Sort.SIGN, at)))
                .orElseThrow();
        return answer instanceof Answer.Sight sight && sight.isWell();
    }
}
