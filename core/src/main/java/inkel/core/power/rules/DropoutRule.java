package inkel.core.power.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.power.RegulatorReport;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.OtherWayIn;
import inkel.core.remedy.RailNames;
import java.util.List;

/** Reports a linear regulator that gets too little above what it is to give: its rail falls with its input. */
public final class DropoutRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.dropout", Severity.LOOK, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.regulators().stream()
                .filter(RegulatorReport::isStarved)
                .filter(regulator -> !isToldOfItsPin(regulator))
                .map(regulator -> describe(regulator, report))
                .toList();
    }

    /** What comes in falls at its end below what the pin works at, which {@code parts.supply_too_low} says. */
    private static boolean isToldOfItsPin(RegulatorReport regulator) {
        Voltage least = regulator.supply().range().range().lowest();
        return regulator.in().lowest().isBelow(least)
                && !regulator.in().expected().isBelow(least);
    }

    private static Finding describe(RegulatorReport regulator, PowerReport report) {
        var needs = regulator.needs().orElseThrow();
        return Finding.of(INFO, regulator.node().place(regulator.rail().id()))
                .with("rail", RailNames.of(regulator.node(), regulator.rail().id()))
                .number("input_lowest", regulator.in().lowest(), Source.COMPUTED)
                .number("output", regulator.wanted(), regulator.wantedSource())
                .number("dropout", regulator.regulator().dropout().orElseThrow(), Source.CLASS)
                .number("needs", needs, Source.COMPUTED)
                .fixes(() -> OtherWayIn.among(
                        new FeedFixes(regulator.node(), report.catalog())
                                .of(regulator.placed(), regulator.supply(), needs, rail -> true),
                        report.circuit(),
                        regulator.node(),
                        regulator.placed(),
                        regulator.supply().pin()))
                .build();
    }
}
