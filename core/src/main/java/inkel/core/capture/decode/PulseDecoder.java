package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

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
        List<Message> messages = new ArrayList<>();
        List<Double> periods = new ArrayList<>();
        double last = -1;
        for (int i = 0; i + 1 < calm.count(); i++) {
            if (calm.level(i) == Channel.HIGH && calm.level(i + 1) == Channel.LOW) {
                double at = capture.seconds(calm.time(i));
                double width = capture.seconds(calm.time(i + 1) - calm.time(i));
                if (last >= 0) {
                    periods.add(at - last);
                }
                last = at;
                messages.add(new Message(
                        at,
                        capture.seconds(calm.time(i + 1)),
                        String.format(Locale.ROOT, "%.1f µs", width / MICRO),
                        List.of(),
                        why(width, least, most)));
            }
        }
        periods.sort(Double::compare);
        Optional<Double> rate = periods.isEmpty() ? Optional.empty() : Optional.of(1 / periods.get(periods.size() / 2));
        return new Decoded(messages, line.glitches(calm), rate);
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
