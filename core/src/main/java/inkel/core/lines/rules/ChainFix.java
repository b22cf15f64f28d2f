package inkel.core.lines.rules;

import inkel.core.finding.Fix;
import inkel.core.lines.LineReport;
import inkel.core.lines.LongLine;
import inkel.core.quantity.Fact;

/** A line that goes from one table to the next, with a terminator at each end. */
final class ChainFix {
    private ChainFix() {}

    static Fix of(LineReport report, LongLine line) {
        return new Fix(
                "chain",
                Fact.of("fix.line_chain"),
                Fact.of("fix.line_chain.cost")
                        .with(
                                "tables",
                                line.stations().stream()
                                        .map(station -> station.node().node().name())
                                        .toList()),
                report.chain(line));
    }
}
