package inkel.core.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.PracticeBench;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.Layout;
import inkel.core.catalog.Pin;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.kit.Builds;
import inkel.core.quantity.Fact;
import inkel.core.wake.report.ReportPlan;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A sign that comes about only while other pins of the part are held. */
class DrivenSignTest {
    private static Builds wheels() {
        return Builds.classic()
                .part("pack", "wall-supply-6v")
                .part("driver", "motor-driver", "VM=pack.+", "VCC=board.5V")
                .wire("driver.PWMA", "board.D6")
                .wire("driver.AIN1", "board.D7")
                .wire("driver.AIN2", "board.D8");
    }

    @Test
    void aMotorTurnsOnlyWhileItsBridgeIsToldWhichWay() {
        NodeWake held = wake(wheels().wire("driver.STBY", "board.D4").build());
        Fact told = ((Expected.Seen) check(held, "sign driver turn PWMA").expected()).what();
        assertEquals("wake.driven.highs.lows", told.key());
        assertEquals(List.of("AIN1", "STBY"), told.values().get("highs"));
        assertEquals(List.of("AIN2"), told.values().get("lows"));
        ReportPlan.Act act = ReportPlan.of(held).acts().get(0);
        assertEquals("driver.PWMA", act.signal().toString());
        assertEquals(List.of("D7", "D4"), act.highs().stream().map(Pin::label).toList());
        assertEquals(List.of("D8"), act.lows().stream().map(Pin::label).toList());
        assertEquals(Optional.empty(), held.check("sign driver turn PWMB"), "nothing is wired to the other bridge");
    }

    @Test
    void whatIsTiedMeanwhileIsNotTheBoards() {
        NodeWake tied = wake(wheels().wire("driver.STBY", "board.5V").build());
        Fact told = ((Expected.Seen) check(tied, "sign driver turn PWMA").expected()).what();
        assertEquals(List.of("AIN1"), told.values().get("highs"));
        assertEquals(
                List.of("D7"),
                ReportPlan.of(tied).acts().get(0).highs().stream()
                        .map(Pin::label)
                        .toList());
        NodeWake relay = wake(Builds.classic()
                .part("relay", "relay-one", "VCC=board.5V")
                .wire("relay.IN", "board.D8")
                .build());
        assertEquals(
                "wake.driven",
                ((Expected.Seen) check(relay, "sign relay click IN").expected())
                        .what()
                        .key());
    }

    /** At 1.5 ms a servo that turns on and on stands still, and at 7.5 % of the time a motor hums. */
    @Test
    void whatTurnsOnAndOnGetsPulsesThatTurnIt() {
        NodeWake motor = wake(wheels().wire("driver.STBY", "board.D4").build());
        assertEquals(0.015, ReportPlan.of(motor).acts().get(0).width().seconds(), 0);
        for (String servo : List.of("servo-continuous", "servo-micro")) {
            NodeWake wake = wake(Builds.classic()
                    .part("servo", servo, "V+=board.5V")
                    .wire("servo.SIG", "board.D9")
                    .build());
            boolean isOn = servo.equals("servo-continuous");
            assertEquals(
                    isOn ? 0.0017 : 0.0015,
                    ReportPlan.of(wake).acts().get(0).width().seconds(),
                    0);
            Check sign = check(wake, "sign servo " + (isOn ? "turn" : "middle") + " SIG");
            Fact to = (Fact) ((Expected.Seen) sign.expected()).what().values().get("to");
            assertEquals(isOn ? "wake.to.pulses.of" : "wake.to.pulses", to.key());
        }
    }

    /** At half speed at once it would either not listen or run off. */
    @Test
    void aSpeedControllerIsToldToRest() {
        NodeWake wake = wake(Builds.classic()
                .part("pack", "battery-lithium-two")
                .part("drive", "speed-controller", "V+=pack.+")
                .wire("drive.SIG", "board.D9")
                .build());
        assertEquals(0.001, ReportPlan.of(wake).acts().get(0).width().seconds(), 0);
    }

    /** Without what tells which way, it does not turn. */
    @Test
    void onTheBenchItDoesNotTurnWithoutWhatIsHeldMeanwhile() {
        Build build = wheels().wire("driver.STBY", "board.D4").build();
        Check turns = check(wake(build), "sign driver turn PWMA");
        assertTrue(turns(build, Twist.NONE, turns));
        for (String pin : List.of("PWMA", "AIN1", "AIN2", "STBY")) {
            Twist cut = new Twist.Builder().cut(Builds.place("driver." + pin)).build();
            assertFalse(turns(build, cut, turns), pin);
        }
    }

    private static boolean turns(Build build, Twist twist, Check check) {
        Layout layout = Layout.of(Circuit.of(build, Builds.CATALOG));
        return new PracticeBench(layout.circuit(), layout.lists(), twist, Meter.USUAL, 1)
                .ask(check.asked())
                .filter(answer -> Answers.isWell(check, answer))
                .isPresent();
    }

    private static NodeWake wake(Build build) {
        return WakePlan.of(Circuit.of(build, Builds.CATALOG), Meter.USUAL)
                .node(Builds.NODE)
                .orElseThrow();
    }

    private static Check check(NodeWake wake, String id) {
        return wake.check(id).orElseThrow();
    }
}
