package inkel.core.capture;

import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the lines before the figures say of a table: the names of its columns, in what its times are told, and how many samples
 * a second where it has none. A line that begins with ; or # is a remark, of which only the rate is taken.
 */
final class CsvHead {
    private static final int MOST_CHANNELS = 64;
    private static final String NUMBER = "([0-9]+(?:[.,][0-9]+)?)";

    private static final Pattern RATE =
            Pattern.compile("(?i)sampl[^0-9]{0,24}" + NUMBER + " ?([kmg]?)(?:hz|s/s|sa/s|samples)");
    private static final Pattern INTERVAL =
            Pattern.compile("(?i)sampl[^0-9]{0,24}" + NUMBER + " ?([nuµm]?)s(?:ec.*)?(?![a-z/])");

    private static final Pattern ROW = Pattern.compile("[-+]?[.,]?[0-9][0-9.,]*(?:[eE][-+]?[0-9]+)?\\s*[,;\\t ].*");
    private static final Pattern CELL = Pattern.compile("[-+]?[.,]?[0-9][0-9.,]*(?:[eE][-+]?[0-9]+)?");

    /** A line of units alone, below the names. */
    private static final Pattern UNIT = Pattern.compile("(?i)[(\\[]?(?:[nuµm]?(?:s|sec|seconds?|v|volts?))?[)\\]]?");

    private static final Pattern UNIT_OF_NAME =
            Pattern.compile("(?i)\\s*(?:\\bin\\s+[uµm]?V|[(\\[]\\s*[uµm]?V(?:olts?)?\\s*[)\\]])$");

    private static final Pattern COUNT =
            Pattern.compile("(?i)\\W*(?:samples?|index|sequence|points?|rows?|no|nr|n|x)\\b.*");
    private static final Pattern TIME =
            Pattern.compile("(?i).*time.*|(?:\\W*t\\b.*)|\\W*(?:in\\b)?\\W*[nuµm]?s(?:ec(?:onds?)?)?\\W*");
    private static final Pattern SMALL = Pattern.compile("(?i)(?<![a-z])([nuµm])s(?![a-z])|(nano|micro|milli)s");

    private String names = "";
    private String above = "";
    private OptionalDouble interval = OptionalDouble.empty();

    /**
     * How the rows are read.
     *
     * @param isTimed whether the first column says when
     * @param scale seconds for one of the first column, or from row to row
     * @param isQuoted whether cells stand in quotation marks
     * @param unsaid what had to be assumed
     */
    record Form(
            char separator,
            boolean isComma,
            boolean isQuoted,
            boolean isTimed,
            double scale,
            List<String> channels,
            Optional<Fact> unsaid) {}

    /** Takes one line before the figures. */
    void add(String line) {
        if (interval.isEmpty()) {
            interval = interval(line);
        }
        if (!line.isBlank() && !line.startsWith(";") && !line.startsWith("#")) {
            above = names;
            names = line;
        }
    }

    /** Whether a line is a row: it begins with a number, and has more than one cell unless the rate is known. */
    boolean isRow(String line) {
        String text = line.strip().replace("\"", "");
        return ROW.matcher(text).matches()
                || interval.isPresent() && CELL.matcher(text).matches();
    }

    private static OptionalDouble interval(String line) {
        Matcher rate = RATE.matcher(line);
        if (rate.find()) {
            double hertz = number(rate.group(1)) * times(rate.group(2), "kmg", 1e3);
            return hertz > 0 && Double.isFinite(hertz) ? OptionalDouble.of(1 / hertz) : OptionalDouble.empty();
        }
        Matcher seconds = INTERVAL.matcher(line);
        return seconds.find() && number(seconds.group(1)) > 0
                ? OptionalDouble.of(number(seconds.group(1)) * small(seconds.group(2)))
                : OptionalDouble.empty();
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }

    private static double times(String letter, String letters, double each) {
        return letter.isEmpty() ? 1 : Math.pow(each, letters.indexOf(letter.toLowerCase(Locale.ROOT)) + 1);
    }

    private static double small(String letter) {
        return times(letter.equals("µ") ? "u" : letter, "mun", 1e-3);
    }

    /** How rows are read of which this is the first. */
    Form form(String row) {
        String bare = row.replaceAll("\"[^\"]*\"", "\"");
        char separator =
                bare.indexOf('\t') >= 0 ? '\t' : bare.indexOf(';') >= 0 ? ';' : bare.indexOf(',') >= 0 ? ',' : ' ';
        List<String> cells = cells(row, separator);
        boolean isComma = cells.stream().anyMatch(cell -> cell.indexOf(',') >= 0) && row.indexOf('.') < 0;
        List<String> below = cells(names, separator);
        boolean isOfUnits = !above.isEmpty()
                && below.stream().allMatch(cell -> UNIT.matcher(cell).matches());
        List<String> named = isOfUnits ? cells(above, separator) : below;
        String first = first(named);
        boolean isCount = COUNT.matcher(first).matches() && !TIME.matcher(first).matches();
        boolean isTimed = cells.size() > 1
                && (interval.isEmpty()
                        || first.isEmpty()
                        || isCount
                        || TIME.matcher(first).matches());
        return new Form(
                separator,
                isComma,
                row.indexOf('"') >= 0,
                isTimed,
                isCount || !isTimed ? interval.orElse(1) : unit(first(below)),
                channels(named, cells.size(), isTimed ? 1 : 0),
                isCount && interval.isEmpty() ? Optional.of(Fact.of("capture.no_rate")) : Optional.empty());
    }

    private static String first(List<String> cells) {
        return cells.isEmpty() ? "" : cells.get(0);
    }

    private static double unit(String head) {
        Matcher small = SMALL.matcher(head);
        if (!small.find()) {
            return 1;
        }
        String word = small.group(2) == null ? small.group(1) : small.group(2);
        return small(word.equalsIgnoreCase("micro") ? "u" : word.substring(0, 1));
    }

    private static List<String> channels(List<String> named, int cells, int first) {
        List<String> channels = new ArrayList<>();
        for (int i = first; i < cells && channels.size() < MOST_CHANNELS; i++) {
            String shown = i < named.size() ? Problems.shown(named.get(i)) : "";
            String name = UNIT_OF_NAME.matcher(shown).replaceFirst("");
            channels.add(name.isEmpty() ? "D" + channels.size() : name);
        }
        return channels;
    }

    /** The cells of a line without quotation marks; what is empty at its end is no cell. */
    private static List<String> cells(String line, char separator) {
        List<String> cells = new ArrayList<>();
        StringBuilder cell = new StringBuilder();
        boolean isQuoted = false;
        for (char letter : line.toCharArray()) {
            if (letter == '"') {
                isQuoted = !isQuoted;
            } else if (letter == separator && !isQuoted) {
                cells.add(cell.toString().strip());
                cell.setLength(0);
            } else {
                cell.append(letter);
            }
        }
        cells.add(cell.toString().strip());
        while (!cells.isEmpty() && cells.get(cells.size() - 1).isEmpty()) {
            cells.remove(cells.size() - 1);
        }
        return cells;
    }
}
