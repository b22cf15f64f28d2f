package inkel.core.levels.rules;

import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Fix;
import inkel.core.formula.DividerSearch;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.levels.WireSpeed;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Puts two resistors in a wire, with what they do to it. */
final class DividerFix {
    /** A source beyond this picks up its neighbours on a breadboard, however slow the wire is. */
    static final Resistance MOST_SOURCE = Resistance.ofOhms(10_000);

    static final String ID = "divide";

    private DividerFix() {}

    /**
     * The pair that brings a high that is too much down to where it is read and borne; empty where it is not too much, or
     * none does both.
     *
     * @param most what the wire still rises through in time
     */
    static Optional<DividerSearch.Pair> pair(LevelCheck check, Resistance most) {
        if (check.verdict() != Verdict.HARMS && !check.isAboveRecommended()) {
            return Optional.empty();
        }
        Voltage ceiling = check.recommendedMax()
                .map(limit -> Quantity.smaller(limit, check.absoluteMax()))
                .orElse(check.absoluteMax());
        return DividerSearch.sparing(
                check.vohMin(),
                check.vohMax(),
                ceiling,
                check.vih().plus(check.wantedMargin()),
                Quantity.smaller(most, MOST_SOURCE));
    }

    /**
     * @param highest the most that is sent
     * @param put puts the piece in the wire
     */
    static Fix of(Endpoint signal, DividerSearch.Pair pair, Voltage highest, Function<Between, Edit> put) {
        return new Fix(
                ID,
                Fact.of("fix.divide").with("signal", signal.pin()),
                Fact.of("fix.divide.cost")
                        .with("series", pair.series())
                        .with("to_ground", pair.toGround())
                        .with("lands", pair.high(highest))
                        .with("rise", WireSpeed.rise(pair.source()))
                        .with("source", pair.source())
                        .with("current", highest.dividedBy(pair.total())),
                List.of(put.apply(new Between.Divider(signal, pair.series(), pair.toGround(), Extras.NONE))));
    }
}
