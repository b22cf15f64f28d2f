package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Between;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Resistance;
import inkel.core.wiring.PartsList.Kind;
import inkel.core.wiring.PartsList.Line;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PartsListTest {
    private static List<Line> lines(Builds builds, Kind kind) {
        return PartsList.of(WireList.of(builds.circuit())).lines().stream()
                .filter(line -> line.kind() == kind)
                .toList();
    }

    private static Optional<Line> of(List<Line> lines, Object value) {
        return lines.stream()
                .filter(line -> value.equals(line.what().values().get("value")))
                .findFirst();
    }

    @Test
    void partsOfOneClassAreCounted() {
        Builds build = Builds.classic()
                .part("one", "servo-micro")
                .part("two", "servo-micro")
                .part("radio", "packet-radio");
        Line servos = lines(build, Kind.PART).stream()
                .filter(line -> line.uses().contains("two"))
                .findFirst()
                .orElseThrow();
        assertEquals(2, servos.count());
        assertEquals(List.of("one", "two"), servos.uses());
        assertEquals(4, lines(build, Kind.PART).size(), "board, port, servo, radio");
    }

    @Test
    void capacitorsAndDividersAreOnTheTable() {
        // A radio wants 10 µF and 100 nF; a divider is two resistors.
        Builds build = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .wire("reader.RST", "board.D7")
                .between(new Between.Divider(
                        Builds.end("reader.RST"),
                        Resistance.ofOhms(1000),
                        Resistance.ofOhms(1800),
                        inkel.core.document.Extras.NONE));
        Line ten = of(lines(build, Kind.CAPACITOR), Capacitance.ofFarads(10e-6)).orElseThrow();
        assertEquals(2, ten.count(), "one for the radio, one for the reader");
        assertTrue(of(lines(build, Kind.RESISTOR), Resistance.ofOhms(1000)).isPresent());
        assertTrue(of(lines(build, Kind.RESISTOR), Resistance.ofOhms(1800)).isPresent());
    }

    @Test
    void aBareChipBringsWhatAReadyModuleHadOnIt() {
        // The climate sensor's module has two pull-ups; its chip has none until they are added, and stands in a finer
        // raster.
        Builds ready = Builds.classic().part("climate", "climate-i2c");
        Builds chip = Builds.classic().part("climate", "climate-i2c").setting("climate", "form", "chip");
        assertEquals(List.of(), lines(ready, Kind.RESISTOR));
        assertEquals(List.of(), lines(ready, Kind.ADAPTER));
        assertEquals(List.of(), lines(chip, Kind.RESISTOR));
        assertEquals(1, lines(chip, Kind.ADAPTER).size());
        Builds added = Builds.classic()
                .part("climate", "climate-i2c")
                .setting("climate", "form", "chip")
                .setting("climate", "add_pull_ups", "4.7 kΩ");
        assertEquals(
                2,
                of(lines(added, Kind.RESISTOR), Resistance.ofOhms(4700))
                        .orElseThrow()
                        .count());
        assertTrue(chip.circuit().part("climate").orElseThrow().cls().pulls().isEmpty());
    }

    @Test
    void aLooseHeaderIsNotedAndGoneOnceSoldered() throws Exception {
        Builds build = Builds.classic().part("radio", "packet-radio").setting("radio", "header", "loose");
        Finding finding = build.findings("parts.header_loose").get(0);
        assertEquals(Severity.NOTE, finding.severity());
        assertEquals(8, finding.sentence().values().get("pins"));
        assertEquals(1, lines(build, Kind.HEADER).size());
        var after = finding.fixes().get(0).apply(build.build());
        assertEquals(
                List.of(), Builds.of(inkel.core.checks.Assessment.assess(after, Builds.CATALOG), "parts.header_loose"));
    }

    /** Eight pins of a radio and eight of another: one evening of soldering, one note. */
    @Test
    void looseHeadersOfATableAreOneNote() throws Exception {
        Builds build = Builds.classic();
        for (String radio : List.of("one", "two")) {
            build.part(radio, "packet-radio").setting(radio, "header", "loose");
        }
        Finding finding = RuleKit.fires(build, "parts.header_loose");
        assertEquals("parts.header_loose.several", finding.sentence().key());
        assertEquals(16, finding.sentence().values().get("pins"));
        assertEquals(List.of(Place.ofPart(Builds.NODE, "one"), Place.ofPart(Builds.NODE, "two")), finding.places());
        RuleKit.everyWayOut(build, "parts.header_loose");
        RuleKit.quiet(build.setting("one", "header", "soldered").setting("two", "later", "yes"), "parts.header_loose");
    }

    @Test
    void aBareChipOnABusWithoutPullUpsIsToldAndTheReadyModuleMendsIt() throws Exception {
        Builds build = Builds.classic()
                .part("climate", "climate-i2c", "VIN=board.3V3")
                .setting("climate", "form", "chip")
                .wire("climate.SDA", "board.A4")
                .wire("climate.SCL", "board.A5");
        Finding finding = build.findings("i2c.no_pullup").get(0);
        var after = finding.fixes().stream()
                .filter(fix -> fix.id().equals("ready"))
                .findFirst()
                .orElseThrow()
                .apply(build.build());
        assertEquals(List.of(), Builds.of(inkel.core.checks.Assessment.assess(after, Builds.CATALOG), "i2c.no_pullup"));
    }

    /** One in each feed that has one; a pin that nothing feeds has none to be got. */
    @Test
    void eachFeedWithADiodeWantsOne() {
        Builds one = Builds.classic()
                .part("nine", "wall-supply-9v")
                .boardAlso("VIN", "nine.+")
                .setting("board", "diode", "VIN, 5V");
        assertEquals(
                1, lines(one, Kind.SEMICONDUCTOR).stream().mapToInt(Line::count).sum());
        Builds two = one.part("five", "wall-supply-5v").boardAlso("5V", "five.+");
        assertEquals(
                2, lines(two, Kind.SEMICONDUCTOR).stream().mapToInt(Line::count).sum());
    }
}
