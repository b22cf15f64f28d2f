package inkel.core.document;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Habits;
import inkel.core.catalog.OwnClass;
import inkel.core.quantity.Fact;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A whole build. Immutable: an edit makes a new one. Two builds are equal when all they hold is equal.
 *
 * @param links signal wires between its boards
 * @param air which radios of its boards belong together
 * @param habits how its builder works where practitioners disagree
 * @param classes the part classes it uses that are not shipped, by id; what a shelf has under these ids does not count
 */
public record Build(
        String name,
        List<Node> nodes,
        List<NodeWire> links,
        List<RadioGroup> air,
        Habits habits,
        List<OwnClass> classes,
        Logbook log,
        Extras extras) {
    /** The version of the file format that this program writes. */
    public static final int FORMAT = 2;

    public Build {
        nodes = List.copyOf(nodes);
        links = List.copyOf(links);
        air = List.copyOf(air);
        classes = List.copyOf(classes);
    }

    public Optional<Node> node(String id) {
        return nodes.stream().filter(node -> node.id().equals(id)).findFirst();
    }

    /** A build without wires between its boards. */
    public Build(String name, List<Node> nodes, Logbook log, Extras extras) {
        this(name, nodes, List.of(), List.of(), Habits.USUAL, List.of(), log, extras);
    }

    /** The classes that its parts are of: its own ones, and behind them a catalogue. */
    public Catalog classesIn(Catalog catalog) {
        return classes.isEmpty() ? catalog : catalog.with(classes);
    }

    /** This build with every class that it uses and that is not shipped, so that it can be read where no shelf has it. */
    public Build carrying(Catalog catalog) {
        Catalog all = classesIn(catalog);
        return withClasses(nodes.stream()
                .flatMap(node -> node.parts().stream())
                .map(Part::classId)
                .distinct()
                .flatMap(id -> all.own(id).stream())
                .sorted(Comparator.comparing(OwnClass::id))
                .toList());
    }

    /**
     * What becomes of this build when a shelf changes: a class that was the shelf's own goes with it, unless it no longer fits
     * what is said of a part.
     */
    public Build following(Catalog before, Catalog after) {
        return withClasses(classes.stream()
                .map(cls -> after.own(cls.id())
                        .filter(next -> before.own(cls.id()).filter(cls::equals).isPresent())
                        .filter(next -> unfit(next).isEmpty())
                        .orElse(cls))
                .toList());
    }

    /** The first part that could not be of another version of its class, and why. */
    public Optional<Map.Entry<Part, Fact>> unfit(OwnClass cls) {
        return nodes.stream()
                .flatMap(node -> node.parts().stream()
                        .filter(part -> part.classId().equals(cls.id()))
                        .flatMap(part ->
                                Fit.problem(node, part, cls.cls()).stream().map(reason -> Map.entry(part, reason))))
                .findFirst();
    }

    public Build withClasses(List<OwnClass> newClasses) {
        return newClasses.equals(classes) ? this : new Build(name, nodes, links, air, habits, newClasses, log, extras);
    }

    public Build withLinks(List<NodeWire> newLinks) {
        return new Build(name, nodes, newLinks, air, habits, classes, log, extras);
    }

    public Build withLog(Logbook newLog) {
        return new Build(name, nodes, links, air, habits, classes, newLog, extras);
    }

    /**
     * What undo and redo make of this build: another of its states, with the record of this one, in which the lines
     * that came in between are taken back, or count again.
     */
    public Build backTo(Build other, Instant at) {
        return other.withLog(log.countingAs(other.log, at));
    }

    public Build withNodes(List<Node> newNodes) {
        return new Build(name, newNodes, links, onTables(air, newNodes), habits, classes, log, extras);
    }

    /** An id that no node has yet: made from a name, with a number behind it when taken. */
    public String freeNodeId(String wanted) {
        return Ids.free(wanted, "node", id -> node(id).isEmpty());
    }

    /** As {@link #freeNodeId}, for a group of radios. */
    public String freeGroupId(String wanted) {
        return Ids.free(
                wanted, "air", id -> air.stream().noneMatch(group -> group.id().equals(id)));
    }

    public Build withNode(String id, UnaryOperator<Node> change) {
        return withNodes(nodes.stream()
                .map(node -> node.id().equals(id) ? change.apply(node) : node)
                .toList());
    }

    public Build withAir(List<RadioGroup> newAir) {
        return new Build(name, nodes, links, newAir, habits, classes, log, extras);
    }

    public Build withHabits(Habits newHabits) {
        return new Build(name, nodes, links, air, newHabits, classes, log, extras);
    }

    /** The group that a radio is in. */
    public Optional<RadioGroup> groupOf(Place radio) {
        return air.stream().filter(group -> group.station(radio).isPresent()).findFirst();
    }

    /** Boards that are equals of a board, itself left out. */
    public List<Node> equalsOf(String id) {
        Optional<Node> one = node(id);
        return nodes.stream()
                .filter(node -> one.isPresent()
                        && !node.id().equals(id)
                        && node.kin().equals(one.get().kin()))
                .toList();
    }

    /** Stations of radios that are no longer on a table are gone, and groups that nobody of this build is in. */
    private static List<RadioGroup> onTables(List<RadioGroup> air, List<Node> nodes) {
        if (air.isEmpty()) {
            return air;
        }
        return air.stream()
                .map(group -> group.withStations(group.stations().stream()
                        .filter(station -> station.radio()
                                .filter(radio -> !isOnTable(radio, nodes))
                                .isEmpty())
                        .toList()))
                .filter(group -> group.stations().stream()
                        .anyMatch(station -> station.radio().isPresent()))
                .toList();
    }

    private static boolean isOnTable(Place radio, List<Node> nodes) {
        return nodes.stream()
                .anyMatch(node -> node.id().equals(radio.node())
                        && node.part(radio.part()).isPresent());
    }
}
