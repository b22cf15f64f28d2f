package inkel.core.circuit;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Ways;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Something of a node that its parts have no place for, since a class is another one than when the build was made: a
 * wire to a pin that is not there any more, a feed from such a rail, a way that the shifter does not have; or what is told
 * of a wire a second time. The rest of
 * the build is judged without it.
 *
 * @param kind what it is
 * @param at the signal of a wire or of a part in a wire; the supply pin of a feed
 * @param missing the pin that is not there
 * @param to where the wire or feed goes
 * @param wire as the document has it; empty for what is none
 */
public record Lost(Kind kind, Endpoint at, Endpoint missing, Endpoint to, Optional<Wire> wire) {
    /** What can lose its place. */
    public enum Kind {
        WIRE,
        FEED,
        BETWEEN
    }

    /** A node without what is lost, and that. */
    record Sifted(Node node, List<Lost> lost) {}

    static Sifted sift(Node node, Map<String, PartClass> classes) {
        List<Lost> lost = new ArrayList<>();
        List<Wire> wires = new ArrayList<>();
        for (Wire wire : node.wires()) {
            Optional<Endpoint> missing =
                    !isSignal(wire.from(), classes) ? Optional.of(wire.from()) : missingTarget(wire.to(), classes);
            missing.ifPresentOrElse(
                    pin -> lost.add(new Lost(Kind.WIRE, wire.from(), pin, wire.to(), Optional.of(wire))),
                    () -> wires.add(wire));
        }
        List<Between> between = new ArrayList<>();
        Set<Endpoint> told = new HashSet<>();
        for (Between entry : node.between()) {
            // One thing stands in a wire, and the first that is told of it counts.
            Optional<Endpoint> missing =
                    told.add(entry.signal()) ? missing(entry, classes) : Optional.of(entry.signal());
            missing.ifPresentOrElse(
                    pin -> lost.add(new Lost(Kind.BETWEEN, entry.signal(), pin, entry.signal(), Optional.empty())),
                    () -> between.add(entry));
        }
        List<Part> parts = new ArrayList<>();
        for (Part part : node.parts()) {
            Map<String, Endpoint> feeds = new LinkedHashMap<>();
            part.feeds().forEach((pin, rail) -> {
                Endpoint at = new Endpoint(part.id(), pin);
                if (classes.get(part.id()).supply(pin).isEmpty()) {
                    lost.add(new Lost(Kind.FEED, at, at, rail, Optional.empty()));
                } else if (!isRail(rail, classes)) {
                    lost.add(new Lost(Kind.FEED, at, rail, rail, Optional.empty()));
                } else {
                    feeds.put(pin, rail);
                }
            });
            parts.add(feeds.size() == part.feeds().size() ? part : part.withFeeds(feeds));
        }
        return lost.isEmpty()
                ? new Sifted(node, List.of())
                : new Sifted(node.withParts(parts).withWires(wires).withBetween(between), lost);
    }

    private static boolean isSignal(Endpoint pin, Map<String, PartClass> classes) {
        PartClass cls = classes.get(pin.part());
        return cls != null
                && cls.pin(pin.pin()).filter(found -> found.use().isSignal()).isPresent();
    }

    private static boolean isRail(Endpoint rail, Map<String, PartClass> classes) {
        PartClass cls = classes.get(rail.part());
        return cls != null && cls.output(rail.pin()).isPresent();
    }

    /** A wire goes to any pin, or to a rail that has no pin of its own, such as that of a port. */
    private static Optional<Endpoint> missingTarget(Endpoint to, Map<String, PartClass> classes) {
        PartClass cls = classes.get(to.part());
        boolean isThere = cls != null && (cls.pin(to.pin()).isPresent() || isRail(to, classes));
        return isThere ? Optional.empty() : Optional.of(to);
    }

    private static Optional<Endpoint> missing(Between entry, Map<String, PartClass> classes) {
        if (!isSignal(entry.signal(), classes)) {
            return Optional.of(entry.signal());
        }
        if (entry instanceof Between.ShifterWay way) {
            PartClass cls = classes.get(way.shifter());
            if (cls == null || way.way() < 1 || way.way() > Ways.of(cls).count()) {
                return Optional.of(new Endpoint(way.shifter(), String.valueOf(way.way())));
            }
            return way.faces()
                    .filter(faces -> Ways.of(cls).pins(way.way()).stream()
                            .noneMatch(pin -> pin.label().equals(faces)))
                    .map(faces -> new Endpoint(way.shifter(), faces));
        }
        return Optional.empty();
    }
}
