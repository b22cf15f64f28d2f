package inkel.core.power.rules;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.power.RegulatorReport;
import inkel.core.quantity.Current;
import inkel.core.quantity.Source;
import inkel.core.remedy.Effort;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.OtherWayIn;
import inkel.core.remedy.RailNames;
import inkel.core.remedy.Room;
import inkel.core.remedy.Tried;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Reports a regulator whose junction gets hotter than it bears: it switches itself off, or dies. */
public final class RegulatorHotRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.regulator_hot", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.regulators().stream()
                .filter(RegulatorReport::isTooHot)
                .map(regulator -> describe(regulator, report))
                .toList();
    }

    private static Finding describe(RegulatorReport regulator, PowerReport report) {
        return Finding.of(INFO, regulator.node().place(regulator.rail().id()))
                .with("rail", RailNames.of(regulator.node(), regulator.rail().id()))
                .number("input_highest", regulator.in().highest(), Source.COMPUTED)
                .number("average", regulator.carried(), Source.COMPUTED)
                .number("loss", regulator.loss(), Source.COMPUTED)
                .number("ambient", regulator.ambient(), regulator.ambientSource())
                .number("junction", regulator.junction().orElseThrow(), Source.COMPUTED)
                .number("junction_max", regulator.regulator().junctionMax().orElseThrow(), Source.CLASS)
                .fixes(() -> lessIn(regulator, report))
                .fixes(() -> lessLoad(regulator, report))
                .build();
    }

    /**
     * A supply of fewer volts before it, since what it turns into heat is what it takes off; or another way in, past it. Only
     * what keeps it cool enough.
     */
    private static List<Fix> lessIn(RegulatorReport regulator, PowerReport report) {
        Placed owner = regulator.node().part(regulator.rail().id().part()).orElseThrow();
        String hot = regulator.rail().output().from().orElse("");
        FeedFixes feeds = new FeedFixes(regulator.node(), report.catalog());
        List<Fix> ways = new ArrayList<>();
        owner.cls().supply(hot).ifPresent(supply -> ways.addAll(feeds.of(owner, supply)));
        OtherWayIn.of(report.circuit(), regulator.node(), owner, hot).forEach(ways::add);
        // Two pins may be fed past it by the same thing.
        Set<String> known = new HashSet<>();
        return Effort.leastFirst(ways.stream()
                .filter(fix -> known.add(fix.id()))
                .filter(fix -> isCool(regulator, report, fix))
                .toList());
    }

    private static boolean isCool(RegulatorReport regulator, PowerReport report, Fix fix) {
        return Tried.after(fix, report.circuit())
                .filter(after -> over(after) <= over(report.circuit())
                        && PowerReport.of(after).regulators().stream()
                                .filter(other -> isSame(other, regulator))
                                .noneMatch(RegulatorReport::isTooHot))
                .isPresent();
    }

    private static boolean isSame(RegulatorReport one, RegulatorReport other) {
        return one.rail().id().equals(other.rail().id())
                && one.node().node().id().equals(other.node().node().id());
    }

    /** How many rails give more than they are rated for. */
    private static long over(Circuit circuit) {
        return circuit.nodes().stream().mapToLong(Room::over).sum();
    }

    private static List<Fix> lessLoad(RegulatorReport regulator, PowerReport report) {
        Current most = regulator.mostForHeat().orElse(Current.ZERO);
        return LoadFixes.ofAverage(
                regulator.node(), regulator.rail(), report, regulator.carried().minus(most));
    }
}
