package inkel.core.levels;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.PullUp;
import inkel.core.circuit.Rail;
import inkel.core.circuit.Reading;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Evidence;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * One direction of one wire: who says, who hears, and how it stands at the worst corner of both supplies.
 *
 * @param signal the module's signal that the wire belongs to
 * @param from the pin whose levels arrive at the receiver: the driver's, or a shifter's
 * @param to the receiver
 * @param between what stands in the wire
 * @param pulledBy the pull-up that makes the high of an open-drain wire; empty where the driver makes it
 * @param mildness whether what is wrong is only to be looked at, and why
 */
public record Link(
        NodeCircuit node,
        Place signal,
        Endpoint from,
        Endpoint to,
        Optional<Between> between,
        Optional<PullUp> pulledBy,
        LevelCheck check,
        Mildness mildness) {
    /** How it fares; what is only to be looked at is thin. */
    public Verdict verdict() {
        return mildness != Mildness.NONE ? Verdict.THIN : check.verdict();
    }

    /** Whether what is wrong is wrong only when both supplies are at their ends. */
    public boolean isOnlyAtTheEnds() {
        return mildness == Mildness.AT_THE_ENDS;
    }

    /** Where the high that arrives comes from: a reading, the figures of the driver, or these at a supply of another. */
    public Source saysHigh() {
        return reading().high().isPresent() ? Source.MEASURED : sourceOf(from);
    }

    /** As {@link #saysHigh}, for the low. */
    public Source saysLow() {
        return reading().low().isPresent() ? Source.MEASURED : sourceOf(from);
    }

    /** Where the receiver's limits come from. */
    public Source hears() {
        return sourceOf(to);
    }

    private Reading reading() {
        return node.reading(signal.endpoint());
    }

    /** Levels that hang on a supply are worked out as soon as that is not what the class says. */
    private Source sourceOf(Endpoint end) {
        Source family = node.io(end).map(IoFamily::source).orElse(Source.CLASS);
        boolean isOfClass = node.ioRail(end).map(Rail::source).orElse(Source.CLASS) == Source.CLASS;
        return family == Source.CLASS && !isOfClass ? Source.COMPUTED : family;
    }

    /** Both sides with their margins, each with where it comes from, in the order of the arithmetic. */
    public List<Evidence> figures() {
        return List.of(
                new Evidence("highest_output_at_least", check.vohMin(), saysHigh()),
                new Evidence("reads_high_above", check.vih(), hears()),
                new Evidence("high_margin", check.highMargin(), Source.COMPUTED),
                new Evidence("lowest_output_at_most", check.volMax(), saysLow()),
                new Evidence("reads_low_below", check.vil(), hears()),
                new Evidence("low_margin", check.lowMargin(), Source.COMPUTED),
                new Evidence("tolerated", check.absoluteMax(), hears()));
    }

    /** What a divider in the wire leaves of what is sent; 1 for anything else. */
    public double share() {
        return between.filter(Between.Divider.class::isInstance)
                .map(divider -> ((Between.Divider) divider).share())
                .orElse(1.0);
    }

    /** What the driver itself puts out as a high, before a divider takes its share. */
    public Range<Voltage> saidHigh() {
        return Range.between(check.vohMin().times(1 / share()), check.vohMax().times(1 / share()));
    }

    /** What the driver itself puts out as a low at most, before a divider takes its share. */
    public Voltage saidLow() {
        return check.volMax().times(1 / share());
    }

    /** Whether it leads into a shifter or a buffer, not out of one or past it. */
    public boolean isInto() {
        return node.pin(to).filter(pin -> pin.use().isWay()).isPresent();
    }
}
