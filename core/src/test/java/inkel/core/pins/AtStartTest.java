package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** D12 must be low or the board does not start, D2 must be low for a new program, D5 and D15 may be anything. */
class AtStartTest {
    private static final String CODE = "pins.boot_strap";

    private static Builds wireless() {
        return Builds.powered(Builds.CATALOG.get("board-wireless-3v3"));
    }

    private static Builds select(String pin) {
        return wireless()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .setting("radio", "select_pull_up", "10 kΩ")
                .wire("radio.CSN", "board." + pin);
    }

    @Test
    void aPullUpKeepsItFromStarting() throws Exception {
        Finding finding = RuleKit.fires(select("D12"), CODE);
        assertEquals("pins.boot_strap.stops", finding.sentence().key());
        assertEquals(Severity.STOP, finding.severity());
        RuleKit.everyWayOut(select("D12"), CODE);
    }

    /** D12 is low at the start by itself, and a contact leaves it alone; a resistor beside its wire does not. */
    @Test
    void aResistorBesideAWirePullsAtTheStart() {
        Builds tilt = wireless().part("tilt", "tilt-switch").wire("tilt.A", "board.D12");
        RuleKit.quiet(tilt, CODE);
        Finding finding = RuleKit.fires(
                tilt.between(new Between.PulledUp(Builds.end("tilt.A"), Resistance.ofOhms(10e3), Extras.NONE)), CODE);
        assertEquals("pins.boot_strap.stops", finding.sentence().key());
    }

    /** D12 has to be low at the start: what is closed to a supply then holds it high, and a resistor to ground helps. */
    @Test
    void aContactToASupplyHoldsHighWhileItIsClosed() throws Exception {
        Builds key = wireless()
                .part("key", "button", "B=board.3V3")
                .wire("key.A", "board.D12")
                .between(new Between.PulledDown(Builds.end("key.A"), Resistance.ofOhms(10e3), Extras.NONE));
        Finding finding = RuleKit.fires(key, CODE);
        assertEquals("pins.boot_strap.while_closed_high", finding.sentence().key());
        assertEquals(Severity.LOOK, finding.severity());
        RuleKit.everyWayOut(key, CODE);
    }

    /** D3 of the small wireless board has to be high at the start, by a resistor of its own. */
    @Test
    void aResistorToGroundKeepsItFromStarting() throws Exception {
        Builds relay = Builds.powered(Builds.CATALOG.get("board-single-core-3v3"))
                .part("relay", "relay-one", "VCC=board.5V")
                .wire("relay.IN", "board.D3");
        RuleKit.quiet(relay, CODE);
        Builds held = Builds.powered(Builds.CATALOG.get("board-single-core-3v3"))
                .part("relay", "relay-one", "VCC=board.5V")
                .wire("relay.IN", "board.D3")
                .between(new Between.PulledDown(Builds.end("relay.IN"), Resistance.ofOhms(10e3), Extras.NONE));
        Finding finding = RuleKit.fires(held, CODE);
        assertEquals("pins.boot_strap.stops_low", finding.sentence().key());
        assertEquals(Severity.STOP, finding.severity());
        RuleKit.everyWayOut(held, CODE);
    }

    @Test
    void aPullUpKeepsANewProgramOut() {
        Finding finding = RuleKit.fires(select("D2"), CODE);
        assertEquals("pins.boot_strap.keeps_out", finding.sentence().key());
        assertEquals(Severity.LOOK, finding.severity());
    }

    @ParameterizedTest
    @CsvSource({"D5", "D15", "D13"})
    void elsewhereItDoesNoHarm(String pin) {
        RuleKit.quiet(select(pin), CODE);
    }

    @ParameterizedTest
    @CsvSource({"D12", "D2", "D15"})
    void aButtonIsOpenThen(String pin) {
        RuleKit.quiet(wireless().part("button", "button").wire("button.A", "board." + pin), CODE);
    }

    private static Builds single() {
        return Builds.powered(Builds.CATALOG.get("board-single-core-3v3"));
    }

    /** D3 and D4 are read, and must be high; D8 must be low. */
    @ParameterizedTest
    @CsvSource({"button, A, D3", "contact-reed, A, D4", "joystick, SW, D3"})
    void aContactThatIsClosedThenKeepsItFromStarting(String cls, String signal, String pin) throws Exception {
        Builds closed = single().part("contact", cls).wire("contact." + signal, "board." + pin);
        Finding finding = RuleKit.fires(closed, CODE);
        assertEquals("pins.boot_strap.while_closed", finding.sentence().key());
        assertEquals(Severity.LOOK, finding.severity());
        RuleKit.everyWayOut(closed, CODE);
    }

    @ParameterizedTest
    @CsvSource({"button, A, D8", "button, A, D5", "keypad-16, C1, D3", "packet-radio, CE, D3"})
    void whatClosesNothingToGroundThereDoesNot(String cls, String signal, String pin) {
        RuleKit.quiet(single().part("contact", cls).wire("contact." + signal, "board." + pin), CODE);
    }

    @Test
    void whatIsDrivenIsNotKnown() {
        Finding finding = RuleKit.fires(
                wireless().part("rc", "rc-receiver", "V+=board.VIN").wire("rc.CH1", "board.D12"), CODE);
        assertEquals("pins.boot_strap", finding.sentence().key());
        assertEquals(Severity.LOOK, finding.severity());
    }

    @Test
    void whatIsLetGoIsNotHeld() {
        Builds reader = wireless().part("reader", "tag-reader-spi", "3.3V=board.3V3");
        RuleKit.quiet(reader.wire("reader.MISO", "board.D12"), CODE);
    }

    @Test
    void whatHoldsMisoIsNot() {
        Builds card = wireless().part("card", "memory-card-5v", "VCC=board.3V3");
        RuleKit.fires(card.wire("card.MISO", "board.D12"), CODE);
    }
}
