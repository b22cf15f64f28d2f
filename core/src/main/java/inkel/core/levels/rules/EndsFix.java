package inkel.core.levels.rules;

import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.finding.Fix;
import inkel.core.formula.ESeries;
import inkel.core.formula.SeriesResistor;
import inkel.core.formula.Verdict;
import inkel.core.levels.BoardLink;
import inkel.core.levels.Judged;
import inkel.core.levels.Link;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import java.util.List;
import java.util.Optional;

/**
 * What is wrong only when both supplies are at their ends: settled by leaving it knowingly, or by a resistor that lets no
 * more than {@link #CLAMP} into the pin, R ≥ V/I.
 */
final class EndsFix {
    /** What a clamp diode of a logic pin bears for ever, by the usual data sheet. */
    static final Current CLAMP = Current.ofMilliamperes(1);

    /** Below this one would not put a resistor in. */
    private static final Resistance LEAST = Resistance.ofOhms(1000);

    private EndsFix() {}

    static boolean isSettled(Judged judged) {
        return judged.isOnlyAtTheEnds() && judged.check().verdict() == Verdict.HARMS && isSoft(judged);
    }

    private static boolean isSoft(Judged judged) {
        return judged.between()
                .filter(Between.Series.class::isInstance)
                .map(piece -> ((Between.Series) piece).resistance())
                .filter(series -> !Quantity.exceeds(least(judged), series))
                .isPresent();
    }

    private static Resistance least(Judged judged) {
        return SeriesResistor.least(judged.check().headroom().times(-1), CLAMP);
    }

    /** Only for a wire that goes one way and has nothing in it. */
    static Optional<Fix> series(Judged judged) {
        boolean isTwoWay = judged instanceof BoardLink board && board.isBus()
                || judged instanceof Link link
                        && link.node()
                                .pin(link.signal().endpoint())
                                .orElseThrow()
                                .use()
                                .isTwoWay();
        if (!judged.isOnlyAtTheEnds()
                || judged.check().verdict() != Verdict.HARMS
                || isTwoWay
                || judged.between().isPresent()) {
            return Optional.empty();
        }
        Resistance value = Quantity.larger(
                LEAST, Resistance.ofOhms(ESeries.E12.atLeast(least(judged).ohms())));
        Endpoint signal = InWire.signal(judged);
        return Optional.of(new Fix(
                "series",
                Fact.of("fix.clamp_series").with("value", value).with("signal", signal.pin()),
                Fact.of("fix.clamp_series.cost"),
                List.of(InWire.put(judged, new Between.Series(signal, value, Optional.empty(), Extras.NONE)))));
    }
}
