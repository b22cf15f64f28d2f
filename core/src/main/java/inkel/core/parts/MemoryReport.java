package inkel.core.parts;

import inkel.core.catalog.Memory;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.quantity.DataSize;
import inkel.core.quantity.Share;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What usual code for the parts of a node takes of its board's memory. Every part has buffers of its own; the code for parts
 * of one class is there once.
 *
 * @param board what there is
 * @param takers the parts whose code takes something, those with most RAM first
 * @param taken all together, with what a program takes that does nothing yet
 */
public record MemoryReport(NodeCircuit node, Memory.OfBoard board, List<Placed> takers, Memory taken) {
    /** Above this share of the RAM too little is left for the stack, as build tools warn as well. */
    static final double MOST_SHARE = 0.75;

    public MemoryReport {
        takers = List.copyOf(takers);
    }

    /** Of every board whose memory is known. */
    public static List<MemoryReport> of(Circuit circuit) {
        return circuit.nodes().stream()
                .flatMap(node -> node.board().cls().controller().stream()
                        .flatMap(board -> board.memory().stream())
                        .map(memory -> of(node, memory)))
                .toList();
    }

    private static MemoryReport of(NodeCircuit node, Memory.OfBoard memory) {
        List<Placed> takers = node.parts().stream()
                .filter(placed ->
                        !placed.isForLater() && !placed.cls().demands().memory().equals(Memory.NONE))
                .sorted(Comparator.comparing((Placed placed) ->
                                placed.cls().demands().memory().ram())
                        .reversed())
                .toList();
        return new MemoryReport(node, memory, takers, sum(memory.core(), takers));
    }

    private static Memory sum(Memory core, List<Placed> takers) {
        Memory sum = core;
        Set<String> coded = new HashSet<>();
        for (Placed placed : takers) {
            Memory one = placed.cls().demands().memory();
            boolean isNew = coded.add(placed.cls().id());
            sum = sum.plus(new Memory(one.ram(), isNew ? one.flash() : DataSize.ZERO));
        }
        return sum;
    }

    /** What would be taken without one of the parts. */
    public Memory without(Placed placed) {
        return sum(
                board.core(),
                takers.stream().filter(other -> !other.id().equals(placed.id())).toList());
    }

    /** What may be taken of the RAM. */
    public DataSize ramLimit() {
        return board.all().ram().times(MOST_SHARE);
    }

    public Share ofRam() {
        return Share.of(taken.ram().bytes() / board.all().ram().bytes());
    }

    public Share ofFlash() {
        return Share.of(taken.flash().bytes() / board.all().flash().bytes());
    }

    public boolean isRamShort(Memory when) {
        return when.ram().isAbove(board.all().ram());
    }

    public boolean isRamTight(Memory when) {
        return when.ram().isAbove(ramLimit());
    }

    public boolean isFlashShort(Memory when) {
        return when.flash().isAbove(board.all().flash());
    }
}
