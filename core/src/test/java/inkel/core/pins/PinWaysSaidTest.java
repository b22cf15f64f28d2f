package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Habit;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Source;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Which ways out findings about pins have, and what they say. */
class PinWaysSaidTest {
    private static final String JITTER = "pwm.software_jitter";

    private static Builds servoAt(String pin) {
        return Builds.classic()
                .part("servo", "servo-micro", "V+=board.5V")
                .setting("servo", "claims", "none")
                .wire("servo.SIG", "board." + pin);
    }

    private static List<String> ids(Finding finding) {
        return finding.fixes().stream().map(Fix::id).toList();
    }

    @Test
    void pulsesThatWanderGoToATimerOrADriver() throws Exception {
        // The classic board's timers 1 and 2 make pulses at D9 to D11; timer 0, of D5 and D6, keeps the time.
        Finding finding = RuleKit.firesAt(servoAt("D7"), JITTER, "servo.SIG");
        RuleKit.waysOut(
                servoAt("D7"),
                JITTER,
                "move-servo.SIG-to-board.D9",
                "move-servo.SIG-to-board.D11",
                "move-servo.SIG-to-board.D10",
                "add-servo-driver-16");
        assertEquals(Severity.LOOK, finding.severity());
        // 8 µs of pulses from 0.5 to 2.5 ms.
        assertEquals(8e-6, RuleKit.si(finding, "jitter"), 1e-12);
        assertEquals(2e-3, RuleKit.si(finding, "pulse_range"), 1e-12);
        assertEquals(0.004, RuleKit.si(finding, "wander"), 1e-12);
        RuleKit.quiet(servoAt("D9"), JITTER);
    }

    @Test
    void aTimerThatIsKeptAtAnotherRateIsNoWayOut() {
        // The code for a handset has timer 2, of D11 and D3.
        Builds heard =
                servoAt("D7").part("ear", "infrared-receiver", "VS=board.5V").wire("ear.OUT", "board.D2");
        List<String> ids = ids(RuleKit.firesAt(heard, JITTER, "servo.SIG"));
        assertTrue(ids.contains("move-servo.SIG-to-board.D9"), () -> "" + ids);
        assertTrue(ids.stream().noneMatch(id -> id.endsWith("board.D11") || id.endsWith("board.D3")), () -> "" + ids);
    }

    @Test
    void aServoThatIsLetGoWandersOnlyWhileItMoves() {
        Finding finding = RuleKit.fires(servoAt("D7").habit(Habit.SERVO_REST, Habit.ServoRest.RELEASE), JITTER);
        assertEquals(Severity.NOTE, finding.severity());
    }

    @Test
    void onAComputerItWandersMore() throws Exception {
        // 100 µs of 2 ms; GPIO12, 13, 18 and 19 have pulses of their own.
        Builds computer = Builds.on("computer-40pin")
                .part("servo", "servo-micro", "V+=board.5V")
                .wire("servo.SIG", "board.GPIO22");
        Finding finding = RuleKit.fires(computer, JITTER);
        assertEquals(0.05, RuleKit.si(finding, "wander"), 1e-12);
        List<String> ids = ids(finding);
        assertEquals("add-servo-driver-16", ids.get(ids.size() - 1));
        assertTrue(
                ids.subList(0, ids.size() - 1).stream()
                        .allMatch(id -> id.matches("move-servo.SIG-to-board.GPIO1[2389]")),
                () -> "" + ids);
        RuleKit.everyWayOut(computer, JITTER);
    }

    @Test
    void anInputThatFloatsIsTiedBeforeAPinIsSpent() throws Exception {
        Builds buffer =
                Builds.classic().part("buffer", "buffer-8", "VCC=board.3V3").wire("buffer.OE2", "board.GND");
        Finding finding = RuleKit.firesAt(buffer, "pins.input_floats", "buffer.OE1");
        Fix tie = finding.fixes().get(0);
        assertEquals("tie-buffer.OE1", tie.id());
        assertEquals("fix.tie_to_ground", tie.title().key());
        assertEquals("GND", tie.title().values().get("rail"));
        assertEquals(4, finding.fixes().size());
        assertTrue(
                ids(finding).subList(1, 4).stream().allMatch(id -> id.startsWith("move-buffer.OE1-to-board.D")),
                () -> "" + ids(finding));
        RuleKit.everyWayOut(buffer.build(), finding);
    }

    /** Both enables of a buffer to ground are one thing to do; a sleep and a reset go to the supply, an enable to ground. */
    @Test
    void inputsOfOnePartThatAreTiedAlikeAreToldTogether() throws Exception {
        Builds buffer = Builds.classic().part("buffer", "buffer-8", "VCC=board.3V3");
        Finding both = RuleKit.fires(buffer, "pins.input_floats");
        assertEquals("pins.input_floats.several", both.sentence().key());
        assertEquals(List.of("OE1", "OE2"), both.sentence().values().get("signal"));
        Fix tie = RuleKit.way(both, "tie-buffer.OE1");
        assertEquals(2, tie.edits().size());
        RuleKit.everyWayOut(buffer.build(), both);
        Builds driver = Builds.classic().part("driver", "stepper-driver-step", "VDD=board.5V");
        assertEquals(
                List.of(List.of("RST", "SLP")),
                driver.findings("pins.input_floats").stream()
                        .filter(finding -> finding.places().size() > 1)
                        .map(finding ->
                                finding.places().stream().map(Place::pin).toList())
                        .toList());
        RuleKit.everyWayOut(driver.build(), driver.findings("pins.input_floats").get(1));
    }

    @Test
    void whatNeedsPulsesGoesWhereTheyAreOrOnADriver() throws Exception {
        Builds motor =
                Builds.classic().part("motor", "motor-driver", "VCC=board.5V").wire("motor.PWMA", "board.D7");
        RuleKit.waysOut(
                motor,
                "pwm.no_pwm",
                "move-motor.PWMA-to-board.D9",
                "move-motor.PWMA-to-board.D6",
                "move-motor.PWMA-to-board.D5",
                "add-servo-driver-16");
    }

    @Test
    void ofTwoThatDriveOnePinTheOneThatIsFreeMoves() throws Exception {
        Builds both = Builds.classic()
                .part("a", "motion-detector", "VCC=board.5V")
                .part("b", "motion-detector", "VCC=board.5V");
        Builds held = both.hold("a.OUT", "board.D4").wire("b.OUT", "board.D4");
        Finding finding = RuleKit.fires(held, "pins.two_drivers");
        assertTrue(
                ids(finding).stream().allMatch(id -> id.startsWith("move-b.OUT-to-board.")), () -> "" + ids(finding));
        assertEquals(3, finding.fixes().size());
        assertTrue(finding.sentence().values().get("other").toString().contains("part=a"));
        RuleKit.everyWayOut(held, "pins.two_drivers");
    }

    @Test
    void whoHoldsTheWireOfOthersGetsABusOfItsOwnOrIsLeftOut() throws Exception {
        Builds shared = Builds.dualCore()
                .part("card", "memory-card-5v", "VCC=board.VBUS")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .wire("card.SCK", "board.GP18")
                .wire("card.MISO", "board.GP16")
                .wire("card.MOSI", "board.GP19")
                .wire("card.CS", "board.GP17")
                .wire("reader.SCK", "board.GP18")
                .wire("reader.MISO", "board.GP16")
                .wire("reader.MOSI", "board.GP19")
                .wire("reader.SDA", "board.GP20")
                .wire("reader.RST", "board.GP21");
        Finding finding = RuleKit.fires(shared, "spi.miso_held");
        assertEquals("card", finding.place().part());
        assertEquals(List.of("reader"), finding.sentence().values().get("others"));
        assertEquals(List.of("own-bus", "leave-out-card"), ids(finding));
        RuleKit.everyWayOut(shared, "spi.miso_held");
    }

    @Test
    void aSelectThatNothingDrivesIsPlaced() throws Exception {
        Builds shared = Builds.dualCore()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .wire("radio.SCK", "board.GP18")
                .wire("radio.MISO", "board.GP16")
                .wire("radio.MOSI", "board.GP19")
                .wire("radio.CSN", "board.GP17")
                .wire("radio.CE", "board.GP20")
                .wire("reader.SCK", "board.GP18")
                .wire("reader.MISO", "board.GP16")
                .wire("reader.MOSI", "board.GP19")
                .wire("reader.RST", "board.GP21");
        Finding finding = RuleKit.fires(shared, "spi.no_select");
        List<String> ids = ids(finding);
        assertEquals("leave-out-reader", ids.get(ids.size() - 1));
        assertTrue(
                ids.subList(0, ids.size() - 1).stream().allMatch(id -> id.startsWith("move-reader.SDA-to-board.GP")),
                () -> "" + ids);
        RuleKit.everyWayOut(shared, "spi.no_select");
    }

    @Test
    void aSignalTooQuickForItsConverterIsReadLessOrElsewhere() throws Exception {
        // 860 readings a second over three channels, ten a period: 28.67 Hz, rounded down to tenths.
        Builds tilt = Builds.classic()
                .part("adc", "adc-16", "VDD=board.5V")
                .part("tilt", "accelerometer-analog", "VCC=board.3V3")
                .wire("tilt.X", "adc.A0")
                .wire("tilt.Y", "adc.A1")
                .wire("tilt.Z", "adc.A2");
        Finding finding = RuleKit.firesAt(tilt, "adc.rate_low", "tilt.X");
        assertEquals(3L, finding.sentence().values().get("channels"));
        Fix slower = RuleKit.way(finding, "slower-tilt.X");
        assertEquals(28.6, ((Frequency) slower.title().values().get("up_to")).hertz(), 1e-9);
        assertTrue(ids(finding).stream().noneMatch(id -> id.contains("-to-adc.")), () -> "" + ids(finding));
        assertEquals(Source.CLASS, upTo(finding));
        assertEquals(
                Source.YOURS, upTo(RuleKit.firesAt(tilt.setting("tilt", "up_to", "60 Hz"), "adc.rate_low", "tilt.X")));
    }

    private static Source upTo(Finding finding) {
        return finding.evidence().stream()
                .filter(evidence -> evidence.key().equals("up_to"))
                .findFirst()
                .orElseThrow()
                .source();
    }

    @Test
    void aPinOfADriverIsLeftForOneThatNoDriverHas() {
        Builds press = Builds.on("computer-40pin")
                .part("tags", "tag-reader-spi", "3.3V=board.3V3")
                .part("press", "button")
                .wire("tags.SCK", "board.GPIO11")
                .wire("tags.MOSI", "board.GPIO10")
                .wire("tags.MISO", "board.GPIO9")
                .wire("tags.SDA", "board.GPIO7")
                .wire("press.A", "board.GPIO8");
        List<String> ids = ids(RuleKit.fires(press, "pins.driver_pin"));
        assertEquals(3, ids.size());
        assertTrue(
                ids.stream().allMatch(id -> id.startsWith("move-press.A-to-board.GPIO") && !id.endsWith("GPIO8")),
                () -> "" + ids);
    }

    @Test
    void twoServosOnOneChannelPart() throws Exception {
        // GP0 and GP16 are channel A of slice 0, GP2 and GP18 channel A of slice 1.
        Builds three = Builds.dualCore()
                .part("one", "servo-micro", "V+=board.VBUS")
                .part("two", "servo-micro", "V+=board.VBUS")
                .part("three", "servo-micro", "V+=board.VBUS")
                .wire("one.SIG", "board.GP0")
                .wire("two.SIG", "board.GP16")
                .wire("three.SIG", "board.GP2");
        Finding finding = RuleKit.fires(three, "pwm.timer_clash");
        assertEquals("pwm.timer_clash.channel", finding.sentence().key());
        assertEquals("GP0", finding.sentence().values().get("other_pin"));
        assertEquals("one", finding.sentence().values().get("other"));
        List<String> ids = ids(finding);
        assertEquals(3, ids.size());
        assertTrue(
                ids.stream().noneMatch(id -> id.endsWith(".GP18") || id.endsWith(".GP16") || id.endsWith(".GP0")),
                () -> "" + ids);
        RuleKit.everyWayOut(three, "pwm.timer_clash");
    }
}
