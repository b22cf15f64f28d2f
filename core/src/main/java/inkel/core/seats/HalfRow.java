package inkel.core.seats;

import inkel.core.document.SeatChoice;

/** Five holes that are joined inside the breadboard. */
public record HalfRow(int board, SeatChoice.Side side, int row) {}
