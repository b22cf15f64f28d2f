package inkel.core.levels;

import static inkel.core.kit.Builds.end;
import static inkel.core.kit.Builds.place;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Wires of one module that fare alike are one thing to say: a reader of 3.3 V on a board of 5 V. */
class AlikeWiresTest {
    private static final String HARMS = "levels.harms";

    private static Builds reader(String id) {
        return Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part(id, "tag-reader-spi", "3.3V=reg.OUT")
                .wire(id + ".MOSI", "board.D11")
                .wire(id + ".SCK", "board.D13");
    }

    private static List<List<Place>> places(Builds builds, String code) {
        return builds.findings(code).stream().map(Finding::places).toList();
    }

    @Test
    void theyAreToldTogetherWithBothTheirEnds() throws Exception {
        Builds builds = reader("reader").wire("reader.MISO", "board.D12");
        Finding finding = RuleKit.fires(builds, HARMS);
        assertEquals("levels.harms.several", finding.sentence().key());
        assertEquals(List.of(place("reader.MOSI"), place("reader.SCK")), finding.places());
        Map<String, Object> said = finding.sentence().values();
        assertEquals(List.of("D11", "D13"), ((Fact) said.get("from")).values().get("pins"));
        assertEquals(List.of("MOSI", "SCK"), ((Fact) said.get("to")).values().get("pins"));
        RuleKit.everyWayOut(builds, HARMS);
    }

    @Test
    void oneIsToldAsOne() throws Exception {
        Builds builds = Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                .wire("reader.MOSI", "board.D11");
        assertEquals(HARMS, RuleKit.fires(builds, HARMS).sentence().key());
    }

    /** What the builder has put into one of them is that one's own. */
    @Test
    void oneInWhichSomethingStandsIsToldByItself() {
        Builds weak = reader("reader")
                .wire("reader.SDA", "board.D10")
                .between(new Between.Series(end("reader.SDA"), Resistance.ofOhms(10), Extras.NONE));
        assertEquals(
                List.of(List.of(place("reader.MOSI"), place("reader.SCK")), List.of(place("reader.SDA"))),
                places(weak, HARMS));
    }

    @Test
    void eachModuleIsToldByItself() {
        Builds two = reader("one")
                .part("two", "tag-reader-spi", "3.3V=reg.OUT")
                .wire("two.MOSI", "board.D11")
                .wire("two.SCK", "board.D13");
        assertEquals(
                List.of(List.of(place("one.MOSI"), place("one.SCK")), List.of(place("two.MOSI"), place("two.SCK"))),
                places(two, HARMS));
    }

    /** Each way out is for all of them. */
    @ParameterizedTest
    @CsvSource({"module-divide, 2", "buffer-new, 2", "module-shift, 2"})
    void aWayOutIsForAll(String id, int pieces) throws Exception {
        Builds builds = reader("reader");
        Fix way = RuleKit.way(RuleKit.fires(builds, HARMS), id);
        var after = Edit.applyAll(builds.build(), way.edits());
        assertEquals(pieces, after.nodes().get(0).between().size());
        assertEquals(
                List.of("MOSI", "SCK"),
                way.title().values().getOrDefault("signal", List.of("MOSI", "SCK")),
                "it names what it is for");
    }

    /** Of eight ways one is taken by one wire and two by two; supply, ground and what is tied are wired once. */
    @Test
    void whatItCostsIsSaidOfAll() throws Exception {
        Map<String, Object> one = RuleKit.way(
                        RuleKit.fires(
                                Builds.classic()
                                        .part("reg", "regulator-linear-3v3", "IN=board.5V")
                                        .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                                        .wire("reader.MOSI", "board.D11"),
                                HARMS),
                        "buffer-new")
                .cost()
                .values();
        Map<String, Object> two = RuleKit.way(RuleKit.fires(reader("reader"), HARMS), "buffer-new")
                .cost()
                .values();
        assertEquals(List.of(5, 7), List.of(one.get("wires"), one.get("spare")));
        assertEquals(List.of(6, 6), List.of(two.get("wires"), two.get("spare")));
    }

    /** A shifter with ways enough comes before anything that is put in; one with too few, or none, comes behind resistors. */
    @ParameterizedTest
    @CsvSource({"0, module-shift", "2, module-shift", "3, module-divide"})
    void whatIsThereComesFirst(int taken, String first) throws Exception {
        Builds builds = reader("reader").part("shifter", "shifter-4", "LV=reg.OUT", "HV=board.5V");
        for (int way = 1; way <= taken; way++) {
            builds.part("lid-" + way, "button")
                    .wire("lid-" + way + ".A", "board.D" + (1 + way))
                    .between(new Between.ShifterWay(end("lid-" + way + ".A"), "shifter", way, Extras.NONE));
        }
        assertEquals(first, RuleKit.fires(builds, HARMS).fixes().get(0).id());
    }

    /** Left by choice they are left together. */
    @Test
    void whatIsThinIsLeftTogether() throws Exception {
        Builds screen = Builds.on("computer-40pin")
                .part("air", "climate-i2c", "VIN=board.3V3")
                .part("screen", "display-4x20-i2c", "VCC=board.5V")
                .part("meter", "adc-16", "VDD=board.5V")
                .wire("air.SDA", "board.GPIO2")
                .wire("air.SCL", "board.GPIO3")
                .wire("meter.SDA", "board.GPIO2")
                .wire("meter.SCL", "board.GPIO3")
                .wire("screen.SDA", "board.GPIO2")
                .wire("screen.SCL", "board.GPIO3");
        Finding thin = RuleKit.firesAt(screen, "levels.thin", "screen.SDA");
        assertEquals("levels.thin.high_several", thin.sentence().key());
        assertEquals(List.of(place("screen.SDA"), place("screen.SCL")), thin.places());
        Fix leave = RuleKit.way(thin, "accept");
        assertEquals(2, leave.edits().size());
        RuleKit.wayOut(screen.build(), thin, leave);
    }
}
