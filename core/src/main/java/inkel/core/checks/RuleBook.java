package inkel.core.checks;

import inkel.core.build.Build;
import inkel.core.build.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.rules.AnalogOverRule;
import inkel.core.levels.rules.BackPowerRule;
import inkel.core.levels.rules.DividerTwoWayRule;
import inkel.core.levels.rules.FigureUnknownRule;
import inkel.core.levels.rules.HarmsRule;
import inkel.core.levels.rules.NotReadRule;
import inkel.core.levels.rules.PullupHarmsRule;
import inkel.core.levels.rules.ShifterSlowRule;
import inkel.core.levels.rules.ThinRule;
import inkel.core.parts.rules.HeaderLooseRule;
import inkel.core.parts.rules.NoSupplyRule;
import inkel.core.parts.rules.SupplyTooHighRule;
import inkel.core.parts.rules.SupplyTooLowRule;
import inkel.core.pins.rules.AddressClashRule;
import inkel.core.pins.rules.AddressReservedRule;
import inkel.core.pins.rules.BaudErrorRule;
import inkel.core.pins.rules.BootStrapRule;
import inkel.core.pins.rules.BusBusyRule;
import inkel.core.pins.rules.ClockOverRule;
import inkel.core.pins.rules.ConsoleSharedRule;
import inkel.core.pins.rules.InputChannelRule;
import inkel.core.pins.rules.InputFloatsRule;
import inkel.core.pins.rules.MisoHeldRule;
import inkel.core.pins.rules.NoAnalogRule;
import inkel.core.pins.rules.NoPullupRule;
import inkel.core.pins.rules.NoPwmRule;
import inkel.core.pins.rules.NoRoleRule;
import inkel.core.pins.rules.NoSelectRule;
import inkel.core.pins.rules.NotCrossedRule;
import inkel.core.pins.rules.NotEnoughRule;
import inkel.core.pins.rules.NotPlacedRule;
import inkel.core.pins.rules.PortTakenRule;
import inkel.core.pins.rules.PullupStrongRule;
import inkel.core.pins.rules.PullupWeakRule;
import inkel.core.pins.rules.SelectFloatsRule;
import inkel.core.pins.rules.SoftFastRule;
import inkel.core.pins.rules.SoftwareJitterRule;
import inkel.core.pins.rules.SpiClockOverRule;
import inkel.core.pins.rules.TimerClashRule;
import inkel.core.pins.rules.TwoDriversRule;
import inkel.core.power.rules.BatteryShortRule;
import inkel.core.power.rules.BurstDroopRule;
import inkel.core.power.rules.CoilDriveRule;
import inkel.core.power.rules.DecouplingRule;
import inkel.core.power.rules.DropoutRule;
import inkel.core.power.rules.MainsCareRule;
import inkel.core.power.rules.NoCommonGroundRule;
import inkel.core.power.rules.PinCurrentRule;
import inkel.core.power.rules.RailAverageRule;
import inkel.core.power.rules.RailPeakRule;
import inkel.core.power.rules.RegulatorHotRule;
import inkel.core.power.rules.ServoFromBoardRule;
import inkel.core.power.rules.SourceOverRule;
import inkel.core.power.rules.TwoSourcesRule;
import inkel.core.power.rules.WireDropRule;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.slf4j.LoggerFactory;

/** Every rule that is shipped, in the order of the stages. A new rule is one more line here. */
public final class RuleBook {
    private static final RuleInfo FAILED = new RuleInfo(
            "inkel.rule_failed", Severity.LOOK, Stage.LOG, "a check that did not run says nothing about the build");

    /** A rule and the report it reads. */
    private record Entry<R>(Rule<R> rule, Function<Reports, R> report) {
        List<Finding> run(Reports reports) {
            return guarded(rule, report.apply(reports), reports.circuit().build());
        }
    }

    private static final List<Entry<?>> ENTRIES = List.of(
            new Entry<>(new NoSupplyRule(), Reports::supplies),
            new Entry<>(new SupplyTooHighRule(), Reports::supplies),
            new Entry<>(new SupplyTooLowRule(), Reports::supplies),
            new Entry<>(new HeaderLooseRule(), Reports::circuit),
            new Entry<>(new FigureUnknownRule(), Reports::levels),
            new Entry<>(new SourceOverRule(), Reports::power),
            new Entry<>(new RailPeakRule(), Reports::power),
            new Entry<>(new RailAverageRule(), Reports::power),
            new Entry<>(new TwoSourcesRule(), Reports::power),
            new Entry<>(new RegulatorHotRule(), Reports::power),
            new Entry<>(new DropoutRule(), Reports::power),
            new Entry<>(new BurstDroopRule(), Reports::power),
            new Entry<>(new CoilDriveRule(), Reports::power),
            new Entry<>(new PinCurrentRule(), Reports::power),
            new Entry<>(new ServoFromBoardRule(), Reports::power),
            new Entry<>(new WireDropRule(), Reports::power),
            new Entry<>(new BatteryShortRule(), Reports::power),
            new Entry<>(new NoCommonGroundRule(), Reports::power),
            new Entry<>(new DecouplingRule(), Reports::power),
            new Entry<>(new MainsCareRule(), Reports::power),
            new Entry<>(new HarmsRule(), Reports::levels),
            new Entry<>(new AnalogOverRule(), Reports::levels),
            new Entry<>(new PullupHarmsRule(), Reports::levels),
            new Entry<>(new DividerTwoWayRule(), Reports::levels),
            new Entry<>(new ShifterSlowRule(), Reports::levels),
            new Entry<>(new BackPowerRule(), Reports::levels),
            new Entry<>(new NotReadRule(), Reports::levels),
            new Entry<>(new ThinRule(), Reports::levels),
            new Entry<>(new TwoDriversRule(), Reports::pins),
            new Entry<>(new NoRoleRule(), Reports::pins),
            new Entry<>(new NotPlacedRule(), Reports::pins),
            new Entry<>(new AddressClashRule(), Reports::pins),
            new Entry<>(new AddressReservedRule(), Reports::pins),
            new Entry<>(new NoPullupRule(), Reports::pins),
            new Entry<>(new PullupStrongRule(), Reports::pins),
            new Entry<>(new PullupWeakRule(), Reports::pins),
            new Entry<>(new ClockOverRule(), Reports::pins),
            new Entry<>(new BaudErrorRule(), Reports::pins),
            new Entry<>(new NotCrossedRule(), Reports::pins),
            new Entry<>(new NotEnoughRule(), Reports::pins),
            new Entry<>(new BootStrapRule(), Reports::pins),
            new Entry<>(new InputFloatsRule(), Reports::pins),
            new Entry<>(new BusBusyRule(), Reports::pins),
            new Entry<>(new SpiClockOverRule(), Reports::pins),
            new Entry<>(new NoSelectRule(), Reports::pins),
            new Entry<>(new MisoHeldRule(), Reports::pins),
            new Entry<>(new SelectFloatsRule(), Reports::pins),
            new Entry<>(new PortTakenRule(), Reports::pins),
            new Entry<>(new ConsoleSharedRule(), Reports::pins),
            new Entry<>(new SoftFastRule(), Reports::pins),
            new Entry<>(new TimerClashRule(), Reports::pins),
            new Entry<>(new NoPwmRule(), Reports::pins),
            new Entry<>(new SoftwareJitterRule(), Reports::pins),
            new Entry<>(new InputChannelRule(), Reports::pins),
            new Entry<>(new NoAnalogRule(), Reports::pins));

    private RuleBook() {}

    /** What is known of every rule, in order. */
    public static List<RuleInfo> infos() {
        return ENTRIES.stream().map(entry -> entry.rule().info()).toList();
    }

    /** A rule that crashes becomes a finding that names it, so that the others are still heard. */
    static <R> List<Finding> guarded(Rule<R> rule, R report, Build build) {
        try {
            return rule.check(report);
        } catch (RuntimeException bug) {
            // Fetched only here: setting up logging would cost every start some milliseconds.
            LoggerFactory.getLogger(RuleBook.class)
                    .error("rule {} failed", rule.info().code(), bug);
            Place where = Place.ofNode(build.nodes().get(0).id());
            return List.of(
                    Finding.of(FAILED, where).with("rule", rule.info().code()).build());
        }
    }

    /** What every rule finds, in the order of the rules. */
    static List<Finding> run(Reports reports) {
        List<Finding> findings = new ArrayList<>();
        for (Entry<?> entry : ENTRIES) {
            findings.addAll(entry.run(reports));
        }
        return findings;
    }
}
