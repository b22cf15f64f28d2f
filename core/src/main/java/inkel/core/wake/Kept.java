package inkel.core.wake;

import inkel.core.document.Build;
import inkel.core.document.LogLine;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * Volts that were read at the first power-up of one node, by the check; of several readings of one check the latest counts.
 * Two are the same when they say the same of every check.
 */
public final class Kept {
    private final Build build;
    private final Map<String, LogLine.Measured> lines = new HashMap<>();

    private Kept(Build build) {
        this.build = build;
    }

    public static Kept of(Build build, String node) {
        Kept kept = new Kept(build);
        build.log()
                .counting()
                .filter(line ->
                        line instanceof LogLine.Pulled || line.place().node().equals(node))
                .forEach(kept::note);
        return kept;
    }

    private void note(LogLine line) {
        if (line instanceof LogLine.Measured measured && measured.what() == LogLine.What.VOLTS) {
            measured.foretold().ifPresent(foretold -> lines.put(foretold.check(), measured));
        } else if (line instanceof LogLine.Pulled pulled) {
            lines.values().removeIf(read -> WakeState.isOver(read, pulled));
        }
    }

    /** What a check read, in volts, when that still stands and is as it should be. */
    Optional<Double> of(Check check) {
        LogLine.Measured line = lines.get(check.id());
        return line != null
                        && check.band().isPresent()
                        && check.expected() instanceof Expected.Within within
                        && within.holds(line.value())
                        && WakeState.stands(build, check, line.on())
                ? Optional.of(line.value().si())
                : Optional.empty();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Kept that && lines.equals(that.lines);
    }

    @Override
    public int hashCode() {
        return Objects.hash(lines);
    }
}
