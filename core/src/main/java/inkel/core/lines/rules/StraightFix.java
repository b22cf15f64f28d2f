package inkel.core.lines.rules;

import inkel.core.finding.Fix;
import inkel.core.lines.Stretch;
import inkel.core.quantity.Fact;

/** Plus to plus and minus to minus. */
final class StraightFix {
    private StraightFix() {}

    static Fix of(Stretch stretch, String id) {
        String plus = stretch.one().pair().plus();
        String minus = stretch.one().pair().minus();
        return new Fix(
                id,
                Fact.of("fix.line_straight")
                        .with("plus", plus)
                        .with("minus", minus)
                        .with("other_plus", stretch.other().pair().plus())
                        .with("other_minus", stretch.other().pair().minus()),
                Fact.of("fix.line_straight.cost")
                        .with("count", stretch.madeStraight().size()),
                stretch.madeStraight());
    }
}
