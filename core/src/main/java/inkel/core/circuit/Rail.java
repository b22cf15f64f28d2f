package inkel.core.circuit;

import inkel.core.catalog.Output;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Share;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A rail of a node: what it gives, and what is taken from it.
 *
 * @param figure its voltage against ground, with where that comes from; empty when nothing feeds what the rail is made
 *     from
 * @param average what all loads take over time
 * @param peak the most that all loads take together, of all sets of moments that can coincide
 * @param loads supply pins, in the order of the node's parts
 * @param lamps signals of lamps whose current comes from it by way of a pin
 * @param worst the moments that make the peak
 */
public record Rail(
        Endpoint id,
        Output output,
        Optional<Figure<Voltage>> figure,
        Current rating,
        Current average,
        Current peak,
        List<Load> loads,
        List<Load> lamps,
        Set<String> worst) {
    /** The share of its rating that a rail may give on average, to leave room for heat and age. */
    public static final Share AVERAGE_SHARE = Share.ofPercent(80);

    public Rail {
        loads = List.copyOf(loads);
        lamps = List.copyOf(lamps);
        worst = Set.copyOf(worst);
    }

    /**
     * What a supply pin or a lamp takes, its own modes and what it passes on together.
     *
     * @param peak the most it ever takes
     * @param atWorst what it takes when the rail is at its peak; these add up to the rail's
     */
    public record Load(Endpoint pin, Current average, Current peak, Current atWorst) {}

    /** All that its sums are made of. */
    public List<Load> all() {
        if (lamps.isEmpty()) {
            return loads;
        }
        List<Load> all = new ArrayList<>(loads);
        all.addAll(lamps);
        return all;
    }

    /** Its voltage against ground; empty when nothing feeds what the rail is made from. */
    public Optional<Range<Voltage>> volts() {
        return figure.isEmpty() ? Optional.empty() : Optional.of(figure.get().range());
    }

    /** Its voltage, or what that would be once something feeds it; empty for a rail that passes on and gets nothing. */
    public Optional<Range<Voltage>> nominal() {
        return volts().or(() -> output.volts().map(Figure::range));
    }

    /** Where its voltage comes from; from the class when there is none. */
    public Source source() {
        return figure.isEmpty() ? Source.CLASS : figure.get().source();
    }

    /** Whether the rail comes from outside the build. */
    public boolean isSource() {
        return output.way() == Output.Way.SOURCE;
    }

    /** Whether the peak is above the rating. */
    public boolean isOver() {
        return peak.isAbove(rating);
    }

    /** The most that it should give on average. */
    public Current averageLimit() {
        return rating.times(AVERAGE_SHARE.ratio());
    }

    public boolean isAverageOver() {
        return average.isAbove(averageLimit());
    }

    /** The peak as a share of the rating. */
    public Share peakShare() {
        return Share.of(peak.amperes() / rating.amperes());
    }

    /** What is left for more loads before the peak reaches the rating; negative when overloaded. */
    public Current room() {
        return rating.minus(peak);
    }
}
