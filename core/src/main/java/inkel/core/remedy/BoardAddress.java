package inkel.core.remedy;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.formula.I2cAddress;
import inkel.core.quantity.Engineering;
import java.util.Collection;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/** An address for a board to answer to on a bus that it shares with others. */
public final class BoardAddress {
    private BoardAddress() {}

    /**
     * The nearest to one that nothing on some tables answers to, whatever bus it is on; of two that are as near the higher. Empty
     * when all are taken.
     *
     * @param nodes whose tables the bus is on
     */
    public static Optional<Integer> free(Circuit circuit, Collection<String> nodes, int near) {
        Set<Integer> taken = new HashSet<>();
        nodes.stream()
                .flatMap(node -> circuit.node(node).stream())
                .flatMap(node -> node.parts().stream())
                .forEach(placed -> taken.addAll(placed.addresses()));
        return IntStream.rangeClosed(I2cAddress.FIRST, I2cAddress.LAST)
                .boxed()
                .filter(address -> !taken.contains(address))
                .min((one, other) -> {
                    int closer = Integer.compare(Math.abs(one - near), Math.abs(other - near));
                    return closer != 0 ? closer : Integer.compare(other, one);
                });
    }

    /** Lets a board answer to an address. */
    public static Edit set(NodeCircuit node, int address) {
        return new SetSetting(node.node().id(), node.board().id(), Settings.ANSWERS_AT, Engineering.address(address));
    }
}
