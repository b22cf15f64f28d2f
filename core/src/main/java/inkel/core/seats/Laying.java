package inkel.core.seats;

import inkel.core.document.Laid;
import inkel.core.document.SeatChoice;
import inkel.core.wiring.Terminal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What of a table stays as it was laid: shapes that it still has where they still have room, and rails that still do for all. */
final class Laying {
    private final Laid laid;

    Laying(Laid laid) {
        this.laid = laid;
    }

    boolean isNone() {
        return laid.isNone();
    }

    /** How many breadboards what is still there lay on; 0 where nothing is. */
    int boards(TableNets nets) {
        return nets.shapes().stream()
                .flatMap(shape -> seat(shape).stream())
                .mapToInt(SeatChoice::board)
                .filter(board -> board <= SeatPlanner.MOST_BOARDS)
                .max()
                .orElse(0);
    }

    private Optional<SeatChoice> seat(Shape shape) {
        return Optional.ofNullable(laid.seats().get(shape.id()));
    }

    /**
     * With what was laid held as well as what is kept.
     *
     * @param rows in which nothing sits yet
     * @param kept in the order of the shapes
     */
    List<Optional<SeatChoice>> held(TableNets nets, Rows rows, List<Optional<SeatChoice>> kept) {
        for (int i = 0; i < kept.size(); i++) {
            Shape shape = nets.shapes().get(i);
            kept.get(i).ifPresent(seat -> rows.take(shape, seat));
        }
        List<Optional<SeatChoice>> held = new ArrayList<>(kept);
        for (int i = 0; i < kept.size(); i++) {
            Shape shape = nets.shapes().get(i);
            Optional<SeatChoice> seat = seat(shape).filter(was -> rows.isFree(shape, was));
            if (kept.get(i).isEmpty() && seat.isPresent()) {
                rows.take(shape, seat.get());
                held.set(i, seat);
            }
        }
        return held;
    }

    /** Empty where a supply of the table had no rail. */
    Optional<int[][]> rails(TableNets nets, int boards) {
        // The ground is the first, and on minus rails.
        List<String> supplies = nets.rails().stream()
                .filter(rail -> !(rail instanceof Terminal.OnGroundRow))
                .map(Terminal::id)
                .toList();
        int first = nets.rails().size() - supplies.size();
        Set<String> missing = new HashSet<>(supplies);
        int[][] plus = new int[boards][2];
        for (int board = 1; board <= boards; board++) {
            for (int side = 0; side < 2; side++) {
                String carried = laid.rails().getOrDefault(Laid.rail(board, side == 0), "");
                int rail = supplies.indexOf(carried);
                plus[board - 1][side] = rail < 0 ? -1 : first + rail;
                missing.remove(carried);
            }
        }
        return missing.isEmpty() ? Optional.of(plus) : Optional.empty();
    }
}
