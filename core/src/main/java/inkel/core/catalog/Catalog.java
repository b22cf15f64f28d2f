package inkel.core.catalog;

import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** All classes of parts that a build may use, by id, in a fixed order. Classes may be read when first asked for. */
public final class Catalog {
    private final Set<String> ids;
    private final Function<String, PartClass> reader;
    private final Map<String, PartClass> read = new ConcurrentHashMap<>();
    private final Map<String, OwnClass> own;
    private final Map<String, OwnClass> hidden;

    private Catalog(Collection<String> ids, Function<String, PartClass> reader) {
        this(ids, reader, Map.of(), Map.of());
    }

    private Catalog(
            Collection<String> ids,
            Function<String, PartClass> reader,
            Map<String, OwnClass> own,
            Map<String, OwnClass> hidden) {
        this.ids = Collections.unmodifiableSet(new LinkedHashSet<>(ids));
        this.reader = reader;
        this.own = own;
        this.hidden = hidden;
    }

    /**
     * A catalogue whose classes are read one by one when they are needed.
     *
     * @param reader gives the class of any of the ids; asked once for each
     */
    public static Catalog reading(Collection<String> ids, Function<String, PartClass> reader) {
        return new Catalog(ids, reader);
    }

    /** @throws IllegalArgumentException when two classes share an id */
    public static Catalog of(Collection<PartClass> classes) {
        Map<String, PartClass> byId = new LinkedHashMap<>();
        for (PartClass cls : classes) {
            if (byId.put(cls.id(), cls) != null) {
                throw new IllegalArgumentException("two part classes have the id " + cls.id());
            }
        }
        return new Catalog(byId.keySet(), byId::get);
    }

    /** This catalogue and a builder's own classes behind it; one with a known id takes that one's place. */
    public Catalog with(Collection<OwnClass> more) {
        Map<String, OwnClass> all = new LinkedHashMap<>(own);
        Map<String, OwnClass> behind = new LinkedHashMap<>(hidden);
        more.forEach(cls -> {
            OwnClass former = all.put(cls.id(), cls);
            if (former != null && !former.equals(cls)) {
                behind.put(cls.id(), former);
            }
        });
        Set<String> every = new LinkedHashSet<>(ids);
        every.addAll(all.keySet());
        return new Catalog(every, id -> all.containsKey(id) ? all.get(id).cls() : get(id), all, behind);
    }

    /** The builder's own class of an id; empty for one that is shipped. */
    public Optional<OwnClass> own(String id) {
        return Optional.ofNullable(own.get(id));
    }

    /** The own class whose place another own one of the same id has taken. */
    public Optional<OwnClass> hidden(String id) {
        return Optional.ofNullable(hidden.get(id));
    }

    public Optional<PartClass> find(String id) {
        return ids.contains(id) ? Optional.of(read.computeIfAbsent(id, reader)) : Optional.empty();
    }

    /** A class that a checked build refers to. */
    public PartClass get(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException("no part class " + id));
    }

    /** Every id, in order. */
    public Set<String> ids() {
        return ids;
    }

    /** Every class, in order; reads those that were not asked for yet. */
    public List<PartClass> all() {
        return ids.stream().map(this::get).toList();
    }
}
