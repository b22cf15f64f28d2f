package inkel.stress.kit;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** What came of the rounds of an ordeal. */
public final class Tally {
    private static final String OURS = "inkel.";
    private static final String HERE = "inkel.stress.";

    private final Map<String, Integer> counts = new TreeMap<>();
    private final Map<String, List<Broken>> broken = new TreeMap<>();
    private long round;

    /** @param sample what it happened with, for whoever mends it */
    public record Broken(long round, String detail, String sample) {}

    public void begin(long number) {
        round = number;
        count("rounds");
    }

    /** Notes something that may well happen. */
    public void count(String what) {
        counts.merge(what, 1, Integer::sum);
    }

    /** Notes something that must not happen; what is alike in {@code what} is told once, with how often. */
    public void broke(String what, String detail, String sample) {
        broken.computeIfAbsent(what, first -> new ArrayList<>()).add(new Broken(round, detail, sample));
    }

    /** Notes a crash by where in Inkel it happened. */
    public void crashed(String doing, Throwable crash, String sample) {
        String at = "";
        for (StackTraceElement frame : crash.getStackTrace()) {
            if (frame.getClassName().startsWith(OURS) && !frame.getClassName().startsWith(HERE)) {
                at = frame.getClassName() + "." + frame.getMethodName() + ":" + frame.getLineNumber();
                break;
            }
        }
        broke(
                doing + ": " + crash.getClass().getSimpleName() + " at " + at,
                String.valueOf(crash.getMessage()),
                sample);
    }

    public Map<String, Integer> counts() {
        return Collections.unmodifiableMap(counts);
    }

    public Map<String, List<Broken>> broken() {
        return Collections.unmodifiableMap(broken);
    }

    /** How many rounds broke something. */
    public long brokenRounds() {
        return broken.values().stream()
                .flatMap(List::stream)
                .map(Broken::round)
                .distinct()
                .count();
    }
}
