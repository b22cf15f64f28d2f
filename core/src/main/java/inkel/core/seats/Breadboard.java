package inkel.core.seats;

import inkel.core.catalog.Outline;
import inkel.core.catalog.TableKind;
import java.util.ArrayList;
import java.util.List;

/**
 * A kind of breadboard: rows of two times five holes, and two rails on either side.
 *
 * @param rows how many rows
 * @param railHoles holes of each rail, in fives with a hole left out between
 * @param firstRailRow the row beside which the first hole of a rail lies
 * @param segments how many stretches each rail has that are not joined
 */
public record Breadboard(TableKind kind, int rows, int railHoles, int firstRailRow, int segments) {
    /** From the letter a of one breadboard to that of the next one beside it, in steps. */
    private static final int TO_NEXT = 22;

    private static final int TOGETHER = 5;

    /** A jumper stands up from its hole and bends over: so much more than the straight way at both ends together. */
    static final double BENDS = 0.04 / (Outline.MILLIMETRES * 1e-3);

    /** @throws IllegalArgumentException for a table without breadboard */
    public static Breadboard of(TableKind kind) {
        return switch (kind) {
            case LONG -> new Breadboard(kind, 63, 50, 3, 2);
            case WHOLE -> new Breadboard(kind, 63, 50, 3, 1);
            case SHORT -> new Breadboard(kind, 30, 25, 1, 1);
            default -> throw new IllegalArgumentException("no breadboard: " + kind);
        };
    }

    /** Of the letter a of a breadboard, in steps from that of the first. */
    static int across(int board) {
        return (board - 1) * TO_NEXT;
    }

    /** All holes of the letters and rails. */
    public int holes() {
        return rows * 2 * TOGETHER + 4 * railHoles;
    }

    /** The holes of a stretch of a rail, by the rows they lie beside. */
    List<Integer> railRows(int segment) {
        List<Integer> found = new ArrayList<>();
        for (int hole = 0; hole < railHoles; hole++) {
            if (hole * segments / railHoles == segment) {
                found.add(firstRailRow + hole + hole / TOGETHER);
            }
        }
        return found;
    }

    /** Which stretch of a rail the hole beside a row is of. */
    int segmentOf(int row) {
        for (int segment = 0; segment < segments; segment++) {
            List<Integer> found = railRows(segment);
            if (row <= found.get(found.size() - 1)) {
                return segment;
            }
        }
        return segments - 1;
    }
}
