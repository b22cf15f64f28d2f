package inkel.app.export;

import inkel.core.checks.Assessment;
import java.nio.charset.StandardCharsets;
import java.util.function.Function;

/**
 * A build in another form.
 *
 * @param id what the command line calls it, and how the file's name ends: {@code wires.csv}
 * @param bytes the content of the file
 */
public record Export(String id, Function<Assessment, byte[]> bytes) {
    /** Whether it can be shown on a terminal. */
    public boolean isText() {
        return !id.endsWith(".pdf");
    }

    static Export ofText(String id, Function<Assessment, String> text) {
        return new Export(id, assessment -> text.apply(assessment).getBytes(StandardCharsets.UTF_8));
    }
}
