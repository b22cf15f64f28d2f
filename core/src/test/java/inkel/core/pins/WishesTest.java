package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.remedy.Wishes;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** One signal more than a part needs, and one less. */
class WishesTest {
    /** A receiver of which channels 1 and 2 are needed, 3 to 6 are not. */
    private static Builds receiver() {
        return Builds.classic().part("rc", "rc-receiver", "V+=board.5V");
    }

    private static Node planned(Build build) throws Exception {
        return new Planner(build, CATALOG)
                .plan(Builds.NODE)
                .edit()
                .orElseThrow()
                .apply(build)
                .nodes()
                .get(0);
    }

    private static NodeCircuit circuit(Build build) {
        return Circuit.of(build, CATALOG).nodes().get(0);
    }

    private static Build want(Build build, String pin) throws Exception {
        Placed rc = circuit(build).part("rc").orElseThrow();
        return Edit.applyAll(
                build, Wishes.want(circuit(build), rc, rc.cls().pin(pin).orElseThrow()));
    }

    private static Build decline(Build build, String pin, String reason) throws Exception {
        Placed rc = circuit(build).part("rc").orElseThrow();
        return Edit.applyAll(
                build, Wishes.decline(circuit(build), rc, rc.cls().pin(pin).orElseThrow(), reason));
    }

    @Test
    void whatIsNotNeededIsPlacedOnlyWhenAskedFor() throws Exception {
        Build plain = receiver().build();
        assertTrue(planned(plain).wire(end("rc.CH3")).isEmpty());
        Build wanted = want(plain, "CH3");
        assertTrue(planned(wanted).wire(end("rc.CH3")).isPresent());
        assertTrue(planned(wanted).wire(end("rc.CH4")).isEmpty());
        assertEquals(plain, decline(wanted, "CH3", ""), "and back again");
    }

    @Test
    void whatWasAskedForAndHasNoPinIsMissed() throws Exception {
        Build wanted = want(receiver().build(), "CH3");
        assertEquals(List.of("rc.CH1", "rc.CH2", "rc.CH3"), new PinReportOf(wanted).loose());
    }

    private record PinReportOf(Build build) {
        List<String> loose() {
            return PinReport.of(Circuit.of(build, CATALOG)).nodes().get(0).loose().stream()
                    .map(Object::toString)
                    .sorted()
                    .toList();
        }
    }

    @Test
    void whatIsNeededIsDoneWithoutWithItsReason() throws Exception {
        Build less = decline(receiver().build(), "CH2", "one channel is enough (for now)");
        assertEquals(
                "CH2 (one channel is enough for now)",
                less.nodes()
                        .get(0)
                        .part("rc")
                        .orElseThrow()
                        .typed(Settings.DECLINED)
                        .orElseThrow());
        assertEquals(List.of("rc.CH1"), new PinReportOf(less).loose());
        assertTrue(planned(less).wire(end("rc.CH2")).isEmpty());
        assertTrue(planned(less).wire(end("rc.CH1")).isPresent());
        assertEquals(less, BuildReader.parse(Path.of("x"), BuildWriter.print(less), CATALOG));
        assertEquals(receiver().build(), want(less, "CH2"), "asked for again");
    }

    @Test
    void severalAreKeptEachWithItsOwnReason() throws Exception {
        Build less = decline(decline(receiver().build(), "CH2", "later, when it swims"), "CH1", "");
        Placed rc = circuit(less).part("rc").orElseThrow();
        assertEquals(
                Map.of("CH2", "later, when it swims", "CH1", ""),
                rc.own(Settings.DECLINED).orElseThrow());
    }

    @Test
    void doingWithoutTakesTheWireOff() throws Exception {
        Build wired = receiver().wire("rc.CH1", "board.D2").build();
        assertTrue(decline(wired, "CH1", "").nodes().get(0).wire(end("rc.CH1")).isEmpty());
    }

    @Test
    void everyMissingPinMayBeDoneWithout() throws Exception {
        Builds build = Builds.classic().part("handset", "infrared-receiver", "VS=board.5V");
        Finding finding = RuleKit.fires(build, "pins.not_placed");
        assertEquals(
                "without-handset.OUT",
                finding.fixes().get(finding.fixes().size() - 1).id());
        RuleKit.waysOut(
                build,
                "pins.not_placed",
                "move-handset.OUT-to-board.D8",
                "move-handset.OUT-to-board.D7",
                "move-handset.OUT-to-board.D4",
                "without-handset.OUT");
    }

    @Test
    void whatCannotBeReadIsRefused() {
        var cls = CATALOG.get("rc-receiver");
        assertTrue(Settings.DECLINED.read(cls, "CH2").isPresent());
        assertTrue(Settings.DECLINED.read(cls, "CH2 (why), CH1").isPresent());
        for (String wrong : List.of("", "CH9", "CH2 (why", "CH2 why", "(why)", "CH2 (a) (b)")) {
            assertFalse(Settings.DECLINED.read(cls, wrong).isPresent(), wrong);
        }
    }

    /** What is held high for good goes to the part's own rail, and to no pin of the board as long as that is not known. */
    @Test
    void whatIsTiedToItsSupplyWaitsForIt() throws Exception {
        Builds unfed = Builds.classic().part("driver", "stepper-driver-step");
        Plan plan = new Planner(unfed.build(), CATALOG).plan(Builds.NODE);
        assertTrue(plan.wires().stream()
                .noneMatch(wire ->
                        wire.from().equals(end("driver.SLP")) || wire.from().equals(end("driver.RST"))));
        assertTrue(unfed.findings("pins.input_floats").stream()
                .noneMatch(finding -> finding.place().pin().equals("SLP")));
        Builds fed = Builds.classic().part("driver", "stepper-driver-step", "VDD=board.5V");
        assertEquals(
                2,
                fed.findings("pins.input_floats").stream()
                        .flatMap(finding -> finding.places().stream())
                        .filter(place ->
                                place.pin().equals("SLP") || place.pin().equals("RST"))
                        .count());
        assertEquals(
                end("board.5V"),
                new Planner(fed.build(), CATALOG)
                        .plan(Builds.NODE).wires().stream()
                                .filter(wire -> wire.from().equals(end("driver.SLP")))
                                .findFirst()
                                .orElseThrow()
                                .to());
    }
}
