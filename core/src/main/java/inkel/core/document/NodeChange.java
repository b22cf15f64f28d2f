package inkel.core.document;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * What has changed on one table, so that it can be done on another that is its equal: parts, wires, what stands in them
 * and moments, each by its id. Names of boards and what is plugged are each table's own.
 */
public record NodeChange(Node before, Node after) {
    /** Whether nothing changed that another table could take. */
    public boolean isEmpty() {
        return before.parts().equals(after.parts())
                && before.wires().equals(after.wires())
                && before.between().equals(after.between())
                && before.moments().equals(after.moments());
    }

    /**
     * The other table with the same change; what it has of its own stays.
     *
     * @param since how many lines the record has, for parts that are new there
     */
    public Node applyTo(Node other, int since) {
        Node changed = other.withParts(parts(other, since));
        return changed.withWires(changed(
                        before.wires(), after.wires(), other.wires(), Wire::from, wire -> areThere(changed, wire)))
                .withBetween(changed(
                        before.between(), after.between(), other.between(), Between::signal, piece -> changed.part(
                                        piece.signal().part())
                                .isPresent()))
                .withMoments(changed(
                        before.moments(),
                        after.moments(),
                        other.moments(),
                        Moment::id,
                        moment -> moment.raises().stream()
                                .allMatch(raise -> changed.part(raise.part()).isPresent())));
    }

    private static boolean areThere(Node node, Wire wire) {
        return node.part(wire.from().part()).isPresent()
                && node.part(wire.to().part()).isPresent();
    }

    private List<Part> parts(Node other, int since) {
        List<Part> parts = new ArrayList<>();
        for (Part part : other.parts()) {
            Optional<Part> was = before.part(part.id());
            Optional<Part> now = after.part(part.id());
            if (was.isPresent() && now.isPresent()) {
                parts.add(changed(was.get(), now.get(), part, since));
            } else if (was.isEmpty() || part.isBoard()) {
                parts.add(part);
            }
        }
        after.parts().stream()
                .filter(part -> before.part(part.id()).isEmpty()
                        && other.part(part.id()).isEmpty())
                .map(part -> part.withSince(since))
                .forEach(parts::add);
        return withoutLostFeeds(parts);
    }

    /** A rail of a part that this table does not have feeds nothing here. */
    private static List<Part> withoutLostFeeds(List<Part> parts) {
        return parts.stream()
                .map(part -> {
                    Map<String, Endpoint> feeds = new LinkedHashMap<>(part.feeds());
                    feeds.values().removeIf(rail -> parts.stream()
                            .noneMatch(owner -> owner.id().equals(rail.part())));
                    return part.withFeeds(feeds);
                })
                .toList();
    }

    private static Part changed(Part was, Part now, Part other, int since) {
        if (was.equals(now)) {
            return other;
        }
        boolean isOther = !was.classId().equals(now.classId());
        return new Part(
                other.id(),
                isOther ? now.classId() : other.classId(),
                was.name().equals(now.name()) ? other.name() : now.name(),
                was.purpose().equals(now.purpose()) ? other.purpose() : now.purpose(),
                changed(was.feeds(), now.feeds(), other.feeds()),
                was.groundApart() == now.groundApart() ? other.groundApart() : now.groundApart(),
                changed(was.settings(), now.settings(), other.settings()),
                changed(was.figures(), now.figures(), other.figures()),
                isOther ? since : other.since(),
                other.extras());
    }

    private static <V> Map<String, V> changed(Map<String, V> was, Map<String, V> now, Map<String, V> other) {
        Map<String, V> changed = new LinkedHashMap<>(other);
        was.keySet().stream().filter(key -> !now.containsKey(key)).forEach(changed::remove);
        now.forEach((key, value) -> {
            if (!Objects.equals(was.get(key), value)) {
                changed.put(key, value);
            }
        });
        return changed;
    }

    private static <T, K> List<T> changed(
            List<T> was, List<T> now, List<T> other, Function<T, K> key, Predicate<T> hasPlace) {
        Map<K, T> before = byKey(was, key);
        Map<K, T> after = byKey(now, key);
        Map<K, T> changed = byKey(other, key);
        before.keySet().stream().filter(id -> !after.containsKey(id)).forEach(changed::remove);
        after.forEach((id, entry) -> {
            if (!entry.equals(before.get(id))) {
                changed.put(id, entry);
            }
        });
        return changed.values().stream().filter(hasPlace).toList();
    }

    private static <T, K> Map<K, T> byKey(List<T> entries, Function<T, K> key) {
        Map<K, T> byKey = new LinkedHashMap<>();
        entries.forEach(entry -> byKey.put(key.apply(entry), entry));
        return byKey;
    }
}
