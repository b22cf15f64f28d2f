package inkel.core.catalog;

import inkel.core.quantity.Current;
import inkel.core.quantity.Source;
import inkel.core.quantity.Threshold;
import inkel.core.quantity.Voltage;
import java.util.Optional;

/**
 * The levels of a group of pins, worst case over the class.
 *
 * @param name the name pins refer to it by
 * @param supply the supply pin that its thresholds hang on
 * @param openDrain whether it only pulls low and leaves the high to a pull-up
 * @param vih read as high from here up; absent for pure outputs
 * @param vil read as low from here down
 * @param voh driven high is at least this at its rated load; absent for pure inputs and open drains
 * @param vol driven low is at most this at its rated load
 * @param vohLight driven high into inputs, which take next to nothing; as {@code voh} where it is not told apart
 * @param volLight driven low into inputs; as {@code vol} where it is not told apart
 * @param vohMax driven high is at most this; absent when it can reach the supply
 * @param absoluteMax damaged above this
 * @param recommendedMax outside what the maker recommends above this; absent when not told apart
 * @param pinCurrent the most that one pin may give or take for long
 * @param sourceCurrent the most that one pin may give, where that is less than it may take
 * @param unpoweredMax damaged or back-fed above this while its supply is off; absent where {@code absoluteMax} tells that too
 * @param source where the levels come from: the class, or the builder when any of them was replaced
 */
public record IoFamily(
        String name,
        String supply,
        boolean openDrain,
        Optional<Threshold> vih,
        Optional<Threshold> vil,
        Optional<Threshold> voh,
        Optional<Threshold> vol,
        Optional<Threshold> vohLight,
        Optional<Threshold> volLight,
        Optional<Threshold> vohMax,
        Threshold absoluteMax,
        Optional<Threshold> recommendedMax,
        Optional<Current> pinCurrent,
        Optional<Current> sourceCurrent,
        Optional<Voltage> unpoweredMax,
        Source source) {
    /** The most that it bears while its supply is off. */
    public Voltage bearsUnpowered() {
        return unpoweredMax.orElseGet(() -> absoluteMax.at(Voltage.ZERO));
    }

    /** Driven high is at least this on a wire that only inputs listen to. */
    public Optional<Threshold> signalHigh() {
        return vohLight.or(() -> voh);
    }

    /** The most that it can drive a high to at a supply. */
    public Voltage highest(Voltage supplied) {
        return vohMax.map(most -> most.at(supplied)).orElse(supplied);
    }

    /** Driven low is at most this on such a wire. */
    public Optional<Threshold> signalLow() {
        return volLight.or(() -> vol);
    }
}
