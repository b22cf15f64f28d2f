package inkel.core.document;

import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * What a reading stood on: the wire it was taken on, what is in that wire, the pieces at its ends and in it, and the
 * rails that feed them up to the sources. When any of these is another one, the reading says nothing of what is there
 * now.
 *
 * @param things each as a stable text, sorted
 */
public record Standing(List<String> things) {
    /** Of a place that is not there. */
    public static final Standing NOWHERE = new Standing(List.of());

    private static final String OHMS = "ohms ";
    private static final String OVER = "over ";

    /** Settings that change what is on a wire without a wire being moved. */
    private static final List<Setting<?>> ELECTRICAL = List.of(
            Settings.VOLTS,
            Settings.CELLS,
            Settings.FORM,
            Settings.PULL_UPS,
            Settings.ADD_PULL_UPS,
            Settings.SELECT_PULL_UP,
            Settings.DIODE);

    public Standing {
        things = List.copyOf(things);
    }

    /**
     * What a reading at a place stands on now: as of its node, and the wires from other boards that end there with what is
     * in them and what feeds who talks.
     */
    public static Standing of(Build build, Place at) {
        Optional<Node> node = build.node(at.node());
        if (node.isEmpty()) {
            return NOWHERE;
        }
        Standing here = of(node.get(), at.endpoint());
        List<NodeWire> links =
                build.links().stream().filter(link -> link.to().equals(at)).toList();
        if (here.things().isEmpty() || links.isEmpty()) {
            return here;
        }
        Set<String> things = new TreeSet<>(here.things());
        for (NodeWire link : links) {
            things.add("link " + link.from() + " > " + link.to());
            link.between()
                    .filter(piece -> !(piece instanceof Between.Nothing))
                    .ifPresent(piece -> things.add("in " + link.from() + " " + piece.text()));
            link.converter()
                    .flatMap(place -> build.node(place.node())
                            .map(on -> of(on, new Endpoint(place.part(), "")).things().stream()
                                    .map(thing -> place.node() + " " + thing)))
                    .ifPresent(through -> through.forEach(things::add));
            build.node(link.from().node()).ifPresent(far -> of(far, link.from().endpoint()).things().stream()
                    .map(thing -> far.id() + " " + thing)
                    .forEach(things::add));
        }
        return new Standing(List.copyOf(things));
    }

    /** What a reading on a signal's wire, or at a rail or supply pin, stands on now. */
    public static Standing of(Node node, Endpoint at) {
        if (node.part(at.part()).isEmpty()) {
            return NOWHERE;
        }
        Set<String> things = new TreeSet<>();
        Deque<String> parts = new ArrayDeque<>(List.of(at.part()));
        node.wire(at).ifPresent(wire -> {
            things.add("wire " + wire.from() + " > " + wire.to());
            parts.add(wire.to().part());
        });
        node.between(at)
                .filter(between -> !(between instanceof Between.Nothing))
                .ifPresent(between -> {
                    things.add("in " + at + " " + between.text());
                    if (between instanceof Between.ShifterWay way) {
                        parts.add(way.shifter());
                    }
                });
        addParts(node, parts, things);
        return new Standing(List.copyOf(things));
    }

    /** What was found out about a part stands on: the piece, what feeds it, and every wire of it with what is at its end. */
    public static Standing ofPart(Build build, Place part) {
        Optional<Node> node =
                build.node(part.node()).filter(of -> of.part(part.part()).isPresent());
        if (node.isEmpty()) {
            return NOWHERE;
        }
        Set<String> things =
                new TreeSet<>(of(node.get(), new Endpoint(part.part(), "")).things());
        node.get().wires().stream()
                .filter(wire -> wire.from().part().equals(part.part()))
                .forEach(wire -> things.addAll(of(node.get(), wire.from()).things()));
        return new Standing(List.copyOf(things));
    }

    /** What ohms on a wire stand on: the wire, and the pieces at its ends. */
    public static Standing ofWire(Node node, String wire, List<String> parts) {
        Set<String> things = new TreeSet<>();
        things.add(OHMS + wire);
        parts.forEach(id -> node.part(id).ifPresent(part -> things.add(piece(part))));
        return new Standing(List.copyOf(things));
    }

    /** The same, with wires that current goes through on its way. */
    public Standing overWires(Collection<String> wires) {
        Set<String> more = new TreeSet<>(things);
        wires.forEach(wire -> more.add(OVER + wire));
        return new Standing(List.copyOf(more));
    }

    /** The same, with wires in the list of another table. */
    public Standing overWires(String node, Collection<String> wires) {
        return overWires(wires.stream().map(wire -> elsewhere(node, wire)).toList());
    }

    /** The same but for the wires that current goes through. */
    public Standing withoutWires() {
        return new Standing(
                things.stream().filter(thing -> !thing.startsWith(OVER)).toList());
    }

    private static String elsewhere(String node, String wire) {
        return node + " " + wire;
    }

    /**
     * Whether current goes through a wire of a table on its way.
     *
     * @param read the table that it was read at
     * @param node the table in whose list the wire is
     */
    public boolean isOverWire(String read, String node, String wire) {
        return isOverWire(read.equals(node) ? wire : elsewhere(node, wire));
    }

    /** Whether current goes through a wire of its own table on its way. */
    public boolean isOverWire(String wire) {
        return things.contains(OVER + wire);
    }

    /** Whether it is of ohms on a wire. */
    public boolean isOfWire(String wire) {
        return things.contains(OHMS + wire);
    }

    /** Another piece of the same class is another piece: it came to the table later. */
    private static String piece(Part part) {
        return "part " + part.id() + " " + part.classId() + (part.since() > 0 ? " #" + part.since() : "");
    }

    /** The parts with what they are fed from, up to the sources. */
    private static void addParts(Node node, Deque<String> open, Collection<String> things) {
        Set<String> done = new TreeSet<>();
        while (!open.isEmpty()) {
            String id = open.remove();
            if (!done.add(id)) {
                continue;
            }
            node.part(id).ifPresent(part -> {
                things.add(piece(part));
                if (part.groundApart()) {
                    things.add("ground apart " + id);
                }
                for (Setting<?> setting : ELECTRICAL) {
                    part.typed(setting).ifPresent(text -> things.add("set " + id + " " + setting.key() + " " + text));
                }
                part.feeds().forEach((pin, rail) -> {
                    things.add("feed " + id + "." + pin + " < " + rail);
                    open.add(rail.part());
                });
            });
        }
    }
}
