package inkel.core.tune;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.BenchKind;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.document.Wire;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.Tune;
import inkel.core.finding.Finding;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.tune.servo.ServoDraft;
import inkel.core.tune.servo.ServoKept;
import inkel.core.tune.servo.ServoRig;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is kept of a part: in the file, in the other stages, stale when the piece is another one. */
class TuneRecordTest {
    private static final Instant AT = Instant.parse("2026-05-01T18:30:00Z");
    private static final Place GATE = Place.ofPart(Builds.NODE, "gate");
    private static final double US = 1e-6;

    private static Builds plain() {
        return Builds.classic()
                .part("wall", "wall-supply-5v")
                .part("gate", "servo-micro", "V+=wall.+")
                .wire("gate.SIG", "board.D9");
    }

    private static ServoDraft draft(Build build) {
        NodeCircuit node = Circuit.of(build, Builds.CATALOG).nodes().get(0);
        ServoRig rig = ServoRig.of(node, node.part("gate").orElseThrow()).orElseThrow();
        return ServoDraft.of(rig)
                .to(2380 * US)
                .to(2390 * US)
                .stopped()
                .stop(Optional.of(0.69))
                .mapped(List.of(new Tuning.Point(0, 600 * US), new Tuning.Point(1023, 2340 * US)))
                .place("open", 2299 * US);
    }

    private static Build kept(Build build) throws EditRefused {
        return new Tune(GATE, ServoKept.tuning(draft(build)), LogLine.By.TYPED, AT).apply(build);
    }

    private static Optional<LogLine.Tuned> standing(Build build) {
        NodeCircuit node = Circuit.of(build, Builds.CATALOG).nodes().get(0);
        return node.tunings().of(GATE, BenchKind.SERVO);
    }

    private static double peak(Build build) {
        return Circuit.of(build, Builds.CATALOG)
                .nodes()
                .get(0)
                .rail(new Endpoint("wall", "+"))
                .orElseThrow()
                .peak()
                .amperes();
    }

    @Test
    void theFileKeepsEveryDigitOfIt() throws Exception {
        Build build = kept(plain().build());
        Build back = BuildReader.parse(Path.of("x"), BuildWriter.print(build), Builds.CATALOG);
        assertEquals(build.log(), back.log());
        LogLine.Tuned line = (LogLine.Tuned) back.log().lines().get(0);
        assertEquals(
                draft(build).high(),
                line.tuning().number("high_end").orElseThrow().si());
        // A third of a microsecond has no end in decimals.
        Tuning third = new Tuning(
                BenchKind.SERVO,
                Map.of("dead_band", new Tuning.Found(Quantity.of(Unit.SECOND, 1e-6 / 3), 1e-7 / 3, Source.MEASURED)),
                Map.of("map", List.of(new Tuning.Point(0.1, 1e-3 / 7), new Tuning.Point(0.2, 1e-3 / 3))),
                Map.of("weit offen", Quantity.of(Unit.SECOND, 1e-3 / 9)),
                Map.of("why", "\"so\""),
                Map.of());
        Build odd = new Tune(GATE, third, LogLine.By.BOARD, AT).apply(plain().build());
        assertEquals(
                odd.log(),
                BuildReader.parse(Path.of("x"), BuildWriter.print(odd), Builds.CATALOG)
                        .log());
    }

    @Test
    void whatCannotBeReadIsASentenceThatNamesIt() throws Exception {
        String text = BuildWriter.print(kept(plain().build()));
        for (String[] change : new String[][] {
            {"\"bench\" : \"servo\"", "\"bench\" : \"hammer\"", "bench"},
            {"\"unit\" : \"A\"", "\"unit\" : \"stone\"", "at_its_stop"},
            {"0.69", "\"much\"", "at_its_stop"},
            {"1023.0", "-5", "map"}
        }) {
            assertTrue(text.contains(change[0]), change[0] + " in " + text);
            UnreadableFile failed = assertThrows(
                    UnreadableFile.class,
                    () -> BuildReader.parse(Path.of("x"), text.replace(change[0], change[1]), Builds.CATALOG));
            assertTrue(
                    failed.problems().stream()
                            .anyMatch(problem -> problem.toString().contains(change[2])),
                    failed.problems().toString());
        }
    }

    @Test
    void whatItTakesAtItsStopIsItsPeakInPowerUntilItIsTakenBack() throws Exception {
        Build before = plain().build();
        // The class says 750 mA at the most.
        double classPeak = peak(before);
        Build after = kept(before);
        assertEquals(classPeak - 0.06, peak(after), 1e-9);
        var mode = Circuit.of(after, Builds.CATALOG).nodes().get(0).part("gate").orElseThrow().cls().modes().stream()
                .filter(one -> one.name().equals("peak"))
                .findFirst()
                .orElseThrow();
        assertEquals(Source.MEASURED, mode.current().source());
        Build back = after.backTo(before, AT);
        assertEquals(classPeak, peak(back), 1e-9);
        assertEquals(Optional.empty(), standing(back));
    }

    @Test
    void theBuildersOwnFigureGoesBeforeWhatWasMeasured() throws Exception {
        Build both = new SetFigure(Builds.NODE, "gate", "current/V+/peak", "900 mA").apply(kept(plain().build()));
        assertEquals(0.9, peak(both), 1e-9);
    }

    @Test
    void anotherPieceOrAnotherFeedOrPinMakesItStale() throws Exception {
        Build build = kept(plain().build());
        assertTrue(standing(build).isPresent());
        for (Build changed : List.of(
                new SetWire(Builds.NODE, Wire.placed(Builds.end("gate.SIG"), Builds.end("board.D10"))).apply(build),
                new Feed(Builds.NODE, "gate", "V+", Builds.end("board.5V")).apply(build),
                new Exchange(
                                Builds.NODE,
                                "gate",
                                Builds.CATALOG.find("servo-standard").orElseThrow())
                        .apply(build))) {
            assertFalse(standing(changed).isPresent());
            NodeCircuit node = Circuit.of(changed, Builds.CATALOG).nodes().get(0);
            assertTrue(node.tunings().stale(GATE, BenchKind.SERVO).isPresent(), "it is shown");
            assertTrue(node.part("gate").orElseThrow().cls().modes().stream()
                    .noneMatch(mode -> mode.current().source() == Source.MEASURED));
        }
        // Back where it was it holds again.
        Build moved =
                new SetWire(Builds.NODE, Wire.placed(Builds.end("gate.SIG"), Builds.end("board.D10"))).apply(build);
        Build back = new SetWire(Builds.NODE, Wire.placed(Builds.end("gate.SIG"), Builds.end("board.D9"))).apply(moved);
        assertTrue(standing(back).isPresent());
    }

    @Test
    void aPlaceBeyondAnEndIsToldAndHeldInsideByOnePress() throws Exception {
        Build build = plain().build();
        Tuning inside = ServoKept.tuning(draft(build));
        Build quiet = new Tune(GATE, inside, LogLine.By.TYPED, AT).apply(build);
        assertEquals(List.of(), Builds.of(Assessment.assess(quiet, Builds.CATALOG), "servo.out_of_range"));
        // Exactly at the end is allowed; half a step of the drive beyond it still rounds to it.
        Tuning exact = ServoKept.tuning(draft(build).place("open", 2380 * US));
        assertEquals(
                List.of(),
                Builds.of(
                        Assessment.assess(new Tune(GATE, exact, LogLine.By.TYPED, AT).apply(build), Builds.CATALOG),
                        "servo.out_of_range"));
        Tuning beyond = ServoKept.tuning(draft(build).place("open", 2381 * US).place("far", 2450 * US));
        Build out = new Tune(GATE, beyond, LogLine.By.TYPED, AT).apply(build);
        Finding finding = RuleKit.fires(out, "servo.out_of_range");
        assertEquals(2450 * US, RuleKit.si(finding, "pulse"), 1e-9);
        assertEquals(2380 * US, RuleKit.si(finding, "end"), 1e-9);
        RuleKit.everyWayOut(out, finding);
    }
}
