package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.quantity.Fact;
import java.util.AbstractList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.RandomAccess;

/** Pulses: how long each is high, from rise to rise, and which are far off the others. */
public final class PulseDecoder {
    private static final double MICRO = 1e-6;

    /** Shorter than a tenth of the middle one is no pulse of the kind. */
    private static final int TENTH = 10;

    /**
     * @param least the shortest that is meant, in seconds; absent where the plan does not say
     * @param most the longest
     */
    public Decoded decode(Capture capture, Channel line, Optional<Double> least, Optional<Double> most) {
        long middle = median(line);
        Channel calm = line.without(Math.max(1, middle / TENTH));
        int[] rises = new int[calm.count() / 2 + 1];
        double[] periods = new double[rises.length];
        int count = 0;
        for (int i = 0; i + 1 < calm.count(); i++) {
            if (calm.level(i) == Channel.HIGH && calm.level(i + 1) == Channel.LOW) {
                if (count > 0) {
                    periods[count - 1] = capture.seconds(calm.time(i) - calm.time(rises[count - 1]));
                }
                rises[count] = i;
                count++;
            }
        }
        int gaps = Math.max(0, count - 1);
        Arrays.sort(periods, 0, gaps);
        Optional<Double> rate = gaps == 0 ? Optional.empty() : Optional.of(1 / periods[gaps / 2]);
        return new Decoded(
                new Pulses(capture, calm, Arrays.copyOf(rises, count), least, most), line.glitches(calm), rate);
    }

    /** Millions of pulses, each told when it is asked for. */
    private static final class Pulses extends AbstractList<Message> implements RandomAccess {
        private final Capture capture;
        private final Channel line;
        private final int[] rises;
        private final Optional<Double> least;
        private final Optional<Double> most;

        Pulses(Capture capture, Channel line, int[] rises, Optional<Double> least, Optional<Double> most) {
            this.capture = capture;
            this.line = line;
            this.rises = rises;
            this.least = least;
            this.most = most;
        }

        @Override
        public int size() {
            return rises.length;
        }

        @Override
        public Message get(int pulse) {
            long from = line.time(rises[pulse]);
            long until = line.time(rises[pulse] + 1);
            double width = capture.seconds(until - from);
            return new Message(
                    capture.seconds(from),
                    capture.seconds(until),
                    Math.rint(width / MICRO * TENTH) / TENTH + " µs",
                    List.of(),
                    why(width, least, most));
        }
    }

    private static Optional<Fact> why(double width, Optional<Double> least, Optional<Double> most) {
        // A tenth of a percent is the difference between two clocks.
        if (least.filter(limit -> width < limit * 0.999).isPresent()) {
            return Optional.of(Fact.of("capture.pulse.short").with("limit", Math.round(least.get() / MICRO)));
        }
        return most.filter(limit -> width > limit * 1.001)
                .map(limit -> Fact.of("capture.pulse.long").with("limit", Math.round(limit / MICRO)));
    }

    private static long median(Channel line) {
        long[] highs = new long[line.count()];
        int count = 0;
        for (int i = 0; i + 1 < line.count(); i++) {
            if (line.level(i) == Channel.HIGH) {
                highs[count++] = line.time(i + 1) - line.time(i);
            }
        }
        Arrays.sort(highs, 0, count);
        return count == 0 ? 0 : highs[count / 2];
    }
}
