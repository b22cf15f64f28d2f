package inkel.core.capture.decode;

import inkel.core.capture.Channel;
import java.util.Arrays;
import java.util.Optional;

/** How long a wire stays as it is: what rates are read from, and what is too short to be meant. */
final class Widths {
    /** A tenth of a bit is no bit. */
    private static final double GLITCH_SHARE = 0.1;

    private static final double LONGEST_IN_BITS = 9.5;
    private static final int FEW = 3;

    private Widths() {}

    private static long[] sorted(Channel channel) {
        long[] widths = new long[Math.max(0, channel.count() - 1)];
        for (int i = 0; i < widths.length; i++) {
            widths[i] = channel.time(i + 1) - channel.time(i);
        }
        Arrays.sort(widths);
        return widths;
    }

    /**
     * The length of one bit of a serial line, in units. The shortest widths that come often are one bit; all that are up to nine
     * of them say it more exactly, by least squares.
     */
    static Optional<Double> bit(Channel channel) {
        long[] widths = sorted(channel);
        if (widths.length < FEW) {
            return Optional.empty();
        }
        // The bit is the width below which hardly anything is: glitches are few and far shorter.
        double first = 0;
        for (int i = 0; i < widths.length && first == 0; i++) {
            long width = widths[i];
            int alike = 0;
            for (int j = i; j < widths.length && widths[j] <= width * 1.3; j++) {
                alike++;
            }
            boolean isOften = alike >= Math.max(2, widths.length / 20);
            first = isOften ? median(widths, i, i + alike) : 0;
        }
        if (first == 0) {
            return Optional.empty();
        }
        double above = 0;
        double below = 0;
        for (long width : widths) {
            double bits = Math.rint(width / first);
            if (bits >= 1 && width / first <= LONGEST_IN_BITS && Math.abs(width / first - bits) < 0.3) {
                above += bits * width;
                below += bits * bits;
            }
        }
        return Optional.of(above / below);
    }

    private static double median(long[] sorted, int from, int to) {
        return sorted[(from + to - 1) / 2];
    }

    /** The time from rise to rise of a clock, in units: that of the middle one of all. */
    static Optional<Double> period(Channel clock) {
        long[] periods = new long[clock.count()];
        int count = 0;
        long last = -1;
        for (int i = 0; i < clock.count(); i++) {
            if (clock.level(i) == Channel.HIGH) {
                if (last >= 0) {
                    periods[count++] = clock.time(i) - last;
                }
                last = clock.time(i);
            }
        }
        if (count == 0) {
            return Optional.empty();
        }
        Arrays.sort(periods, 0, count);
        // Pauses between bytes and messages are longer than any bit: the shorter half is the clock.
        return Optional.of((double) periods[count / 4]);
    }

    /** What is too short to be meant, in units; at least one, so that a calm wire stays as it is. */
    static long glitch(double bit) {
        return Math.max(1, (long) Math.ceil(bit * GLITCH_SHARE));
    }
}
