package inkel.core.tune.rules;

import inkel.core.catalog.BenchKind;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.tune.stand.TuneReport;
import inkel.core.tune.tags.Tag;
import inkel.core.tune.tags.TagDraft;
import java.util.List;

/** Says once, where tags are let in, that their number can be copied and what that means for a lock. */
public final class TagCopyableRule implements Rule<TuneReport> {
    private static final RuleInfo INFO = new RuleInfo("tag.copyable", Severity.NOTE, Stage.TUNE);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(TuneReport report) {
        return report.stands().stream()
                .filter(stand -> stand.bench() == BenchKind.TAGS)
                .filter(stand -> stand.kept()
                        .filter(kept -> TagDraft.tags(kept.tuning()).stream().anyMatch(Tag::isAllowed))
                        .isPresent())
                .limit(1)
                .map(stand -> Finding.of(INFO, stand.node().place(stand.part()))
                        .with("part", stand.part().part().name())
                        .build())
                .toList();
    }
}
