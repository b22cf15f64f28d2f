package inkel.core.levels.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.Circuit;
import inkel.core.document.edit.Insert;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.DividerSearch;
import inkel.core.levels.AnalogLevel;
import inkel.core.levels.LevelReport;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.PinNames;
import java.util.List;
import java.util.Optional;

/**
 * Reports an analog signal that rises above what its pin survives, or above what the converter can tell apart; the second
 * harms nothing and is only worth a look.
 */
public final class AnalogOverRule implements Rule<LevelReport> {
    private static final String CODE = "adc.over_range";
    private static final RuleInfo HARMS = new RuleInfo(CODE, Severity.STOP, Stage.LEVELS);
    private static final RuleInfo CLIPS = new RuleInfo(CODE, Severity.LOOK, Stage.LEVELS);

    /** A divider that leaves less than this of the full scale wastes the converter. */
    private static final double USED_SHARE = 0.85;

    @Override
    public RuleInfo info() {
        return HARMS;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return levels.analog().stream()
                .filter(level -> level.harms() || level.isClipped())
                .map(level -> describe(levels.circuit(), level))
                .toList();
    }

    private static Finding describe(Circuit circuit, AnalogLevel level) {
        Finding.Builder finding = Finding.of(level.harms() ? HARMS : CLIPS, level.signal())
                .with("from", PinNames.of(level.node(), level.signal().endpoint()))
                .with("to", PinNames.of(level.node(), level.to()))
                .number("highest_output", level.arrives(), level.source());
        if (level.harms()) {
            Source hears = level.node().io(level.to()).map(IoFamily::source).orElse(Source.CLASS);
            finding.number("tolerated", level.absoluteMax(), hears);
        } else {
            finding.variant("clipped");
        }
        return finding.number("full_scale", level.fullScale(), Source.CLASS)
                .fix(() -> new OtherSupply(level.node())
                        .of(level.signal(), level.to())
                        .filter(fix -> Proof.holds(circuit, fix, after -> isBetter(after, level))))
                .fix(() -> divider(level))
                .build();
    }

    private static boolean isBetter(LevelReport after, AnalogLevel level) {
        return after.analog().stream()
                .filter(other ->
                        other.signal().equals(level.signal()) && other.to().equals(level.to()))
                .noneMatch(other -> other.harms() || !level.harms() && other.isClipped());
    }

    /** Brings the top of the signal just below the full scale; in place of a divider that brings too little. */
    private static Optional<Fix> divider(AnalogLevel level) {
        Voltage fullScale = level.fullScale();
        Voltage ceiling = level.absoluteMax().isBelow(fullScale) ? level.absoluteMax() : fullScale;
        return DividerSearch.sparing(
                        level.sent(), level.sent(), ceiling, ceiling.times(USED_SHARE), level.leftForDivider())
                .map(pair -> DividerFix.of(
                        level.signal().endpoint(),
                        pair,
                        level.sent(),
                        piece -> new Insert(level.signal().node(), piece)));
    }
}
