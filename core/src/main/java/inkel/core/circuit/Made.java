package inkel.core.circuit;

import inkel.core.catalog.Output;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Current;
import inkel.core.quantity.Range;
import inkel.core.quantity.Share;
import inkel.core.quantity.Voltage;
import java.util.Optional;

/**
 * A rail that is made from a supply pin.
 *
 * @param ratio what goes in for each ampere that comes out
 * @param ownAmperes what the conversion itself takes
 */
public record Made(Endpoint rail, double ratio, double ownAmperes) {
    /** What goes in while this much comes out. */
    public Current intake(Current out) {
        return Current.ofAmperes(ratio * out.amperes() + ownAmperes);
    }

    /**
     * What goes in for each ampere that comes out: as much, or the same power over the efficiency where it switches. Without both
     * voltages, or the efficiency, a switching regulator is reckoned as a linear one.
     */
    public static double ratio(Output output, Optional<Range<Voltage>> in, Optional<Range<Voltage>> out) {
        Optional<Share> efficiency = output.regulator().efficiency();
        boolean isSwitching = output.way() == Output.Way.SWITCHING;
        if (!isSwitching || efficiency.isEmpty() || in.isEmpty() || out.isEmpty()) {
            return 1;
        }
        double lowestIn = in.get().lowest().volts();
        return lowestIn <= 0
                ? 1
                : out.get().highest().volts() / (efficiency.get().ratio() * lowestIn);
    }
}
