package inkel.core.levels.rules;

import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.document.Place;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Fix;
import inkel.core.formula.DividerSearch;
import inkel.core.levels.WireSpeed;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Voltage;
import java.util.List;

/** Puts two resistors in a wire, with what they do to it. */
final class DividerFix {
    private DividerFix() {}

    /** @param highest the most that is sent */
    static Fix of(Place signal, DividerSearch.Pair pair, Voltage highest) {
        return new Fix(
                "divide",
                Fact.of("fix.divide").with("signal", signal.pin()),
                Fact.of("fix.divide.cost")
                        .with("series", pair.series())
                        .with("to_ground", pair.toGround())
                        .with("lands", pair.high(highest))
                        .with("rise", WireSpeed.rise(pair.source()))
                        .with("source", pair.source())
                        .with("current", highest.dividedBy(pair.total())),
                List.of(new Insert(
                        signal.node(),
                        new Between.Divider(signal.endpoint(), pair.series(), pair.toGround(), Extras.NONE))));
    }
}
