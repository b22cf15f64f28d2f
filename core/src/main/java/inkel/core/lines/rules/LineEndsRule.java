package inkel.core.lines.rules;

import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.lines.LineReport;
import inkel.core.lines.LineStation;
import inkel.core.lines.LongLine;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Optional;

/**
 * Reports a long line with so many terminators that its drivers have too little to give, and one with none at an end, where
 * what arrives is thrown back.
 */
public final class LineEndsRule implements Rule<LineReport> {
    private static final RuleInfo INFO = new RuleInfo("pair.ends", Severity.LOOK, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LineReport report) {
        return report.lines().stream()
                .flatMap(line -> check(report, line).stream())
                .toList();
    }

    private static Optional<Finding> check(LineReport report, LongLine line) {
        boolean isTooMuch = line.load()
                .filter(load -> LongLine.LEAST_LOAD.ohms() > load.ohms())
                .isPresent();
        List<LineStation> bare =
                line.ends().stream().filter(end -> end.terminator().isEmpty()).toList();
        if (isTooMuch) {
            return Optional.of(Finding.of(INFO, line.stations().get(0).place())
                    .variant("many")
                    .with("count", line.terminated().size())
                    .number("line_load", line.load().get(), Source.COMPUTED)
                    .number("least_load", LongLine.LEAST_LOAD, Source.RULE)
                    .fixes(() -> ways(report, line))
                    .build());
        }
        return bare.isEmpty()
                ? Optional.empty()
                : Optional.of(Finding.of(INFO, bare.get(0).place())
                        .variant("few")
                        .onlyToKnow()
                        .with("part", bare.get(0).placed().part().name())
                        .with("node", bare.get(0).node().node().name())
                        .number("terminator", bare.get(0).pair().terminator(), Source.RULE)
                        .fixes(() -> ways(report, line))
                        .build());
    }

    /** One at each end, and none between; where there are other than two ends the line is run otherwise first. */
    private static List<Fix> ways(LineReport report, LongLine line) {
        if (line.ends().size() != 2) {
            return ChainFix.of(report, line).stream().toList();
        }
        List<Edit> edits = LineReport.terminated(line);
        return List.of(new Fix(
                "ends", Fact.of("fix.line_ends"), Fact.of("fix.line_ends.cost").with("count", edits.size()), edits));
    }
}
