package inkel.core.levels.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.finding.Finding;
import inkel.core.finding.RuleInfo;
import inkel.core.levels.BiasLevel;
import inkel.core.levels.LevelReport;
import inkel.core.quantity.Source;
import inkel.core.remedy.PinNames;
import java.util.List;

/** What is told of a pin that is given a higher voltage than it bears. */
final class BiasFinding {
    private BiasFinding() {}

    static List<Finding> all(RuleInfo info, LevelReport levels) {
        return levels.bias().stream()
                .filter(BiasLevel::harms)
                .map(level -> describe(info, level))
                .toList();
    }

    private static Finding describe(RuleInfo info, BiasLevel level) {
        Source takes = level.node().io(level.signal()).map(IoFamily::source).orElse(Source.CLASS);
        return Finding.of(info, level.node().place(level.signal()))
                .variant("bias")
                .with("from", PinNames.of(level.node(), level.from()))
                .with("to", PinNames.of(level.node(), level.signal()))
                .number("highest_output", level.highest(), level.source())
                .number("tolerated", level.tolerated(), takes)
                .number("too_much_by", level.highest().minus(level.tolerated()), Source.COMPUTED)
                .fix(() -> new OtherSupply(level.node()).of(level.node().place(level.from()), level.signal()))
                .build();
    }
}
