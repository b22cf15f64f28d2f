package inkel.core.log;

import inkel.core.document.LogLine;
import java.util.List;

/**
 * A line of the record as it is read.
 *
 * @param number of the line, from 0
 * @param counts whether nothing took it back
 * @param isBlanked whether somebody took its text out
 * @param answers the numbers of the lines that answer it
 */
public record Entry(int number, LogLine line, boolean counts, boolean isBlanked, List<Integer> answers) {
    public Entry {
        answers = List.copyOf(answers);
    }

    /** A line by itself, as one that counts. */
    public static Entry alone(LogLine line) {
        return new Entry(0, line, true, false, List.of());
    }

    /** What a line is for whoever looks for it. */
    public enum Sort {
        MEASURED,
        DECIDED,
        CHANGED,
        SWAPPED,
        WENT_WRONG,
        NOTED
    }

    public Sort sort() {
        return sort(line);
    }

    private static Sort sort(LogLine line) {
        if (line instanceof LogLine.Measured || line instanceof LogLine.Seen || line instanceof LogLine.Tuned) {
            return Sort.MEASURED;
        } else if (line instanceof LogLine.Decided || line instanceof LogLine.Left) {
            return Sort.DECIDED;
        } else if (line instanceof LogLine.Swapped) {
            return Sort.SWAPPED;
        } else if (line instanceof LogLine.WentWrong) {
            return Sort.WENT_WRONG;
        }
        return line instanceof LogLine.Noted ? Sort.NOTED : Sort.CHANGED;
    }

    /** Whether a reading lay in what was foretold, or what was seen was as it should be. */
    public boolean isWell() {
        if (line instanceof LogLine.Measured measured) {
            return measured.foretold()
                    .map(foretold -> foretold.low()
                                    .filter(low -> measured.value().si() < low.si())
                                    .isEmpty()
                            && foretold.high()
                                    .filter(high -> measured.value().si() > high.si())
                                    .isEmpty())
                    .orElse(true);
        }
        return !(line instanceof LogLine.Seen seen) || seen.isWell();
    }
}
