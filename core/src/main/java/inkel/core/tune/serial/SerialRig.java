package inkel.core.tune.serial;

import inkel.core.catalog.PinUse;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.tune.sample.Wired;
import java.util.List;
import java.util.Optional;

/**
 * A part at a serial line.
 *
 * @param rates that it may be set to, the one it is shipped with first, in baud
 * @param planned the rate that the plan has for it
 * @param say what it is asked; empty for one that speaks by itself
 * @param expect how its answer begins
 */
public record SerialRig(
        String part, String id, List<Integer> rates, Optional<Integer> planned, String say, String expect) {
    public SerialRig {
        rates = List.copyOf(rates);
    }

    /** Empty for a part that says nothing, and for one that no line is wired from. */
    public static Optional<SerialRig> of(NodeCircuit node, Placed placed) {
        boolean isWired =
                !Wired.pins(node, placed, pin -> pin.use() == PinUse.UART_TX).isEmpty();
        return placed.cls().handling().checks().stream()
                .filter(WakeCheck.Reply.class::isInstance)
                .map(WakeCheck.Reply.class::cast)
                .findFirst()
                .filter(reply -> isWired && placed.cls().uart().isPresent())
                .map(reply -> new SerialRig(
                        placed.part().name(),
                        placed.id(),
                        placed.cls().uart().orElseThrow().rates().stream()
                                .map(rate -> (int) Math.round(rate.hertz()))
                                .toList(),
                        placed.baud().map(rate -> (int) Math.round(rate.hertz())),
                        reply.say(),
                        reply.expect()));
    }

    /** Whether it tells where it is. */
    public boolean isPositioning() {
        return say.isEmpty() && expect.startsWith("$");
    }
}
