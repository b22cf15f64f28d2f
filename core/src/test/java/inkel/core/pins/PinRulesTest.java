package inkel.core.pins;

import static inkel.core.kit.Builds.end;
import static inkel.core.kit.Builds.place;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.OwnClass;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PinRulesTest {
    private static Assessment after(Builds build, Fix fix) throws EditRefused {
        return Assessment.assess(fix.apply(build.build()), Builds.CATALOG);
    }

    @Test
    void twoSignalsOnOnePinAreFoundAndMoved() throws EditRefused {
        Builds build = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("handset", "infrared-receiver", "VS=board.5V")
                .wire("radio.MOSI", "board.D11")
                .wire("handset.OUT", "board.D11");
        Finding finding = build.findings("pins.two_drivers").get(0);
        assertEquals(place("handset.OUT"), finding.place(), "the one that can go elsewhere is asked to");
        assertEquals(3, finding.fixes().size());
        for (Fix fix : finding.fixes()) {
            assertEquals(List.of(), Builds.of(after(build, fix), "pins.two_drivers"), fix.id());
            assertEquals(List.of(), Builds.of(after(build, fix), "pins.no_role"), fix.id());
        }
    }

    @Test
    void aBusLineMayBeShared() {
        assertEquals(
                List.of(),
                Builds.classic()
                        .part("radio", "packet-radio", "VCC=board.3V3")
                        .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                        .wire("radio.MOSI", "board.D11")
                        .wire("reader.MOSI", "board.D11")
                        .findings("pins.two_drivers"));
    }

    @Test
    void aHeldSignalIsNotAskedToMove() {
        Finding finding = Builds.classic()
                .part("one", "infrared-receiver", "VS=board.5V")
                .part("two", "infrared-receiver", "VS=board.5V")
                .hold("one.OUT", "board.D7")
                .wire("two.OUT", "board.D7")
                .findings("pins.two_drivers")
                .get(0);
        assertEquals(place("two.OUT"), finding.place());
    }

    @ParameterizedTest(name = "{0} on {1}: {2}")
    @CsvSource(
            textBlock =
                    """
            servo.SIG,    board.D4,  ''
            servo.SIG,    board.D9,  ''
            level.S,      board.D7,  why_not.needs_adc
            level.S,      board.A2,  ''
            radio.SCK,    board.D7,  why_not.needs_spi
            radio.SCK,    board.D13, ''
            display.SDA,  board.A5,  why_not.needs_i2c
            display.SDA,  board.A4,  ''
            radio.CE,     board.5V,  why_not.offers_nothing
            radio.CE,     radio.CSN, why_not.own_pin
            radio.CE,     board.Q9,  why_not.no_such_pin
            radio.CE,     board.A0,  ''
            """)
    void whatAPinCanDo(String signal, String target, String expected) {
        Builds build = Builds.classic()
                .part("servo", "servo-micro")
                .part("level", "water-level")
                .part("radio", "packet-radio")
                .part("display", "display-4x20-i2c");
        assertEquals(
                expected,
                PinFit.whyNot(build.circuit(), end(signal), end(target))
                        .map(reason -> reason.key())
                        .orElse(""));
    }

    @Test
    void aPinThatCannotDoItIsFoundAndLeft() throws EditRefused {
        Builds build =
                Builds.classic().part("radio", "packet-radio", "VCC=board.3V3").wire("radio.SCK", "board.D4");
        Finding finding = build.findings("pins.no_role").get(0);
        assertEquals(
                List.of("move-radio.SCK-to-board.D13", "software-bus-radio"),
                finding.fixes().stream().map(Fix::id).toList());
        for (Fix fix : finding.fixes()) {
            assertEquals(List.of(), Builds.of(after(build, fix), "pins.no_role"), fix.id());
        }
    }

    @Test
    void aNeededSignalThatGoesNowhereIsFoundAndPlaced() throws EditRefused {
        Builds build = Builds.classic().part("handset", "infrared-receiver", "VS=board.5V");
        Finding finding = build.findings("pins.not_placed").get(0);
        assertEquals(place("handset.OUT"), finding.place());
        assertEquals(List.of(), Builds.of(after(build, finding.fixes().get(0)), "pins.not_placed"));
    }

    @Test
    void whileNothingIsSharedOutThatIsOneFinding() throws Exception {
        Builds build = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3");
        List<Finding> none = build.findings("pins.not_placed");
        assertEquals(1, none.size());
        assertEquals("pins.not_placed.none", none.get(0).sentence().key());
        // CE, CSN, SCK, MOSI, MISO; and SDA, SCK, MOSI, MISO: the reader's reset is told as one that floats.
        assertEquals(9, none.get(0).sentence().values().get("count"));
        // Of the radio, which is begun, its four others; of the reader, which is not, that it is not.
        List<Finding> begun = build.wire("radio.CE", "board.D9").findings("pins.not_placed");
        assertEquals(
                Set.of("radio.CSN", "radio.SCK", "radio.MOSI", "radio.MISO", "reader"),
                begun.stream()
                        .map(finding -> finding.place().toString().substring("bench/".length()))
                        .collect(Collectors.toSet()));
        assertEquals(
                List.of(Severity.STOP, Severity.STOP, Severity.STOP, Severity.STOP, Severity.LOOK),
                begun.stream().map(Finding::severity).toList());
        Fix all = begun.stream()
                .filter(finding -> finding.severity() == Severity.LOOK)
                .findFirst()
                .orElseThrow()
                .fixes()
                .get(0);
        assertEquals(List.of(), Builds.of(after(build, all), "pins.not_placed"));
    }

    @Test
    void addressesThatClashAreFoundAndStrapped() throws EditRefused {
        Builds build = Builds.classic()
                .part("one", "display-4x20-i2c", "VCC=board.5V")
                .part("two", "display-4x20-i2c", "VCC=board.5V")
                .wire("one.SDA", "board.A4")
                .wire("two.SDA", "board.A4");
        Finding finding = build.findings("i2c.address_clash").get(0);
        assertEquals("0x27", finding.sentence().values().get("address"));
        for (Fix fix : finding.fixes()) {
            assertEquals(List.of(), Builds.of(after(build, fix), "i2c.address_clash"), fix.id());
        }
        assertEquals(3, finding.fixes().size(), "strap either, or leave one out");
    }

    @Test
    void aSecondAddressClashesToo() {
        // The driver's all-call address is 0x70; its straps reach from 0x40 to 0x7F, so another driver can be set to
        // it.
        assertEquals(
                1,
                Builds.classic()
                        .part("one", "servo-driver-16", "VCC=board.5V", "V+=board.5V")
                        .part("two", "display-4x20-i2c", "VCC=board.5V")
                        .setting("two", "address", "0x70")
                        .wire("one.SDA", "board.A4")
                        .wire("two.SDA", "board.A4")
                        .findings("i2c.address_clash")
                        .size());
    }

    @Test
    void differentBusesDoNotClash() {
        assertEquals(
                List.of(),
                Builds.dualCore()
                        .part("one", "display-4x20-i2c", "VCC=board.VBUS")
                        .part("two", "display-4x20-i2c", "VCC=board.VBUS")
                        .wire("one.SDA", "board.GP4")
                        .wire("two.SDA", "board.GP6")
                        .findings("i2c.address_clash"));
    }

    @ParameterizedTest
    @CsvSource({"0x77, 0", "0x78, 1", "0x08, 0", "0x07, 1"})
    void reservedAddressesAreFound(String address, int findings) {
        assertEquals(
                findings,
                Builds.classic()
                        .part("one", "servo-driver-16", "VCC=board.5V", "V+=board.5V")
                        .setting("one", "address", address)
                        .findings("i2c.address_reserved")
                        .size());
    }

    @Test
    void aReservedAddressIsStrappedAway() throws EditRefused {
        Builds build = Builds.classic()
                .part("one", "servo-driver-16", "VCC=board.5V", "V+=board.5V")
                .setting("one", "address", "0x7F");
        Fix fix = build.findings("i2c.address_reserved").get(0).fixes().get(0);
        assertEquals(List.of(), Builds.of(after(build, fix), "i2c.address_reserved"));
    }

    @Test
    void aBusNeedsAPullUp() {
        // No shipped module comes without, so this one is the display's class with its pull-ups taken off.
        var shipped = Builds.CATALOG.get("display-4x20-i2c");
        var bare = shipped.with(shipped.supplies(), shipped.outputs(), shipped.io(), shipped.modes(), List.of())
                .withId("bare");
        var catalog = Builds.CATALOG.with(List.of(new OwnClass(bare, "")));
        Build without = Builds.classic()
                .part("one", "bare", "VCC=board.5V")
                .wire("one.SDA", "board.A4")
                .build();
        Build with = Builds.classic()
                .part("one", "bare", "VCC=board.5V")
                .part("two", "display-4x20-i2c", "VCC=board.5V")
                .wire("one.SDA", "board.A4")
                .wire("two.SDA", "board.A4")
                .build();
        assertEquals(
                1,
                Builds.of(Assessment.assess(without, catalog), "i2c.no_pullup").size());
        assertEquals(List.of(), Builds.of(Assessment.assess(with, catalog), "i2c.no_pullup"));
    }

    private static Builds modem(String baud, String tx, String rx) {
        return Builds.classic()
                .part("four", "wall-supply-4v")
                .part("modem", "text-modem", "VCC=four.+")
                .setting("modem", "baud", baud)
                .wire("modem.TXD", tx)
                .wire("modem.RXD", rx);
    }

    // 16 MHz: 115200 is 2.1 % off at best, 57600 is 0.8 %, 9600 is 0.2 %.
    @ParameterizedTest
    @CsvSource({"115200, 1", "57600, 0", "38400, 0", "9600, 0"})
    void ratesTheClockCannotMake(String baud, int findings) {
        assertEquals(
                findings,
                modem(baud, "board.D0", "board.D1").findings("uart.baud_error").size());
    }

    @Test
    void theFastestRateThatFitsIsOfferedFirst() throws EditRefused {
        Builds build = modem("115200", "board.D0", "board.D1");
        Fix fix = build.findings("uart.baud_error").get(0).fixes().get(0);
        assertEquals("baud-57600", fix.id());
        assertEquals(List.of(), Builds.of(after(build, fix), "uart.baud_error"));
    }

    @Test
    void likeToLikeIsFoundAndCrossed() throws EditRefused {
        Builds build = modem("9600", "board.D1", "board.D0");
        Finding finding = build.findings("uart.not_crossed").get(0);
        assertEquals(List.of(), Builds.of(after(build, finding.fixes().get(0)), "uart.not_crossed"));
        assertEquals(List.of(), modem("9600", "board.D0", "board.D1").findings("uart.not_crossed"));
        assertTrue(
                modem("9600", "board.D4", "board.D5")
                        .findings("uart.not_crossed")
                        .isEmpty(),
                "plain pins");
    }

    @Test
    void aWireIsTakenOffWhereChangingPlacesWouldJoinLikeToLike() throws Exception {
        // One end listens to a pin that listens, the other is not wired at all: there is nothing to change places with.
        Builds alone = Builds.classic()
                .part("four", "wall-supply-4v")
                .part("modem", "text-modem", "VCC=four.+")
                .wire("modem.RXD", "board.D0");
        Finding finding = RuleKit.fires(alone, "uart.not_crossed");
        assertEquals(List.of("take-off"), finding.fixes().stream().map(Fix::id).toList());
        RuleKit.waysOut(alone, "uart.not_crossed", "take-off");
    }
}
