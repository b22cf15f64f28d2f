package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import java.util.Arrays;
import java.util.Optional;

/**
 * A lamp of a sender blinks at its carrier for the length of a mark. Behind a receiver the carrier is gone; at the lamp itself
 * a mark is a row of pulses.
 *
 * @param hertz of the carrier
 * @param line the marks as a receiver would give them: low while there is light
 */
record Carrier(double hertz, Channel line) {
    /** Handsets blink between 30 and 60 kHz, some at 455 kHz. */
    private static final double LONGEST = 50e-6;

    /** So many pulses at least are a mark. */
    private static final int FEW = 50;

    /** What the steps of a capture make of equal gaps. */
    private static final double UNEVEN = 0.25;

    private static final double CLEAN = 0.95;

    /** The shortest mark of a handset has more pulses than that. */
    private static final int LEAST_IN_BURST = 9;

    /** The pulses of a mark come one carrier after the other; more than so many of them apart is a space. */
    private static final double APART = 2.5;

    /** @return empty for a line that is no carrier in bursts */
    static Optional<Carrier> of(Capture capture, Channel line) {
        Channel lamp = line.rest(capture.end()) == Channel.HIGH ? line.turned() : line;
        long[] rises = rises(lamp);
        if (rises.length < FEW) {
            return Optional.empty();
        }
        long[] gaps = new long[rises.length - 1];
        for (int i = 0; i < gaps.length; i++) {
            gaps[i] = rises[i + 1] - rises[i];
        }
        Arrays.sort(gaps);
        long period = gaps[gaps.length / 2];
        return period > 0 && capture.seconds(period) < LONGEST && isInBursts(gaps, period)
                ? Optional.of(new Carrier(1 / exact(capture, gaps, period), marks(lamp, rises, period)))
                : Optional.empty();
    }

    /** Letters at a high rate have as short gaps, of all lengths; the clock of a bus has eight or nine pulses in a row. */
    private static boolean isInBursts(long[] gaps, long period) {
        long alike = Arrays.stream(gaps)
                .filter(gap -> Math.abs(gap - period) <= UNEVEN * period)
                .count();
        long spaces = Arrays.stream(gaps).filter(gap -> gap > APART * period).count();
        return alike + spaces >= CLEAN * gaps.length && spaces > 0 && alike > LEAST_IN_BURST * (spaces + 1);
    }

    /** The mean of all that are about the middle one: one alone is only as exact as the steps of the capture. */
    private static double exact(Capture capture, long[] gaps, long period) {
        return capture.seconds(1)
                * Arrays.stream(gaps)
                        .filter(gap -> gap < 1.5 * period)
                        .average()
                        .orElse(period);
    }

    private static long[] rises(Channel lamp) {
        long[] rises = new long[lamp.count()];
        int count = 0;
        for (int i = 1; i < lamp.count(); i++) {
            if (lamp.level(i) == Channel.HIGH) {
                rises[count++] = lamp.time(i);
            }
        }
        return Arrays.copyOf(rises, count);
    }

    private static Channel marks(Channel lamp, long[] rises, long period) {
        Channel marks = new Channel(lamp.name());
        marks.add(lamp.time(0), Channel.HIGH);
        for (int i = 0; i < rises.length; i++) {
            boolean isFirst = i == 0 || rises[i] - rises[i - 1] > APART * period;
            if (isFirst) {
                marks.add(rises[i], Channel.LOW);
            }
            boolean isLast = i + 1 == rises.length || rises[i + 1] - rises[i] > APART * period;
            if (isLast) {
                marks.add(rises[i] + period, Channel.HIGH);
            }
        }
        return marks;
    }
}
