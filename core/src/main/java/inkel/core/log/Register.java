package inkel.core.log;

import inkel.core.document.Build;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The record of a build as it is read, the newest line first. */
public record Register(Build build, List<Entry> entries) {
    public Register {
        entries = List.copyOf(entries);
    }

    public static Register of(Build build) {
        Logbook log = build.log();
        boolean[] counts = log.counts();
        Map<Integer, List<Integer>> answers = new HashMap<>();
        for (int i = 0; i < log.size(); i++) {
            int line = i;
            if (log.lines().get(i) instanceof LogLine.Noted noted) {
                noted.answers().ifPresent(answered -> answers.computeIfAbsent(answered, made -> new ArrayList<>())
                        .add(line));
            }
        }
        List<Entry> entries = new ArrayList<>();
        for (int i = log.size() - 1; i >= 0; i--) {
            entries.add(new Entry(
                    i, log.lines().get(i), counts[i], log.mark(i).isBlanked(), answers.getOrDefault(i, List.of())));
        }
        return new Register(build, entries);
    }

    public Optional<Entry> entry(int number) {
        return number < 0 || number >= entries.size()
                ? Optional.empty()
                : Optional.of(entries.get(entries.size() - 1 - number));
    }

    /** How many there are of each sort. */
    public Map<Entry.Sort, Integer> counts() {
        Map<Entry.Sort, Integer> counts = new EnumMap<>(Entry.Sort.class);
        entries.forEach(entry -> counts.merge(entry.sort(), 1, Integer::sum));
        return counts;
    }

    /** Readings of the place of one, of the same thing, that count: the oldest first. */
    public List<LogLine.Measured> readings(LogLine.Measured like) {
        List<LogLine.Measured> readings = new ArrayList<>();
        for (int i = entries.size() - 1; i >= 0; i--) {
            Entry entry = entries.get(i);
            if (entry.counts()
                    && entry.line() instanceof LogLine.Measured measured
                    && measured.what() == like.what()
                    && measured.place().equals(like.place())
                    && code(measured).equals(code(like))) {
                readings.add(measured);
            }
        }
        return readings;
    }

    /** What a converter gives hangs on the code that it was sent, which the check says. */
    private static Optional<String> code(LogLine.Measured measured) {
        return measured.foretold().map(Foretold::check).filter(check -> check.startsWith("code "));
    }
}
