package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The widths of a line, each a stitch in the band of those that are alike: widths that are less than half as long again as the
 * one before them are one band. Its middle is their median.
 *
 * @param bands from the shortest
 */
public record Stitches(List<Band> bands) {
    /** What belongs to a band is within a quarter of its middle. */
    public static final double TOLERANCE = 0.25;

    private static final double APART = 1.5;

    /** Widths that hardly ever come make no band of their own. */
    private static final int FEW = 20;

    private static final int MOST = 6;

    public Stitches {
        bands = List.copyOf(bands);
    }

    /** @param middle in seconds */
    public record Band(double middle, int count) {
        public boolean holds(double width) {
            return Math.abs(width / middle - 1) <= TOLERANCE;
        }
    }

    /**
     * A stretch of a line that stays as it is.
     *
     * @param at seconds from the beginning of the capture
     * @param band the number of the band it lies in; −1 for none
     */
    public record Stitch(double at, double width, boolean isHigh, int band) {}

    /**
     * The bands of all widths of a line of one level.
     *
     * @param longest in seconds; what is longer is a pause between messages
     */
    public static Stitches of(Capture capture, Channel line, boolean high, double longest) {
        double[] widths = new double[line.count()];
        int count = 0;
        // How long it had been so when the capture began nobody knows.
        for (int i = 1; i + 1 < line.count(); i++) {
            double width = capture.seconds(line.time(i + 1) - line.time(i));
            if ((line.level(i) == Channel.HIGH) == high && width <= longest) {
                widths[count++] = width;
            }
        }
        Arrays.sort(widths, 0, count);
        List<Band> bands = new ArrayList<>();
        int from = 0;
        for (int i = 1; i <= count; i++) {
            boolean isEnd = i == count || widths[i] > widths[i - 1] * APART;
            if (isEnd) {
                boolean isOften = i - from >= Math.max(1, count / FEW);
                if (isOften && bands.size() < MOST) {
                    bands.add(new Band(widths[(from + i - 1) / 2], i - from));
                }
                from = i;
            }
        }
        return new Stitches(bands);
    }

    /** The stitches of one level that begin between two times. */
    public List<Stitch> between(Capture capture, Channel line, boolean high, double from, double until) {
        List<Stitch> found = new ArrayList<>();
        int first = Math.max(1, line.edgeAt(Math.round(from / capture.unit())));
        for (int i = first; i + 1 < line.count(); i++) {
            double at = capture.seconds(line.time(i));
            if (at >= until - capture.unit() / 2) {
                break;
            }
            if ((line.level(i) == Channel.HIGH) == high && at >= from - capture.unit() / 2) {
                double width = capture.seconds(line.time(i + 1) - line.time(i));
                found.add(new Stitch(at, width, high, band(width)));
            }
        }
        return found;
    }

    /** The number of the band that a width lies in; −1 for none. */
    public int band(double width) {
        for (int i = 0; i < bands.size(); i++) {
            if (bands.get(i).holds(width)) {
                return i;
            }
        }
        return -1;
    }
}
