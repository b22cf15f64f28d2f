package inkel.core.tune.radio.rules;

import inkel.core.document.AirKey;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.quantity.Fact;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import inkel.core.tune.radio.RadioReport;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Reports radios whose addresses the pipes of another cannot hear one beside the other, and more of them than it has pipes. */
public final class PipeAddressRule implements Rule<RadioReport> {
    private static final RuleInfo INFO = new RuleInfo("radio.pipe_address", Severity.STOP, Stage.TUNE);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(RadioReport report) {
        List<Finding> findings = new ArrayList<>();
        for (RadioNet net : report.nets()) {
            if (net.isLongRange()) {
                continue;
            }
            List<End> wrong = net.wrongAddresses();
            wrong.forEach(end -> findings.add(describe(net, end)));
            List<End> leaves = net.ends().stream().filter(end -> !end.isHub()).toList();
            if (net.first().isHub() && leaves.size() > RadioNet.PIPES) {
                End sixth = leaves.get(RadioNet.PIPES);
                findings.add(Finding.of(INFO, RadioFixes.place(net, sixth))
                        .variant("many")
                        .with("hub", net.first().name())
                        .with("count", leaves.size())
                        .with("pipes", RadioNet.PIPES)
                        .build());
            }
        }
        return findings;
    }

    private static Finding describe(RadioNet net, End end) {
        return Finding.of(INFO, RadioFixes.place(net, end))
                .with("station", end.name())
                .with("address", end.said(AirKey.ADDRESS))
                .with("first", net.first().name())
                .with("like", net.first().said(AirKey.ADDRESS))
                .fix(() -> Optional.of(new Fix(
                        "count-on",
                        Fact.of("fix.count_on").with("station", end.name()),
                        Fact.of("fix.like_others.cost"),
                        net.ends().stream()
                                .filter(one -> one.isOwn(AirKey.ADDRESS))
                                .map(one -> RadioFixes.like(net, one, AirKey.ADDRESS))
                                .toList())))
                .build();
    }
}
