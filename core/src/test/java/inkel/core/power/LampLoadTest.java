package inkel.core.power;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What lamps on pins take, where that comes from, and what pins bear of it. */
class LampLoadTest {
    private static final String CODE = "power.pin_current";

    private static Between ohms(String signal, double ohms) {
        return new Between.Series(end(signal), Resistance.ofOhms(ohms), Extras.NONE);
    }

    private static Builds anode(String rail, double red, double others) {
        return Builds.dualCore()
                .part("bench", "wall-supply-5v")
                .part("lamp", "rgb-led-anode", "A=" + rail)
                .wire("lamp.R", "board.GP2")
                .wire("lamp.G", "board.GP3")
                .wire("lamp.B", "board.GP4")
                .between(ohms("lamp.R", red))
                .between(ohms("lamp.G", others))
                .between(ohms("lamp.B", others));
    }

    private static Rail rail(Builds build, String rail) {
        return build.circuit().rail(end(rail)).orElseThrow();
    }

    @Test
    void aLampToGroundTakesFromTheRailOfItsPin() {
        // (5.25 − 1.8) V / 330 Ω.
        Builds build =
                Builds.classic().part("lamp", "led").wire("lamp.A", "board.D7").between(ohms("lamp.A", 330));
        Builds without = Builds.classic();
        assertEquals(
                3.45 / 330,
                rail(build, "usb.5V").peak().amperes()
                        - rail(without, "usb.5V").peak().amperes(),
                1e-9);
        assertEquals(1, rail(build, "board.5V").lamps().size());
    }

    @Test
    void aLampToASupplyTakesFromThat() {
        // 3.45/150 + 2 · 2.65/82 at 5.25 V: 88 mA.
        Builds build = anode("bench.+", 150, 82);
        assertEquals(3.45 / 150 + 2 * 2.65 / 82, rail(build, "bench.+").peak().amperes(), 1e-9);
    }

    @Test
    void whatAPinTakesCountsTheSupplyOfTheLamp() {
        // 23, 32 and 32 mA into pins that may take 12 mA.
        assertEquals(
                3,
                anode("bench.+", 150, 82).findings(CODE).stream()
                        .filter(finding -> finding.sentence().key().equals(CODE))
                        .count());
    }

    @Test
    void aLampToAHigherSupplyNeverGoesOut() throws Exception {
        // 5.25 − (3.2 − 0.1) V = 2.15 V at the worst, 5.1 − 3.2 = 1.9 V usually; red glows from 1.8 V, usually from 2
        // V.
        Finding finding = RuleKit.firesAt(anode("bench.+", 470, 470), CODE, "lamp.R");
        assertEquals("power.pin_current.never_off", finding.sentence().key());
        assertEquals(Severity.LOOK, finding.severity());
        assertEquals(2.15, finding.evidence().get(0).value().si(), 1e-9);
        RuleKit.everyWayOut(anode("bench.+", 470, 470).build(), finding);
        assertEquals(1, anode("bench.+", 470, 470).findings(CODE).size(), "green and blue go out");
        RuleKit.quiet(anode("board.3V3", 470, 470), CODE);
    }

    @Test
    void twelveVoltsNeverGoOutAtAll() {
        Builds build = Builds.classic()
                .part("wall", "wall-supply-12v")
                .part("lamp", "rgb-led-anode", "A=wall.+")
                .wire("lamp.R", "board.D9")
                .between(ohms("lamp.R", 1000));
        Finding finding = RuleKit.firesAt(build, CODE, "lamp.R");
        assertEquals(Severity.STOP, finding.severity());
    }

    @Test
    void anExpanderTakesButHardlyGives() {
        Builds toGround = Builds.classic()
                .part("more", "port-expander", "VCC=board.5V")
                .part("lamp", "led")
                .wire("lamp.A", "more.P0")
                .between(ohms("lamp.A", 680));
        Finding finding = RuleKit.firesAt(toGround, CODE, "lamp.A");
        assertEquals("power.pin_current.dark", finding.sentence().key());
        Builds toSupply = Builds.classic()
                .part("more", "port-expander", "VCC=board.5V")
                .part("lamp", "rgb-led-anode", "A=board.5V")
                .wire("lamp.R", "more.P0")
                .between(ohms("lamp.R", 680));
        RuleKit.quiet(toSupply, CODE);
    }

    @Test
    void aChannelOfADriverLightsALamp() {
        Builds build = Builds.classic()
                .part("driver", "servo-driver-16", "VCC=board.5V", "V+=board.5V")
                .part("lamp", "led")
                .wire("lamp.A", "driver.CH0");
        RuleKit.quiet(build, "pins.no_role");
        assertEquals(
                "power.pin_current.no_resistor",
                RuleKit.firesAt(build, CODE, "lamp.A").sentence().key());
        RuleKit.quiet(build.between(ohms("lamp.A", 470)), CODE);
    }

    @Test
    void aBacklightIsMoreThanAPinGives() throws Exception {
        Builds build = Builds.dualCore()
                .part("screen", "display-colour", "VCC=board.3V3")
                .wire("screen.BLK", "board.GP2");
        Finding finding = RuleKit.firesAt(build, CODE, "screen.BLK");
        assertEquals("power.pin_current.lamp", finding.sentence().key());
        RuleKit.everyWayOut(build.build(), finding);
    }

    private static Builds coil(double base) {
        return Builds.classic()
                .part("relay", "relay-coil", "V+=board.5V")
                .wire("relay.IN", "board.D7")
                .between(new Between.CoilDriver(end("relay.IN"), Resistance.ofOhms(base), Extras.NONE));
    }

    /** 80 mA want 4 mA at the base; the pin gives at least 4.45 V and may give 20 mA. */
    @Test
    void aBaseResistorMayBeTooSmallOrTooLarge() throws Exception {
        Finding small = RuleKit.fires(coil(100), "power.coil_drive");
        assertEquals("power.coil_drive.base_small", small.sentence().key());
        RuleKit.everyWayOut(coil(100), "power.coil_drive");
        RuleKit.quiet(coil(820), "power.coil_drive");
        // (4.45 − 0.7) V / 2.2 kΩ = 1.7 mA: a forty-seventh of 80 mA.
        assertEquals(
                Severity.LOOK, RuleKit.fires(coil(2200), "power.coil_drive").severity());
        Finding large = RuleKit.fires(coil(100_000), "power.coil_drive");
        assertEquals("power.coil_drive.base_large", large.sentence().key());
        assertEquals(Severity.STOP, large.severity());
        RuleKit.everyWayOut(coil(100_000), "power.coil_drive");
        assertTrue(large.evidence().stream().anyMatch(evidence -> evidence.key().equals("base")));
    }

    /**
     * 200 mA want 10 mA at the base, and this pin may give 12 mA. At its highest of 3.4 V it gives (3.4 − 0.7) V / 12 mA through
     * 225 Ω, sold as 270 Ω; less would overload it.
     */
    @Test
    void theBaseResistorKeepsThePinWithinWhatItMayGive() throws Exception {
        Builds motor = Builds.on("board-single-core-3v3")
                .part("motor", "motor-small", "V+=board.VIN")
                .wire("motor.IN", "board.D5");
        Finding finding = RuleKit.fires(motor, "power.coil_drive");
        Build after = finding.fixes().get(0).apply(motor.build());
        assertEquals(
                Resistance.ofOhms(270),
                ((Between.CoilDriver)
                                after.nodes().get(0).between(end("motor.IN")).orElseThrow())
                        .base());
        RuleKit.waysOut(motor, "power.coil_drive", "driver");
    }

    /** 1 A at a thirtieth of it would want 33 mA, and the pin may give 20 mA. */
    @Test
    void whatASmallTransistorDoesNotCarryIsSwitchedByABoard() throws Exception {
        Builds lock = Builds.on("board-wireless-3v3")
                .part("wall", "wall-supply-12v")
                .part("lock", "solenoid", "V+=wall.+")
                .wire("lock.IN", "board.D18");
        Finding finding = RuleKit.fires(lock, "power.coil_drive");
        assertEquals(
                List.of("switch-board"), finding.fixes().stream().map(Fix::id).toList());
        RuleKit.waysOut(lock, "power.coil_drive", "switch-board");
        Build after = finding.fixes().get(0).apply(lock.build());
        Circuit circuit = Circuit.of(after, Builds.CATALOG);
        assertEquals(
                1.0001,
                circuit.nodes().get(0).rail(end("wall.+")).orElseThrow().peak().amperes(),
                1e-9,
                "the solenoid, and 0.1 mA of the board itself");
        assertEquals(
                Optional.of(end("board.D18")),
                after.nodes().get(0).wire(end("switch-transistor.SIG")).map(wire -> wire.to()));
        assertEquals(
                List.of(),
                Assessment.assess(after, Builds.CATALOG).findings().stream()
                        .filter(found -> found.severity() == Severity.STOP)
                        .map(Finding::code)
                        .toList());
    }

    /** A transistor that stands there goes with the wire, what the builder held stays held, and a motor counts as it starts. */
    @Test
    void theSwitchingBoardTakesOverWhatTheBuilderSaid() throws Exception {
        Builds lock = Builds.on("board-wireless-3v3")
                .part("wall", "wall-supply-12v")
                .part("lock", "solenoid", "V+=wall.+")
                .hold("lock.IN", "board.D18")
                .between(new Between.CoilDriver(end("lock.IN"), Resistance.ofOhms(100), Extras.NONE));
        Finding small = RuleKit.fires(lock, "power.coil_drive");
        Build after = small.fixes().get(small.fixes().size() - 1).apply(lock.build());
        assertTrue(after.nodes()
                .get(0)
                .wire(end("switch-transistor.SIG"))
                .orElseThrow()
                .held());
        assertEquals(List.of(), after.nodes().get(0).between());
        RuleKit.waysOut(lock, "power.coil_drive", "switch-board");
        Builds motor = Builds.classic()
                .part("wall", "wall-supply-6v")
                .part("motor", "motor-small", "V+=wall.+")
                .wire("motor.IN", "board.D9");
        Fix board = RuleKit.fires(motor, "power.coil_drive").fixes().stream()
                .filter(fix -> fix.id().equals("switch-board"))
                .findFirst()
                .orElseThrow();
        assertEquals("1 A", board.cost().values().get("current").toString());
    }
}
