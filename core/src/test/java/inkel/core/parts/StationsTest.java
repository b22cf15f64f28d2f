package inkel.core.parts;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.AirPlan;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.Place;
import inkel.core.document.RadioGroup;
import inkel.core.document.Station;
import inkel.core.document.Station.Role;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.MovePart;
import inkel.core.document.edit.RemoveNode;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.Stations;
import inkel.core.finding.Finding;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Which radios belong together, with roles. */
class StationsTest {
    private static final Place FIRST = Place.ofPart(NODE, "radio");
    private static final Place SECOND = Place.ofPart("second", "radio");
    private static final Place EAR = Place.ofPart(NODE, "ear");

    private static Build two() throws EditRefused {
        Build one = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .part("ear", "infrared-receiver", "VS=board.5V")
                .part("beam", "infrared-led")
                .part("press", "button")
                .build();
        return new CopyNode(NODE, "second", "Second").apply(one);
    }

    private static Build with(Build build, Edit... edits) throws EditRefused {
        return Edit.applyAll(build, List.of(edits));
    }

    private static Build joined() throws EditRefused {
        return with(two(), new Stations.Join(SECOND, FIRST, "Locks"));
    }

    private static RadioGroup group(Build build) {
        assertEquals(1, build.air().size(), build.air().toString());
        return build.air().get(0);
    }

    private static List<String> stations(Build build) {
        return group(build).stations().stream()
                .map(station -> station.number() + " "
                        + station.radio().map(Place::toString).orElse(station.name()) + " "
                        + station.role().text())
                .toList();
    }

    @Test
    void theFirstTwoBeginAGroupAndAHubMakesLeaves() throws Exception {
        assertEquals(List.of("0 bench/radio peer", "1 second/radio peer"), stations(joined()));
        assertEquals("locks", group(joined()).id());
        Build hub = with(joined(), new Stations.SetRole(SECOND, Role.HUB));
        assertEquals(List.of("0 bench/radio leaf", "1 second/radio hub"), stations(hub));
        Build outside = with(hub, new Stations.AddOutside(FIRST, "In the hall"));
        assertEquals("2 In the hall peer", stations(outside).get(2));
        assertEquals(outside, BuildReader.parse(Path.of("x"), BuildWriter.print(outside), CATALOG));
        RuleKit.fires(with(outside, new Stations.Join(EAR, FIRST, "x")), "radio.kinds_differ");
    }

    /** Numbers count on, so that addresses can. */
    @Test
    void copiesOfABoardJoinAsLeavesWithNumbersOfTheirOwn() throws Exception {
        Build hub = with(joined(), new Stations.SetRole(FIRST, Role.HUB));
        Build more = with(hub, new CopyNode("second", "third", "Third"), new CopyNode(NODE, "fourth", "Fourth"));
        assertEquals(
                List.of("0 bench/radio hub", "1 second/radio leaf", "2 third/radio leaf", "3 fourth/radio leaf"),
                stations(more));
        Build without = with(more, new RemoveNode("second"), new CopyNode("third", "fifth", "Fifth"));
        assertEquals("1 fifth/radio leaf", stations(without).get(3), "the number that became free");
    }

    @Test
    void radiosThatGoAreNoStationsAnyMore() throws Exception {
        Build alone = with(joined(), new RemovePart("second", "radio"));
        assertEquals(List.of("0 bench/radio peer"), stations(alone));
        assertEquals(List.of(), with(alone, new RemovePart(NODE, "radio")).air());
        assertEquals(
                List.of(),
                with(joined(), new Stations.Leave(FIRST), new Stations.Leave(SECOND))
                        .air());
        Build moved = with(joined(), new MovePart("second", "radio", NODE));
        assertEquals(List.of("0 bench/radio peer", "1 bench/radio-2 peer"), stations(moved));
    }

    @Test
    void whatCannotBeIsRefused() throws Exception {
        assertThrows(EditRefused.class, () -> new Stations.Join(FIRST, FIRST, "x").apply(two()));
        assertThrows(EditRefused.class, () -> new Stations.SetRole(FIRST, Role.HUB).apply(two()));
        assertThrows(
                EditRefused.class, () -> new Stations.Join(FIRST, Place.ofPart("second", "none"), "x").apply(two()));
        String good = BuildWriter.print(joined());
        for (String[] bad : new String[][] {
            {"bench/radio", "bench/nobody"}, {"second/radio", "bench/radio"}, {"\"number\" : 1", "\"number\" : 0"}
        }) {
            String text = good.replaceFirst("(?s)(\"air\".*?)" + bad[0].replace(" : ", "\\s*:\\s*"), "$1" + bad[1]);
            assertTrue(!text.equals(good), bad[0]);
            UnreadableFile wrong =
                    assertThrows(UnreadableFile.class, () -> BuildReader.parse(Path.of("x"), text, CATALOG));
            assertTrue(
                    wrong.problems().get(0).field().startsWith("/air/0/stations/"),
                    wrong.problems().toString());
        }
    }

    @Test
    void onlyRadiosOfOneKindHearEachOther() throws Exception {
        Build mixed = with(joined(), new Stations.Join(EAR, FIRST, "x"));
        Finding finding = RuleKit.fires(mixed, "radio.kinds_differ");
        assertEquals(EAR, finding.place());
        RuleKit.everyWayOut(mixed, finding);
        Build none = with(joined(), new Stations.Join(Place.ofPart(NODE, "press"), FIRST, "x"));
        assertEquals(
                "radio.kinds_differ.none",
                RuleKit.fires(none, "radio.kinds_differ").sentence().key());
        assertEquals(List.of(), Builds.of(Assessment.assess(joined(), CATALOG), "radio.kinds_differ"));
    }

    private static String roles(Build build) throws Exception {
        Finding finding = RuleKit.fires(build, "radio.roles");
        RuleKit.everyWayOut(build, finding);
        return finding.sentence().key().substring("radio.roles.".length());
    }

    private static Build of(Build build, Station... stations) {
        return build.withAir(List.of(new RadioGroup("air", "Air", List.of(stations), AirPlan.NONE, Extras.NONE)));
    }

    @Test
    void rolesGoTogether() throws Exception {
        Place otherEar = Place.ofPart("second", "ear");
        Place beam = Place.ofPart(NODE, "beam");
        Place otherBeam = Place.ofPart("second", "beam");
        assertEquals("alone", roles(of(two(), Station.of(FIRST, Role.PEER, 0))));
        assertEquals("mute", roles(of(two(), Station.of(EAR, Role.PEER, 0), Station.of(otherEar, Role.PEER, 1))));
        assertEquals("deaf", roles(of(two(), Station.of(beam, Role.PEER, 0), Station.of(otherBeam, Role.PEER, 1))));
        assertEquals("two_hubs", roles(of(two(), Station.of(FIRST, Role.HUB, 0), Station.of(SECOND, Role.HUB, 1))));
        assertEquals("no_hub", roles(of(two(), Station.of(FIRST, Role.LEAF, 0), Station.of(SECOND, Role.PEER, 1))));
        for (Build good : List.of(
                joined(),
                of(two(), Station.of(EAR, Role.PEER, 0), Station.of(otherBeam, Role.PEER, 1)),
                of(two(), Station.of(EAR, Role.PEER, 0), Station.outside("Handset", Role.PEER, 1)),
                of(two(), Station.of(FIRST, Role.LEAF, 0), Station.outside("House", Role.HUB, 1)))) {
            assertEquals(List.of(), Builds.of(Assessment.assess(good, CATALOG), "radio.roles"));
        }
    }
}
