package inkel.core.document;

import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.Replan;
import inkel.core.document.edit.SetGround;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.TakeOut;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EditsTest {
    private static final Build BUILD = Builds.classic()
            .part("radio", "packet-radio", "VCC=board.3V3")
            .part("reg", "regulator-linear-3v3", "IN=board.5V")
            .wire("radio.CE", "board.D9")
            .wire("radio.CSN", "board.D10")
            .build();

    private static Node after(Edit... edits) throws EditRefused {
        return Edit.applyAll(BUILD, List.of(edits)).nodes().get(0);
    }

    @Test
    void aWireTakesThePlaceOfTheOneBefore() throws EditRefused {
        Node node = after(new SetWire(NODE, Wire.held(end("radio.CE"), end("board.D7"), "why")));
        assertEquals(2, node.wires().size());
        assertEquals(end("board.D7"), node.wire(end("radio.CE")).orElseThrow().to());
        assertEquals(end("radio.CE"), node.wires().get(0).from(), "and stays where it was in the list");
    }

    @Test
    void aWireIsTakenAway() throws EditRefused {
        assertTrue(after(new RemoveWire(NODE, end("radio.CE")))
                .wire(end("radio.CE"))
                .isEmpty());
    }

    @Test
    void aPlanTakesAllWiresAndSettingsAtOnce() throws EditRefused {
        Node node = after(new Replan(
                NODE,
                List.of(Wire.placed(end("radio.CE"), end("board.D2"))),
                List.of(new Feed(NODE, "radio", "VCC", end("board.5V"))),
                List.of(new SetSetting(NODE, "radio", Settings.ADDRESS, "0x21")),
                List.of()));
        assertEquals(1, node.wires().size());
        assertEquals(
                "0x21", node.part("radio").orElseThrow().typed(Settings.ADDRESS).orElseThrow());
    }

    @Test
    void feedsGroundsAndNames() throws EditRefused {
        Node node = after(
                new Feed(NODE, "radio", "VCC", end("reg.OUT")),
                new SetGround(NODE, "radio", true),
                new RenamePart(NODE, "radio", "Lock radio"));
        Part radio = node.part("radio").orElseThrow();
        assertEquals(end("reg.OUT"), radio.feeds().get("VCC"));
        assertTrue(radio.groundApart());
        assertEquals("Lock radio", radio.name());
        assertFalse(BUILD.nodes().get(0).part("radio").orElseThrow().groundApart(), "the old build is as it was");
    }

    @Test
    void whatHangsOnARemovedPartGoesWithIt() throws EditRefused {
        Node node = after(
                new Feed(NODE, "radio", "VCC", end("reg.OUT")),
                new Insert(
                        NODE,
                        new Between.Divider(
                                end("radio.CE"), Resistance.ofOhms(1000), Resistance.ofOhms(2200), Extras.NONE)),
                new RemovePart(NODE, "reg"));
        assertTrue(node.part("radio").orElseThrow().feeds().isEmpty(), "nothing feeds from what is gone");
        assertEquals(1, node.between().size());
        Node bare = after(new RemovePart(NODE, "radio"));
        assertEquals(List.of(), bare.wires());
    }

    @Test
    void aPartInAWireIsPutInAndTakenOut() throws EditRefused {
        Between.Divider first =
                new Between.Divider(end("radio.CE"), Resistance.ofOhms(1000), Resistance.ofOhms(2200), Extras.NONE);
        Between.Divider second =
                new Between.Divider(end("radio.CE"), Resistance.ofOhms(2200), Resistance.ofOhms(4700), Extras.NONE);
        Node node = after(new Insert(NODE, first), new Insert(NODE, second));
        assertEquals(List.of(second), node.between(), "one part in a wire");
        assertEquals(
                List.of(),
                after(new Insert(NODE, first), new TakeOut(NODE, end("radio.CE")))
                        .between());
    }

    @Test
    void wiresArePluggedAndPulled() throws EditRefused {
        assertEquals(
                Set.of("a", "b"), after(new Plug(NODE, Set.of("a", "b"), true)).plugged());
        assertEquals(
                Set.of("b"),
                after(new Plug(NODE, Set.of("a", "b"), true), new Plug(NODE, Set.of("a"), false))
                        .plugged());
    }

    @Test
    void newPartsGetFreeIds() throws EditRefused {
        Node node = BUILD.nodes().get(0);
        assertEquals("radio-2", node.freeId("radio"));
        assertEquals("servo", node.freeId("servo"));
        Node more = after(new AddPart(NODE, Part.of("radio-2", "packet-radio", "Two", "")));
        assertEquals("radio-3", more.freeId("radio"));
    }

    @ParameterizedTest(name = "\"{0}\" is part \"{1}\", pin \"{2}\"")
    @CsvSource(
            textBlock =
                    """
            board.D11,     board,  D11
            reader.3.3V,   reader, 3.3V
            r.SDA/SS,      r,      SDA/SS
            """)
    void endpointsSplitAtTheFirstPoint(String text, String part, String pin) {
        Endpoint endpoint = Endpoint.parse(text).orElseThrow();
        assertEquals(new Endpoint(part, pin), endpoint);
        assertEquals(text, endpoint.toString());
    }

    @ParameterizedTest
    @CsvSource({"D11", ".D11", "board.", "''"})
    void otherTextIsNoEndpoint(String text) {
        assertTrue(Endpoint.parse(text).isEmpty());
    }

    @Test
    void placesContainWhatLiesInThem() {
        Place node = Place.ofNode("a");
        Place part = Place.ofPart("a", "radio");
        Place pin = Place.of("a", end("radio.CE"));
        assertTrue(node.contains(part) && node.contains(pin) && part.contains(pin) && pin.contains(pin));
        assertFalse(
                pin.contains(part) || part.contains(node) || Place.ofNode("b").contains(pin));
        assertEquals("a/radio.CE", pin.toString());
        assertEquals("a/radio", part.toString());
    }
}
