package inkel.core.tune.servo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Moment;
import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Point;
import inkel.core.document.edit.Edit;
import inkel.core.kit.Builds;
import inkel.core.quantity.TimeSpan;
import inkel.core.tune.Constant;
import inkel.core.tune.Estimate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ServoBenchTest {
    private static final double US = 1e-6;

    private static final NodeCircuit LOCK =
            Circuit.of(Builds.locks(), Builds.CATALOG).nodes().get(0);

    /** On the 12-bit driver. */
    private static ServoRig driven() {
        return ServoRig.of(LOCK, LOCK.part("gate-upper").orElseThrow()).orElseThrow();
    }

    /** On a pin of the board. */
    private static ServoRig plain() {
        NodeCircuit node = Circuit.of(
                        Builds.classic()
                                .part("gate", "servo-micro")
                                .wire("gate.SIG", "board.D9")
                                .build(),
                        Builds.CATALOG)
                .nodes()
                .get(0);
        return ServoRig.of(node, node.part("gate").orElseThrow()).orElseThrow();
    }

    /** Steps outward until the device hums, as the bench asks a builder to. */
    private static ServoDraft seek(ServoDraft from, ServoDevice device, int direction) {
        ServoDraft draft = from.to(from.rig().middle());
        device.answer(draft.now());
        for (int i = 0; i < 1000; i++) {
            draft = draft.stepped(direction);
            ServoDevice.Did did = device.answer(draft.now());
            if (did.hums()) {
                return draft.stopped();
            }
        }
        throw new AssertionError("no end");
    }

    private static ServoDraft seekDead(ServoDraft from, ServoDevice device) {
        ServoDraft draft = from.to(from.rig().middle());
        // From one side, well out of its dead band, so that it rests where it is commanded.
        device.answer(draft.now() - 100 * US);
        device.answer(draft.now());
        for (int i = 0; i < 100 && draft.dead().isEmpty(); i++) {
            draft = draft.triedDead(
                    device.answer(draft.now() + draft.nextDead()).moved());
        }
        return draft;
    }

    @Test
    void trueEndsLieWithinAStepOfWhatIsFoundAlways() {
        for (ServoRig rig : List.of(driven(), plain())) {
            for (int seed = 0; seed < 1000; seed++) {
                ServoDevice device = new ServoDevice(rig, seed);
                ServoDraft found = seek(seek(ServoDraft.of(rig), device, -1), device, 1);
                Estimate low = found.ends().low().orElseThrow();
                Estimate high = found.ends().high().orElseThrow();
                assertTrue(low.holds(device.trueLow()), seed + ": " + low + " " + device.trueLow());
                assertTrue(high.holds(device.trueHigh()), seed + ": " + high + " " + device.trueHigh());
                double step = Math.max(10 * US, rig.nearest(10 * US));
                assertTrue(low.off() <= step * 1.001 && high.off() <= step * 1.001, "two steps wide at most");
            }
        }
    }

    @Test
    void theDeadBandLiesBetweenTheLargestThatDidNotMoveItAndTheSmallestThatDid() {
        for (ServoRig rig : List.of(driven(), plain())) {
            for (int seed = 0; seed < 1000; seed++) {
                ServoDevice device = new ServoDevice(rig, seed);
                Estimate dead = seekDead(ServoDraft.of(rig), device).dead().orElseThrow();
                assertTrue(dead.holds(device.trueDead()), seed + ": " + dead + " " + device.trueDead());
                assertEquals(rig.step() / 2, dead.off(), 1e-12);
            }
        }
    }

    /** Marks where it stands after coming from below, goes beyond and comes back step by step. */
    private static ServoDraft seekPlay(ServoDraft from, ServoDevice device, boolean isFine) {
        ServoDraft draft = from.to(from.rig().middle()).stepped(1);
        device.answer(from.rig().middle() - 100 * US);
        device.answer(from.rig().middle());
        double mark = device.answer(draft.now()).arm();
        draft = draft.marked().to(draft.now() + 100 * US);
        device.answer(draft.now());
        for (int i = 0; i < 200; i++) {
            draft = isFine ? draft.finer(-1) : draft.stepped(-1);
            if (device.answer(draft.now()).arm() <= mark + 1e-9) {
                return draft.atMark();
            }
        }
        throw new AssertionError("it never came back");
    }

    @Test
    void thePlayIsHowFarTheSamePlaceLiesApartFromBothSides() {
        for (ServoRig rig : List.of(driven(), plain())) {
            for (int seed = 0; seed < 1000; seed++) {
                ServoDevice device = new ServoDevice(rig, seed);
                Estimate coarse = seekPlay(ServoDraft.of(rig), device, false)
                        .play()
                        .found()
                        .orElseThrow();
                assertTrue(coarse.holds(device.truePlay()), seed + ": " + coarse + " " + device.truePlay());
                assertTrue(coarse.off() <= Math.max(10 * US, rig.nearest(10 * US)), "two steps wide at most");
                // Known to within a step of the drive, its dead band leaves the arm behind each finer step.
                ServoDraft known = seekDead(ServoDraft.of(rig), device);
                Estimate fine = seekPlay(known, device, true).play().found().orElseThrow();
                assertTrue(fine.holds(device.truePlay()), seed + ": " + fine + " " + device.truePlay());
            }
        }
    }

    @Test
    void aPlaceIsMarkedFromBelowAndMetFromAbove() {
        ServoDraft draft = ServoDraft.of(plain()).to(1500 * US);
        assertEquals(draft, draft.to(1490 * US).marked().to(1500 * US).to(1500 * US), "from above it is no mark");
        ServoDraft marked = draft.to(1510 * US).marked().to(1600 * US);
        assertTrue(marked.play().mark().isPresent());
        assertFalse(marked.canMeetMark(), "it came from below");
        assertFalse(marked.to(1590 * US).canMeetMark(), "still beyond the mark");
        ServoDraft met = marked.to(1505 * US).to(1495 * US).atMark();
        // Not yet at 1,505, there at 1,495: 5 to 15 µs before 1,510.
        assertEquals(10 * US, met.play().found().orElseThrow().value(), 1e-9);
        assertEquals(5 * US, met.play().found().orElseThrow().off(), 1e-9);
        // 2,000 µs are 180°: 10 µs are 0.9°.
        assertEquals(0.9, met.playAngle().orElseThrow(), 1e-9);
        assertEquals(Optional.empty(), met.play().mark());
        assertTrue(ServoKept.constants(met).stream()
                .anyMatch(one -> one.name().endsWith("_PLAY_US") && one.value().equals("10")));
    }

    @Test
    void aLoadPullsByItsWeightTimesTheArm() {
        // 80 g at 35 mm: 0.08 · 9.80665 · 0.035 = 27.46 mN·m; 0.08 kg · 3.5 cm = 0.28 kg·cm.
        Arm arm = new Arm(0.035, 0.08);
        assertEquals(0.027459, arm.torque(), 1e-6);
        assertEquals(0.28, arm.kilogramCentimetres(), 1e-12);
    }

    @Test
    void servosThatMoveInTurnHaveMomentsThatDoNotMeet() throws Exception {
        Build build = Builds.classic()
                .part("gate", "servo-micro", "V+=board.5V")
                .wire("gate.SIG", "board.D9")
                .part("flap", "servo-micro", "V+=board.5V")
                .wire("flap.SIG", "board.D10")
                .build();
        NodeCircuit both = only(build);
        double together = peak(both);
        List<ServoStart.Mover> movers = List.of(
                new ServoStart.Mover(both.part("gate").orElseThrow(), 1.2),
                new ServoStart.Mover(both.part("flap").orElseThrow(), 0.8));
        Build apart = Edit.applyAll(build, ServoStart.inTurn(both, movers, servo -> "moves " + servo.id()));
        NodeCircuit node = only(apart);
        List<Moment> moments = node.node().moments();
        assertEquals(
                List.of("moves gate", "moves flap"),
                moments.stream().map(Moment::name).toList());
        assertEquals(Optional.of(TimeSpan.ofSeconds(1.2)), moments.get(1).at());
        assertTrue(peak(node) < together, "one peak and one at rest");
        // Once more, the other way round: the same moments, at other times.
        Build again = Edit.applyAll(
                apart, ServoStart.inTurn(node, List.of(movers.get(1), movers.get(0)), servo -> "never asked"));
        List<Moment> turned = again.nodes().get(0).moments();
        assertEquals(2, turned.size());
        assertEquals(Optional.of(TimeSpan.ofSeconds(0.8)), turned.get(0).at());
        assertEquals(Optional.of(TimeSpan.ofSeconds(0)), turned.get(1).at());
    }

    private static NodeCircuit only(Build build) {
        return Circuit.of(build, Builds.CATALOG).nodes().get(0);
    }

    private static double peak(NodeCircuit node) {
        return node.rails().stream()
                .mapToDouble(rail -> rail.peakShare().ratio())
                .max()
                .orElseThrow();
    }

    @Test
    void anEndIsOneStepBackAndThereItGoes() {
        ServoDraft draft =
                ServoDraft.of(plain()).to(2370 * US).to(2380 * US).to(2390 * US).stopped();
        assertEquals(2380 * US, draft.high(), 1e-9);
        assertEquals(2380 * US, draft.now(), 1e-9, "it is not left pressing against its stop");
        assertEquals(10 * US, draft.ends().high().orElseThrow().off(), 1e-9);
        assertEquals(draft, draft.stopped(), "without a step there is no end");
        // A step finer than the dead band may be says no more than that band.
        ServoDraft fine = ServoDraft.of(plain()).to(2380 * US).to(2381 * US).stopped();
        assertEquals(10 * US, fine.ends().high().orElseThrow().off(), 1e-9);
    }

    @Test
    void nothingIsCommandedFarBeyondWhatTheClassSays() {
        // 500 to 2,500 µs, and 200 µs more either way.
        assertEquals(2700 * US, ServoDraft.of(plain()).to(9).now(), 1e-9);
        assertEquals(300 * US, ServoDraft.of(plain()).to(0).now(), 1e-9);
        assertEquals(1501 * US, ServoDraft.of(plain()).to(1500 * US).finer(1).now(), 1e-9);
    }

    @Test
    void theDriverIsCommandedInItsTicks() {
        ServoRig rig = driven();
        // 25 MHz / (4096 · 122) is 50.03 Hz; a tick is 1 / (50.03 · 4096) = 4.88 µs.
        assertEquals(50.03, rig.frequency().hertz(), 0.005);
        assertEquals(4.88 * US, rig.step(), 0.001 * US);
        assertEquals(Optional.of(402L), rig.ticks(1960 * US));
        assertEquals(Optional.empty(), plain().ticks(1960 * US));
        assertEquals(0.03, rig.off().ratio());
        assertEquals(0.098, plain().duty(1960 * US), 1e-9);
    }

    @Test
    void anglesAndTheMapFollowLinesThroughTwoPoints() {
        ServoDraft draft = ServoDraft.of(plain())
                .to(570 * US)
                .to(560 * US)
                .to(550 * US)
                .stopped()
                .to(2380 * US)
                .to(2390 * US)
                .stopped()
                .mapped(List.of(new Point(0, 600 * US), new Point(1023, 2340 * US)));
        // 1,820 µs are 180°: 10.11 µs a degree; 1,900 µs are 1,340 / 10.11.
        assertEquals(10.111 * US, draft.degree(), 0.001 * US);
        assertEquals(132.53, draft.angle(1900 * US), 0.01);
        assertEquals(1900 * US, draft.pulse(draft.angle(1900 * US)), 1e-12);
        assertEquals((600 + 1740.0 * 797 / 1023) * US, draft.line().at(797), 1e-9);
        assertEquals(1740.0 / 1023 * US, draft.perCode(), 1e-12);
        assertTrue(draft.isInputCoarser(), "1.7 µs are more than the microsecond of the board");
        assertEquals(List.of(), draft.beyond());
    }

    @Test
    void whatPressesItAgainstAnEndIsToldAndHeldInside() {
        ServoDraft draft = ServoDraft.of(plain())
                .to(2380 * US)
                .to(2390 * US)
                .stopped()
                .place("open", 2420 * US)
                .place("half", 1500 * US)
                .place("at the end", 2380 * US);
        // The map of the class ends at 2,500 µs.
        assertEquals(
                List.of(2420, 2500),
                draft.beyond().stream()
                        .map(pulse -> Math.round(pulse / US))
                        .map(Long::intValue)
                        .toList());
        ServoDraft inside = draft.inside();
        assertEquals(List.of(), inside.beyond());
        assertEquals(2380 * US, inside.places().get("open"), 1e-9);
        assertEquals(1500 * US, inside.places().get("half"), 1e-9);
        assertFalse(inside.without("half").places().containsKey("half"));
    }

    @Test
    void whatIsKeptComesBackAsTheSameDraft() {
        ServoDraft draft = seek(ServoDraft.of(driven()), new ServoDevice(driven(), 5), 1)
                .centred()
                .angles(-90, 85)
                .stop(Optional.of(0.69))
                .frequency(Optional.of(50.2))
                .released(Optional.of(0.4))
                .moving(1.2)
                .arm(Optional.of(new Arm(0.035, 0.08)))
                .place("open", 2299 * US);
        draft = seekPlay(draft, new ServoDevice(driven(), 5), false);
        Tuning kept = ServoKept.tuning(draft);
        assertEquals("690 mA", kept.figures().get("current/V+/peak"));
        ServoDraft back = ServoKept.draft(driven(), kept);
        assertEquals(kept, ServoKept.tuning(back));
        assertEquals(draft.ends(), back.ends());
        assertEquals(0.08, back.arm().orElseThrow().mass(), 1e-12);
        assertEquals(
                draft.play().found().orElseThrow().value(),
                back.play().found().orElseThrow().value(),
                1e-12);
    }

    @Test
    void anotherServoTakesTheMapAndPlacesAndKeepsItsOwnEnds() {
        ServoDraft first = ServoDraft.of(plain())
                .to(2380 * US)
                .to(2390 * US)
                .stopped()
                .stop(Optional.of(0.69))
                .angles(-90, 90)
                .place("open", 2299 * US)
                .moving(2);
        ServoDraft second = ServoDraft.of(plain()).to(2340 * US).to(2350 * US).stopped();
        ServoDraft given = first.usedBy(second);
        assertEquals(second.ends(), given.ends());
        assertEquals(Optional.empty(), given.stop());
        assertEquals(first.places(), given.places());
        assertEquals(first.map(), given.map());
        assertEquals(-90, given.lowAngle());
        assertEquals(2, given.moveTime());
    }

    @Test
    void constantsCarryTheirUnitsAndTheBuildersNames() {
        ServoDraft draft = ServoDraft.of(driven()).place("half open", 1470 * US);
        List<Constant> constants = ServoKept.constants(draft);
        String name = Constant.identifier(driven().servo().part().name());
        assertTrue(constants.stream().anyMatch(one -> one.name().equals(name + "_HALF_OPEN_US")), constants.toString());
        assertTrue(
                constants.stream()
                        .anyMatch(one -> one.name().equals(name + "_HALF_OPEN_TICKS")
                                && one.value().equals("301")),
                constants.toString());
        assertEquals("N_2_ND_GATE", Constant.identifier("2", "nd gate"));
        assertEquals("UBER_TOR", Constant.identifier("Über-Tor"));
        assertEquals("N_", Constant.identifier("→"));
    }
}
