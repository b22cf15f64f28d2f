package inkel.core.seats;

import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Which rows of the breadboards are taken: a bit for each row of each half. */
final class Rows {
    private final Breadboard kind;
    private final long[][] taken;

    Rows(Breadboard kind, int boards) {
        this.kind = kind;
        taken = new long[boards][2];
    }

    /** The rows that a shape covers, as far as there are rows. */
    private long mask(Shape shape, int row) {
        int first = Math.max(1, row - shape.over());
        int last = Math.min(kind.rows(), row + shape.span() - 1 + shape.over());
        return (last - first + 1 >= Long.SIZE ? -1L : (1L << last - first + 1) - 1) << first - 1;
    }

    boolean isFree(Shape shape, SeatChoice seat) {
        if (seat.board() < 1 || seat.board() > taken.length || !isOn(kind, shape, seat)) {
            return false;
        }
        long mask = mask(shape, seat.row());
        long[] of = taken[seat.board() - 1];
        return seat.side() == Side.ACROSS
                ? ((of[0] | of[1]) & mask) == 0
                : (of[seat.side().ordinal()] & mask) == 0;
    }

    /** Whether a seat is one that a shape can have at all: its legs on the breadboard, on the halves it needs. */
    static boolean isOn(Breadboard kind, Shape shape, SeatChoice seat) {
        return shape.isAcross() == (seat.side() == Side.ACROSS)
                && seat.row() >= 1
                && seat.row() + shape.span() - 1 <= kind.rows();
    }

    void take(Shape shape, SeatChoice seat) {
        set(shape, seat, true);
    }

    void leave(Shape shape, SeatChoice seat) {
        set(shape, seat, false);
    }

    private void set(Shape shape, SeatChoice seat, boolean isTaken) {
        long mask = mask(shape, seat.row());
        long[] of = taken[seat.board() - 1];
        for (Side side : List.of(Side.LEFT, Side.RIGHT)) {
            if (seat.side() == Side.ACROSS || seat.side() == side) {
                of[side.ordinal()] = isTaken ? of[side.ordinal()] | mask : of[side.ordinal()] & ~mask;
            }
        }
    }

    /** Every seat that a shape could have were nothing else there. */
    static List<SeatChoice> all(Breadboard kind, int boards, Shape shape) {
        List<SeatChoice> found = new ArrayList<>();
        List<Side> sides = shape.isAcross() ? List.of(Side.ACROSS) : List.of(Side.LEFT, Side.RIGHT);
        for (int board = 1; board <= boards; board++) {
            for (Side side : sides) {
                for (int row = 1; row + shape.span() - 1 <= kind.rows(); row++) {
                    found.add(new SeatChoice(board, side, row, false));
                    if (shape.legs().size() > 1) {
                        found.add(new SeatChoice(board, side, row, true));
                    }
                }
            }
        }
        return found;
    }

    long[] of(int board) {
        return Arrays.copyOf(taken[board - 1], 2);
    }
}
