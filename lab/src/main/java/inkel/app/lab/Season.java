package inkel.app.lab;

import inkel.app.lane.Lanes;
import inkel.app.state.Session;
import inkel.app.store.Examples;
import inkel.app.store.Recovery;
import inkel.core.bench.Answer;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.Layout;
import inkel.core.catalog.BenchKind;
import inkel.core.catalog.Catalog;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import inkel.core.document.Meter;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.document.Tuning.Found;
import inkel.core.document.Tuning.Point;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.SetPurpose;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.Tune;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.catalog.Shelf;
import inkel.core.io.document.BuildFile;
import inkel.core.io.document.BuildReader;
import inkel.core.log.Entry;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Makes the record of the example that has one: three weeks in which the plan of the locks came to be what it is, with readings
 * of a bench that is not there. Nothing of it happened.
 *
 * <p>Longer than other files: it is one story, told in its order.
 */
final class Season {
    private static final String LOCK = "lower-lock";
    private static final String PUMP = "pump-house";
    private static final long MINUTES = 60;
    private static final int SEED = 20_260_502;

    /** Sets the clock of the session. */
    private static final class Calendar extends Clock {
        private Instant now = Instant.parse("2026-05-02T17:00:00Z");

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return now;
        }

        void pass(long minutes) {
            now = now.plusSeconds(minutes * MINUTES);
        }

        void begin(int day, int hour) {
            now = Instant.parse(String.format("2026-05-%02dT%02d:07:00Z", day, hour));
        }
    }

    /** The plan becomes another one, and the record goes on. */
    private record Become(String node, Build plan) implements Edit {
        @Override
        public Build apply(Build build) {
            return plan.withLog(build.log());
        }
    }

    private final Catalog catalog = CatalogReader.shipped();
    private final Calendar clock = new Calendar();
    private final Session session;
    private final Build plan;
    private int read;

    private Season(Path work) throws Exception {
        plan = BuildReader.read(Examples.folder().resolve(Examples.DEMO), catalog)
                .withLog(Logbook.EMPTY);
        session = new Session(
                catalog,
                Shelf.read(work.resolve("shelf")),
                Lanes.of(Runnable::run, Runnable::run),
                clock,
                new Recovery(work.resolve("recovery")));
    }

    /** Writes the example anew. */
    static void write(Path file, PrintWriter out) throws Exception {
        Path work = Files.createTempDirectory("inkel-season");
        Season season = new Season(work);
        Build made = season.make(work);
        // Written elsewhere first, so that no former version is kept beside the example.
        Path whole = work.resolve("whole.inkel.json");
        BuildFile.save(whole, made, season.catalog);
        Files.copy(whole, file, StandardCopyOption.REPLACE_EXISTING);
        out.println(file + ": " + made.log().size() + " lines");
    }

    private Build make(Path work) throws Exception {
        List<Build> states = states();
        Path draft = work.resolve("season.inkel.json");
        BuildFile.save(draft, states.get(0), catalog);
        session.files().open(draft);
        planning(states);
        firstPower();
        secondWeek();
        thirdWeek();
        return session.build().orElseThrow();
    }

    // --- the plan, backwards from what it is today

    private List<Build> states() throws EditRefused {
        List<Build> states = new ArrayList<>(List.of(plan));
        Build now = plan;
        for (Edit undone : undone()) {
            now = undone.apply(now);
            states.add(now);
        }
        Collections.reverse(states);
        return states;
    }

    private List<Edit> undone() {
        List<Edit> edits = new ArrayList<>();
        for (Node node : plan.nodes()) {
            for (Part part : node.parts()) {
                if (!part.purpose().isEmpty() && !part.isBoard()) {
                    edits.add(new SetPurpose(node.id(), part.id(), ""));
                }
            }
        }
        for (String part : List.of("gate-upper", "gate-lower", "sluice", "driver")) {
            for (String key : List.of("contact", "gauge", "length")) {
                edits.add(without(LOCK, part, key));
            }
        }
        edits.add(without(PUMP, "modem", "together"));
        edits.add(without(PUMP, "temperature", "waits"));
        edits.add(without(LOCK, "radio", "select_pull_up"));
        edits.add(without(LOCK, "reader", "select_pull_up"));
        edits.add(fed(LOCK, "driver", "V+", new Endpoint(Part.BOARD, "5V")));
        edits.add(fed(LOCK, "radio", "VCC", new Endpoint(Part.BOARD, "3V3")));
        edits.add(fed(LOCK, "reader", "3.3V", new Endpoint(Part.BOARD, "3V3")));
        edits.add(fed(PUMP, "modem", "VCC", new Endpoint(Part.BOARD, "5V")));
        edits.add(new SetWire(LOCK, Wire.placed(new Endpoint("radio", "CE"), new Endpoint(Part.BOARD, "D5"))));
        edits.add(new SetWire(LOCK, Wire.placed(new Endpoint("handset", "OUT"), new Endpoint(Part.BOARD, "D2"))));
        edits.add(new RemovePart(LOCK, "level"));
        edits.add(new RemovePart(LOCK, "display"));
        edits.add(new RemovePart(LOCK, "handset"));
        edits.add(new RemovePart(PUMP, "display"));
        edits.add(new RemovePart(PUMP, "flow"));
        edits.add(new Edit() {
            @Override
            public String node() {
                return LOCK;
            }

            @Override
            public Build apply(Build build) {
                return unwired(build);
            }
        });
        return edits;
    }

    private static Build unwired(Build build) {
        return build.withNodes(build.nodes().stream()
                .map(node -> node.id().equals(LOCK) ? node.withWires(List.of()) : node)
                .toList());
    }

    private static Edit without(String node, String part, String key) {
        return change(node, part, old -> {
            Map<String, String> fewer = new LinkedHashMap<>(old.settings());
            fewer.remove(key);
            return new Part(
                    old.id(),
                    old.classId(),
                    old.name(),
                    old.purpose(),
                    old.feeds(),
                    old.groundApart(),
                    fewer,
                    old.figures(),
                    old.since(),
                    old.extras());
        });
    }

    private static Edit fed(String node, String part, String pin, Endpoint rail) {
        return change(node, part, old -> {
            Map<String, Endpoint> feeds = new LinkedHashMap<>(old.feeds());
            feeds.put(pin, rail);
            return new Part(
                    old.id(),
                    old.classId(),
                    old.name(),
                    old.purpose(),
                    feeds,
                    old.groundApart(),
                    old.settings(),
                    old.figures(),
                    old.since(),
                    old.extras());
        });
    }

    private static Edit change(String node, String part, java.util.function.UnaryOperator<Part> how) {
        return new Edit() {
            @Override
            public String node() {
                return node;
            }

            @Override
            public Build apply(Build build) throws EditRefused {
                return build.withNode(node, old -> old.withPart(part, how));
            }
        };
    }

    // --- three weeks

    private void note(Entry.Sort sort, Place place, String text) {
        session.log().write(sort, place, text, "", "", Optional.empty());
        clock.pass(6);
    }

    private static Place part(String id) {
        return Place.ofPart(LOCK, id);
    }

    private void planning(List<Build> states) {
        note(
                Entry.Sort.NOTED,
                Place.NOWHERE,
                "A lock for the garden canal: two gates, a sluice, and a pump house by radio.");
        int evenings = 6;
        int each = (states.size() + evenings - 1) / evenings;
        for (int i = 1; i < states.size(); i++) {
            if ((i - 1) % each == 0) {
                clock.begin(2 + (i - 1) / each, 18);
            }
            session.apply(new Become(LOCK, states.get(i)));
            clock.pass(4);
        }
        note(
                Entry.Sort.DECIDED,
                Place.of(LOCK, new Endpoint("radio", "CE")),
                "CE held on D9: the shield already has that trace");
        note(
                Entry.Sort.DECIDED,
                part("bench"),
                "the servos have a supply of their own; the board's 5 V is for logic alone");
    }

    private NodeWake wake() {
        Build now = session.build().orElseThrow();
        return WakePlan.of(Circuit.of(now, catalog), Meter.USUAL).node(LOCK).orElseThrow();
    }

    /** Reads checks as a good bench gives them. */
    private void read(int from, int count) {
        Build now = session.build().orElseThrow();
        Layout layout = Layout.of(Circuit.of(now, catalog));
        PracticeBench bench =
                new PracticeBench(layout.circuit(), layout.lists(), Twist.NONE, Meter.USUAL, SEED + read++);
        List<Check> checks = wake().checks();
        for (int i = from; i < Math.min(checks.size(), from + count); i++) {
            Check check = checks.get(i);
            Optional<Answer> answer = bench.ask(check.asked());
            answer.ifPresent(got -> session.wake().answered(check, got, true));
            clock.pass(2);
        }
    }

    private void firstPower() {
        session.nodeProperty().set(LOCK);
        clock.begin(9, 17);
        note(
                Entry.Sort.NOTED,
                Place.ofNode(LOCK),
                "First power-up of what is wired so far; bench supply limited to 200 mA.");
        read(0, 16);
        note(Entry.Sort.WENT_WRONG, part("reader"), "never answered: the header was put in and not soldered");
        note(
                Entry.Sort.SWAPPED,
                part("reader"),
                "the first one never answered even soldered; another of the same kind does");
    }

    private Check volts(String signal) {
        return wake().checks().stream()
                .filter(check -> check.kind() == Check.Kind.VOLTS
                        && check.at().toString().endsWith(signal))
                .findFirst()
                .orElseThrow();
    }

    private void type(Check check, double volts) {
        Expected.Within within = (Expected.Within) check.expected();
        Quantity value = Quantity.of(within.unit(), volts);
        session.wake().read(check, value, volts + " V");
        clock.pass(5);
    }

    private void secondWeek() {
        clock.begin(11, 18);
        read(16, 20);
        clock.begin(12, 18);
        Check radio = volts("radio.VCC");
        type(radio, 3.29);
        type(radio, 3.28);
        clock.begin(13, 17);
        type(radio, 3.02);
        note(Entry.Sort.WENT_WRONG, part("radio"), "the jumper of its supply sat loose: found in 2 looks, first guess");
        type(radio, 3.31);
        clock.begin(14, 19);
        servo("gate-upper", 560, 2380);
        servo("gate-lower", 590, 2340);
        servo("sluice", 610, 2310);
        note(Entry.Sort.DECIDED, part("sluice"), "half open is enough for a boat: the water stays calm");
        clock.begin(15, 18);
        note(Entry.Sort.NOTED, Place.ofNode(PUMP), "mast moved to the south wall; the link is to be proved again");
    }

    private void servo(String id, int low, int high) {
        Tuning tuning = new Tuning(
                BenchKind.SERVO,
                // Sorted, so that each run writes the same bytes.
                new TreeMap<>(Map.of("low_end", micros(low), "high_end", micros(high))),
                Map.of("map", List.of(new Point(0, low / 1e6), new Point(1023, high / 1e6))),
                Map.of("half open", Quantity.of(Unit.SECOND, (low + high) / 2e6)),
                Map.of(),
                Map.of());
        session.apply(new Tune(part(id), tuning, LogLine.By.TYPED, session.now()));
        clock.pass(11);
    }

    private static Found micros(int micros) {
        return new Found(Quantity.of(Unit.SECOND, micros / 1e6), 8e-6, Source.MEASURED);
    }

    private void thirdWeek() {
        clock.begin(17, 15);
        note(Entry.Sort.WENT_WRONG, Place.ofPart(PUMP, "modem"), "reset at each message: its supply fell to 3.1 V");
        session.log()
                .write(
                        Entry.Sort.NOTED,
                        Place.ofPart(PUMP, "modem"),
                        "wires of 20 gauge and 0.2 m, soldered: it stays at 3.9 V",
                        "3.9 V",
                        "",
                        Optional.of(session.build().orElseThrow().log().size() - 1));
        clock.begin(19, 18);
        read(36, 14);
        clock.begin(21, 18);
        type(volts("radio.VCC"), 3.30);
        note(Entry.Sort.NOTED, Place.NOWHERE, "Rain all day: the box stayed dry.");
        clock.begin(23, 10);
        type(volts("reg.OUT"), 3.31);
        note(Entry.Sort.NOTED, Place.ofNode(LOCK), "Two boats through in a row, gates and sluice by the handset.");
    }
}
