package inkel.core.loop;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

class BlocksRuleTest {
    private static final String CODE = "code.blocks";

    private static Builds with(Builds builds) {
        return builds.part("strip", "led-strip-60", "V+=board.5V").wire("strip.DIN", "board.D6");
    }

    private static Builds receiver(Builds builds) {
        return with(builds)
                .part("place", "positioning-receiver", "VCC=board.5V")
                .wire("place.TX", "board.D19");
    }

    @Test
    void aStripCostsBytesOfASerialPort() throws Exception {
        // Two bytes of ten bits at 9600 are 2.083 ms, and the strip stops interrupts for 1.8 ms; at 19200 they are
        // 1.042 ms.
        Builds big = receiver(Builds.on("board-big-5v"));
        RuleKit.quiet(big.setting("place", "baud", "9600"), CODE);
        Finding finding = RuleKit.firesAt(big.setting("place", "baud", "19200"), CODE, "place");
        assertEquals("code.blocks.bytes", finding.sentence().key());
        assertEquals(0.0018, RuleKit.si(finding, "holds"), 1e-12);
        assertEquals(20 / 19200.0, RuleKit.si(finding, "bears"), 1e-12);
        RuleKit.everyWayOut(big, CODE);
    }

    @Test
    void infraredIsNotHeardMeanwhile() throws Exception {
        Builds eye = with(Builds.classic())
                .part("ear", "infrared-receiver", "V+=board.5V")
                .wire("ear.OUT", "board.D2");
        assertEquals(
                "code.blocks.edges",
                RuleKit.firesAt(eye, CODE, "ear").sentence().key());
        RuleKit.everyWayOut(eye, CODE);
    }

    @Test
    void whatWaitsUntilOthersAreSilentStopsNothingOfTheirs() throws Exception {
        Builds eye = with(Builds.classic())
                .part("ear", "infrared-receiver", "V+=board.5V")
                .wire("ear.OUT", "board.D2");
        assertEquals(List.of("fix.blocks_waits", "fix.blocks_later"), titles(RuleKit.firesAt(eye, CODE, "ear")));
        RuleKit.quiet(eye.setting("strip", "sent", "between"), CODE);
        // A port that the other end speaks on by itself cannot be told to wait, nor can pulses that never stop.
        Builds spoken = Builds.classic()
                .part("ear", "infrared-receiver", "V+=board.5V")
                .wire("ear.OUT", "board.D2")
                .part("place", "positioning-receiver", "VCC=board.5V")
                .wire("place.TX", "board.D4");
        assertEquals(List.of("fix.blocks_later"), titles(RuleKit.firesAt(spoken, CODE, "ear")));
        RuleKit.firesAt(spoken.setting("place", "sent", "between"), CODE, "ear");
        Builds gate = with(Builds.classic())
                .setting("strip", "sent", "between")
                .part("gate", "servo-micro", "V+=board.5V")
                .wire("gate.SIG", "board.D9");
        assertEquals(List.of("fix.blocks_later"), titles(RuleKit.firesAt(gate, CODE, "gate")));
    }

    /** A byte of ten bits takes 1.042 ms at 9600 baud and 0.26 ms at 38400; an encoder bears 1 ms. */
    @Test
    void aFasterRateIsOverInTime() throws Exception {
        Builds robot = Builds.classic()
                .part("wheel", "encoder", "VCC=board.5V")
                .wire("wheel.CLK", "board.D2")
                .wire("wheel.DT", "board.D3")
                .part("phone", "bridge-bluetooth", "VCC=board.5V")
                .wire("phone.TXD", "board.D8")
                .wire("phone.RXD", "board.D9");
        Finding finding = RuleKit.firesAt(robot, CODE, "wheel");
        assertEquals(List.of("fix.baud", "fix.blocks_later"), titles(finding));
        assertEquals(
                "38400", finding.fixes().get(0).title().values().get("baud").toString());
        RuleKit.everyWayOut(robot, CODE);
        RuleKit.quiet(robot.setting("phone", "baud", "38400"), CODE);
    }

    private static List<String> titles(Finding finding) {
        return finding.fixes().stream().map(fix -> fix.title().key()).toList();
    }

    @Test
    void aServoTwitches() {
        Builds servo = with(Builds.classic())
                .part("gate", "servo-micro", "V+=board.5V")
                .wire("gate.SIG", "board.D9");
        assertEquals(
                "code.blocks.pulses",
                RuleKit.firesAt(servo, CODE, "gate").sentence().key());
    }

    @Test
    void aBoardThatSendsByHardwareStopsNothing() {
        RuleKit.quiet(
                with(Builds.dualCore())
                        .part("ear", "infrared-receiver", "V+=board.3V3")
                        .wire("ear.OUT", "board.G2"),
                CODE);
    }

    @Test
    void whatIsNotWiredLosesNothing() {
        RuleKit.quiet(with(Builds.classic()).part("ear", "infrared-receiver", "V+=board.5V"), CODE);
    }
}
