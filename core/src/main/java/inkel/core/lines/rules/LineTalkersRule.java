package inkel.core.lines.rules;

import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetWire;
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
import inkel.core.remedy.JoinNodes;
import java.util.List;
import java.util.Optional;

/** Reports a long line that two drive at once, since the pins that make them talk are tied to a supply. */
public final class LineTalkersRule implements Rule<LineReport> {
    private static final RuleInfo INFO = new RuleInfo("pair.talkers", Severity.STOP, Stage.LEVELS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LineReport report) {
        return report.lines().stream()
                .flatMap(line -> check(report, line).stream())
                .toList();
    }

    private static Optional<Finding> check(LineReport report, LongLine line) {
        List<LineStation> always =
                line.stations().stream().filter(LineStation::isAlwaysTalking).toList();
        if (always.size() > 1) {
            return Optional.of(describe(report, always, always.get(1)).build());
        }
        return always.isEmpty()
                ? Optional.empty()
                : line.stations().stream()
                        .filter(station -> !station.isAlwaysTalking() && !station.isNeverTalking())
                        .findFirst()
                        .map(station -> describe(report, always, station)
                                .variant("over")
                                .onlyToLookAt()
                                .build());
    }

    private static Finding.Builder describe(LineReport report, List<LineStation> always, LineStation other) {
        LineStation first = always.get(0);
        return Finding.of(INFO, other.place())
                .with("one", first.placed().part().name())
                .with("node", first.node().node().name())
                .with("other", other.placed().part().name())
                .with("enable", first.pair().enable().orElseThrow())
                .fixes(() -> driven(report, always).stream().toList());
    }

    /** Each by a pin of its board; empty where one has none to spare. */
    private static Optional<Fix> driven(LineReport report, List<LineStation> always) {
        List<Edit> edits = always.stream()
                .flatMap(station -> driven(report, station).stream())
                .toList();
        String enable = always.get(0).pair().enable().orElseThrow();
        return edits.size() < always.size()
                ? Optional.empty()
                : Optional.of(new Fix(
                        "driven",
                        Fact.of("fix.line_talkers").with("enable", enable),
                        Fact.of("fix.line_talkers.cost").with("count", edits.size()),
                        edits));
    }

    private static Optional<Edit> driven(LineReport report, LineStation station) {
        NodeCircuit node = station.node();
        return JoinNodes.freePins(report.circuit(), node)
                .findFirst()
                .map(pin -> new SetWire(
                        node.node().id(), Wire.placed(station.enable().orElseThrow(), pin.endpoint())));
    }
}
