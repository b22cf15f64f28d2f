package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.document.Build;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A reader on 24, 23, 19, 21 and 22 is wired by the places of the header; GPIO19 and GPIO21 have nothing of that bus. */
class HeaderPlacesTest {
    private static final String CODE = "pins.no_role";

    private static Builds computer() {
        return Builds.on("computer-40pin").part("tags", "tag-reader-spi", "3.3V=board.3V3");
    }

    private static Builds reader() {
        return computer()
                .wire("tags.SDA", "board.GPIO24")
                .wire("tags.SCK", "board.GPIO23")
                .wire("tags.MOSI", "board.GPIO19")
                .wire("tags.MISO", "board.GPIO21")
                .wire("tags.RST", "board.GPIO22");
    }

    private static List<String> wires(Build build) {
        return build.nodes().get(0).wires().stream()
                .map(wire -> wire.from() + " " + wire.to())
                .sorted()
                .toList();
    }

    @Test
    void theNumbersAreReadAsPlaces() throws Exception {
        Builds builds = reader();
        Fix first = RuleKit.fires(builds, CODE).fixes().get(0);
        assertEquals(
                "pins.no_role.places", RuleKit.fires(builds, CODE).sentence().key());
        assertEquals("header-places", first.id());
        assertEquals(
                List.of(
                        "tags.MISO board.GPIO9",
                        "tags.MOSI board.GPIO10",
                        "tags.RST board.GPIO25",
                        "tags.SCK board.GPIO11",
                        "tags.SDA board.GPIO8"),
                wires(Edit.applyAll(builds.build(), first.edits())));
        RuleKit.everyWayOut(builds, CODE);
    }

    /** Place 36 has no pin of that number in the program: it goes along. */
    @Test
    void aNumberThatOnlyTheHeaderHasGoesAlong() throws Exception {
        Builds builds = reader().part("lamp", "led").wire("lamp.A", "board.36");
        Fix places = RuleKit.way(RuleKit.fires(builds, CODE), "header-places");
        assertTrue(
                wires(Edit.applyAll(builds.build(), places.edits())).contains("lamp.A board.GPIO16"),
                () -> "" + places.edits());
        RuleKit.way(RuleKit.fires(computer().part("lamp", "led").wire("lamp.A", "board.36"), "parts.pin_gone"), "near");
    }

    /** Place 20 is a ground, place 12 no bus clock; and one wire that does not fit may be a slip. */
    @ParameterizedTest
    @ValueSource(strings = {"lamp.A board.GPIO20", "radio.SCK board.GPIO12"})
    void allMustFitThere(String more) {
        String[] ends = more.split(" ");
        Builds builds = reader().part("lamp", "led")
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire(ends[0], ends[1]);
        assertTrue(isNotOffered(builds));
    }

    @Test
    void oneThatDoesNotFitIsASlip() {
        Builds one = computer().wire("tags.SCK", "board.GPIO11").wire("tags.MOSI", "board.GPIO19");
        assertTrue(isNotOffered(one) && one.findings(CODE).size() == 1);
    }

    private static boolean isNotOffered(Builds builds) {
        return builds.findings(CODE).stream()
                .flatMap(finding -> finding.fixes().stream())
                .noneMatch(fix -> fix.id().equals("header-places"));
    }
}
