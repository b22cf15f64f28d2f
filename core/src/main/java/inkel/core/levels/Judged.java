package inkel.core.levels;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.finding.Evidence;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Optional;

/** A wire with a verdict on its levels: on one board, or from one board to another. */
public sealed interface Judged permits Link, BoardLink {
    /** What stands in the wire. */
    Optional<Between> between();

    LevelCheck check();

    Mildness mildness();

    /** Where the high that arrives comes from: a reading, the figures of the driver, or these at a supply of another. */
    Source saysHigh();

    /** As {@link #saysHigh}, for the low. */
    Source saysLow();

    /** Where the limits of who listens come from. */
    Source listens();

    /** How it fares; what is only to be looked at is thin. */
    default Verdict verdict() {
        return mildness() != Mildness.NONE ? Verdict.THIN : check().verdict();
    }

    /** Whether what is wrong is wrong only when both supplies are at their ends. */
    default boolean isOnlyAtTheEnds() {
        return mildness() == Mildness.AT_THE_ENDS;
    }

    /** Whether the builder knows that it has little to spare, and leaves it. */
    default boolean isLeft() {
        return between().filter(Between.Nothing.class::isInstance).isPresent();
    }

    /** Both sides with their margins, each with where it comes from, in the order of the arithmetic. */
    default List<Evidence> figures() {
        LevelCheck check = check();
        boolean isMade = between()
                .filter(piece -> piece.changesLevels() && !(piece instanceof Between.ShifterWay))
                .isPresent();
        return List.of(
                isMade
                        ? new Evidence("arrives_high_at_least", check.vohMin(), made(saysHigh()))
                        : new Evidence("highest_output_at_least", check.vohMin(), saysHigh()),
                new Evidence("reads_high_above", check.vih(), listens()),
                new Evidence("high_margin", check.highMargin(), Source.COMPUTED),
                isMade
                        ? new Evidence("arrives_low_at_most", check.volMax(), made(saysLow()))
                        : new Evidence("lowest_output_at_most", check.volMax(), saysLow()),
                new Evidence("reads_low_below", check.vil(), listens()),
                new Evidence("low_margin", check.lowMargin(), Source.COMPUTED),
                new Evidence("tolerated", check.absoluteMax(), listens()));
    }

    private static Source made(Source says) {
        return says == Source.MEASURED ? says : Source.COMPUTED;
    }

    /** Levels that hang on a supply are worked out as soon as that is not what the class says. */
    static Source source(NodeCircuit node, Endpoint end) {
        Source family = node.io(end).map(IoFamily::source).orElse(Source.CLASS);
        boolean isOfClass = node.ioRail(end).map(Rail::source).orElse(Source.CLASS) == Source.CLASS;
        return family == Source.CLASS && !isOfClass ? Source.COMPUTED : family;
    }
}
