package inkel.core.document;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The record of a build. It only grows: what turns out wrong, or is undone, is taken back by a further line and stays
 * to be read.
 *
 * <p>Two records are equal when they say the same: the seals of a file are no part of that.
 *
 * @param lines in the order they were written
 * @param marks what belongs to the lines beside what they say, in the same order; the last ones may lack
 */
public record Logbook(List<LogLine> lines, List<Mark> marks) {
    public static final Logbook EMPTY = new Logbook(List.of());

    /**
     * What belongs to a line beside what it says.
     *
     * @param back a JSON patch (RFC 6902) that makes the plan before this line of the plan after it; empty where the plan did
     *     not change, or nobody kept it
     * @param seal what the file has as the seal of this line and all before it; empty for a line that no file has yet
     * @param isBroken whether the line is not the one that was sealed
     */
    public record Mark(String back, String seal, boolean isBroken) {
        public static final Mark NONE = new Mark("", "", false);

        Mark withBack(String patch) {
            return new Mark(patch, seal, isBroken);
        }
    }

    public Logbook {
        lines = Grown.of(lines);
        marks = Grown.of(marks);
    }

    public Logbook(List<LogLine> lines) {
        this(lines, List.of());
    }

    public Mark mark(int line) {
        return line < marks.size() ? marks.get(line) : Mark.NONE;
    }

    /** With the way back to the plan before the last line. */
    public Logbook withBack(String patch) {
        int last = lines.size() - 1;
        Grown<Mark> more = Grown.<Mark>of(marks).first(Math.min(last, marks.size()));
        while (more.size() < last) {
            more = more.with(Mark.NONE);
        }
        return new Logbook(lines, more.with(mark(last).withBack(patch)));
    }

    /** Lines that are not those that were sealed, from 0. */
    public List<Integer> broken() {
        return IntStream.range(0, marks.size())
                .filter(line -> marks.get(line).isBroken())
                .boxed()
                .toList();
    }

    private boolean hasBacksOf(Logbook other) {
        return IntStream.range(0, Math.max(marks.size(), other.marks.size()))
                .allMatch(line -> mark(line).back().equals(other.mark(line).back()));
    }

    @Override
    public boolean equals(Object other) {
        return this == other || other instanceof Logbook that && lines.equals(that.lines) && hasBacksOf(that);
    }

    @Override
    public int hashCode() {
        return lines.hashCode();
    }

    public int size() {
        return lines.size();
    }

    public boolean isEmpty() {
        return lines.isEmpty();
    }

    public Logbook with(LogLine line) {
        return new Logbook(Grown.<LogLine>of(lines).with(line), marks);
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
        boolean[] counts = counts();
        return IntStream.range(0, lines.size())
                .filter(line -> !(lines.get(line) instanceof LogLine.TakenBack) && counts[line])
                .mapToObj(lines::get);
    }

    /** Of every line whether it counts. */
    public boolean[] counts() {
        boolean[] counts = new boolean[lines.size()];
        Arrays.fill(counts, true);
        // What takes a line back stands behind it: whether it counts itself is known by then.
        for (int line = lines.size() - 1; line >= 0; line--) {
            if (counts[line] && lines.get(line) instanceof LogLine.TakenBack back) {
                counts[back.line()] = false;
            }
        }
        return counts;
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
