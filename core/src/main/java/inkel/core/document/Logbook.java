package inkel.core.document;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The record of a build. It only grows: what turns out wrong, or is undone, is taken back by a further line and stays
 * to be read.
 *
 * @param lines in the order they were written
 */
public record Logbook(List<LogLine> lines) {
    public static final Logbook EMPTY = new Logbook(List.of());

    public Logbook {
        lines = List.copyOf(lines);
    }

    public int size() {
        return lines.size();
    }

    public boolean isEmpty() {
        return lines.isEmpty();
    }

    public Logbook with(LogLine line) {
        List<LogLine> longer = new ArrayList<>(lines);
        longer.add(line);
        return new Logbook(longer);
    }

    /** Whether a line counts: it was not taken back, or that was taken back again. */
    public boolean counts(int line) {
        return takenBackBy(line) < 0;
    }

    /** The number of the counting line that takes this one back; −1 when it counts. */
    private int takenBackBy(int line) {
        for (int later = line + 1; later < lines.size(); later++) {
            if (lines.get(later) instanceof LogLine.TakenBack back && back.line() == line && counts(later)) {
                return later;
            }
        }
        return -1;
    }

    /** The lines that count, in order; those that only take others back are left out. */
    public Stream<LogLine> counting() {
        // Nothing is taken back in most records, and asking for every line would make this quadratic.
        if (lines.stream().noneMatch(LogLine.TakenBack.class::isInstance)) {
            return lines.stream();
        }
        return IntStream.range(0, lines.size())
                .filter(line -> !(lines.get(line) instanceof LogLine.TakenBack))
                .filter(this::counts)
                .mapToObj(lines::get);
    }

    /** Takes back every counting line that is meant. */
    public Logbook withTakenBack(Predicate<LogLine> meant, Instant at) {
        Logbook book = this;
        for (int line = 0; line < lines.size(); line++) {
            boolean isMeant = !(lines.get(line) instanceof LogLine.TakenBack) && meant.test(lines.get(line));
            if (isMeant && counts(line)) {
                book = book.withTakenBack(line, at);
            }
        }
        return book;
    }

    private Logbook withTakenBack(int line, Instant at) {
        return with(new LogLine.TakenBack(at, lines.get(line).place(), line, Extras.NONE));
    }

    /**
     * This record, grown so that the same lines count as in an earlier or an undone state of it: what undo and redo do
     * to a record.
     *
     * @param other begins with the lines of this one, or this one with those of it
     */
    public Logbook countingAs(Logbook other, Instant at) {
        if (equals(other)) {
            return this;
        }
        Logbook book = this;
        for (int line = 0; line < lines.size(); line++) {
            if (lines.get(line) instanceof LogLine.TakenBack) {
                continue;
            }
            boolean isWanted = line < other.size() && other.counts(line);
            int back = takenBackBy(line);
            if (isWanted && back >= 0) {
                book = book.withTakenBack(back, at);
            } else if (!isWanted && back < 0) {
                book = book.withTakenBack(line, at);
            }
        }
        return book;
    }
}
