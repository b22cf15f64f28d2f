package inkel.core.levels.rules;

import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.Exchange;
import inkel.core.finding.Finding;
import inkel.core.io.document.BuildReader;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ShifterTurnedRuleTest {
    private static final String CODE = "levels.shifter_turned";

    private static Between way(String signal, String shifter, int way, String faces) {
        return new Between.ShifterWay(end(signal), shifter, way, Optional.ofNullable(faces), Extras.NONE);
    }

    /** A reader of 3.3 V at a board of 5 V: its side of the shifter is LV. */
    private static Builds shifted(String faces) {
        return Builds.classic()
                .part("sh", "shifter-4", "LV=board.3V3", "HV=board.5V")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .wire("reader.SCK", "board.D13")
                .between(way("reader.SCK", "sh", 1, faces));
    }

    /** A buffer of 3.3 V: what the board says goes in at A, what the reader says as well. */
    private static Builds buffered(String signal, String pin, String faces) {
        return Builds.classic()
                .part("buf", "buffer-8", "VCC=board.3V3")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .wire(signal, pin)
                .between(way(signal, "buf", 1, faces));
    }

    @Test
    void aPartOfThreeVoltsOnTheSideOfFive() throws Exception {
        Finding finding = RuleKit.firesAt(shifted("HV1"), CODE, "reader.SCK");
        assertEquals(List.of("HV1"), finding.sentence().values().get("faces"));
        assertEquals(List.of("LV1"), finding.sentence().values().get("belongs"));
        RuleKit.quiet(shifted("LV1"), CODE);
        RuleKit.quiet(shifted(null), CODE);
        RuleKit.everyWayOut(shifted("HV1"), CODE);
    }

    @Test
    void anOutputAtTheOutputOfABuffer() throws Exception {
        RuleKit.firesAt(buffered("reader.SCK", "board.D13", "A1"), CODE, "reader.SCK");
        RuleKit.quiet(buffered("reader.SCK", "board.D13", "Y1"), CODE);
        RuleKit.firesAt(buffered("reader.MISO", "board.D12", "Y1"), CODE, "reader.MISO");
        RuleKit.quiet(buffered("reader.MISO", "board.D12", "A1"), CODE);
        RuleKit.everyWayOut(buffered("reader.MISO", "board.D12", "Y1"), CODE);
    }

    /** One shifter put in the wrong way round is one thing to say. */
    @Test
    void severalWiresOfOneShifterAreToldTogether() throws Exception {
        Builds build = shifted("HV1")
                .wire("reader.MOSI", "board.D11")
                .between(way("reader.MOSI", "sh", 2, "HV2"))
                .wire("reader.MISO", "board.D12")
                .between(way("reader.MISO", "sh", 3, "LV3"));
        Finding finding = RuleKit.fires(build, CODE);
        assertEquals(
                List.of(Place.of(Builds.NODE, end("reader.SCK")), Place.of(Builds.NODE, end("reader.MOSI"))),
                finding.places());
        Build turned = finding.fixes().get(0).apply(build.build());
        assertEquals(
                List.of(
                        way("reader.SCK", "sh", 1, null),
                        way("reader.MOSI", "sh", 2, null),
                        way("reader.MISO", "sh", 3, "LV3")),
                turned.nodes().get(0).between());
    }

    /** Between two ends of one supply both sides are as good, and an unfed shifter has no higher side. */
    @Test
    void whereNeitherSideIsHigherNothingIsSaid() {
        Builds alike = Builds.on("board-wireless-3v3")
                .part("sh", "shifter-4", "LV=board.3V3", "HV=board.VIN")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .wire("reader.SCK", "board.D18")
                .between(way("reader.SCK", "sh", 1, "LV1"));
        RuleKit.quiet(alike, CODE);
        Builds other = Builds.on("board-wireless-3v3")
                .part("sh", "shifter-4", "LV=board.3V3", "HV=board.VIN")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .wire("reader.SCK", "board.D18")
                .between(way("reader.SCK", "sh", 1, "HV1"));
        RuleKit.quiet(other, CODE);
        Builds unfed = Builds.classic()
                .part("sh", "shifter-4")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .wire("reader.SCK", "board.D13")
                .between(way("reader.SCK", "sh", 1, "HV1"));
        RuleKit.quiet(unfed, CODE);
        assertFalse(unfed.findings("parts.no_supply").isEmpty());
    }

    /** Between boards the end of the one that talks is told. */
    @Test
    void aWireBetweenBoardsOnTheWrongSide() throws Exception {
        String text =
                """
                {"format": 2, "name": "By hand", "nodes": [
                 {"id": "one", "name": "One", "board": {"class": "board-classic-5v", "name": "A", "feeds": {"USB": "usb.5V"}},
                  "parts": [{"id": "usb", "class": "usb-port", "name": "Port"},
                   {"id": "sh", "class": "shifter-4", "name": "Shifter", "feeds": {"LV": "board.3V3", "HV": "board.5V"}}],
                  "wires": [{"from": "%s", "to": "board.D8"}]},
                 {"id": "two", "name": "Two", "board": {"class": "board-wireless-3v3", "name": "B", "feeds": {"USB": "usb.5V"}},
                  "parts": [{"id": "usb", "class": "usb-port", "name": "Port"}]}],
                 "links": [{"from": "%s", "to": "%s", "ground": true}]}
                """;
        Build right =
                BuildReader.read(Path.of("x"), text.formatted("sh.HV1", "one/sh.LV1", "two/board.D16"), Builds.CATALOG);
        assertEquals(List.of(), Builds.of(Assessment.assess(right, Builds.CATALOG), CODE));
        Build back =
                BuildReader.read(Path.of("x"), text.formatted("sh.HV1", "two/board.D16", "one/sh.LV1"), Builds.CATALOG);
        assertEquals(List.of(), Builds.of(Assessment.assess(back, Builds.CATALOG), CODE));
        for (List<String> ends : List.of(
                List.of("one/sh.HV1", "two/board.D16", "one/board.D8"),
                List.of("two/board.D16", "one/sh.HV1", "two/board.D16"))) {
            Build wrong =
                    BuildReader.read(Path.of("x"), text.formatted("sh.LV1", ends.get(0), ends.get(1)), Builds.CATALOG);
            Finding finding =
                    Builds.of(Assessment.assess(wrong, Builds.CATALOG), CODE).get(0);
            assertEquals(ends.get(2), finding.place().toString());
            RuleKit.everyWayOut(wrong, finding);
        }
    }

    /** Of another class in its place nobody knows which of its pins was plugged. */
    @Test
    void anotherShifterInItsPlaceForgetsTheSide() throws Exception {
        Build buffer = new Exchange(Builds.NODE, "sh", Builds.CATALOG.get("buffer-8"))
                .apply(shifted("HV1").build());
        assertEquals(
                List.of(way("reader.SCK", "sh", 1, null)), buffer.nodes().get(0).between());
        NodeWire link = new NodeWire(
                        Place.of(Builds.NODE, end("board.D8")), Place.of("far", end("board.D16")), true, Extras.NONE)
                .withBetween(Optional.of(way("board.D8", Builds.NODE + "/sh", 2, "HV2")));
        Build linked = shifted("LV1").build().withLinks(List.of(link));
        Build exchanged = new Exchange(Builds.NODE, "sh", Builds.CATALOG.get("buffer-8")).apply(linked);
        assertEquals(
                Optional.of(way("board.D8", Builds.NODE + "/sh", 2, null)),
                exchanged.links().get(0).between());
        Build other = new Exchange(Builds.NODE, "reader", Builds.CATALOG.get("packet-radio")).apply(linked);
        assertEquals(List.of(link), other.links());
        assertEquals(linked.nodes().get(0).between(), other.nodes().get(0).between());
    }

    /** A pin that the way does not have is a thing without a place. */
    @Test
    void aPinOfAnotherWayHasNoPlace() {
        assertEquals(1, shifted("LV2").findings("parts.pin_gone").size());
        RuleKit.quiet(shifted("LV2"), CODE);
    }
}
