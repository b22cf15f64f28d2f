package inkel.core.remedy;

import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.quantity.Voltage;
import java.util.Comparator;
import java.util.Optional;
import java.util.Set;

/**
 * Which rail of a table suits a supply pin best: a screw made for such a load; for what is only led on no rail of the board; one behind
 * a charger rather than the cell that it charges; the one that the board's own signals hang on,
 * so that levels match, or to be measured a battery, else no rail of the board; one that a wire reaches rather than what is
 * plugged into the board, one that is fed already, then
 * the one nearest to the typical voltage, one that suits at its ends too, of those one behind a switch or a fuse, and the one
 * with most room.
 */
final class RailOrder {
    private RailOrder() {}

    /** Of rails with a nominal voltage, the best one first. */
    static Comparator<Rail> of(NodeCircuit node, PartClass cls, Supply supply) {
        Voltage wanted = supply.range().range().expected();
        Set<Endpoint> logic = AddParts.logicRails(node);
        boolean isLedOn = isLedOn(cls, supply);
        boolean isOfSignals =
                !isLedOn && !supply.isMeasured() && cls.signals().findAny().isPresent();
        return Comparator.<Rail, Boolean>comparing(rail -> !LoadScrews.isOne(node, rail))
                .thenComparing(rail -> isLedOn && node.isMadeFrom(rail.id(), Part.BOARD))
                .thenComparing(rail -> !supply.isMeasured() && isCharged(node, rail))
                .thenComparing(
                        rail -> supply.isMeasured() && rail.output().battery().isEmpty())
                .thenComparing(rail -> supply.isMeasured() && node.isMadeFrom(rail.id(), Part.BOARD))
                .thenComparing(rail -> !isOfSignals || !logic.contains(rail.id()))
                .thenComparing(rail -> isPlugged(node, rail.id()))
                .thenComparing(rail -> rail.volts().isEmpty())
                .thenComparingDouble(
                        rail -> Math.abs(rail.nominal().orElseThrow().expected().volts() - wanted.volts()))
                .thenComparing(rail -> !FeedFixes.fits(rail.nominal().orElseThrow(), supply))
                .thenComparing(
                        Comparator.comparing((Rail rail) -> lines(node, rail)).reversed())
                .thenComparing(Comparator.comparing(Rail::room).reversed());
    }

    /** Whether a part only leads on what comes in here: a cell behind a charger, a motor's supply, a contact. */
    static boolean isLedOn(PartClass cls, Supply supply) {
        return cls.outputs().stream()
                .anyMatch(output -> output.way() == Output.Way.PASS
                        && output.from().filter(supply.pin()::equals).isPresent());
    }

    /** Whether a rail is a cell's, or behind its fuse, and hangs on a charger that leads it on. */
    private static boolean isCharged(NodeCircuit node, Rail rail) {
        return node.parts().stream().anyMatch(placed -> placed.cls().outputs().stream()
                .flatMap(output -> output.from().stream())
                .filter(pin ->
                        placed.cls().supply(pin).filter(Supply::isForCell).isPresent())
                .flatMap(pin -> Optional.ofNullable(placed.part().feeds().get(pin)).stream())
                .anyMatch(fed -> node.upToSource(fed).contains(rail.id())));
    }

    /** How many switches and fuses stand in the line of a rail. */
    private static long lines(NodeCircuit node, Rail rail) {
        return node.upToSource(rail.id()).stream()
                .flatMap(above -> node.part(above.part()).stream())
                .filter(placed -> placed.cls().isPlainLine())
                .count();
    }

    /** Whether a rail goes into a socket of the board. */
    private static boolean isPlugged(NodeCircuit node, Endpoint rail) {
        Placed board = node.board();
        return board.cls().pins().stream()
                .filter(Pin::isSocket)
                .anyMatch(pin -> rail.equals(board.part().feeds().get(pin.label())));
    }

    /** Whether a rail is plugged into a socket of the board, which passes it on: a wire goes to the board's pin, not to the plug. */
    static boolean isPassedOn(NodeCircuit node, Rail rail) {
        Placed board = node.board();
        return board.cls().outputs().stream()
                .filter(output -> output.way() == Output.Way.PASS)
                .flatMap(output -> output.from().stream())
                .filter(pin -> board.cls().pin(pin).filter(Pin::isSocket).isPresent())
                .anyMatch(pin -> rail.id().equals(board.part().feeds().get(pin)));
    }
}
