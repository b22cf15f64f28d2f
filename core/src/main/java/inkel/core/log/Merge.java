package inkel.core.log;

import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import inkel.core.document.Node;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;

/**
 * Two states of one build joined by what both came from: by boards, parts, wires and pieces with their ids. What one of both
 * changed is taken from that one; what both changed otherwise is told, and taken from the one that is asked for.
 *
 * @param build both together; their record goes first, then what is only in the own one
 * @param both places that both changed, each in another way
 */
public record Merge(Build build, List<Place> both) {
    public Merge {
        both = List.copyOf(both);
    }

    /**
     * @param base what both came from
     * @param isMine whose changes are taken where both changed the same
     * @param text what the line of the record says that joins them
     * @param parents by which both records are known, theirs first; empty where either has no line
     */
    public static Merge of(
            Build base, Build mine, Build theirs, boolean isMine, Instant now, String text, List<String> parents) {
        return new Joining(base, mine, theirs, isMine).merge(now, text, parents);
    }

    private static final class Joining {
        private final Build base;
        private final Build mine;
        private final Build theirs;
        private final boolean isMine;
        private final Set<Place> both = new LinkedHashSet<>();

        Joining(Build base, Build mine, Build theirs, boolean isMine) {
            this.base = base;
            this.mine = mine;
            this.theirs = theirs;
            this.isMine = isMine;
        }

        Merge merge(Instant now, String text, List<String> parents) {
            List<Node> nodes = list(
                    base.nodes(), mine.nodes(), theirs.nodes(), Node::id, node -> Place.ofNode(node.id()), this::node);
            List<NodeWire> links =
                    list(base.links(), mine.links(), theirs.links(), NodeWire::key, NodeWire::to, Optional.empty());
            Build joined = theirs.withNodes(nodes)
                    .withLinks(links)
                    .withAir(value(base.air(), mine.air(), theirs.air(), Place.NOWHERE))
                    .withHabits(value(base.habits(), mine.habits(), theirs.habits(), Place.NOWHERE))
                    .withClasses(value(base.classes(), mine.classes(), theirs.classes(), Place.NOWHERE))
                    .withLog(log(now, text).withParents(parents));
            return new Merge(joined, List.copyOf(both));
        }

        private <T> T value(T old, T own, T other, Place place) {
            if (own.equals(other) || own.equals(old)) {
                return other;
            } else if (!other.equals(old)) {
                both.add(place);
                return isMine ? own : other;
            }
            return own;
        }

        /** Joins two things that both changed. */
        private interface Inner<T> {
            T join(T old, T own, T other);
        }

        private <T> List<T> list(
                List<T> old,
                List<T> own,
                List<T> other,
                Function<T, String> id,
                Function<T, Place> place,
                Inner<T> inner) {
            return list(old, own, other, id, place, Optional.of(inner));
        }

        /** In their order; what is only in the own one comes behind. */
        private <T> List<T> list(
                List<T> old,
                List<T> own,
                List<T> other,
                Function<T, String> id,
                Function<T, Place> place,
                Optional<Inner<T>> inner) {
            Map<String, T> olds = byId(old, id);
            Map<String, T> owns = byId(own, id);
            Map<String, T> others = byId(other, id);
            Set<String> keys = new LinkedHashSet<>(others.keySet());
            keys.addAll(owns.keySet());
            List<T> joined = new ArrayList<>();
            for (String key : keys) {
                one(olds.get(key), owns.get(key), others.get(key), place, inner).ifPresent(joined::add);
            }
            return joined;
        }

        private static <T> Map<String, T> byId(List<T> all, Function<T, String> id) {
            Map<String, T> map = new LinkedHashMap<>();
            all.forEach(one -> map.put(id.apply(one), one));
            return map;
        }

        private <T> Optional<T> one(T old, T own, T other, Function<T, Place> place, Optional<Inner<T>> inner) {
            if (Objects.equals(own, other) || Objects.equals(own, old)) {
                return Optional.ofNullable(other);
            } else if (Objects.equals(other, old)) {
                return Optional.ofNullable(own);
            } else if (inner.isPresent() && old != null && own != null && other != null) {
                return Optional.of(inner.get().join(old, own, other));
            }
            both.add(place.apply(own != null ? own : other));
            return Optional.ofNullable(isMine ? own : other);
        }

        private Node node(Node old, Node own, Node other) {
            Place here = Place.ofNode(other.id());
            Function<Part, Place> ofPart = part -> Place.ofPart(other.id(), part.id());
            List<Part> parts = list(
                    old.parts(),
                    own.parts(),
                    other.parts(),
                    Part::id,
                    ofPart,
                    Optional.of((was, is, their) -> part(ofPart.apply(their), was, is, their)));
            Set<String> plugged = new TreeSet<>(other.plugged());
            own.plugged().stream().filter(wire -> !old.plugged().contains(wire)).forEach(plugged::add);
            plugged.removeIf(
                    wire -> old.plugged().contains(wire) && !own.plugged().contains(wire));
            return other.withName(value(old.name(), own.name(), other.name(), here))
                    .withParts(parts)
                    .withWires(list(
                            old.wires(),
                            own.wires(),
                            other.wires(),
                            wire -> wire.from().toString(),
                            (Wire wire) -> Place.of(other.id(), wire.from()),
                            Optional.empty()))
                    .withBetween(list(
                            old.between(),
                            own.between(),
                            other.between(),
                            piece -> piece.signal().toString(),
                            (Between piece) -> Place.of(other.id(), piece.signal()),
                            Optional.empty()))
                    .withMoments(value(old.moments(), own.moments(), other.moments(), here))
                    .withPlugged(plugged)
                    .withMade(made(values(old.made(), own.made(), other.made(), here), plugged))
                    .withSeats(values(old.seats(), own.seats(), other.seats(), here))
                    // What does not fit the seats is laid anew.
                    .withLaid(own.laid().equals(old.laid()) ? other.laid() : own.laid());
        }

        private static Map<String, String> made(Map<String, String> joined, Set<String> plugged) {
            joined.keySet().retainAll(plugged);
            return joined;
        }

        /** Two people may set two things of one part. */
        private Part part(Place place, Part old, Part own, Part other) {
            return new Part(
                    other.id(),
                    value(old.classId(), own.classId(), other.classId(), place),
                    value(old.name(), own.name(), other.name(), place),
                    value(old.purpose(), own.purpose(), other.purpose(), place),
                    values(old.feeds(), own.feeds(), other.feeds(), place),
                    value(old.groundApart(), own.groundApart(), other.groundApart(), place),
                    values(old.settings(), own.settings(), other.settings(), place),
                    values(old.figures(), own.figures(), other.figures(), place),
                    value(old.since(), own.since(), other.since(), place),
                    value(old.extras(), own.extras(), other.extras(), place));
        }

        private <V> Map<String, V> values(Map<String, V> old, Map<String, V> own, Map<String, V> other, Place place) {
            Map<String, V> joined = new LinkedHashMap<>();
            Set<String> keys = new LinkedHashSet<>(other.keySet());
            keys.addAll(own.keySet());
            for (String key : keys) {
                one(old.get(key), own.get(key), other.get(key), ignored -> place, Optional.empty())
                        .ifPresent(value -> joined.put(key, value));
            }
            return joined;
        }

        /** Their record as it is, then the own lines that are not in it, then the line that joins them. */
        private Logbook log(Instant now, String text) {
            int common = 0;
            List<LogLine> own = mine.log().lines();
            List<LogLine> other = theirs.log().lines();
            while (common < Math.min(own.size(), other.size()) && isSame(own.get(common), other.get(common))) {
                common++;
            }
            Logbook log = theirs.log();
            for (int line = 0; line < common; line++) {
                log = mine.log().mark(line).isBlanked() ? log.blanked(line) : log;
            }
            int moved = other.size() - common;
            for (LogLine line : own.subList(common, own.size())) {
                log = log.with(moved(line, common, moved));
            }
            return log.with(new LogLine.Noted(now, Place.NOWHERE, text, Extras.NONE));
        }

        /** Also when one of them has lost its text. */
        private static boolean isSame(LogLine one, LogLine other) {
            return one.equals(other)
                    || one.withoutText().filter(other::equals).isPresent()
                    || other.withoutText().filter(one::equals).isPresent();
        }

        /** A line that names an own one by its number names it by where that is now. */
        private static LogLine moved(LogLine line, int from, int by) {
            if (line instanceof LogLine.TakenBack back && back.line() >= from) {
                return new LogLine.TakenBack(back.at(), back.place(), back.line() + by, back.extras());
            } else if (line instanceof LogLine.Noted noted
                    && noted.answers().filter(answered -> answered >= from).isPresent()) {
                return new LogLine.Noted(
                        noted.at(),
                        noted.place(),
                        noted.text(),
                        noted.answers().map(answered -> answered + by),
                        noted.value(),
                        noted.picture(),
                        noted.extras());
            }
            return line;
        }
    }
}
