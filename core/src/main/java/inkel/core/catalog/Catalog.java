package inkel.core.catalog;

import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** All classes of parts that a build may use, by id, in the order they were read. */
public final class Catalog {
    private final Map<String, PartClass> byId;

    private Catalog(Map<String, PartClass> byId) {
        this.byId = byId;
    }

    /** @throws IllegalArgumentException when two classes share an id */
    public static Catalog of(Collection<PartClass> classes) {
        Map<String, PartClass> byId = new LinkedHashMap<>();
        for (PartClass cls : classes) {
            if (byId.put(cls.id(), cls) != null) {
                throw new IllegalArgumentException("two part classes have the id " + cls.id());
            }
        }
        return new Catalog(Collections.unmodifiableMap(byId));
    }

    public Optional<PartClass> find(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** A class that a checked build refers to. */
    public PartClass get(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException("no part class " + id));
    }

    public Collection<PartClass> all() {
        return byId.values();
    }
}
