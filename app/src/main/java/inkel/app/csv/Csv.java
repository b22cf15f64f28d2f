package inkel.app.csv;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Comma separated values (RFC 4180) with a head. */
public final class Csv {
    private Csv() {}

    /** What a spreadsheet would take for a formula, however it is quoted. */
    private static final Pattern FORMULA = Pattern.compile("[=+\\-@\\t\\r].*", Pattern.DOTALL);

    private static final Pattern NUMBER = Pattern.compile("[-+]?[0-9]+([.][0-9]+)?([eE][-+]?[0-9]+)?");

    /** Prints the rows. */
    public interface Rows {
        void print(Table table) throws IOException;
    }

    /** Takes the rows; no cell of theirs is a formula. */
    public static final class Table {
        private final CSVPrinter csv;

        private Table(CSVPrinter csv) {
            this.csv = csv;
        }

        public void printRecord(Object... cells) throws IOException {
            csv.printRecord(Arrays.stream(cells).map(Csv::harmless).toArray());
        }
    }

    /** A text that a spreadsheet would run gets an apostrophe before it; numbers stay numbers. */
    public static String harmless(Object cell) {
        String text = String.valueOf(cell);
        boolean isFormula =
                FORMULA.matcher(text).matches() && !NUMBER.matcher(text).matches();
        return isFormula ? "'" + text : text;
    }

    /** A cell as it was before it was made harmless. */
    public static String plain(String cell) {
        return cell.startsWith("'") && FORMULA.matcher(cell.substring(1)).matches() ? cell.substring(1) : cell;
    }

    public static String of(Rows rows, String... head) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter csv =
                new CSVPrinter(text, CSVFormat.RFC4180.builder().setHeader(head).get())) {
            rows.print(new Table(csv));
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return text.toString();
    }
}
