package inkel.core.kit;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Habit;
import inkel.core.catalog.Habits;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Logbook;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.finding.Finding;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Makes a one-node build step by step: a board on a USB port, and what a test adds. */
public final class Builds {
    public static final Catalog CATALOG = CatalogReader.shipped();
    public static final String NODE = "bench";

    private final List<Part> parts = new ArrayList<>();
    private final List<Wire> wires = new ArrayList<>();
    private final List<Between> between = new ArrayList<>();
    private final List<Moment> moments = new ArrayList<>();

    private Habits habits = Habits.USUAL;
    private Set<String> plugged = Set.of();

    private Builds(String boardClass) {
        parts.add(Part.of(Part.BOARD, boardClass, "Board", "").withFeed("USB", end("usb.5V")));
        parts.add(Part.of("usb", "usb-port", "USB", ""));
    }

    /** A board on a USB port. */
    public static Builds on(String boardClass) {
        return new Builds(boardClass);
    }

    /** Any board on a port of a computer, or on a supply that suits it where it has no socket for one. */
    public static Builds powered(PartClass board) {
        Builds start = on(board.id());
        if (board.pin("USB").isPresent()) {
            return start;
        }
        Supply supply = board.supplies().get(0);
        if (supply.range().range().highest().volts() > 5) {
            return start.boardOnly(supply.pin(), "usb.5V");
        }
        return start.part("bench", "bench-supply")
                .setting("bench", "volts", supply.range().range().expected().volts() + " V")
                .boardOnly(supply.pin(), "bench.+");
    }

    /** The classic 5 V board on a USB port. */
    public static Builds classic() {
        return new Builds("board-classic-5v");
    }

    /** The 3.3 V dual-core board on a USB port. */
    public static Builds dualCore() {
        return new Builds("board-dual-core-3v3");
    }

    public static Endpoint end(String text) {
        return Endpoint.parse(text).orElseThrow();
    }

    public static Place place(String text) {
        return Place.of(NODE, end(text));
    }

    /** @param feeds pairs such as {@code "VCC=board.5V"} */
    public Builds part(String id, String classId, String... feeds) {
        Map<String, Endpoint> map = new LinkedHashMap<>();
        for (String feed : feeds) {
            int equals = feed.indexOf('=');
            map.put(feed.substring(0, equals), end(feed.substring(equals + 1)));
        }
        parts.add(new Part(id, classId, id, "", map, false, Map.of(), Map.of(), 0, Extras.NONE));
        return this;
    }

    public Builds setting(String part, String key, String value) {
        parts.replaceAll(
                old -> old.id().equals(part) ? old.withSetting(Settings.of(key).orElseThrow(), value) : old);
        return this;
    }

    public <E extends Enum<E>> Builds habit(Habit<E> habit, E option) {
        habits = habits.with(habit, option);
        return this;
    }

    /** Puts an own figure in place of the class's. */
    public Builds figure(String part, String key, String value) {
        parts.replaceAll(old -> old.id().equals(part) ? old.withFigure(key, value) : old);
        return this;
    }

    /** Feeds the board through one pin alone. */
    public Builds boardOnly(String pin, String rail) {
        parts.set(0, parts.get(0).withFeeds(Map.of(pin, end(rail))));
        return this;
    }

    /** Leaves the board without a supply, and takes the port off the table. */
    public Builds boardUnfed() {
        parts.set(0, parts.get(0).withFeeds(Map.of()));
        parts.removeIf(part -> part.id().equals("usb"));
        return this;
    }

    /** Feeds the board through one pin more. */
    public Builds boardAlso(String pin, String rail) {
        parts.set(0, parts.get(0).withFeed(pin, end(rail)));
        return this;
    }

    /** Feeds the board from another rail than the USB port. */
    public Builds boardFrom(String rail) {
        parts.set(0, parts.get(0).withFeed("USB", end(rail)));
        return this;
    }

    public Builds groundApart(String part) {
        parts.replaceAll(old -> old.id().equals(part) ? old.withGroundApart(true) : old);
        return this;
    }

    public Builds wire(String from, String to) {
        wires.add(Wire.placed(end(from), end(to)));
        return this;
    }

    public Builds hold(String from, String to) {
        wires.add(Wire.held(end(from), end(to), "for the test"));
        return this;
    }

    public Builds between(Between entry) {
        between.add(entry);
        return this;
    }

    public Builds moment(Moment moment) {
        moments.add(moment);
        return this;
    }

    /** Ticks wires off, by their ids. */
    public Builds plugged(String... ids) {
        plugged = Set.of(ids);
        return this;
    }

    public Build build() {
        return new Build(
                        "Test",
                        List.of(new Node(NODE, "Bench", parts, wires, between, moments, plugged, Extras.NONE)),
                        Logbook.EMPTY,
                        Extras.NONE)
                .withHabits(habits);
    }

    public NodeCircuit circuit() {
        return Circuit.of(build(), CATALOG).nodes().get(0);
    }

    public Assessment assess() {
        return Assessment.assess(build(), CATALOG);
    }

    /** What one rule says of the build. */
    public List<Finding> findings(String code) {
        return of(assess(), code);
    }

    /** What one rule says; a rule that crashed would say nothing, so none may have. */
    public static List<Finding> of(Assessment assessment, String code) {
        List<Finding> crashed = assessment.findings().stream()
                .filter(finding -> finding.code().startsWith("inkel.") && !code.startsWith("inkel."))
                .toList();
        if (!crashed.isEmpty()) {
            throw new AssertionError("crashed: " + crashed);
        }
        return assessment.findings().stream()
                .filter(finding -> finding.code().equals(code))
                .toList();
    }

    /** An example build, read from the project's own folder. */
    public static Build example(String name) {
        try {
            return BuildReader.read(Path.of("..", "examples", name), CATALOG);
        } catch (UnreadableFile wrong) {
            throw new AssertionError(wrong);
        }
    }

    public static Build locks() {
        return example("otterbeck-locks.inkel.json");
    }

    public static Build firstSketch() {
        return example("otterbeck-first-sketch.inkel.json");
    }
}
