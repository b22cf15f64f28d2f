package inkel.core.tune.radio.rules;

import inkel.core.document.LocalNetwork;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.tune.radio.End;
import inkel.core.tune.radio.RadioNet;
import inkel.core.tune.radio.RadioReport;
import java.util.List;

/** Reports a channel that a local network around stands on. */
public final class NetworkOverlapRule implements Rule<RadioReport> {
    private static final RuleInfo INFO = new RuleInfo("radio.network_overlap", Severity.LOOK, Stage.TUNE);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(RadioReport report) {
        return report.nets().stream()
                .flatMap(net -> net.ends().stream()
                        .filter(end -> !net.over(end).isEmpty())
                        .limit(1)
                        .map(end -> describe(net, end)))
                .toList();
    }

    /** A weak one costs a packet now and then, which trying again mends. */
    private static Finding describe(RadioNet net, End end) {
        List<LocalNetwork> over = net.over(end);
        Finding.Builder finding = Finding.of(INFO, RadioFixes.place(net, end))
                .with("channel", end.channel())
                .with("networks", over.stream().map(LocalNetwork::name).toList())
                .fix(() -> ChannelFix.of(net, end));
        if (over.stream().allMatch(network -> network.strength() == LocalNetwork.Strength.WEAK)) {
            finding.onlyToKnow();
        }
        return finding.build();
    }
}
