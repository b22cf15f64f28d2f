package inkel.core.document;

import java.time.Instant;
import java.util.ArrayList;
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
     * @param isBlanked whether somebody took its text out; its seal is that of the line with the text
     * @param parents of a line that joins two records: the seals of their last lines, that of the one which goes on here first
     */
    public record Mark(String back, String seal, boolean isBroken, boolean isBlanked, List<String> parents) {
        public static final Mark NONE = new Mark("", "", false, false, List.of());

        public Mark {
            parents = List.copyOf(parents);
        }

        Mark withBack(String patch) {
            return new Mark(patch, seal, isBroken, isBlanked, parents);
        }

        Mark withParents(List<String> seals) {
            return new Mark(back, seal, isBroken, isBlanked, seals);
        }

        Mark blanked() {
            return new Mark(back, seal, isBroken, true, parents);
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
        return new Logbook(lines, marksUntil(last).with(mark(last).withBack(patch)));
    }

    /** With the two records that the last line joins. */
    public Logbook withParents(List<String> seals) {
        int last = lines.size() - 1;
        return new Logbook(lines, marksUntil(last).with(mark(last).withParents(seals)));
    }

    private Grown<Mark> marksUntil(int line) {
        Grown<Mark> more = Grown.<Mark>of(marks).first(Math.min(line, marks.size()));
        while (more.size() < line) {
            more = more.with(Mark.NONE);
        }
        return more;
    }

    /** Without the text of a line, which stays with all else that it says; the same where it has none to take out. */
    public Logbook blanked(int line) {
        return lines.get(line)
                .withoutText()
                .map(blank -> with(line, blank, mark(line).blanked()))
                .orElse(this);
    }

    private Logbook with(int number, LogLine line, Mark mark) {
        List<LogLine> other = new ArrayList<>(lines);
        other.set(number, line);
        List<Mark> others = new ArrayList<>(marksUntil(Math.max(marks.size(), number + 1)));
        others.set(number, mark);
        return new Logbook(other, others);
    }

    /** With the text of every line as another record of the same lines has it, taken out or not. */
    private Logbook withTextsOf(Logbook other) {
        Logbook book = this;
        for (int line = 0; line < Math.min(size(), other.size()); line++) {
            if (mark(line).isBlanked() != other.mark(line).isBlanked()) {
                book = book.with(line, other.lines.get(line), other.mark(line));
            }
        }
        return book;
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
        Logbook book = withTextsOf(other);
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
