package inkel.core.document;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/** Fields of a file that this version does not know. They are kept and written back as they were. */
public record Extras(Map<String, Object> fields) {
    public static final Extras NONE = new Extras(Map.of());

    public Extras {
        fields = Collections.unmodifiableMap(new LinkedHashMap<>(fields));
    }
}
