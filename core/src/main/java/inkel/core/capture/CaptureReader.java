package inkel.core.capture;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/** Reads capture files: value change dumps, and tables of times and levels or volts. */
public final class CaptureReader {
    private CaptureReader() {}

    /** @throws IOException when the file cannot be read at all; what is wrong in it is told in the capture */
    public static Capture read(Path file) throws IOException {
        // Bytes that are no letters become one that says so, instead of ending it all.
        return read(new InputStreamReader(Files.newInputStream(file), StandardCharsets.UTF_8));
    }

    static Capture read(Reader reader) throws IOException {
        try (CaptureLines lines = new CaptureLines(reader)) {
            boolean isThere = lines.next();
            while (isThere && lines.isBlank()) {
                isThere = lines.next();
            }
            boolean isDump = isThere && lines.text().strip().startsWith("$");
            return isDump ? new VcdReader(lines).read() : new CsvReader(lines).read(isThere);
        }
    }
}
