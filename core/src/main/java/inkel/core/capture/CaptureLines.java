package inkel.core.capture;

import java.io.Closeable;
import java.io.IOException;
import java.io.Reader;

/** The lines of a file, none longer than can be a line of a capture: a file without ends of lines takes no memory. */
final class CaptureLines implements Closeable {
    static final int MOST = 100_000;

    private final Reader reader;
    private final char[] buffer = new char[1 << 16];
    private int at;
    private int filled;
    private final StringBuilder line = new StringBuilder();
    private long number;
    private boolean isCut;

    CaptureLines(Reader reader) {
        this.reader = reader;
    }

    /** The number of the line that came last, from 1. */
    long number() {
        return number;
    }

    /** Whether the line that came last was longer and its rest was passed over. */
    boolean isCut() {
        return isCut;
    }

    /** The next line without its end; null at the end of the file. */
    String next() throws IOException {
        line.setLength(0);
        isCut = false;
        boolean isBegun = false;
        while (true) {
            if (at == filled) {
                filled = reader.read(buffer, 0, buffer.length);
                at = 0;
                if (filled <= 0) {
                    filled = 0;
                    number += isBegun ? 1 : 0;
                    return isBegun ? line.toString() : null;
                }
            }
            isBegun = true;
            int from = at;
            while (at < filled && buffer[at] != '\n') {
                at++;
            }
            int room = Math.min(at - from, MOST - line.length());
            line.append(buffer, from, room);
            isCut |= room < at - from;
            if (at < filled) {
                at++;
                number++;
                int length = line.length();
                if (length > 0 && line.charAt(length - 1) == '\r') {
                    line.setLength(length - 1);
                }
                return line.toString();
            }
        }
    }

    @Override
    public void close() throws IOException {
        reader.close();
    }
}
