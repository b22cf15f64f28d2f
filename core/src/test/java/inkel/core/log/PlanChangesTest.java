package inkel.core.log;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Hold;
import inkel.core.document.edit.RemoveNode;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RenameNode;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetPurpose;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.kit.Builds;
import inkel.core.kit.TwoBoards;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class PlanChangesTest {
    private static final String NODE = Builds.NODE;
    private static final Build BUILD = Builds.classic()
            .part("bench", "bench-supply")
            .part("servo", "servo-micro", "V+=board.5V")
            .part("knob", "knob", "VCC=board.5V")
            .wire("servo.SIG", "board.D3")
            .wire("knob.OUT", "board.A0")
            .build();

    private static List<Did> after(Edit... edits) throws Exception {
        return PlanChanges.between(BUILD, Edit.applyAll(BUILD, List.of(edits)));
    }

    private static Did only(Edit... edits) throws Exception {
        List<Did> all = after(edits);
        assertEquals(1, all.size(), all.toString());
        return all.get(0);
    }

    private static String said(Did did) {
        return did.what().key() + " " + did.what().values();
    }

    @Test
    void aFeedIsToldWithWhatItWas() throws Exception {
        Did did = only(new Feed(NODE, "servo", "V+", new Endpoint("bench", "+")));
        assertEquals(Place.ofPart(NODE, "servo"), did.place());
        String board = BUILD.nodes().get(0).board().name();
        assertEquals(
                "did.fed.was {pin=V+, rail=bench, was=" + board + " 5V}",
                said(did).replace(name("bench"), "bench"));
    }

    private static String name(String id) {
        return BUILD.nodes().get(0).part(id).orElseThrow().name();
    }

    @Test
    void wiresAreToldAndDecisionsCarryTheirReasons() throws Exception {
        Did moved = only(new SetWire(NODE, Wire.placed(new Endpoint("servo", "SIG"), new Endpoint("board", "D5"))));
        assertEquals("did.wired.was {pin=SIG, to=D5, was=D3}", said(moved));
        assertEquals(Place.of(NODE, new Endpoint("servo", "SIG")), moved.place());
        Did held = only(new Hold(NODE, List.of(new Endpoint("servo", "SIG")), true, "the shield has that trace"));
        assertTrue(held.isDecision());
        assertEquals("did.held.reason {pin=SIG, to=D3, reason=the shield has that trace}", said(held));
    }

    @Test
    void settingsFiguresAndPurposesAreTold() throws Exception {
        assertEquals(
                "did.set {value=3.3 V, setting=volts}",
                said(only(new SetSetting(NODE, "bench", Settings.VOLTS, "3.3 V"))));
        assertEquals(
                "did.figure {value=900 mA, figure=current/V+/peak}",
                said(only(new SetFigure(NODE, "servo", "current/V+/peak", "900 mA"))));
        assertEquals("did.purpose {purpose=opens}", said(only(new SetPurpose(NODE, "servo", "opens"))));
    }

    @Test
    void whatComesWithAPartIsNotToldBesideIt() throws Exception {
        List<Did> added = after(
                new AddPart(NODE, Part.of("lamp", "led", "Lamp", "")),
                new SetWire(NODE, Wire.placed(new Endpoint("lamp", "A"), new Endpoint("board", "D7"))));
        assertEquals(
                List.of("did.added"),
                added.stream().map(did -> did.what().key()).toList());
        assertEquals(
                List.of("did.removed"),
                after(new RemovePart(NODE, "servo")).stream()
                        .map(did -> did.what().key())
                        .toList());
        assertEquals(
                "did.class {class=servo-large, was=servo-micro}",
                said(only(new Exchange(
                        NODE, "servo", Builds.CATALOG.find("servo-large").orElseThrow()))));
    }

    @Test
    void manyWiresAreOneSharingOut() throws Exception {
        Builds many = Builds.classic();
        List<Edit> moves = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            many.part("led" + i, "led").wire("led" + i + ".A", "board.D" + (i + 2));
            moves.add(new SetWire(
                    NODE, Wire.placed(new Endpoint("led" + i, "A"), new Endpoint("board", "D" + (13 - i)))));
        }
        Build build = many.build();
        List<Did> all = PlanChanges.between(build, Edit.applyAll(build, moves));
        // Each goes from 2 to 9 to 13 down to 6: none stays, since 2 + i = 13 - i has no whole answer.
        assertEquals(
                List.of("did.shared_out {wires=8}"),
                all.stream().map(PlanChangesTest::said).toList());
        List<Did> six = PlanChanges.between(build, Edit.applyAll(build, moves.subList(0, 6)));
        assertEquals(6, six.size());
    }

    @Test
    void whatIsPluggedAndWhereItSitsIsNoChangeOfThePlan() {
        Build plugged = BUILD.withNodes(BUILD.nodes().stream()
                .map(node -> node.withPlugged(Set.of("board.GND@1 > knob.GND@1")))
                .toList());
        assertEquals(List.of(), PlanChanges.between(BUILD, plugged));
        assertEquals(List.of(), PlanChanges.between(BUILD, BUILD));
    }

    @Test
    void whatAWireBetweenBoardsIsSaidToCarryIsTold() throws Exception {
        Build pins = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D1 > two.D0");
        Build serial = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D1 > two.D0 : serial");
        Build rated = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D1 > two.D0 : serial 9600");
        Build moved = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D7 > two.D0 : serial 9600");
        assertEquals(List.of("did.carries.serial"), keys(pins, serial));
        assertEquals(List.of("did.carries.pins"), keys(serial, pins));
        assertEquals(List.of("did.rate"), keys(serial, rated));
        assertEquals(List.of("did.rate.none"), keys(rated, serial));
        assertEquals(List.of("did.relinked"), keys(rated, moved), "where it is comes first");
        Did did = PlanChanges.between(serial, rated).get(0);
        assertEquals(9600L, did.what().values().get("baud"));
        assertEquals(serial, Edit.applyAll(rated, did.back()));
    }

    @Test
    void anEndOfAWireBetweenBoardsGoesByTheNameOfItsTable() throws Exception {
        Build none = TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC);
        Build named = new RenameNode("two", "The gate").apply(none);
        Build wired = named.withLinks(TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.CLASSIC, "one.D7 > two.D0")
                .links());
        assertEquals(List.of("did.linked {from=one D7, to=The gate D0}"), told(named, wired));
        assertEquals(List.of("did.unlinked {from=one D7, to=The gate D0}"), told(wired, named));
        Build alone = new RemoveNode("two").apply(wired);
        assertTrue(told(wired, alone).contains("did.unlinked {from=one D7, to=The gate D0}"), "its table is gone");
    }

    private static List<String> told(Build before, Build after) {
        return PlanChanges.between(before, after).stream()
                .map(PlanChangesTest::said)
                .toList();
    }

    private static List<String> keys(Build before, Build after) {
        return PlanChanges.between(before, after).stream()
                .map(did -> did.what().key())
                .toList();
    }
}
