package inkel.core.log;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Settings;
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
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Hold;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.RemoveNode;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.RenameNode;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.Restore;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetGround;
import inkel.core.document.edit.SetPurpose;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.Stations;
import inkel.core.document.edit.TakeOut;
import inkel.core.document.edit.Unfeed;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** Each thing that was done can be made as it was before, by itself and all together. */
class WayBackTest {
    private static <T> T any(Random random, List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    private static Edit some(Random random, Build build) {
        Node node = any(random, build.nodes());
        Part part = any(random, node.parts());
        String id = node.id();
        List<Wire> wires = node.wires();
        return switch (random.nextInt(16)) {
            case 0 -> new RenamePart(id, part.id(), "Name " + random.nextInt(9));
            case 1 -> new SetPurpose(id, part.id(), "for " + random.nextInt(9));
            case 2 -> new SetSetting(id, part.id(), Settings.VOLTS, random.nextInt(9) + " V");
            case 3 -> new SetFigure(id, part.id(), "current/V+/peak", "0." + random.nextInt(9) + " A");
            case 4 -> new SetGround(id, part.id(), random.nextBoolean());
            case 5 ->
                part.feeds().isEmpty()
                        ? new RenameNode(id, "Table " + random.nextInt(9))
                        : new Unfeed(
                                id, part.id(), part.feeds().keySet().iterator().next());
            case 6 -> new Feed(id, part.id(), "VCC", new Endpoint("board", "5V"));
            case 7 ->
                wires.isEmpty()
                        ? new RenameNode(id, "x")
                        : new RemoveWire(id, any(random, wires).from());
            case 8, 9 ->
                wires.isEmpty()
                        ? new RenameNode(id, "y")
                        : new SetWire(
                                id,
                                Wire.placed(
                                        any(random, wires).from(), new Endpoint("board", "D" + random.nextInt(12))));
            case 10 ->
                wires.isEmpty()
                        ? new RenameNode(id, "z")
                        : new Hold(id, List.of(any(random, wires).from()), true, "since " + random.nextInt(9));
            case 11 -> new RemovePart(id, part.id());
            case 12 -> new AddPart(id, Part.of("lamp-" + random.nextInt(99), "led", "Lamp", ""));
            case 13 ->
                node.between().isEmpty()
                        ? new RenameNode(id, "w")
                        : new TakeOut(id, any(random, node.between()).signal());
            case 14 -> new RemoveNode(id);
            default -> new CopyNode(id, "copy-" + random.nextInt(99), "Copy");
        };
    }

    /** Nodes, then parts, each after what fed it, then the rest. */
    private static int turn(Edit edit, List<Did> all) {
        if (edit instanceof Restore.PartBack part) {
            return 1
                    + all.stream()
                            .flatMap(did -> did.back().stream())
                            .filter(other -> other instanceof Restore.PartBack feeds
                                    && feeds.node().equals(part.node())
                                    && part.part().feeds().values().stream().anyMatch(rail -> rail.part()
                                            .equals(feeds.part().id())))
                            .mapToInt(other -> turn(other, all))
                            .max()
                            .orElse(0);
        }
        return edit instanceof Restore.NodeBack ? 0 : Integer.MAX_VALUE;
    }

    private static Set<String> said(List<Did> all) {
        Set<String> said = new TreeSet<>();
        all.forEach(did -> said.add(did.place() + " " + did.what()));
        return said;
    }

    @Test
    void eachThingGoesBackByItselfAndAllOfThemTogether() throws Exception {
        int tried = 0;
        int saved = 0;
        Set<String> sorts = new TreeSet<>();
        for (int seed = 900; seed < 1020; seed++) {
            Random random = new Random(seed);
            Build before = RandomBuilds.of(seed);
            Build after = before;
            for (int i = 0; i < 12; i++) {
                try {
                    after = some(random, after).apply(after);
                } catch (EditRefused cannot) {
                    // The board stays, an id is taken: another edit then.
                }
            }
            List<Did> all = PlanChanges.between(before, after);
            List<Edit> back = new ArrayList<>();
            for (Did did : all) {
                back.addAll(did.back());
                if (isByItself(did, all)) {
                    Build without = Edit.applyAll(after, did.back());
                    String where = seed + ": " + did;
                    if (isReadable(after)) {
                        assertTrue(isReadable(without), where);
                        saved++;
                    }
                    assertTrue(
                            PlanChanges.between(before, without).stream()
                                    .noneMatch(other -> other.place().equals(did.place())
                                            && other.what()
                                                    .key()
                                                    .equals(did.what().key())
                                            && other.what().equals(did.what())),
                            where);
                    tried++;
                    sorts.add(did.what().key());
                }
            }
            // What others hang on comes back first.
            back.sort(Comparator.comparing(edit -> turn(edit, all)));
            Build whole = Edit.applyAll(after, back);
            assertTrue(isReadable(whole) || !isReadable(before) || !isReadable(after), seed + ": all");
            Set<String> left = said(PlanChanges.between(before, whole));
            left.removeAll(said(all.stream().filter(did -> did.back().isEmpty()).toList()));
            assertEquals(Set.of(), left, seed + ": " + said(all));
        }
        assertTrue(tried > 300, "tried " + tried);
        assertTrue(saved > 50, "saved " + saved);
        assertTrue(sorts.size() > 12, sorts.toString());
    }

    /** Whatever an edit makes can be saved. */
    private static boolean isReadable(Build build) {
        try {
            BuildReader.parse(Path.of("back"), BuildWriter.print(build), Builds.CATALOG);
            return true;
        } catch (UnreadableFile told) {
            return false;
        }
    }

    private static final Place FIRST = Place.ofPart(Builds.NODE, "radio");
    private static final Place SECOND = Place.ofPart("second", "radio");

    @Test
    void stationsShiftersAndLinksOfPartsThatAreGoneAreNotPutBack() throws Exception {
        Build before = Edit.applyAll(
                Builds.classic()
                        .part("radio", "packet-radio", "VCC=board.3V3")
                        .part("shifter", "shifter-4", "HV=board.5V", "LV=board.3V3")
                        .wire("radio.CE", "board.D9")
                        .build(),
                List.of(
                        new CopyNode(Builds.NODE, "second", "Second"),
                        new Stations.Join(SECOND, FIRST, "Locks"),
                        new Insert(
                                Builds.NODE,
                                new Between.ShifterWay(new Endpoint("radio", "CE"), "shifter", 1, Extras.NONE)),
                        new AddNodeWire(new NodeWire(
                                Place.of(Builds.NODE, new Endpoint("board", "D3")),
                                Place.of("second", new Endpoint("board", "D4")),
                                false,
                                Extras.NONE))));
        Build after = Edit.applyAll(
                before, List.of(new RemovePart(Builds.NODE, "shifter"), new RemovePart("second", "radio")));
        assertTrue(isReadable(after));
        // The shifter comes back with the way that went through it.
        Did gone = PlanChanges.between(before, after).stream()
                .filter(did -> did.what().values().containsValue("shifter"))
                .findFirst()
                .orElseThrow();
        assertEquals(
                before.nodes().get(0).between(),
                Edit.applyAll(after, gone.back()).nodes().get(0).between());
        for (Did did : PlanChanges.between(before, after)) {
            Build back;
            try {
                back = Edit.applyAll(after, did.back());
            } catch (EditRefused told) {
                continue;
            }
            assertTrue(isReadable(back), did.toString());
        }
    }

    /** What leads to a part or table that is gone has to wait for that. */
    private static boolean isByItself(Did did, List<Did> all) {
        boolean hasGone = all.stream()
                .anyMatch(other -> other.what().key().equals("did.removed")
                        || other.what().key().equals("did.node_removed"));
        return !did.back().isEmpty() && !hasGone;
    }

    @Test
    void aPartComesBackWithItsWires() throws Exception {
        Build before = Builds.classic()
                .part("servo", "servo-micro", "V+=board.5V")
                .wire("servo.SIG", "board.D3")
                .build();
        Build after = new RemovePart(Builds.NODE, "servo").apply(before);
        Build back =
                Edit.applyAll(after, PlanChanges.between(before, after).get(0).back());
        assertEquals(before.nodes().get(0).wires(), back.nodes().get(0).wires());
        assertEquals(before.nodes().get(0).part("servo"), back.nodes().get(0).part("servo"));
    }

    @Test
    void anotherKindGoesBackWithItsFigures() throws Exception {
        Build before =
                Builds.classic().part("servo", "servo-micro", "V+=board.5V").build();
        before = new SetFigure(Builds.NODE, "servo", "current/V+/peak", "0.9 A").apply(before);
        Build after = new Exchange(
                        Builds.NODE, "servo", Builds.CATALOG.find("servo-large").orElseThrow())
                .apply(before);
        List<Edit> back = new ArrayList<>();
        PlanChanges.between(before, after).forEach(did -> back.addAll(did.back()));
        Build again = Edit.applyAll(after, back);
        assertEquals(List.of(), PlanChanges.between(before, again));
    }

    @Test
    void whatLeadsToSomethingThatIsGoneIsRefusedAndNothingChanges() throws Exception {
        Build before = Builds.classic()
                .part("bench", "bench-supply")
                .part("servo", "servo-micro", "V+=bench.+")
                .build();
        Build after = Edit.applyAll(
                before, List.of(new Unfeed(Builds.NODE, "servo", "V+"), new RemovePart(Builds.NODE, "bench")));
        Did unfed = PlanChanges.between(before, after).stream()
                .filter(did -> did.place().equals(Place.ofPart(Builds.NODE, "servo")))
                .findFirst()
                .orElseThrow();
        assertThrows(EditRefused.class, () -> Edit.applyAll(after, unfed.back()));
    }
}
