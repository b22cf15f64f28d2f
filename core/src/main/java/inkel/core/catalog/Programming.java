package inkel.core.catalog;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * A way in which a chip gets its program over leads of its own.
 *
 * @param way the kind of programmer, as programmers name it: {@code five wires}
 * @param lines the pin of the chip for each lead of the programmer, in the order of its plug
 * @param held the pin that must be at ground when the chip starts, so that it listens; empty when none must
 */
public record Programming(String way, Map<String, String> lines, Optional<String> held) {
    public Programming {
        lines = Collections.unmodifiableMap(new LinkedHashMap<>(lines));
    }
}
