package inkel.core.power.rules;

import inkel.core.catalog.Settings;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.FeedLine;
import inkel.core.power.PowerReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.remedy.RailNames;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports a supply wire that loses too much on the way, or whose plugged contacts carry more than they are made for. */
public final class WireDropRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.wire_drop", Severity.LOOK, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.lines().stream()
                .filter(line -> line.burnsContact() || line.losesTooMuch())
                .map(WireDropRule::describe)
                .toList();
    }

    private static Finding describe(FeedLine line) {
        Finding.Builder finding = Finding.of(INFO, line.node().place(line.load().pin()))
                .with("part", line.placed().part().name())
                .with("rail", RailNames.of(line.node(), line.rail().id()))
                .number("peak", line.load().peak(), Source.COMPUTED);
        if (line.burnsContact()) {
            return finding.variant("contact")
                    .number("contact_limit", FeedLine.CONTACT_LIMIT_OF_PLUGS, Source.RULE)
                    .fixes(() -> ways(line))
                    .build();
        }
        return finding.number(
                        "resistance", line.wire().thereAndBack(), line.wire().source())
                .number("drop", line.drop(), Source.COMPUTED)
                .number("arrives", line.arrives().orElseThrow(), Source.COMPUTED)
                .number("works_from", line.needs(), line.supply().range().source())
                .fixes(() -> ways(line))
                .build();
    }

    private static List<Fix> ways(FeedLine line) {
        return Stream.of(line.thickerPlugged().map(gauge -> fix(line, gauge, false)), soldered(line))
                .flatMap(Optional::stream)
                .toList();
    }

    private static Optional<Fix> soldered(FeedLine line) {
        return line.wire().contact() == Settings.Contact.SOLDER
                        && line.thickerPlugged().isPresent()
                ? Optional.empty()
                : line.thickerSoldered().map(gauge -> fix(line, gauge, true));
    }

    private static Fix fix(FeedLine line, int gauge, boolean isSoldered) {
        String node = line.node().node().id();
        String part = line.placed().id();
        Edit wire = new SetSetting(node, part, Settings.GAUGE, String.valueOf(gauge));
        Edit joint = new SetSetting(node, part, Settings.CONTACT, "solder");
        boolean isThicker = gauge < line.wire().gauge();
        return new Fix(
                isSoldered ? "solder" : "thicker",
                Fact.of(!isSoldered ? "fix.thicker" : isThicker ? "fix.solder_thicker" : "fix.solder")
                        .with("part", line.placed().part().name())
                        .with("gauge", gauge),
                Fact.of("fix.thicker.cost").with("drop", line.dropWith(gauge, isSoldered)),
                !isSoldered ? List.of(wire) : isThicker ? List.of(wire, joint) : List.of(joint));
    }
}
