package inkel.core.lines.rules;

import inkel.core.finding.Fix;
import inkel.core.lines.LineReport;
import inkel.core.lines.LineStation;
import inkel.core.quantity.Fact;

/** The long line from one table to another. */
public final class JoinFix {
    private JoinFix() {}

    /** @param named which of the two the builder has to be told of */
    public static Fix of(LineReport report, LineStation from, LineStation to, LineStation named) {
        return new Fix(
                "line-" + named.node().node().id() + "-" + named.placed().id(),
                Fact.of("fix.line_join")
                        .with("part", named.placed().part().name())
                        .with("node", named.node().node().name()),
                Fact.of("fix.line_join.cost"),
                report.join(from, to));
    }
}
