package inkel.core.drawer;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What a builder owns, over all builds.
 *
 * @param items how many of each
 * @param standing builds that are put together, with what each takes; one that is in pieces again is not in it
 * @param agreed what the builder takes for something else: the wanted item, and what makes it
 */
public record Drawer(Map<Item, Owned> items, Map<String, Standing> standing, Map<Item, Substitute> agreed) {
    public static final Drawer EMPTY = new Drawer(Map.of(), Map.of(), Map.of());

    public Drawer {
        items = Collections.unmodifiableMap(new TreeMap<>(items));
        standing = Collections.unmodifiableMap(new LinkedHashMap<>(standing));
        agreed = Collections.unmodifiableMap(new TreeMap<>(agreed));
    }

    /**
     * A build that is put together.
     *
     * @param name what it is called
     */
    public record Standing(String name, Map<Item, Integer> takes) {
        public Standing {
            takes = Collections.unmodifiableMap(new TreeMap<>(takes));
        }
    }

    public Owned of(Item item) {
        return items.getOrDefault(item, Owned.NONE);
    }

    /** One that says nothing any more is forgotten. */
    public Drawer with(Item item, Owned owned) {
        Map<Item, Owned> more = new TreeMap<>(items);
        if (owned.equals(Owned.NONE)) {
            more.remove(item);
        } else {
            more.put(item, owned);
        }
        return new Drawer(more, standing, agreed);
    }

    /** As {@link #with(Item, Owned)}, for several. */
    public Drawer with(Map<Item, Owned> several) {
        Drawer next = this;
        for (Map.Entry<Item, Owned> each : several.entrySet()) {
            next = next.with(each.getKey(), each.getValue());
        }
        return next;
    }

    /** @param build stands for the build, wherever its file is opened */
    public Drawer withStanding(String build, Standing found) {
        Map<String, Standing> more = new LinkedHashMap<>(standing);
        more.put(build, found);
        return new Drawer(items, more, agreed);
    }

    /** The build is in pieces: what it took is free again. */
    public Drawer withoutStanding(String build) {
        Map<String, Standing> less = new LinkedHashMap<>(standing);
        less.remove(build);
        return new Drawer(items, less, agreed);
    }

    public Drawer withAgreed(Item wanted, Optional<Substitute> by) {
        Map<Item, Substitute> more = new TreeMap<>(agreed);
        by.ifPresentOrElse(found -> more.put(wanted, found), () -> more.remove(wanted));
        return new Drawer(items, standing, more);
    }

    /** How many are there for a build: not what another standing build has. */
    public int free(Item item, String build) {
        int taken = standing.entrySet().stream()
                .filter(other -> !other.getKey().equals(build))
                .mapToInt(other -> other.getValue().takes().getOrDefault(item, 0))
                .sum();
        return Math.max(0, of(item).count() - taken);
    }

    /** The names of other standing builds that have some. */
    public List<String> takenBy(Item item, String build) {
        List<String> names = new ArrayList<>();
        standing.forEach((other, found) -> {
            if (!other.equals(build) && found.takes().getOrDefault(item, 0) > 0) {
                names.add(found.name());
            }
        });
        return names;
    }
}
