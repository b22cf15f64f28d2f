package inkel.core.log;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Laid;
import inkel.core.document.LogLine;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.SeatChoice;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.BlankLine;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.PlugSeated;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.WriteLine;
import inkel.core.kit.Builds;
import inkel.core.quantity.TimeSpan;
import java.lang.reflect.RecordComponent;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class MergeTest {
    private static final String NODE = Builds.NODE;
    private static final Instant AT = Instant.parse("2026-05-09T19:04:00Z");
    private static final Build BASE = Builds.classic()
            .part("bench", "bench-supply")
            .part("led", "led")
            .part("knob", "knob", "VCC=board.5V")
            .wire("led.A", "board.D3")
            .wire("knob.OUT", "board.A0")
            .build();

    private static Build after(Build build, Edit... edits) throws Exception {
        return Edit.applyAll(build, List.of(edits));
    }

    private static Edit line(String text) {
        return new WriteLine(new LogLine.Noted(AT, Place.ofNode(NODE), text, Extras.NONE));
    }

    private static Edit wire(String signal, String pin) {
        String[] ends = signal.split("\\.");
        return new SetWire(NODE, Wire.placed(new Endpoint(ends[0], ends[1]), new Endpoint("board", pin)));
    }

    private static Merge merge(Build mine, Build theirs, boolean isMine) {
        return Merge.of(BASE, mine, theirs, isMine, AT, "joined", List.of());
    }

    private static Build plan(Build build) {
        return build.withLog(BASE.log());
    }

    @Test
    void whatEachChangedIsThere() throws Exception {
        Edit[] own = {
            new SetSetting(NODE, "bench", Settings.VOLTS, "6 V"),
            new AddPart(NODE, Part.of("lamp", "led", "Lamp", "")),
            wire("lamp.A", "D7")
        };
        Edit[] other = {
            wire("led.A", "D5"),
            new RenamePart(NODE, "knob", "Speed"),
            new SetFigure(NODE, "bench", "rail/+/rating", "2 A")
        };
        Merge merge = merge(after(BASE, own), after(BASE, other), true);
        assertEquals(List.of(), merge.both());
        // Nothing meets, so that the order of the edits is no matter; parts and wires that are new come last.
        assertEquals(plan(after(after(BASE, other), own)), plan(merge.build()));
    }

    @Test
    void whatBothChangedIsToldAndTakenFromTheOneAskedFor() throws Exception {
        Build mine = after(BASE, wire("led.A", "D5"), new SetSetting(NODE, "bench", Settings.VOLTS, "6 V"));
        Build theirs = after(BASE, wire("led.A", "D6"), new SetSetting(NODE, "bench", Settings.VOLTS, "7 V"));
        Set<Place> places = Set.of(Place.of(NODE, new Endpoint("led", "A")), Place.ofPart(NODE, "bench"));
        for (boolean isMine : List.of(true, false)) {
            Merge merge = merge(mine, theirs, isMine);
            assertEquals(places, Set.copyOf(merge.both()));
            assertEquals(plan(isMine ? mine : theirs), plan(merge.build()));
        }
        assertEquals(List.of(), merge(mine, mine, true).both(), "the same change twice is one");
    }

    @Test
    void aPartThatOneTookOutAndTheOtherChangedIsAQuestion() throws Exception {
        Build mine = after(BASE, new RemovePart(NODE, "knob"));
        Build theirs = after(BASE, new RenamePart(NODE, "knob", "Speed"));
        assertTrue(merge(mine, theirs, true).both().contains(Place.ofPart(NODE, "knob")));
        assertTrue(merge(mine, theirs, true).build().nodes().get(0).part("knob").isEmpty());
        assertTrue(
                merge(mine, theirs, false).build().nodes().get(0).part("knob").isPresent());
        assertTrue(merge(mine, BASE, false).build().nodes().get(0).part("knob").isEmpty(), "nobody else touched it");
    }

    @Test
    void bothRecordsAreInIt() throws Exception {
        Build mine = after(BASE, line("a"), line("mine"));
        mine = mine.withLog(mine.log().with(new LogLine.TakenBack(AT, Place.ofNode(NODE), 1, Extras.NONE)));
        Build theirs = after(BASE, line("a"), line("theirs"), line("more"));
        Merge merge = merge(mine, theirs, true);
        assertEquals(
                List.of("a", "theirs", "more", "mine", "", "joined"),
                merge.build().log().lines().stream().map(LogLine::text).toList());
        boolean[] counts = merge.build().log().counts();
        assertEquals(
                Set.of("a", "theirs", "more", "joined"),
                counted(merge.build(), counts),
                "what was taken back stays so");
    }

    @Test
    void aTextThatOneOfThemTookOutStaysOut() throws Exception {
        Build base = after(BASE, line("a"), line("name"));
        Build without = new BlankLine(NODE, 1).apply(base);
        Build longer = after(base, line("more"));
        for (boolean isMine : new boolean[] {true, false}) {
            Build merged = merge(isMine ? without : longer, isMine ? longer : without, true)
                    .build();
            assertEquals(
                    List.of("a", "", "more", "joined"),
                    merged.log().lines().stream().map(LogLine::text).toList());
            assertTrue(merged.log().mark(1).isBlanked());
        }
    }

    private static Set<String> counted(Build build, boolean[] counts) {
        return java.util.stream.IntStream.range(0, counts.length)
                .filter(line -> counts[line] && !(build.log().lines().get(line) instanceof LogLine.TakenBack))
                .mapToObj(line -> build.log().lines().get(line).text())
                .collect(Collectors.toSet());
    }

    /** One board with every field of another value; a field that is new stops here until it has one too. */
    private static Map<String, Object> others(Node node) throws Exception {
        Node renamed =
                after(BASE, new RenamePart(NODE, "knob", "Speed")).node(NODE).orElseThrow();
        Node wired = after(BASE, wire("led.A", "D5")).node(NODE).orElseThrow();
        String plugged = node.plugged().iterator().next();
        return Map.of(
                "name", "Attic",
                "parts", renamed.parts(),
                "wires", wired.wires(),
                "between", List.of(new Between.Nothing(Builds.end("knob.OUT"), "", Extras.NONE)),
                "moments",
                        List.of(new Moment(
                                "dusk",
                                "Dusk",
                                List.of(),
                                TimeSpan.ofSeconds(1),
                                Optional.empty(),
                                Optional.empty(),
                                Set.of(),
                                Extras.NONE)),
                "plugged", Set.of(plugged, "row ground > knob.GND@1"),
                "made", Map.of(plugged, "white"),
                "seats", Map.of("knob", new SeatChoice(1, SeatChoice.Side.LEFT, 9, false)),
                "laid", new Laid(Map.of("knob", new SeatChoice(1, SeatChoice.Side.LEFT, 9, false)), Map.of()));
    }

    private static Node with(Node node, String field, Object value) throws Exception {
        RecordComponent[] all = Node.class.getRecordComponents();
        Object[] values = new Object[all.length];
        Class<?>[] types = new Class<?>[all.length];
        for (int i = 0; i < all.length; i++) {
            types[i] = all[i].getType();
            values[i] = all[i].getName().equals(field)
                    ? value
                    : all[i].getAccessor().invoke(node);
        }
        return Node.class.getConstructor(types).newInstance(values);
    }

    // What is new on a table is mine whichever field of it changed: how a wire was made was once forgotten so.
    @Test
    void everyFieldOfATableIsJoined() throws Exception {
        Build base = BASE.withNode(NODE, node -> node.withPlugged(Set.of("board.D3@1 > led.A@1")));
        Node node = base.node(NODE).orElseThrow();
        Map<String, Object> others = others(node);
        for (RecordComponent field : Node.class.getRecordComponents()) {
            if (List.of("id", "like", "extras").contains(field.getName())) {
                continue;
            }
            Node changed = with(node, field.getName(), others.get(field.getName()));
            Build mine = base.withNode(NODE, old -> changed);
            for (boolean isMine : new boolean[] {true, false}) {
                Merge merge = Merge.of(base, mine, base, isMine, AT, "joined", List.of());
                assertEquals(changed, merge.build().node(NODE).orElseThrow(), field.getName());
                assertEquals(List.of(), merge.both());
            }
        }
    }

    @Test
    void eachPlugsAtAPartOfTheirOwn() throws Exception {
        SeatChoice left = new SeatChoice(1, SeatChoice.Side.LEFT, 9, false);
        SeatChoice right = new SeatChoice(1, SeatChoice.Side.RIGHT, 20, false);
        Laid laid = new Laid(Map.of("knob", left, "led", right), Map.of());
        Edit mine = new PlugSeated(new Plug(NODE, Set.of("board.A0@1 > knob.OUT@1"), true), Map.of("knob", left), laid);
        Edit theirs = new PlugSeated(new Plug(NODE, Set.of("board.D3@1 > led.A@1"), true), Map.of("led", right), laid);
        Merge merge = merge(after(BASE, mine), after(BASE, theirs), true);
        assertEquals(List.of(), merge.both());
        assertEquals(plan(after(BASE, theirs, mine)), plan(merge.build()));
    }
}
