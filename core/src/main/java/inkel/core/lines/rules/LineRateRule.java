package inkel.core.lines.rules;

import inkel.core.catalog.Settings;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.lines.LineReport;
import inkel.core.lines.LineStation;
import inkel.core.lines.LongLine;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Optional;

/** Reports a long line on which two talk at different rates. */
public final class LineRateRule implements Rule<LineReport> {
    private static final RuleInfo INFO = new RuleInfo("pair.rate", Severity.STOP, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LineReport report) {
        return report.lines().stream().flatMap(line -> check(line).stream()).toList();
    }

    private static Optional<Finding> check(LongLine line) {
        LineStation first = line.stations().get(0);
        return line.stations().stream()
                .filter(station -> !rate(station).equals(rate(first)))
                .findFirst()
                .map(other -> Finding.of(INFO, other.place())
                        .with("one", first.placed().part().name())
                        .with("node", first.node().node().name())
                        .with("other", other.placed().part().name())
                        .with("baud", Math.round(rate(first).hertz()))
                        .with("other_baud", Math.round(rate(other).hertz()))
                        .number("line_rate", rate(first), source(first))
                        .number("other_rate", rate(other), source(other))
                        .fixes(() -> ways(line))
                        .build());
    }

    /** That of most of them first. */
    private static List<Fix> ways(LongLine line) {
        return line.stations().stream()
                .map(LineRateRule::rate)
                .distinct()
                .sorted((one, other) -> Long.compare(count(line, other), count(line, one)))
                .filter(rate -> line.stations().stream().allMatch(station -> station.placed()
                        .cls()
                        .uart()
                        .orElseThrow()
                        .rates()
                        .contains(rate)))
                .map(rate -> new Fix(
                        "rate-" + Math.round(rate.hertz()),
                        Fact.of("fix.line_rate").with("baud", Math.round(rate.hertz())),
                        Fact.of("fix.line_rate.cost"),
                        line.stations().stream()
                                .filter(station -> !rate(station).equals(rate))
                                .map(station -> set(station, rate))
                                .toList()))
                .toList();
    }

    private static long count(LongLine line, Frequency rate) {
        return line.stations().stream()
                .filter(station -> rate(station).equals(rate))
                .count();
    }

    private static Frequency rate(LineStation station) {
        return station.placed().baud().orElseThrow();
    }

    private static Source source(LineStation station) {
        return station.placed().sourceOf(Settings.BAUD, Source.CLASS);
    }

    private static Edit set(LineStation station, Frequency rate) {
        return new SetSetting(
                station.node().node().id(),
                station.placed().id(),
                Settings.BAUD,
                String.valueOf(Math.round(rate.hertz())));
    }
}
