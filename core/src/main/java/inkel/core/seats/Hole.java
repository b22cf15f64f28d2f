package inkel.core.seats;

import inkel.core.document.SeatChoice;

/**
 * A hole of a breadboard.
 *
 * @param board which one, from 1
 * @param row as printed, from 1; of a rail the row it lies beside
 */
public record Hole(int board, Column column, int row) {
    /** What it is joined to inside the breadboard, where it is no hole of a rail. */
    public HalfRow halfRow() {
        return new HalfRow(board, column.isLeft() ? SeatChoice.Side.LEFT : SeatChoice.Side.RIGHT, row);
    }

    /** To another hole, in steps of 2.54 mm. */
    double stepsTo(Hole other) {
        return Math.hypot(
                column.across() + Breadboard.across(board) - other.column.across() - Breadboard.across(other.board),
                row - other.row);
    }
}
