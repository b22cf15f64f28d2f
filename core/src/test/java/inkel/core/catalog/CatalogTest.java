package inkel.core.catalog;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Ability.Kind;
import inkel.core.circuit.ResistiveSensor;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.json.SchemaCheck;
import inkel.core.kit.Builds;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class CatalogTest {
    private static final List<String> PASSIVE =
            List.of("led", "button", "switch", "coil", "winding", "bridge", "sound");

    private static final Path FOLDER = Path.of("src/main/resources/inkel/core/catalog");

    static List<String> files() {
        return CatalogReader.index();
    }

    static List<PartClass> classes() {
        return Builds.CATALOG.all();
    }

    @Test
    void theIndexNamesEveryFileOnce() throws IOException {
        Set<String> there = new TreeSet<>();
        try (Stream<Path> paths = Files.list(FOLDER)) {
            paths.map(path -> path.getFileName().toString())
                    .filter(name -> name.endsWith(".json"))
                    .forEach(there::add);
        }
        assertEquals(there, new TreeSet<>(CatalogReader.index()));
        assertEquals(there.size(), CatalogReader.index().size());
    }

    @ParameterizedTest
    @MethodSource("files")
    void everyFileKeepsToTheSchema(String name) {
        assertEquals(List.of(), SchemaCheck.ofPartClass().check(CatalogReader.resource(name)));
    }

    @ParameterizedTest
    @MethodSource("files")
    void aFileIsNamedAfterItsId(String name) {
        assertEquals(
                name, Builds.CATALOG.get(name.substring(0, name.length() - 5)).id() + ".json");
    }

    @ParameterizedTest
    @MethodSource("classes")
    void figuresOfAClassHangTogether(PartClass cls) {
        for (Supply supply : cls.supplies()) {
            assertTrue(
                    supply.absoluteMax().volts()
                            >= supply.range().range().highest().volts(),
                    cls.id() + ": damaged inside its own range");
        }
        Map<String, Double> duty = new HashMap<>();
        cls.modes().forEach(mode -> duty.merge(mode.supply(), mode.duty().ratio(), Double::sum));
        duty.forEach((supply, share) -> assertEquals(1, share, 1e-9, cls.id() + ": shares of " + supply));
        for (Pin pin : cls.pins()) {
            boolean hasLevels = pin.use().isSignal() || pin.can(Kind.DIGITAL);
            // A lamp, a bare buzzer or a button has no electronics that hears or says a level.
            boolean isPassive = ResistiveSensor.ohms(cls, pin).isPresent()
                    || cls.io().isEmpty() && PASSIVE.stream().anyMatch(cls.kinds()::contains);
            assertTrue(!hasLevels || isPassive || cls.io(pin).isPresent(), cls.id() + ": no levels for " + pin.label());
        }
        for (IoFamily family : cls.io()) {
            family.vih()
                    .ifPresent(vih -> assertTrue(
                            vih.at(inkel.core.quantity.Voltage.ofVolts(3.3)).volts()
                                    > family.vil()
                                            .orElseThrow()
                                            .at(inkel.core.quantity.Voltage.ofVolts(3.3))
                                            .volts(),
                            cls.id() + ": reads high below where it reads low"));
        }
    }

    // Counts that the classes are known by: digital and analog pins, pins with pulses, timers or slices.
    @ParameterizedTest(name = "{0}: {1} digital, {2} analog, {3} with pulses of {4} timers or slices")
    @CsvSource(
            textBlock =
                    """
            board-classic-5v,    20, 6,  6,  3
            board-classic-3v3,   20, 6,  6,  3
            board-small-5v,      20, 8,  6,  3
            board-big-5v,        70, 16, 15, 6
            chip-8pin,           5,  3,  3,  2
            chip-28pin,          20, 6,  6,  3
            chip-40pin,          32, 8,  4,  3
            board-dual-core-3v3, 26, 3,  26, 8
            board-tolerant-3v3,  32, 10, 16, 4
            board-wireless-3v3,  25, 15, 19, 19
            computer-40pin,      26, 0,  4,  2
            """)
    void boardsHaveTheirPins(String id, int digital, int analog, int pulses, int timers) {
        PartClass board = Builds.CATALOG.get(id);
        assertEquals(
                digital, board.offers().filter(pin -> pin.can(Kind.DIGITAL)).count());
        assertEquals(analog, board.offers().filter(pin -> pin.can(Kind.ADC)).count());
        assertEquals(pulses, board.offers().filter(pin -> pin.can(Kind.PWM)).count());
        assertEquals(
                timers,
                board.offers()
                        .flatMap(pin -> pin.can().stream())
                        .filter(ability -> ability.kind() == Kind.PWM)
                        .map(Ability::unit)
                        .distinct()
                        .count());
    }

    @Test
    void theCatalogueHasWhatTheDesignLists() {
        Map<inkel.core.catalog.Kind, Long> counts = classes().stream()
                .collect(java.util.stream.Collectors.groupingBy(
                        PartClass::kind, java.util.stream.Collectors.counting()));
        assertTrue(counts.get(inkel.core.catalog.Kind.BOARD) >= 11, counts.toString());
        assertTrue(counts.get(inkel.core.catalog.Kind.MODULE) >= 60, counts.toString());
        assertTrue(classes().size() >= 71);
    }

    @ParameterizedTest
    @MethodSource("classes")
    void noTwoPinsStandInOnePlace(PartClass cls) {
        Set<String> places = new TreeSet<>();
        Set<Integer> header = new TreeSet<>();
        for (Pin pin : cls.pins()) {
            assertTrue(places.add(pin.row() + " " + pin.place()), cls.id() + ": " + pin.label());
            assertTrue(pin.header() == 0 || header.add(pin.header()), cls.id() + ": header place " + pin.header());
        }
    }

    /** A builder's words: each class is among the first three when asked for by its own name. */
    @ParameterizedTest
    @MethodSource("classes")
    void everyClassIsFoundByItsName(PartClass cls) {
        List<String> first = new CatalogSearch(Builds.CATALOG)
                .find(cls.name()).stream().limit(3).map(hit -> hit.cls().id()).toList();
        assertTrue(first.contains(cls.id()), cls.name() + ": " + first);
    }

    @ParameterizedTest(name = "\"{0}\" finds {1} first")
    @CsvSource(
            textBlock =
                    """
            gnd vcc ce csn sck mosi,             packet-radio
            MOSI CSN SCK CE,                     packet-radio
            'sda sck mosi miso irq gnd rst 3.3v', tag-reader-spi
            radio,                               packet-radio
            screen,                              display-colour
            'measures distance, 3.3 V, I2C',     distance-laser
            'tempreature water',                 temperature-water
            '40 pins computer',                  computer-40pin
            'LV1 LV2 LV GND LV3 LV4 HV1 HV2 HV', shifter-4
            'oe, scl, sda, v+',                  servo-driver-16
            shfter,                              shifter-4
            modem,                               text-modem
            charger,                             charger-lithium
            'coin cell',                         battery-coin
            keypad,                              keypad-16
            motor driver,                        motor-driver
            """)
    void labelsInAnyOrderFindThePart(String question, String expected) {
        List<CatalogSearch.Hit> hits = new CatalogSearch(Builds.CATALOG).find(question);
        assertEquals(expected, hits.get(0).cls().id());
    }

    /** A word that some part uses is no slip of another word. */
    @Test
    void aKnownWordIsNoSlip() {
        List<String> found = new CatalogSearch(Builds.CATALOG)
                .find("reader").stream().map(hit -> hit.cls().id()).toList();
        assertEquals(Set.of("tag-reader-spi", "tag-reader-switch", "tag-reader-125"), Set.copyOf(found.subList(0, 3)));
        PartClass strip = Builds.CATALOG.get("led").withId("header-strip");
        assertTrue(found.stream().noneMatch(id -> id.equals("programmer-six")), found.toString());
        assertEquals(
                List.of(),
                new CatalogSearch(List.of(strip, Builds.CATALOG.get("tag-reader-spi")))
                        .find("reader").stream()
                                .map(hit -> hit.cls().id())
                                .filter("header-strip"::equals)
                                .toList());
    }

    @Test
    void whatNothingHasFindsNothing() {
        assertEquals(List.of(), new CatalogSearch(Builds.CATALOG).find("zzqx"));
        assertEquals(
                Builds.CATALOG.all().size(),
                new CatalogSearch(Builds.CATALOG).find("  ").size());
    }

    @Test
    void abilitiesAreReadAndPrintedTheSame() {
        for (String text : List.of("digital", "spi0.sck", "i2c1.sda", "uart0.tx", "pwm3.b", "adc0.5", "input-only")) {
            assertEquals(text, Ability.parse(text).orElseThrow().toString());
        }
        assertTrue(Ability.parse("spi").isEmpty(), "a bus needs a number");
        assertTrue(Ability.parse("digital3").isEmpty());
        assertTrue(Ability.parse("wings").isEmpty());
    }

    /** A claim that no board knows would do nothing and say nothing. */
    @Test
    void whatCodeClaimsIsKnownToSomeBoard() {
        var known = Builds.CATALOG.all().stream()
                .flatMap(cls -> cls.controller().stream())
                .flatMap(controller -> controller.claims().stream())
                .map(Claim::use)
                .collect(java.util.stream.Collectors.toSet());
        Builds.CATALOG
                .all()
                .forEach(cls -> assertTrue(known.containsAll(cls.demands().claims()), cls.id()));
    }

    /** A cell, a servo and a lamp on its legs are neither modules with a header nor chips. */
    @ParameterizedTest
    @CsvSource({
        "battery-lithium, false",
        "servo-micro, false",
        "led, false",
        "usb-port, false",
        "solenoid, false",
        "packet-radio, true",
        "tag-reader-spi, true",
        "relay-one, true",
        "board-small-5v, true"
    })
    void whatHasAHeader(String id, boolean hasHeader) {
        assertEquals(hasHeader, Builds.CATALOG.get(id).handling().outline().hasHeader());
    }

    @Test
    void aFindIsWholeWhenEveryWordWasFound() {
        CatalogSearch search = new CatalogSearch(Builds.CATALOG);
        List<String> whole = search.find("soil moisture").stream()
                .filter(CatalogSearch.Hit::isWhole)
                .map(hit -> hit.cls().id())
                .toList();
        assertEquals(List.of("soil-moisture"), whole);
        assertTrue(search.find("soil xylophone").stream().noneMatch(CatalogSearch.Hit::isWhole));
    }
}
