package inkel.core.capture;

import java.io.Closeable;
import java.io.IOException;
import java.io.Reader;

/**
 * The lines of a file, none longer than can be a line of a capture: a file without ends of lines takes no memory. A line is
 * looked at where it lies, since ten million texts would take longer to make than to read.
 */
final class CaptureLines implements Closeable {
    static final int MOST = 100_000;

    /** So many digits always fit a number, and any decimal share of them is told exactly by a division (Clinger 1990). */
    private static final int DIGITS = 15;

    private static final double[] TENS = {
        1, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6, 1e7, 1e8, 1e9, 1e10, 1e11, 1e12, 1e13, 1e14, 1e15
    };

    private final Reader reader;
    private final char[] buffer = new char[2 * MOST];
    private int filled;

    /** The line, and where the next one begins. */
    private int from;

    private int to;
    private int next;
    private long number;

    CaptureLines(Reader reader) {
        this.reader = reader;
    }

    /** The number of this line, from 1. */
    long number() {
        return number;
    }

    /** Goes to the next line; false at the end of the file. What is too long of a line is passed over. */
    boolean next() throws IOException {
        char[] text = buffer;
        from = next;
        int at = from;
        while (true) {
            int last = filled;
            while (at < last && text[at] != '\n') {
                at++;
            }
            if (at < filled) {
                take(at, at + 1);
                return true;
            }
            System.arraycopy(buffer, from, buffer, 0, filled - from);
            filled = Math.min(MOST, filled - from);
            from = 0;
            at = filled;
            int more = reader.read(buffer, filled, buffer.length - filled);
            if (more <= 0) {
                take(filled, filled);
                return filled > 0;
            }
            filled += more;
        }
    }

    /** Nothing is no line; what has an end is one, and so is what comes last without. */
    private void take(int end, int then) {
        number += then > from ? 1 : 0;
        to = Math.min(end, from + MOST);
        if (to > from && buffer[to - 1] == '\r') {
            to--;
        }
        next = then;
    }

    /** This line without its end. */
    String text() {
        return text(0, length());
    }

    String text(int first, int end) {
        return new String(buffer, from + first, end - first);
    }

    int length() {
        return to - from;
    }

    char at(int place) {
        return buffer[from + place];
    }

    /** Where the line has a letter from a place on; its length where it has none. */
    int find(char letter, int first) {
        char[] text = buffer;
        int end = to;
        int at = from + first;
        while (at < end && text[at] != letter) {
            at++;
        }
        return at - from;
    }

    boolean isBlank() {
        for (int i = from; i < to; i++) {
            if (!Character.isWhitespace(buffer[i])) {
                return false;
            }
        }
        return true;
    }

    /**
     * The whole number that the rest of the line is.
     *
     * @throws NumberFormatException when it is none
     */
    long whole(int first) {
        long value = 0;
        for (int i = from + first; i < to; i++) {
            int digit = buffer[i] - '0';
            if (digit < 0 || digit > 9 || to - from - first > DIGITS) {
                return Long.parseLong(text(first, length()));
            }
            value = 10 * value + digit;
        }
        return to > from + first ? value : Long.parseLong("");
    }

    /**
     * The number that a part of the line is; not a number where it is none.
     *
     * @param point what stands before its decimals
     */
    double decimal(int first, int end, char point) {
        char[] text = buffer;
        int at = from + first;
        int last = from + end;
        int only = last - at == 1 ? text[at] - '0' : -1;
        if (only >= 0 && only <= 9) {
            return only;
        }
        while (at < last && text[at] == ' ') {
            at++;
        }
        while (last > at && text[last - 1] == ' ') {
            last--;
        }
        boolean isBelow = at < last && text[at] == '-';
        long value = 0;
        int digits = 0;
        int decimals = 0;
        int perDigit = 0;
        for (int i = isBelow ? at + 1 : at; i < last; i++) {
            int digit = text[i] - '0';
            if (digit >= 0 && digit <= 9 && digits < DIGITS) {
                value = 10 * value + digit;
                digits++;
                decimals += perDigit;
            } else if (text[i] == point && perDigit == 0) {
                perDigit = 1;
            } else {
                return slowly(first, end, point);
            }
        }
        if (digits == 0) {
            return slowly(first, end, point);
        }
        double share = decimals == 0 ? value : value / TENS[decimals];
        return isBelow ? -share : share;
    }

    private double slowly(int first, int end, char point) {
        try {
            return Double.parseDouble(text(first, end).strip().replace(point, '.'));
        } catch (NumberFormatException notANumber) {
            return Double.NaN;
        }
    }

    @Override
    public void close() throws IOException {
        reader.close();
    }
}
