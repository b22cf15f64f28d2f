package inkel.core.capture;

import inkel.core.quantity.Fact;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

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

    private final CaptureLines lines;
    private final Problems problems = new Problems();
    private final List<Channel> channels = new ArrayList<>();
    private CsvHead.Form form;
    private long rows;
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
        CsvHead head = new CsvHead();
        boolean isLine = isThere;
        while (isLine && !head.isRow(lines.text())) {
            head.add(lines.text());
            isLine = lines.next();
        }
        if (!isLine) {
            problems.add(0, Fact.of("capture.no_figures"));
            return new Capture(UNIT, channels, 0, problems.all());
        }
        begin(head.form(lines.text()));
        do {
            if (!lines.isBlank()) {
                row();
            }
        } while (lines.next());
        return new Capture(UNIT, channels, Math.max(0, time), problems.all());
    }

    private void begin(CsvHead.Form found) {
        form = found;
        form.unsaid().ifPresent(why -> problems.add(0, why));
        form.channels().forEach(name -> channels.add(new Channel(name)));
        values = new double[channels.size() + (form.isTimed() ? 1 : 0)];
        highest = new double[channels.size()];
    }

    private void row() {
        int cell = 0;
        char point = form.isComma() ? ',' : '.';
        char separator = form.separator();
        for (int from = 0; from <= lines.length() && cell < values.length; cell++) {
            int mark = form.isQuoted() ? quoted(from) : -1;
            int end = lines.find(mark < 0 ? separator : '"', mark < 0 ? from : mark + 1);
            values[cell] = lines.decimal(mark < 0 ? from : mark + 1, end, point);
            if (cell == 0 && form.isTimed() && Double.isNaN(values[0])) {
                problems.add(lines.number(), Fact.of("capture.no_time").with("text", Problems.shown(lines.text())));
                return;
            }
            from = (mark < 0 ? end : lines.find(separator, end)) + 1;
        }
        if (cell < values.length) {
            problems.add(
                    lines.number(), Fact.of("capture.cells").with("found", cell).with("wanted", values.length));
            return;
        }
        long at = Math.round((form.isTimed() ? values[0] : rows++) * form.scale() / UNIT);
        if (at < time) {
            problems.add(
                    lines.number(),
                    Fact.of("capture.time_back").with("time", at).with("before", time));
            return;
        }
        time = at;
        for (int i = 0; i < channels.size(); i++) {
            level(i, values[values.length - channels.size() + i]);
        }
    }

    /** Where a cell begins that stands in quotation marks; -1 where it does not. */
    private int quoted(int from) {
        int at = from;
        while (at < lines.length() && lines.at(at) == ' ') {
            at++;
        }
        return at < lines.length() && lines.at(at) == '"' ? at : -1;
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
