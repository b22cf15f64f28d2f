package inkel.core.tune.sample;

import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Meter;
import inkel.core.formula.SampleBand;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import java.util.List;
import java.util.Optional;

/** The current of something by the volts over the resistor in its wire. */
public final class OverResistor {
    /** Of carbon film, as it lies in most drawers. */
    private static final double OF_RESISTOR = 0.05;

    private OverResistor() {}

    /** What stands in the wire of a signal, in ohms; empty where that is no resistor alone. */
    public static Optional<Double> ohms(NodeCircuit node, Endpoint signal) {
        return node.between(signal)
                .filter(Between.Series.class::isInstance)
                .map(piece -> ((Between.Series) piece).resistance().ohms());
    }

    /**
     * {@code I = U/R}. What the resistor may be off is the larger limit; the meter's is taken as one chance more.
     *
     * @param over volts that were read, at least one
     */
    public static Estimate current(List<Double> over, double ohms, Meter meter) {
        double flows = SampleBand.of(over).mean() / ohms;
        double chance = Math.hypot(Means.chance(over, meter) / ohms, meter.accuracy() * flows / Math.sqrt(3));
        return new Estimate(flows, Spread.ofSum(OF_RESISTOR * flows, chance));
    }
}
