package inkel.core.power.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.BurstReport;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Source;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.RailNames;
import java.util.List;

/** Reports a part whose bursts pull its rail below what it works at: it starts anew in the middle of its work. */
public final class BurstDroopRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.burst_droop", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.bursts().stream()
                .filter(BurstReport::fallsTooFar)
                .map(burst -> describe(burst, report))
                .toList();
    }

    private static Finding describe(BurstReport burst, PowerReport report) {
        Finding.Builder finding = Finding.of(INFO, burst.node().place(burst.placed()))
                .with("part", burst.placed().part().name())
                .with("rail", RailNames.of(burst.node(), burst.rail().id()))
                .number("burst", burst.burstCurrent(), burst.burst().current().source())
                .number("rail_gives", burst.railGives(), Source.COMPUTED)
                .number("excess", burst.excess(), Source.COMPUTED)
                .number("time", burst.burst().time(), Source.CLASS)
                .number("may_fall", burst.allowed(), Source.COMPUTED);
        burst.droop()
                .ifPresentOrElse(
                        droop -> finding.variant("deep")
                                .number("capacitor", burst.placed().capacitor().orElseThrow(), Source.YOURS)
                                .number("falls", droop, Source.COMPUTED),
                        () -> finding.variant("none"));
        return finding.fix(() -> BurstFixes.capacitor(burst))
                .fixes(() -> new FeedFixes(burst.node(), report.catalog()).of(burst.placed(), burst.supply()))
                .build();
    }
}
