package inkel.core.power.rules;

import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.SetGround;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.power.PowerReport.ApartGround;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.stream.Stream;

/** Reports a part whose ground is not joined to that of the parts it works with: no voltage has a meaning then. */
public final class NoCommonGroundRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.no_common_ground", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return Stream.concat(
                        report.apartGrounds().stream().map(NoCommonGroundRule::describe),
                        report.apartNodes().stream().map(link -> describe(report, link)))
                .toList();
    }

    /** Two boards with a signal wire between them, and no ground wire. */
    private static Finding describe(PowerReport report, NodeWire link) {
        String one = nameOf(report, link.from());
        String other = nameOf(report, link.to());
        Finding.Builder finding = Finding.of(INFO, link.from());
        return (link.isLine() ? finding.variant("line").onlyToLookAt() : finding.variant("nodes"))
                .with("one", one)
                .with("other", other)
                .fix(new Fix(
                        "join-grounds",
                        Fact.of("fix.join_grounds").with("one", one).with("other", other),
                        Fact.of("fix.join_ground.cost"),
                        List.of(new ChangeNodeWire(link, link.withGroundJoined()))))
                .build();
    }

    private static String nameOf(PowerReport report, Place pin) {
        return report.circuit().node(pin.node()).orElseThrow().node().name();
    }

    private static Finding describe(ApartGround apart) {
        String node = apart.node().node().id();
        return Finding.of(INFO, apart.node().place(apart.part()))
                .with("part", apart.part().part().name())
                .with("other", apart.other().part().name())
                .fix(new Fix(
                        "join-ground",
                        Fact.of("fix.join_ground")
                                .with("part", apart.part().part().name()),
                        Fact.of("fix.join_ground.cost"),
                        List.of(new SetGround(node, apart.part().id(), false))))
                .build();
    }
}
