package inkel.core.remedy;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A motor on a table with a bridge: it is not switched, and not fed, but driven. */
class OnBridgeTest {
    private static Builds table() {
        return Builds.classic()
                .part("pack", "wall-supply-6v")
                .part("driver", "motor-driver", "VM=pack.+", "VCC=board.5V")
                .part("left", "motor-small");
    }

    private static Optional<Fix> onBridge(Finding finding) {
        return finding.fixes().stream()
                .filter(fix -> fix.id().equals("on-bridge"))
                .findFirst();
    }

    @Test
    void theFirstWayOutOfAMotorStraightOnAPin() throws Exception {
        Builds straight = table().wire("left.IN", "board.D4");
        Finding finding = RuleKit.fires(straight, "power.coil_drive");
        assertEquals("on-bridge", finding.fixes().get(0).id());
        Build after = finding.fixes().get(0).apply(straight.build());
        assertEquals(
                "motor-leads", after.nodes().get(0).part("left").orElseThrow().classId());
        assertEquals(
                List.of(new Endpoint("driver", "AO1"), new Endpoint("driver", "AO2")),
                after.nodes().get(0).wires().stream().map(wire -> wire.to()).toList());
        RuleKit.waysOut(straight, "power.coil_drive", "on-bridge", "driver");
    }

    @Test
    void itWantsNoSupplyOfItsOwnThen() throws Exception {
        Finding unfed = RuleKit.firesAt(table(), "parts.no_supply", "left");
        Fix fix = onBridge(unfed).orElseThrow();
        List<String> stops = Assessment.assess(fix.apply(table().build()), Builds.CATALOG).findings().stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .map(Finding::code)
                .filter(code -> !code.startsWith("pins."))
                .toList();
        assertEquals(List.of(), stops);
    }

    /** The driver has two bridges: the third motor gets none. */
    @Test
    void aBridgeDrivesOne() throws Exception {
        Builds three = table().part("right", "motor-leads")
                .wire("right.M+", "driver.AO1")
                .wire("right.M-", "driver.AO2");
        Fix second = onBridge(RuleKit.firesAt(three, "parts.no_supply", "left")).orElseThrow();
        assertTrue(second.apply(three.build()).nodes().get(0).wires().stream()
                .anyMatch(wire -> wire.to().equals(new Endpoint("driver", "BO2"))));
        Builds full =
                three.part("up", "motor-leads").wire("up.M+", "driver.BO1").wire("up.M-", "driver.BO2");
        assertEquals(Optional.empty(), onBridge(RuleKit.firesAt(full, "parts.no_supply", "left")));
    }

    /** A motor that stalls takes 800 mA: a supply of 1 A bears one, and no second. */
    @Test
    void aSupplyThatIsTooWeakForItIsNotTaken() {
        Builds one = table().part("right", "motor-leads")
                .wire("right.M+", "driver.AO1")
                .wire("right.M-", "driver.AO2");
        assertTrue(onBridge(RuleKit.firesAt(one, "parts.no_supply", "left")).isPresent());
        Builds weak = one.figure("pack", "rail/+/rating", "1 A");
        RuleKit.quiet(weak, "power.source_over");
        assertEquals(Optional.empty(), onBridge(RuleKit.firesAt(weak, "parts.no_supply", "left")));
    }

    @Test
    void withoutABridgeAndForWhatIsNoMotorThereIsNoSuchWay() {
        assertEquals(
                Optional.empty(),
                onBridge(RuleKit.firesAt(Builds.classic().part("left", "motor-small"), "parts.no_supply", "left")));
        assertEquals(
                Optional.empty(),
                onBridge(RuleKit.firesAt(table().part("valve", "valve-12v"), "parts.no_supply", "valve")));
    }
}
