package inkel.core.catalog;

import inkel.core.quantity.DataSize;

/**
 * The memory of a board, or what something takes of it.
 *
 * @param ram what variables, buffers and the stack share
 * @param flash what programs are kept in; of a board without what its own loader takes
 */
public record Memory(DataSize ram, DataSize flash) {
    public static final Memory NONE = new Memory(DataSize.ZERO, DataSize.ZERO);

    /**
     * What a board has.
     *
     * @param all what there is
     * @param kept what outlives a loss of power besides the program, zero for none
     * @param core what a program takes that does nothing yet, with its serial port
     */
    public record OfBoard(Memory all, DataSize kept, Memory core) {}

    public Memory plus(Memory other) {
        return new Memory(ram.plus(other.ram), flash.plus(other.flash));
    }
}
