package inkel.core.levels.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Drive;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.edit.Exchange;
import inkel.core.finding.Fix;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.levels.Link;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The same board at another supply: one whose pins have the same names and can do the same. */
final class BoardFixes {
    private final NodeCircuit node;
    private final Circuit circuit;

    BoardFixes(NodeCircuit node, Circuit circuit) {
        this.node = node;
        this.circuit = circuit;
    }

    Optional<Fix> of(Link link) {
        Placed board = node.board();
        boolean isBoardWire =
                Stream.of(link.from(), link.to()).anyMatch(end -> end.part().equals(board.id()));
        if (!isBoardWire) {
            return Optional.empty();
        }
        return circuit.catalog().all().stream()
                .filter(cls -> cls.controller().isPresent()
                        && !cls.id().equals(board.cls().id()))
                .filter(cls -> isAlike(board.cls(), cls))
                .filter(cls -> suits(cls, link))
                .map(cls -> new Fix(
                        "exchange-board",
                        Fact.of("fix.exchange_board").with("board", cls.name()),
                        Fact.of("fix.exchange_board.cost"),
                        List.of(new Exchange(node.node().id(), board.id(), cls))))
                // A pull-up to a rail that stays as it is would go on.
                .filter(fix -> Proof.isBetter(circuit, fix, link))
                .findFirst();
    }

    private static boolean isAlike(PartClass one, PartClass other) {
        return one.pins().stream().allMatch(pin -> other.pin(pin.label())
                        .filter(twin -> twin.use() == pin.use() && twin.can().equals(pin.can()))
                        .isPresent())
                && one.outputs().stream().map(Output::pin).allMatch(pin -> other.output(pin)
                        .isPresent());
    }

    private boolean suits(PartClass cls, Link link) {
        boolean isDriver = link.from().part().equals(node.board().id());
        Endpoint own = isDriver ? link.from() : link.to();
        Endpoint far = isDriver ? link.to() : link.from();
        Optional<IoFamily> ours = cls.pin(own.pin()).flatMap((Pin pin) -> cls.io(pin));
        Optional<Range<Voltage>> at = ours.flatMap(family -> cls.output(family.supply()))
                .flatMap(Output::volts)
                .map(volts -> volts.range());
        Optional<IoFamily> theirs = node.io(far);
        Optional<Range<Voltage>> theirsAt = node.ioVolts(far);
        if (ours.isEmpty() || at.isEmpty() || theirs.isEmpty() || theirsAt.isEmpty()) {
            return false;
        }
        Optional<LevelCheck> check = isDriver
                ? Drive.check(ours.get(), at.get(), theirs.get(), theirsAt.get(), false)
                : Drive.check(theirs.get(), theirsAt.get(), ours.get(), at.get(), false);
        return check.filter(found -> found.verdict() == Verdict.FINE).isPresent();
    }
}
