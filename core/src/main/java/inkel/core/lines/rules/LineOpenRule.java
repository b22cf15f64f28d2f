package inkel.core.lines.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.lines.LineReport;
import inkel.core.lines.LineStation;
import java.util.List;

/** Reports a transceiver that no long wire leaves from, although another table has one for it to talk to. */
public final class LineOpenRule implements Rule<LineReport> {
    private static final RuleInfo INFO = new RuleInfo("pair.open", Severity.NOTE, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LineReport report) {
        List<LineStation> open = report.stations().stream()
                .filter(station -> report.line(station).isEmpty())
                .toList();
        // Where there is no line at all, it is one that is missing and not one for each.
        return open.stream()
                .skip(report.lines().isEmpty() ? 1 : 0)
                .filter(station -> !report.partners(station).isEmpty())
                .map(station -> describe(report, station))
                .toList();
    }

    private static Finding describe(LineReport report, LineStation station) {
        return Finding.of(INFO, station.place())
                .with("part", station.placed().part().name())
                .with("plus", station.pair().plus())
                .with("minus", station.pair().minus())
                .fixes(() -> report.partners(station).stream()
                        .map(other -> JoinFix.of(report, other, station, other))
                        .toList())
                .build();
    }
}
