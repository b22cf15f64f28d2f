package inkel.core.quantity;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Something to be said, as a key and the values that stand in the sentence. The core names no words: the wording of
 * every key is in the application's resource bundle.
 *
 * @param values strings, numbers, quantities or further facts, in the order given
 */
public record Fact(String key, Map<String, Object> values) {
    public Fact {
        values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
    }

    public static Fact of(String key) {
        return new Fact(key, Map.of());
    }

    /** The same values, worded otherwise. */
    public Fact as(String other) {
        return new Fact(other, values);
    }

    /** A copy with one more value. */
    public Fact with(String name, Object value) {
        Map<String, Object> more = new LinkedHashMap<>(values);
        more.put(name, value);
        return new Fact(key, more);
    }
}
