package inkel.core.checks;

import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.levels.LevelReport;
import inkel.core.levels.rules.AnalogOverRule;
import inkel.core.levels.rules.BackPowerRule;
import inkel.core.levels.rules.DividerTwoWayRule;
import inkel.core.levels.rules.FigureUnknownRule;
import inkel.core.levels.rules.GroundLiftRule;
import inkel.core.levels.rules.HarmsRule;
import inkel.core.levels.rules.InLineSlowRule;
import inkel.core.levels.rules.NotReadRule;
import inkel.core.levels.rules.OptoRule;
import inkel.core.levels.rules.PullupHarmsRule;
import inkel.core.levels.rules.ShifterSlowRule;
import inkel.core.levels.rules.ShifterTurnedRule;
import inkel.core.levels.rules.SourceResistanceRule;
import inkel.core.levels.rules.ThinRule;
import inkel.core.levels.rules.TurnedOverRule;
import inkel.core.lines.LineReport;
import inkel.core.lines.rules.LineBranchRule;
import inkel.core.lines.rules.LineCrossedRule;
import inkel.core.lines.rules.LineEndsRule;
import inkel.core.lines.rules.LineHalfRule;
import inkel.core.lines.rules.LineOpenRule;
import inkel.core.lines.rules.LineRateRule;
import inkel.core.lines.rules.LineTalkersRule;
import inkel.core.log.rules.RecordTouchedRule;
import inkel.core.loop.LoopReport;
import inkel.core.loop.rules.BlocksRule;
import inkel.core.loop.rules.LoopSlowRule;
import inkel.core.parts.SupplyReport;
import inkel.core.parts.rules.ClassDiffersRule;
import inkel.core.parts.rules.HeaderLooseRule;
import inkel.core.parts.rules.MemoryShortRule;
import inkel.core.parts.rules.NoBoardRule;
import inkel.core.parts.rules.NoSupplyRule;
import inkel.core.parts.rules.NotACellRule;
import inkel.core.parts.rules.PinGoneRule;
import inkel.core.parts.rules.SaidTwiceRule;
import inkel.core.parts.rules.SecondBoardRule;
import inkel.core.parts.rules.StationKindsRule;
import inkel.core.parts.rules.StationRolesRule;
import inkel.core.parts.rules.SupplyTooHighRule;
import inkel.core.parts.rules.SupplyTooLowRule;
import inkel.core.parts.rules.SupplyUnknownRule;
import inkel.core.parts.rules.UnknownKeyRule;
import inkel.core.pins.PinReport;
import inkel.core.pins.rules.ActsAtStartRule;
import inkel.core.pins.rules.AddressClashRule;
import inkel.core.pins.rules.AddressReservedRule;
import inkel.core.pins.rules.AddressUnknownRule;
import inkel.core.pins.rules.BaudErrorRule;
import inkel.core.pins.rules.BiasTiedRule;
import inkel.core.pins.rules.BoardTakesRule;
import inkel.core.pins.rules.BoardsAddressRule;
import inkel.core.pins.rules.BoardsBusCrossedRule;
import inkel.core.pins.rules.BoardsClockRule;
import inkel.core.pins.rules.BoardsNotCrossedRule;
import inkel.core.pins.rules.BoardsOnConsoleRule;
import inkel.core.pins.rules.BoardsRateRule;
import inkel.core.pins.rules.BootStrapRule;
import inkel.core.pins.rules.BusBusyRule;
import inkel.core.pins.rules.ChainSplitRule;
import inkel.core.pins.rules.ClockOverRule;
import inkel.core.pins.rules.ConsoleSharedRule;
import inkel.core.pins.rules.DriverPinRule;
import inkel.core.pins.rules.InputChannelRule;
import inkel.core.pins.rules.InputFloatsRule;
import inkel.core.pins.rules.LeadApartRule;
import inkel.core.pins.rules.MisoHeldRule;
import inkel.core.pins.rules.NoAnalogRule;
import inkel.core.pins.rules.NoProgrammerRule;
import inkel.core.pins.rules.NoPullDownRule;
import inkel.core.pins.rules.NoPullRule;
import inkel.core.pins.rules.NoPullupRule;
import inkel.core.pins.rules.NoPwmRule;
import inkel.core.pins.rules.NoRoleRule;
import inkel.core.pins.rules.NoSelectRule;
import inkel.core.pins.rules.NotCrossedRule;
import inkel.core.pins.rules.NotEnoughRule;
import inkel.core.pins.rules.NotPlacedRule;
import inkel.core.pins.rules.PortTakenRule;
import inkel.core.pins.rules.ProgramLineRule;
import inkel.core.pins.rules.PullStrongRule;
import inkel.core.pins.rules.PullupStrongRule;
import inkel.core.pins.rules.PullupWeakRule;
import inkel.core.pins.rules.RateLowRule;
import inkel.core.pins.rules.SelectFloatsRule;
import inkel.core.pins.rules.SharedPinRule;
import inkel.core.pins.rules.SoftFastRule;
import inkel.core.pins.rules.SoftwareJitterRule;
import inkel.core.pins.rules.SpiClockOverRule;
import inkel.core.pins.rules.StrapDiffersRule;
import inkel.core.pins.rules.TimerClashRule;
import inkel.core.pins.rules.TwoDriversRule;
import inkel.core.power.PowerReport;
import inkel.core.power.rules.AlwaysOnRule;
import inkel.core.power.rules.BatteryShortRule;
import inkel.core.power.rules.BurstDroopRule;
import inkel.core.power.rules.CoilDriveRule;
import inkel.core.power.rules.CurrentUnknownRule;
import inkel.core.power.rules.DecouplingRule;
import inkel.core.power.rules.DropoutRule;
import inkel.core.power.rules.FuseRule;
import inkel.core.power.rules.LeadNowhereRule;
import inkel.core.power.rules.MainsCareRule;
import inkel.core.power.rules.NoCommonGroundRule;
import inkel.core.power.rules.NotInLineRule;
import inkel.core.power.rules.PinCurrentRule;
import inkel.core.power.rules.RailAverageRule;
import inkel.core.power.rules.RailPeakRule;
import inkel.core.power.rules.RegulatorHotRule;
import inkel.core.power.rules.ServoFromBoardRule;
import inkel.core.power.rules.SourceOverRule;
import inkel.core.power.rules.TwoSourcesRule;
import inkel.core.power.rules.WindingOverRule;
import inkel.core.power.rules.WireDropRule;
import inkel.core.tune.radio.RadioReport;
import inkel.core.tune.radio.rules.ChannelBandRule;
import inkel.core.tune.radio.rules.DutyRule;
import inkel.core.tune.radio.rules.NetworkOverlapRule;
import inkel.core.tune.radio.rules.PayloadSizeRule;
import inkel.core.tune.radio.rules.PipeAddressRule;
import inkel.core.tune.radio.rules.SettingsDifferRule;
import inkel.core.tune.rules.ColourOverlapRule;
import inkel.core.tune.rules.ServoOutOfRangeRule;
import inkel.core.tune.rules.TagCopyableRule;
import inkel.core.tune.stand.TuneReport;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.slf4j.LoggerFactory;

/** Every rule that is shipped, in the order of the stages. A new rule is one more line here. */
public final class RuleBook {
    private static final RuleInfo FAILED = new RuleInfo("inkel.rule_failed", Severity.LOOK, Stage.LOG);

    /** A rule and the report it reads. */
    private record Entry<R>(Rule<R> rule, Function<Reports, R> report) {
        List<Finding> run(Reports reports) {
            return guarded(rule, report.apply(reports), reports.circuit().build());
        }
    }

    // One function for each report, and not one for each rule: each is linked at every start.
    private static final Function<Reports, Circuit> CIRCUIT = Reports::circuit;
    private static final Function<Reports, SupplyReport> SUPPLIES = Reports::supplies;
    private static final Function<Reports, PowerReport> POWER = Reports::power;
    private static final Function<Reports, LevelReport> LEVELS = Reports::levels;
    private static final Function<Reports, PinReport> PINS = Reports::pins;
    private static final Function<Reports, TuneReport> TUNES = Reports::tunes;
    private static final Function<Reports, LoopReport> LOOPS = Reports::loops;
    private static final Function<Reports, LineReport> LINES = Reports::lines;
    private static final Function<Reports, RadioReport> RADIOS = Reports::radios;

    private static final List<Entry<?>> ENTRIES = List.of(
            new Entry<>(new NoBoardRule(), CIRCUIT),
            new Entry<>(new SecondBoardRule(), CIRCUIT),
            new Entry<>(new NoSupplyRule(), SUPPLIES),
            new Entry<>(new SupplyUnknownRule(), CIRCUIT),
            new Entry<>(new NotACellRule(), SUPPLIES),
            new Entry<>(new SupplyTooHighRule(), SUPPLIES),
            new Entry<>(new SupplyTooLowRule(), SUPPLIES),
            new Entry<>(new PinGoneRule(), CIRCUIT),
            new Entry<>(new SaidTwiceRule(), CIRCUIT),
            new Entry<>(new MemoryShortRule(), CIRCUIT),
            new Entry<>(new UnknownKeyRule(), CIRCUIT),
            new Entry<>(new StationKindsRule(), CIRCUIT),
            new Entry<>(new StationRolesRule(), CIRCUIT),
            new Entry<>(new ClassDiffersRule(), CIRCUIT),
            new Entry<>(new HeaderLooseRule(), CIRCUIT),
            new Entry<>(new FigureUnknownRule(), LEVELS),
            new Entry<>(new CurrentUnknownRule(), CIRCUIT),
            new Entry<>(new LeadNowhereRule(), POWER),
            new Entry<>(new NotInLineRule(), POWER),
            new Entry<>(new BurstDroopRule(), POWER),
            new Entry<>(new SourceOverRule(), POWER),
            new Entry<>(new RailPeakRule(), POWER),
            new Entry<>(new FuseRule(), POWER),
            new Entry<>(new RailAverageRule(), POWER),
            new Entry<>(new TwoSourcesRule(), POWER),
            new Entry<>(new RegulatorHotRule(), POWER),
            new Entry<>(new DropoutRule(), POWER),
            new Entry<>(new CoilDriveRule(), POWER),
            new Entry<>(new AlwaysOnRule(), POWER),
            new Entry<>(new WindingOverRule(), POWER),
            new Entry<>(new PinCurrentRule(), POWER),
            new Entry<>(new ServoFromBoardRule(), POWER),
            new Entry<>(new WireDropRule(), POWER),
            new Entry<>(new BatteryShortRule(), POWER),
            new Entry<>(new NoCommonGroundRule(), POWER),
            new Entry<>(new DecouplingRule(), POWER),
            new Entry<>(new MainsCareRule(), POWER),
            new Entry<>(new HarmsRule(), LEVELS),
            new Entry<>(new AnalogOverRule(), LEVELS),
            new Entry<>(new SourceResistanceRule(), LEVELS),
            new Entry<>(new PullupHarmsRule(), LEVELS),
            new Entry<>(new DividerTwoWayRule(), LEVELS),
            new Entry<>(new ShifterTurnedRule(), LEVELS),
            new Entry<>(new ShifterSlowRule(), LEVELS),
            new Entry<>(new InLineSlowRule(), LEVELS),
            new Entry<>(new OptoRule(), LEVELS),
            new Entry<>(new TurnedOverRule(), LEVELS),
            new Entry<>(new BackPowerRule(), LEVELS),
            new Entry<>(new NotReadRule(), LEVELS),
            new Entry<>(new ThinRule(), LEVELS),
            new Entry<>(new LineCrossedRule(), LINES),
            new Entry<>(new LineHalfRule(), LINES),
            new Entry<>(new LineTalkersRule(), LINES),
            new Entry<>(new LineRateRule(), LINES),
            new Entry<>(new LineOpenRule(), LINES),
            new Entry<>(new LineEndsRule(), LINES),
            new Entry<>(new LineBranchRule(), LINES),
            new Entry<>(new GroundLiftRule(), LEVELS),
            new Entry<>(new TwoDriversRule(), PINS),
            new Entry<>(new SharedPinRule(), PINS),
            new Entry<>(new NoRoleRule(), PINS),
            new Entry<>(new NotPlacedRule(), PINS),
            new Entry<>(new AddressClashRule(), PINS),
            new Entry<>(new AddressUnknownRule(), CIRCUIT),
            new Entry<>(new AddressReservedRule(), PINS),
            new Entry<>(new StrapDiffersRule(), PINS),
            new Entry<>(new BoardTakesRule(), PINS),
            new Entry<>(new NoPullRule(), PINS),
            new Entry<>(new NoPullDownRule(), PINS),
            new Entry<>(new NoPullupRule(), PINS),
            new Entry<>(new PullupStrongRule(), PINS),
            new Entry<>(new PullStrongRule(), PINS),
            new Entry<>(new PullupWeakRule(), PINS),
            new Entry<>(new ClockOverRule(), PINS),
            new Entry<>(new BaudErrorRule(), PINS),
            new Entry<>(new NotCrossedRule(), PINS),
            new Entry<>(new BoardsNotCrossedRule(), PINS),
            new Entry<>(new BoardsBusCrossedRule(), PINS),
            new Entry<>(new NotEnoughRule(), PINS),
            new Entry<>(new LeadApartRule(), PINS),
            new Entry<>(new BiasTiedRule(), PINS),
            new Entry<>(new BootStrapRule(), PINS),
            new Entry<>(new RateLowRule(), PINS),
            new Entry<>(new ActsAtStartRule(), PINS),
            new Entry<>(new DriverPinRule(), PINS),
            new Entry<>(new ProgramLineRule(), PINS),
            new Entry<>(new NoProgrammerRule(), PINS),
            new Entry<>(new InputFloatsRule(), PINS),
            new Entry<>(new BusBusyRule(), PINS),
            new Entry<>(new SpiClockOverRule(), PINS),
            new Entry<>(new ChainSplitRule(), PINS),
            new Entry<>(new NoSelectRule(), PINS),
            new Entry<>(new MisoHeldRule(), PINS),
            new Entry<>(new SelectFloatsRule(), PINS),
            new Entry<>(new PortTakenRule(), PINS),
            new Entry<>(new ConsoleSharedRule(), PINS),
            new Entry<>(new BoardsOnConsoleRule(), PINS),
            new Entry<>(new BoardsClockRule(), PINS),
            new Entry<>(new BoardsRateRule(), PINS),
            new Entry<>(new BoardsAddressRule(), PINS),
            new Entry<>(new SoftFastRule(), PINS),
            new Entry<>(new TimerClashRule(), PINS),
            new Entry<>(new NoPwmRule(), PINS),
            new Entry<>(new SoftwareJitterRule(), PINS),
            new Entry<>(new InputChannelRule(), PINS),
            new Entry<>(new NoAnalogRule(), PINS),
            new Entry<>(new ServoOutOfRangeRule(), TUNES),
            new Entry<>(new ColourOverlapRule(), TUNES),
            new Entry<>(new TagCopyableRule(), TUNES),
            new Entry<>(new RecordTouchedRule(), CIRCUIT),
            new Entry<>(new LoopSlowRule(), LOOPS),
            new Entry<>(new BlocksRule(), LOOPS),
            new Entry<>(new SettingsDifferRule(), RADIOS),
            new Entry<>(new PipeAddressRule(), RADIOS),
            new Entry<>(new ChannelBandRule(), RADIOS),
            new Entry<>(new DutyRule(), RADIOS),
            new Entry<>(new NetworkOverlapRule(), RADIOS),
            new Entry<>(new PayloadSizeRule(), RADIOS));

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
        Place where = Place.ofNode(reports.circuit().build().nodes().get(0).id());
        reports.failed()
                .forEach(report -> findings.add(
                        Finding.of(FAILED, where).with("rule", report).build()));
        for (Entry<?> entry : ENTRIES) {
            findings.addAll(entry.run(reports));
        }
        return findings;
    }
}
