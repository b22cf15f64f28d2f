package inkel.app.csv;

import inkel.core.quantity.Fact;
import inkel.core.wake.BroughtReadings;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * A table of readings, as it is exported or as somebody kept it in a spreadsheet: columns with commas, semicolons or tabs
 * between them, in any order; {@code place} and {@code value} must be there.
 *
 * @param rows lines that count
 * @param problem why it is no such table
 */
public record ReadingRows(List<BroughtReadings.Row> rows, Optional<Fact> problem) {
    private static final List<String> WANTED = List.of("place", "value");

    public static ReadingRows of(String text) {
        String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        String head = plain.lines().findFirst().orElse("");
        if (!isTable(plain)) {
            return bad(Fact.of("brought.bad_head").with("columns", String.join(", ", WANTED)));
        }
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(delimiter(head))
                .setHeader()
                .setSkipHeaderRecord(true)
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .setIgnoreHeaderCase(true)
                .get();
        List<BroughtReadings.Row> rows = new ArrayList<>();
        try (CSVParser read = format.parse(new StringReader(plain))) {
            for (CSVRecord line : read) {
                if (!cell(line, "counts").equalsIgnoreCase("no")) {
                    rows.add(row(line, read.getCurrentLineNumber()));
                }
            }
        } catch (IOException | IllegalArgumentException | IllegalStateException | UncheckedIOException noTable) {
            return bad(Fact.of("drawer.bad_table"));
        }
        return new ReadingRows(rows, Optional.empty());
    }

    private static ReadingRows bad(Fact why) {
        return new ReadingRows(List.of(), Optional.of(why));
    }

    /** Whether the first line of a text names the columns of such a table. */
    public static boolean isTable(String text) {
        String head = text.lines().findFirst().orElse("").replace("\uFEFF", "").toLowerCase(Locale.ROOT);
        List<String> columns = List.of(head.replace("\"", "").split("\\s*[" + delimiter(head) + "]\\s*"));
        return columns.stream().map(String::strip).toList().containsAll(WANTED);
    }

    private static char delimiter(String head) {
        return head.indexOf(';') >= 0 ? ';' : head.indexOf('\t') >= 0 ? '\t' : ',';
    }

    private static BroughtReadings.Row row(CSVRecord line, long number) {
        return new BroughtReadings.Row(
                (int) number,
                at(line),
                cell(line, "place"),
                cell(line, "check"),
                cell(line, "what"),
                cell(line, "value"),
                cell(line, "unit"),
                cell(line, "text"));
    }

    /** When it was read: one column, or a date with its time. */
    private static String at(CSVRecord line) {
        String both = (cell(line, "date") + " " + cell(line, "time")).strip();
        return Stream.of(cell(line, "at"), cell(line, "when"), both)
                .filter(text -> !text.isEmpty())
                .findFirst()
                .orElse("");
    }

    private static String cell(CSVRecord line, String column) {
        return line.isMapped(column) && line.isSet(column) ? Csv.plain(line.get(column)) : "";
    }
}
