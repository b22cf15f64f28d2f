package inkel.core.tune.rules;

import inkel.core.catalog.BenchKind;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.tune.colour.Band;
import inkel.core.tune.colour.ColourKept;
import inkel.core.tune.colour.Mixing;
import inkel.core.tune.stand.TuneReport;
import java.util.List;

/** Reports two colours that were kept and that no channel tells apart: some readings of one are taken for the other. */
public final class ColourOverlapRule implements Rule<TuneReport> {
    private static final RuleInfo INFO = new RuleInfo("colour.overlap", Severity.LOOK, Stage.TUNE);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(TuneReport report) {
        return report.stands().stream()
                .filter(stand -> stand.bench() == BenchKind.COLOUR)
                .flatMap(stand -> stand.kept().stream()
                        .flatMap(kept -> Mixing.worst(
                                Band.averaged(ColourKept.bands(kept.tuning()), ColourKept.averaged(kept.tuning())))
                                .stream())
                        .map(mixing -> describe(stand, mixing)))
                .toList();
    }

    private static Finding describe(TuneReport.Stand stand, Mixing mixing) {
        return Finding.of(INFO, stand.node().place(stand.part()))
                .with("part", stand.part().part().name())
                .with("one", mixing.one())
                .with("other", mixing.other())
                .with("apart", Math.rint(mixing.apart() * 10) / 10)
                .build();
    }
}
