package inkel.stress.cases;

import inkel.app.state.Session;
import inkel.app.store.Recovery;
import inkel.core.catalog.Habit;
import inkel.core.catalog.OwnFigures;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Logbook;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Hold;
import inkel.core.document.edit.LeaveOut;
import inkel.core.document.edit.MovePart;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.RemoveNode;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.RenameNode;
import inkel.core.document.edit.RenamePart;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetGround;
import inkel.core.document.edit.SetHabit;
import inkel.core.document.edit.SetMoment;
import inkel.core.document.edit.SetPurpose;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.io.catalog.Shelf;
import inkel.core.io.document.BuildFile;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.log.Entry;
import inkel.core.log.PlanChanges;
import inkel.core.quantity.TimeSpan;
import inkel.core.wiring.WireStep;
import inkel.stress.kit.Chance;
import inkel.stress.kit.Oddities;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Tally;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/** What a builder may do in an evening, by chance: every state can be saved and read, and undo goes all the way back. */
public final class Walks implements Ordeal {
    private static final int STEPS = 40;

    private final Path folder;

    public Walks() throws IOException {
        folder = Files.createTempDirectory("inkel-stress-walk");
    }

    @Override
    public String name() {
        return "walks";
    }

    @Override
    public String round() {
        return STEPS + " changes by chance through the session of the window, with undo, redo and saves between";
    }

    @Override
    public void round(long number, Random random, Tally tally) throws IOException, UnreadableFile {
        Path file = folder.resolve("walk.inkel.json");
        Build start = Chance.oneIn(random, 3)
                ? BuildReader.parse(file, Chance.of(random, Seeds.examples()), Seeds.CATALOG)
                : Tables.of(random);
        BuildFile.save(file, start, Seeds.CATALOG);
        Session session = new Session(
                Seeds.CATALOG,
                Shelf.read(folder.resolve("shelf")),
                Quiet.LANES,
                Clock.systemUTC(),
                new Recovery(folder.resolve("recovery")));
        session.files().open(file);
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < STEPS; i++) {
            String step = "";
            try {
                step = step(session, random);
                path.append(step).append('\n');
                tally.count("steps");
                readable(session.build().orElseThrow(), step, path, tally);
                if (Chance.oneIn(random, 8)) {
                    saved(session, file, path, tally);
                }
            } catch (RuntimeException | StackOverflowError crash) {
                tally.crashed(step, crash, path.toString());
                return;
            }
        }
        back(session, start, path, tally);
    }

    /** Undo goes back state by state, and redo on through the same ones. */
    private static void back(Session session, Build start, StringBuilder path, Tally tally) {
        Deque<Build> on = new ArrayDeque<>();
        while (session.canUndoProperty().get()) {
            on.push(plan(session.build().orElseThrow()));
            session.undo();
        }
        if (!plan(session.build().orElseThrow()).equals(plan(start))) {
            tally.broke("undo does not lead back", "", path.toString());
        }
        while (!on.isEmpty()) {
            session.redo();
            Build now = plan(session.build().orElseThrow());
            Build then = on.pop();
            if (!now.equals(then)) {
                tally.broke(
                        "redo leads elsewhere", PlanChanges.between(then, now).toString(), path.toString());
                return;
            }
        }
    }

    private static Build plan(Build build) {
        return build.withLog(Logbook.EMPTY);
    }

    private static void readable(Build build, String step, StringBuilder path, Tally tally) {
        Build whole = build.carrying(Seeds.CATALOG);
        try {
            if (!BuildReader.parse(Seeds.FILE, BuildWriter.print(whole), Seeds.CATALOG)
                    .equals(whole)) {
                tally.broke(kind(step) + ": reads back as another build", step, path.toString());
            }
        } catch (UnreadableFile unreadable) {
            tally.broke(kind(step) + ": cannot be read", unreadable.problems().toString(), path.toString());
        }
    }

    private static String kind(String step) {
        return step.replaceAll("[\\[ (].*", "");
    }

    private static void saved(Session session, Path file, StringBuilder path, Tally tally) {
        session.files().save();
        tally.count("saves");
        try {
            if (!BuildReader.read(file, Seeds.CATALOG).equals(session.build().orElseThrow())) {
                tally.broke("the file is another build", "", path.toString());
            }
        } catch (UnreadableFile unreadable) {
            tally.broke("the file cannot be read", unreadable.problems().toString(), path.toString());
        }
        if (session.files().unsavedProperty().get()) {
            tally.broke("still unsaved", "", path.toString());
        }
    }

    // --- one step

    private static String step(Session session, Random random) {
        Assessment now = session.assessmentProperty().get();
        NodeCircuit node = Chance.of(random, now.reports().circuit().nodes());
        session.nodeProperty().set(node.node().id());
        switch (random.nextInt(12)) {
            case 0, 1:
                return wayOut(session, now, random);
            case 2:
                PartClass cls = Chance.of(random, Tables.OTHERS);
                session.parts().add(cls, 1 + random.nextInt(2));
                return "add " + cls.id();
            case 3:
                session.undo();
                return "undo";
            case 4:
                session.redo();
                return "redo";
            case 5:
                String said = Oddities.text(random);
                session.log()
                        .write(
                                Chance.of(random, List.of(Entry.Sort.values())),
                                Place.ofNode(node.node().id()),
                                said,
                                Oddities.text(random),
                                Oddities.text(random),
                                Optional.empty());
                return "write " + said;
            default:
                Edit edit = edit(now.build(), node, random);
                session.apply(edit);
                return edit.toString();
        }
    }

    private static String wayOut(Session session, Assessment now, Random random) {
        if (now.findings().isEmpty()) {
            return "nothing said";
        }
        Finding finding = Chance.of(random, now.findings());
        List<Fix> fixes = finding.fixes();
        if (fixes.isEmpty()) {
            return "no way out of " + finding.code();
        }
        Fix fix = Chance.of(random, fixes);
        session.apply(fix);
        return fix.toString();
    }

    private static Edit edit(Build build, NodeCircuit circuit, Random random) {
        Node node = circuit.node();
        String id = node.id();
        Placed placed = Chance.of(random, List.copyOf(circuit.parts()));
        String part = placed.id();
        Endpoint pin = pin(circuit, random);
        String odd = Oddities.text(random);
        switch (random.nextInt(20)) {
            case 0:
                return new RemovePart(id, part);
            case 1:
                return new SetWire(id, Wire.placed(pin, pin(circuit, random)));
            case 2:
                return new RemoveWire(id, pin);
            case 3:
                return new RenamePart(id, part, odd);
            case 4:
                return new RenameNode(id, odd);
            case 5:
                return new SetPurpose(id, part, odd);
            case 6, 7, 8:
                return setting(id, placed, random);
            case 9, 10:
                return figure(id, placed, random);
            case 11:
                return plug(circuit, random);
            case 12:
                return new CopyNode(id, build.freeNodeId(odd), odd);
            case 13:
                return build.nodes().size() > 1 ? new RemoveNode(id) : new SetGround(id, part, random.nextBoolean());
            case 14:
                return new MovePart(id, part, Chance.of(random, build.nodes()).id());
            case 15:
                return new Hold(id, List.of(pin), random.nextBoolean(), odd);
            case 16:
                return new Feed(id, part, pin.pin(), pin(circuit, random));
            case 17:
                return Chance.oneIn(random, 2) ? new Unfeed(id, part, pin.pin()) : moment(node, random);
            case 18:
                return Chance.oneIn(random, 2)
                        ? new LeaveOut(Place.ofPart(id, part), random.nextBoolean(), java.time.Instant.EPOCH)
                        : new SetHabit<>(id, Habit.WIRE_ORDER, Chance.of(random, List.of(Habit.WireOrder.values())));
            default:
                return new Exchange(id, part, Chance.of(random, Tables.OTHERS));
        }
    }

    private static Endpoint pin(NodeCircuit circuit, Random random) {
        Placed placed = Chance.of(random, List.copyOf(circuit.parts()));
        return placed.cls().pins().isEmpty()
                ? new Endpoint(placed.id(), "X")
                : new Endpoint(
                        placed.id(), Chance.of(random, placed.cls().pins()).label());
    }

    /** What the form of a part would let be typed. */
    private static Edit setting(String node, Placed placed, Random random) {
        List<Setting<?>> typed = Settings.typedFor(placed.cls());
        for (int i = 0; i < 30 && !typed.isEmpty(); i++) {
            Setting<?> setting = Chance.of(random, typed);
            String text = Chance.oneIn(random, 2) ? setting.example(placed.cls()) : Oddities.text(random);
            if (setting.problem(placed.cls(), text).isEmpty()) {
                return new SetSetting(node, placed.id(), setting, text);
            }
        }
        return new SetGround(node, placed.id(), true);
    }

    private static Edit figure(String node, Placed placed, Random random) {
        List<OwnFigures.Slot> slots = OwnFigures.of(placed.cls());
        for (int i = 0; i < 30 && !slots.isEmpty(); i++) {
            OwnFigures.Slot slot = Chance.of(random, slots);
            String text = Chance.oneIn(random, 2) ? slot.example() : Oddities.text(random);
            if (OwnFigures.problem(Seeds.CATALOG.get(placed.part().classId()), Map.of(slot.key(), text))
                    .isEmpty()) {
                return new SetFigure(node, placed.id(), slot.key(), text);
            }
        }
        return new SetGround(node, placed.id(), false);
    }

    private static Edit plug(NodeCircuit circuit, Random random) {
        List<String> wires = inkel.core.wiring.WireList.of(circuit).steps().stream()
                .map(WireStep::id)
                .toList();
        Set<String> some = new LinkedHashSet<>();
        for (int i = 0; i < 3 && !wires.isEmpty(); i++) {
            some.add(Chance.of(random, wires));
        }
        return new Plug(circuit.node().id(), some, random.nextBoolean());
    }

    private static Edit moment(Node node, Random random) {
        return new SetMoment(
                node.id(),
                new Moment(
                        "moment-" + random.nextInt(3),
                        Oddities.text(random),
                        List.of(),
                        TimeSpan.ofSeconds(random.nextDouble() + 1e-9),
                        Optional.of(TimeSpan.ofSeconds(random.nextInt(100) + 1)),
                        Optional.of(TimeSpan.ofSeconds(random.nextDouble())),
                        Set.of(),
                        inkel.core.document.Extras.NONE));
    }
}
