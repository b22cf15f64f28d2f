package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Two wirings that were found apart use one pin twice, which no pin complains of. */
class SharedPinTest {
    private static final String CODE = "pins.shared_pin";

    private static Builds relayAndBuzzer() {
        return Builds.classic().part("relay", "relay-one", "VCC=board.5V").part("buzzer", "buzzer", "VCC=board.5V");
    }

    @Test
    void twoPartsFollowOnePin() throws Exception {
        Builds both = relayAndBuzzer().wire("relay.IN", "board.D8").wire("buzzer.S", "board.D8");
        Finding finding = RuleKit.fires(both, CODE);
        assertEquals("pins.shared_pin", finding.sentence().key());
        assertEquals(List.of("D8"), finding.sentence().values().get("pins"));
        RuleKit.everyWayOut(both, CODE);
        RuleKit.quiet(relayAndBuzzer().wire("relay.IN", "board.D8").wire("buzzer.S", "board.D7"), CODE);
    }

    /** Whoever means it holds both; one that is held for another reason says nothing of the other. */
    @Test
    void whatIsHeldThereIsMeant() {
        RuleKit.fires(relayAndBuzzer().hold("relay.IN", "board.D8").wire("buzzer.S", "board.D8"), CODE);
        RuleKit.quiet(relayAndBuzzer().hold("relay.IN", "board.D8").hold("buzzer.S", "board.D8"), CODE);
    }

    /** A display's data lines on the pins of three relays: one thing to say, and each gets a pin of its own. */
    @Test
    void severalPinsOfTheSamePartsAreOneThing() throws Exception {
        Builds both = Builds.classic()
                .part("lcd", "display-2x16-parallel", "VDD=board.5V", "A=board.5V")
                .part("relays", "relay-three", "VCC=board.5V")
                .wire("lcd.RS", "board.D12")
                .wire("lcd.E", "board.D11")
                .wire("lcd.D4", "board.D5")
                .wire("lcd.D5", "board.D4")
                .wire("lcd.D6", "board.D3")
                .wire("lcd.D7", "board.D2")
                .wire("relays.IN1", "board.D2")
                .wire("relays.IN2", "board.D3")
                .wire("relays.IN3", "board.D4");
        Finding finding = RuleKit.fires(both, CODE);
        assertEquals("pins.shared_pin.several", finding.sentence().key());
        assertEquals(List.of("D4", "D3", "D2"), finding.sentence().values().get("pins"));
        RuleKit.everyWayOut(both, CODE);
        assertEquals(
                List.of("apart", "together"),
                both.findings(CODE).get(0).fixes().stream().map(Fix::id).toList());
    }

    @Test
    void twoContactsOnOnePinAreReadAsOne() throws Exception {
        Builds both = Builds.classic()
                .part("door", "contact-reed")
                .part("bell", "button")
                .wire("door.A", "board.D2")
                .wire("bell.A", "board.D2");
        assertEquals(
                "pins.shared_pin.read", RuleKit.fires(both, CODE).sentence().key());
        RuleKit.everyWayOut(both, CODE);
    }

    /** Of three, all but one are moved: moving one would leave two. */
    @Test
    void ofThreeTwoAreMoved() throws Exception {
        Builds three = Builds.classic()
                .part("one", "button")
                .part("two", "button")
                .part("three", "button")
                .wire("one.A", "board.A0")
                .hold("two.A", "board.A0")
                .wire("three.A", "board.A0");
        RuleKit.everyWayOut(three, CODE);
        Fix apart = RuleKit.way(three.findings(CODE).get(0), "apart");
        assertEquals(List.of("one", "three"), apart.title().values().get("parts"));
        // What is held stays, however many that are.
        Builds heldTwice = Builds.classic()
                .part("one", "button")
                .part("two", "button")
                .part("three", "button")
                .hold("one.A", "board.A0")
                .hold("two.A", "board.A0")
                .wire("three.A", "board.A0");
        RuleKit.everyWayOut(heldTwice, CODE);
        assertEquals(
                List.of("three"),
                RuleKit.way(heldTwice.findings(CODE).get(0), "apart")
                        .title()
                        .values()
                        .get("parts"));
    }

    /** Resets follow one pin, inputs of one part are that part's, one wire has addresses, a bus is a bus. */
    @ParameterizedTest
    @CsvSource({
        "tag-reader-spi, RST, stepper-driver-step, RST",
        "servo-driver-16, OE, servo-driver-16, OE",
        "temperature-water, DQ, temperature-water, DQ",
        "clock-memory, SDA, pressure, SDA"
    })
    void whatMayShareIsQuiet(String first, String signal, String second, String other) {
        RuleKit.quiet(
                Builds.classic()
                        .part("one", first)
                        .part("two", second)
                        .wire("one." + signal, "board.A4")
                        .wire("two." + other, "board.A4"),
                CODE);
    }

    @Test
    void twoInputsOfOnePartAreItsBuildersAffair() {
        RuleKit.quiet(
                Builds.classic()
                        .part("relays", "relay-three", "VCC=board.5V")
                        .wire("relays.IN1", "board.D2")
                        .wire("relays.IN2", "board.D2"),
                CODE);
    }
}
