package inkel.core.formula;

import inkel.core.quantity.Charge;
import inkel.core.quantity.Current;
import inkel.core.quantity.Share;
import java.util.OptionalDouble;

/** How long a battery lasts: usable share · capacity / average current. */
public final class BatteryHours {
    private BatteryHours() {}

    /**
     * @param usable the share of the capacity that can be taken out, 0 to 1
     * @return hours; empty when nothing flows, or so little that the time is beyond all numbers
     */
    public static OptionalDouble of(Charge capacity, Share usable, Current average) {
        double hours = capacity.ampereHours() * usable.ratio() / average.amperes();
        return average.amperes() > 0 && Double.isFinite(hours) ? OptionalDouble.of(hours) : OptionalDouble.empty();
    }
}
