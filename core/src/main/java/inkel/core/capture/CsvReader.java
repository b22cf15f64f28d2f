package inkel.core.capture;

import inkel.core.quantity.Fact;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Reads tables of times and levels or volts: separators, decimal commas and lines of names before the figures are found out.
 * Ten million lines are read in one pass without a library: a general one makes an object of each cell.
 */
final class CsvReader {
    /** Times are kept in whole units of this many seconds. */
    private static final double UNIT = 1e-9;

    /** Volts that are neither: a level changes only when it crosses the band between. */
    private static final double LOW_SHARE = 0.4;

    private static final double HIGH_SHARE = 0.6;
    private static final int MOST_CHANNELS = 64;

    private final CaptureLines lines;
    private final Problems problems = new Problems();
    private final List<Channel> channels = new ArrayList<>();
    private char separator;
    private boolean isComma;
    private double scale = 1;
    private long time = Long.MIN_VALUE;
    private double[] values = new double[0];
    private double[] highest = new double[0];

    CsvReader(CaptureLines lines) {
        this.lines = lines;
    }

    /**
     * From the line that the lines are at.
     *
     * @param isThere whether there is one
     */
    Capture read(boolean isThere) throws IOException {
        String names = "";
        boolean isLine = isThere;
        while (isLine && !isFigures(lines.text())) {
            String line = lines.text();
            names = line.isBlank() || line.startsWith(";") || line.startsWith("#") ? names : line;
            isLine = lines.next();
        }
        if (!isLine) {
            problems.add(0, Fact.of("capture.no_figures"));
            return new Capture(UNIT, channels, 0, problems.all());
        }
        begin(names, lines.text());
        do {
            if (!lines.isBlank()) {
                row();
            }
        } while (lines.next());
        return new Capture(UNIT, channels, Math.max(0, time), problems.all());
    }

    /** Whether a line begins with a number and has more than one cell. */
    private static boolean isFigures(String line) {
        String text = line.strip();
        return text.matches("[-+]?[0-9.,]+([eE][-+]?[0-9]+)?\\s*[,;\\t ].*");
    }

    private void begin(String names, String line) {
        separator = line.indexOf('\t') >= 0 ? '\t' : line.indexOf(';') >= 0 ? ';' : line.indexOf(',') >= 0 ? ',' : ' ';
        isComma = separator != ',' && line.indexOf(',') >= 0 && line.indexOf('.') < 0;
        int count = Math.min(MOST_CHANNELS, cells(line) - 1);
        String[] named = names.isEmpty() ? new String[0] : names.split(String.valueOf(separator), -1);
        for (int i = 0; i < count; i++) {
            String name = i + 1 < named.length ? named[i + 1].strip().replaceAll("^\"|\"$", "") : "";
            channels.add(new Channel(name.isEmpty() ? "D" + i : Problems.shown(name)));
        }
        String head = named.length > 0 ? named[0].toLowerCase(Locale.ROOT) : "";
        scale = head.contains("ns")
                ? 1e-9
                : head.contains("us") || head.contains("µs") ? 1e-6 : head.contains("ms") ? 1e-3 : 1;
        values = new double[count + 1];
        highest = new double[count];
    }

    private int cells(String line) {
        int cells = 1;
        for (int i = 0; i < line.length(); i++) {
            cells += line.charAt(i) == separator ? 1 : 0;
        }
        return cells;
    }

    private void row() {
        int cell = 0;
        char point = isComma ? ',' : '.';
        for (int from = 0; from <= lines.length() && cell < values.length; cell++) {
            int end = lines.find(separator, from);
            values[cell] = lines.decimal(from, end, point);
            if (cell == 0 && Double.isNaN(values[0])) {
                problems.add(lines.number(), Fact.of("capture.no_time").with("text", Problems.shown(lines.text())));
                return;
            }
            from = end + 1;
        }
        if (cell < values.length) {
            problems.add(
                    lines.number(), Fact.of("capture.cells").with("found", cell).with("wanted", values.length));
            return;
        }
        long at = Math.round(values[0] * scale / UNIT);
        if (at < time) {
            problems.add(
                    lines.number(),
                    Fact.of("capture.time_back").with("time", at).with("before", time));
            return;
        }
        time = at;
        for (int i = 0; i < channels.size(); i++) {
            level(i, values[i + 1]);
        }
    }

    /** Nought and one are levels; anything else is volts, of which the highest so far says where the middle is. */
    private void level(int channel, double value) {
        Channel to = channels.get(channel);
        if (Double.isNaN(value)) {
            to.add(time, Channel.UNKNOWN);
            return;
        }
        highest[channel] = Math.max(highest[channel], value);
        double most = Math.max(1, highest[channel]);
        if (value >= HIGH_SHARE * most) {
            to.add(time, Channel.HIGH);
        } else if (value <= LOW_SHARE * most || to.count() == 0) {
            to.add(time, Channel.LOW);
        }
    }
}
