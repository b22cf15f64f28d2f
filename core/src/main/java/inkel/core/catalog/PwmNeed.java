package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.Range;
import inkel.core.quantity.TimeSpan;

/** The pulses a part wants: how often, and how long. */
public record PwmNeed(Frequency frequency, Range<TimeSpan> pulse) {
    /** Whether it must have that frequency: what takes a share of the time, down to none, takes it at any. */
    public boolean isExact() {
        return pulse.lowest().seconds() > 0;
    }

    /** Whether another frequency is within a tenth of it, which what wants exact pulses bears. */
    public boolean isNear(Frequency given) {
        return Math.abs(frequency.hertz() - given.hertz()) <= 0.1 * frequency.hertz();
    }
}
