package inkel.core.boards;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static inkel.core.kit.Builds.end;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.RenamePart;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.pins.PlacementJudge;
import inkel.core.quantity.Resistance;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BoardTrialsTest {
    private static BoardTrials trials(Build build, String node) {
        return new BoardTrials(build, CATALOG, node, () -> false);
    }

    private static BoardTrial trial(Builds builds, String board) {
        return trials(builds.build(), NODE).of(CATALOG.get(board));
    }

    private static Node taken(Builds builds, String board) throws EditRefused {
        return trial(builds, board)
                .edit()
                .orElseThrow()
                .apply(builds.build())
                .nodes()
                .get(0);
    }

    private static Builds radio() {
        return Builds.classic().part("air", "packet-radio", "VCC=board.3V3").part("knob", "knob", "VCC=board.5V");
    }

    /** Between 5 V and a pin: of a board whose pins bear 3.3 V its own rail, of a bare chip what feeds that. */
    @ParameterizedTest
    @CsvSource({
        "board-dual-core-3v3, board.3V3",
        "board-big-5v, board.5V",
        "board-native-usb, board.VCC",
        "chip-28pin, usb.5V"
    })
    void aContactOnASupplyGoesToThatOfThePins(String board, String rail) throws Exception {
        Builds lesson = Builds.classic()
                .part("key", "button", "B=board.5V")
                .wire("key.A", "board.D2")
                .between(new Between.PulledDown(end("key.A"), Resistance.ofOhms(10e3), Extras.NONE));
        BoardTrial trial = trial(lesson, board);
        assertEquals(0, trial.stop());
        assertEquals(
                end(rail),
                taken(lesson, board).part("key").orElseThrow().feeds().get("B"));
    }

    /** Every board on every table of the examples: what is told is what an independent look at the outcome finds. */
    @ParameterizedTest
    @CsvSource({
        "otterbeck-locks, lower-lock",
        "otterbeck-locks, pump-house",
        "otterbeck-first-sketch, lower-lock",
        "moth-lamp, lamp",
    })
    void whatIsToldOfABoardIsTrueOnceItIsTaken(String example, String node) throws Exception {
        Build build = Builds.example(example + ".inkel.json");
        List<BoardTrial> seen = new ArrayList<>();
        List<BoardTrial> all = trials(build, node).all(seen::add);
        assertEquals(BoardTrials.boards(CATALOG).size(), all.size());
        assertEquals(seen.size(), all.size());
        assertEquals(1, all.stream().filter(BoardTrial::isPresent).count());
        for (BoardTrial trial : all) {
            if (trial.edit().isEmpty()) {
                continue;
            }
            Build after = trial.edit().get().apply(build);
            assertEquals(List.of(), faultsOf(after, node), trial.board().id());
            List<Finding> findings = Assessment.assess(after, CATALOG).findings().stream()
                    .filter(finding -> finding.place().node().equals(node))
                    .toList();
            assertEquals(
                    trial.stop(), count(findings, Severity.STOP), trial.board().id());
            assertEquals(
                    trial.look(), count(findings, Severity.LOOK), trial.board().id());
            Node was = build.node(node).orElseThrow();
            for (Part part : was.parts()) {
                Optional<Part> now = after.node(node).orElseThrow().part(part.id());
                if (now.isPresent() && !part.isBoard()) {
                    assertEquals(part.figures(), now.get().figures());
                    assertEquals(part.purpose(), now.get().purpose());
                    assertEquals(part.name(), now.get().name());
                } else if (now.isEmpty()) {
                    assertTrue(trial.fallen().contains(part.name()), part.id());
                }
            }
        }
    }

    /** Those of this table only: the others of an example may be badly planned. */
    private static List<String> faultsOf(Build build, String node) {
        return PlacementJudge.faults(
                build.withNodes(List.of(build.node(node).orElseThrow())).withLinks(List.of()), CATALOG);
    }

    private static long count(List<Finding> findings, Severity severity) {
        return findings.stream()
                .filter(finding -> finding.severity() == severity)
                .count();
    }

    @Test
    void theBestComesFirst() {
        List<BoardTrial> all = trials(radio().build(), NODE).all(trial -> {});
        assertTrue(all.get(0).does(), () -> "" + all.get(0));
        boolean hasEnded = false;
        for (BoardTrial trial : all) {
            hasEnded |= !trial.isPlaced();
            assertEquals(!hasEnded, trial.isPlaced(), "those that do not do come last");
        }
    }

    @Test
    void aBoardWithoutAConverterHasNoPinForTheKnob() {
        BoardTrial computer = trial(radio(), "computer-40pin");
        assertFalse(computer.isPlaced());
        assertEquals(List.of(end("knob.OUT")), computer.clash());
        assertTrue(computer.edit().isEmpty());
    }

    @Test
    void whatWasFedFromARailIsFedFromOneThatSuits() throws Exception {
        Node dual = taken(radio(), "board-dual-core-3v3");
        assertEquals(end("board.3V3"), dual.part("air").orElseThrow().feeds().get("VCC"));
        assertEquals(end("board.3V3"), dual.part("knob").orElseThrow().feeds().get("VCC"));
        assertEquals(end("usb.5V"), dual.board().feeds().get("USB"));
        assertEquals("board-dual-core-3v3", dual.board().classId());
    }

    private static Endpoint feed(Node node, String pin) {
        return node.part(end(pin).part()).orElseThrow().feeds().get(end(pin).pin());
    }

    /** A knob at 5 V on a board of 3.3 V wants a divider in its wire; at 3.3 V it wants nothing. */
    @Test
    void whatRanAtTheVoltageOfTheBoardRunsAtThatOfTheNewOne() throws Exception {
        Builds chip = Builds.on("chip-40pin")
                .boardUnfed()
                .part("wall", "wall-supply-9v")
                .part("reg", "regulator-linear-5v", "IN=wall.+")
                .boardOnly("VCC", "reg.OUT")
                .part("knob", "knob", "VCC=reg.OUT")
                .part("arm", "servo-micro", "V+=reg.OUT")
                .part("eyes", "distance-ultrasonic", "VCC=reg.OUT");
        BoardTrial dual = trial(chip, "board-dual-core-3v3");
        Node node = taken(chip, "board-dual-core-3v3");
        assertEquals(end("board.3V3"), feed(node, "knob.VCC"));
        assertEquals(
                List.of("eyes"),
                dual.pieces().stream().map(piece -> piece.signal().part()).toList());
        assertEquals(Map.of(end("knob.VCC"), end("board.3V3")), dual.refed());
        assertEquals("rail.of_board", dual.railNames().get(end("board.3V3")).key());
        // A servo is no matter of levels, and the two eyes work at 5 V only.
        assertEquals(end("reg.OUT"), feed(node, "arm.V+"));
        assertEquals(end("reg.OUT"), feed(node, "eyes.VCC"));
        // Back on a board of 5 V the knob is at 5 V again.
        Builds three = Builds.on("board-dual-core-3v3").part("knob", "knob", "VCC=board.3V3");
        assertEquals(end("board.5V"), feed(taken(three, "board-classic-5v"), "knob.VCC"));
    }

    /** Nothing goes to a rail that cannot carry it, and what hung apart from the board stays there. */
    @Test
    void whatTheNewRailCannotCarryStaysWhereItIs() throws Exception {
        Builds lamps = Builds.on("board-classic-3v3").part("bench", "bench-supply");
        assertEquals(
                end("bench.+"),
                feed(taken(lamps.part("knob", "knob", "VCC=bench.+"), "board-dual-core-3v3"), "knob.VCC"));
        // The 3.3 V of the board carry 250 mA.
        Builds sound = Builds.classic()
                .part("sound", "sound-player", "VCC=board.5V")
                .figure("sound", "current/VCC/peak", "251 mA");
        assertEquals(end("board.5V"), feed(taken(sound, "board-classic-3v3"), "sound.VCC"));
        Builds quieter = Builds.classic()
                .part("sound", "sound-player", "VCC=board.5V")
                .figure("sound", "current/VCC/peak", "250 mA");
        assertEquals(end("board.3V3"), feed(taken(quieter, "board-classic-3v3"), "sound.VCC"));
        Builds reader = Builds.classic()
                .part("down", "regulator-down-3v3", "IN+=usb.5V")
                .part("reader", "bridge-wifi", "VCC=down.OUT+");
        assertEquals(end("down.OUT+"), feed(taken(reader, "board-small-5v"), "reader.VCC"));
    }

    @Test
    void aHeldWireStaysWhereThatPinIsAndIsToldWhereItIsNot() throws Exception {
        Builds held = radio().hold("air.CE", "board.D7");
        assertEquals(
                Optional.of(Wire.held(end("air.CE"), end("board.D7"), "for the test")),
                taken(held, "board-small-5v").wire(end("air.CE")));
        BoardTrial other = trial(held, "board-dual-core-3v3");
        assertEquals(List.of(new BoardTrial.Lost(BoardTrial.Lost.Kind.HOLD, "air.CE", "board.D7")), other.lost());
    }

    @Test
    void whatWasSaidOfTheOldBoardIsKeptWhereItMeansSomething() throws Exception {
        Builds said = radio().setting("board", "ambient", "40 °C").setting("board", "forbidden", "D4, D5");
        Node small = taken(said, "board-small-5v");
        assertEquals(Optional.of("40 °C"), small.board().typed(Settings.AMBIENT));
        assertEquals(Optional.of("D4, D5"), small.board().typed(Settings.FORBIDDEN));
        BoardTrial other = trial(said, "board-dual-core-3v3");
        assertEquals(List.of(new BoardTrial.Lost(BoardTrial.Lost.Kind.SETTING, "forbidden", "D4, D5")), other.lost());
    }

    @Test
    void whatMatchedLevelsFallsAwayWhereTheyAreEqual() throws Exception {
        // A 5 V board wants something before the 3.3 V port; a 3.3 V board does not.
        Builds wifi = Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("net", "bridge-wifi", "VCC=reg.OUT");
        BoardTrial five = trial(wifi, "board-big-5v");
        BoardTrial three = trial(wifi, "board-dual-core-3v3");
        assertTrue(five.added().size() + five.pieces().size() > 0, () -> "" + five);
        assertEquals(List.of(), three.added());
        assertEquals(List.of(), three.pieces());
        Build matched = five.edit().orElseThrow().apply(wifi.build());
        Node back = trials(matched, NODE)
                .of(CATALOG.get("board-dual-core-3v3"))
                .edit()
                .orElseThrow()
                .apply(matched)
                .nodes()
                .get(0);
        assertEquals(List.of(), back.between());
    }

    @Test
    void oneThatWasWorkedOutForAnotherStateIsRefused() throws Exception {
        Build build = radio().build();
        var edit = trial(radio(), "board-small-5v").edit().orElseThrow();
        Build changed = new RenamePart(NODE, "knob", "Volume").apply(build);
        EditRefused refused = assertThrows(EditRefused.class, () -> edit.apply(changed));
        assertEquals("refused.node_changed", refused.reason().key());
    }

    /** Else the wire that came meanwhile would be gone. */
    @Test
    void oneThatWasWorkedOutWithOtherWiresBetweenBoardsIsRefused() throws Exception {
        Build two = new CopyNode(NODE, "twin", "Twin").apply(radio().build());
        var edit = trials(two, NODE).of(CATALOG.get("board-small-5v")).edit().orElseThrow();
        Build joined = new AddNodeWire(new NodeWire(
                        Place.of(NODE, end("board.D7")), Place.of("twin", end("board.D8")), true, Extras.NONE))
                .apply(two);
        assertEquals(
                "refused.node_changed",
                assertThrows(EditRefused.class, () -> edit.apply(joined))
                        .reason()
                        .key());
    }

    @Test
    void aBoardIsNamedAfterItsClassUnlessTheBuilderNamedIt() throws Exception {
        assertEquals("Board", taken(radio(), "board-small-5v").board().name());
        Build named =
                new RenamePart(NODE, "board", CATALOG.get("board-classic-5v").name()).apply(radio().build());
        Build taken = trials(named, NODE)
                .of(CATALOG.get("board-small-5v"))
                .edit()
                .orElseThrow()
                .apply(named);
        assertEquals(
                CATALOG.get("board-small-5v").name(),
                taken.nodes().get(0).board().name());
    }

    @Test
    void readingsOfTheOldBoardAreNotOfTheNewOne() throws Exception {
        Build build = radio().build();
        Node taken = taken(radio(), "board-small-5v");
        assertEquals(build.log().size(), taken.board().since());
    }

    @Test
    void theSearchCanBeStopped() {
        int[] asked = new int[1];
        BoardTrials stopped = new BoardTrials(radio().build(), CATALOG, NODE, () -> asked[0]++ > 0);
        assertThrows(CancellationException.class, () -> stopped.all(trial -> {}));
    }

    @Test
    void thereIsNoSuchNode() {
        assertThrows(IllegalArgumentException.class, () -> trials(radio().build(), "attic"));
    }

    @Test
    void wiresToAnotherBoardGoToAPinOfTheNewOne() throws Exception {
        Build two = new CopyNode(NODE, "twin", "Twin").apply(radio().build());
        NodeWire link =
                new NodeWire(Place.of(NODE, end("board.D7")), Place.of("twin", end("board.D8")), true, Extras.NONE);
        Build joined = new AddNodeWire(link).apply(two);
        Build small = trials(joined, NODE)
                .of(CATALOG.get("board-small-5v"))
                .edit()
                .orElseThrow()
                .apply(joined);
        assertEquals(List.of(link), small.links(), "both boards have that pin");
        Build other = trials(joined, NODE)
                .of(CATALOG.get("board-dual-core-3v3"))
                .edit()
                .orElseThrow()
                .apply(joined);
        NodeWire moved = other.links().get(0);
        assertEquals(link.to(), moved.to());
        assertTrue(CATALOG.get("board-dual-core-3v3").pin(moved.from().pin()).isPresent());
        assertTrue(other.nodes().get(0).wires().stream()
                .noneMatch(wire -> wire.to().equals(moved.from().endpoint())));
    }
}
