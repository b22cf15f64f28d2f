package inkel.app.ui.tune.servo;

import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.quantity.Fact;
import inkel.core.tune.Estimate;
import inkel.core.tune.servo.ServoDraft;
import java.util.Locale;

/** How a servo's pulses are said. */
public final class ServoWords {
    private static final double MICRO = 1e-6;

    private ServoWords() {}

    /** A length of a pulse, in microseconds. */
    public static String micros(double seconds) {
        double value = seconds / MICRO;
        boolean isWhole = Math.abs(value - Math.rint(value)) < 0.005;
        return Math.abs(value) < 20 && !isWhole ? Numbers.fixed(value, 2) + " µs" : Math.round(value) + " µs";
    }

    /** As far as it is known. */
    public static String micros(Estimate estimate) {
        return estimate.off() > 0
                ? micros(estimate.value()) + " ± " + micros(estimate.off())
                : micros(estimate.value());
    }

    /** A pulse in all the ways that code may want it. */
    static String ways(ServoDraft draft, double pulse) {
        String duty = Words.say(Fact.of("tune.servo.duty")
                .with("duty", Numbers.fixed(100 * draft.rig().duty(pulse), 1))
                .with("period", Numbers.fixed(1000 / draft.hertz(), 1)));
        String ticks = draft.rig()
                .ticks(pulse)
                .map(count -> "    "
                        + Words.say(Fact.of("tune.servo.ticks")
                                .with("ticks", count)
                                .with("rate", Numbers.fixed(draft.hertz(), 2))))
                .orElse("");
        String angle = "    "
                + Words.say(Fact.of("tune.servo.angle")
                        .with("angle", String.format(Locale.ROOT, "%.0f", draft.angle(pulse)))
                        .with("turn", String.format(Locale.ROOT, "%.0f", draft.highAngle() - draft.lowAngle())));
        return duty + ticks + angle;
    }
}
