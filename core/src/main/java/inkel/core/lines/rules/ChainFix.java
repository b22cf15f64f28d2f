package inkel.core.lines.rules;

import inkel.core.finding.Fix;
import inkel.core.lines.LineReport;
import inkel.core.lines.LongLine;
import inkel.core.quantity.Fact;
import java.util.Optional;

/** A line that goes from one table to the next, with a terminator at each end; empty where a table has two on it. */
final class ChainFix {
    private ChainFix() {}

    static Optional<Fix> of(LineReport report, LongLine line) {
        long tables = line.stations().stream()
                .map(station -> station.node().node().id())
                .distinct()
                .count();
        return tables < line.stations().size() ? Optional.empty() : Optional.of(fix(report, line));
    }

    private static Fix fix(LineReport report, LongLine line) {
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
