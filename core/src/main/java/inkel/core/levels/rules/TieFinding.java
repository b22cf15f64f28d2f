package inkel.core.levels.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Tie;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.RuleInfo;
import inkel.core.levels.LevelReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import inkel.core.remedy.Ties;
import java.util.List;
import java.util.Optional;

/** What is told of a signal that is tied to a rail it does not bear. */
final class TieFinding {
    private TieFinding() {}

    static List<Finding> all(RuleInfo info, LevelReport levels) {
        return levels.ties().stream()
                .filter(Tie::harms)
                .map(tie -> describe(info, tie))
                .toList();
    }

    private static Finding describe(RuleInfo info, Tie tie) {
        NodeCircuit node = tie.node();
        Finding.Builder finding =
                Finding.of(info, node.place(tie.signal())).variant(tie.isOnlyAtTheEnds() ? "tied_ends" : "tied");
        if (tie.isOnlyAtTheEnds()) {
            finding.onlyToLookAt();
        }
        return finding.with("to", PinNames.of(node, tie.signal()))
                .with("rail", RailNames.of(node, tie.rail().id()))
                .number("highest_output", tie.reaches(), tie.rail().source())
                .number(
                        "tolerated",
                        tie.tolerated(),
                        node.io(tie.signal()).map(IoFamily::source).orElse(Source.CLASS))
                .number("too_much_by", tie.reaches().minus(tie.tolerated()), Source.COMPUTED)
                .fix(() -> elsewhere(tie))
                .fix(() -> leftOpen(tie))
                .build();
    }

    /** To a rail that it bears. */
    private static Optional<Fix> elsewhere(Tie tie) {
        NodeCircuit node = tie.node();
        Placed placed = node.part(tie.signal().part()).orElseThrow();
        Pin pin = node.pin(tie.signal()).orElseThrow();
        return Ties.high(node, placed, pin)
                .filter(rail -> !rail.equals(tie.rail().id()))
                .map(rail -> new Fix(
                        "tie-" + tie.signal() + "-to-" + rail,
                        Fact.of("fix.tie").with("signal", tie.signal().pin()).with("rail", RailNames.of(node, rail)),
                        Fact.of("fix.tie.cost"),
                        List.of(new SetWire(node.node().id(), Wire.placed(tie.signal(), rail)))));
    }

    /** Where the part holds it by itself, or needs no wire there. */
    private static Optional<Fix> leftOpen(Tie tie) {
        Endpoint signal = tie.signal();
        boolean isWanted = tie.node().pin(signal).orElseThrow().isWanted();
        return isWanted
                ? Optional.empty()
                : Optional.of(new Fix(
                        "untie-" + signal,
                        Fact.of("fix.untie").with("signal", signal.pin()),
                        Fact.of("fix.untie.cost"),
                        List.of(new RemoveWire(tie.node().node().id(), signal))));
    }
}
