package inkel.app.export;

import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Comma separated values (RFC 4180) with a head. */
final class Csv {
    private Csv() {}

    /** Prints the rows. */
    interface Rows {
        void print(CSVPrinter csv) throws IOException;
    }

    static String of(Rows rows, String... head) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter csv =
                new CSVPrinter(text, CSVFormat.RFC4180.builder().setHeader(head).get())) {
            rows.print(csv);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return text.toString();
    }
}
