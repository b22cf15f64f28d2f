package inkel.core.circuit;

import inkel.core.catalog.BenchKind;
import inkel.core.document.Build;
import inkel.core.document.LogLine;
import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * What was kept of one node's parts at the benches of Tune; of several the latest counts.
 *
 * @param valid by the part and the bench
 * @param stale those of another piece, or of one that is fed or driven otherwise now: to be shown, never used
 */
public record Tunings(
        Map<String, Map<BenchKind, LogLine.Tuned>> valid, Map<String, Map<BenchKind, LogLine.Tuned>> stale) {
    public Tunings {
        valid = Map.copyOf(valid);
        stale = Map.copyOf(stale);
    }

    static final Tunings NONE = new Tunings(Map.of(), Map.of());

    static Tunings of(Build build, Node node) {
        if (build.log().isEmpty()) {
            return NONE;
        }
        Map<String, Map<BenchKind, LogLine.Tuned>> valid = new HashMap<>();
        Map<String, Map<BenchKind, LogLine.Tuned>> stale = new HashMap<>();
        Map<String, Standing> now = new HashMap<>();
        build.log().counting().forEach(line -> {
            if (line instanceof LogLine.Tuned tuned && tuned.place().node().equals(node.id())) {
                String part = tuned.place().part();
                Standing standing = now.computeIfAbsent(part, id -> Standing.ofPart(build, tuned.place()));
                boolean stands = !standing.things().isEmpty() && standing.equals(tuned.on());
                BenchKind bench = tuned.tuning().bench();
                Optional.ofNullable((stands ? stale : valid).get(part)).ifPresent(other -> other.remove(bench));
                (stands ? valid : stale)
                        .computeIfAbsent(part, id -> new EnumMap<>(BenchKind.class))
                        .put(bench, tuned);
            }
        });
        return new Tunings(valid, stale);
    }

    /** What still holds of a part at a bench. */
    public Optional<LogLine.Tuned> of(Place part, BenchKind bench) {
        return Optional.ofNullable(valid.getOrDefault(part.part(), Map.of()).get(bench));
    }

    /** What was found, and holds no more since the piece is another one, or is fed or driven otherwise. */
    public Optional<LogLine.Tuned> stale(Place part, BenchKind bench) {
        return Optional.ofNullable(stale.getOrDefault(part.part(), Map.of()).get(bench));
    }

    /** What takes the place of figures of a part's class. */
    Map<String, String> figures(String part) {
        Map<String, String> figures = new LinkedHashMap<>();
        valid.getOrDefault(part, Map.of())
                .values()
                .forEach(tuned -> figures.putAll(tuned.tuning().figures()));
        return figures;
    }
}
