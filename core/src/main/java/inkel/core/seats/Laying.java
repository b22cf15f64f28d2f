package inkel.core.seats;

import inkel.core.document.Laid;
import inkel.core.document.SeatChoice;
import inkel.core.wiring.Terminal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

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

    /**
     * What the plus rails go on carrying; a supply that is new gets one that carries nothing, or what another one carries too.
     * Empty where there is none for it.
     */
    Optional<int[][]> rails(TableNets nets, int boards) {
        // The ground is the first, and on minus rails.
        List<String> supplies = nets.rails().stream()
                .filter(rail -> !(rail instanceof Terminal.OnGroundRow))
                .map(Terminal::id)
                .toList();
        int first = nets.rails().size() - supplies.size();
        int[] carried = new int[boards * 2];
        for (int i = 0; i < carried.length; i++) {
            int rail = supplies.indexOf(laid.rails().getOrDefault(Laid.rail(i / 2 + 1, i % 2 == 0), ""));
            carried[i] = rail < 0 ? -1 : first + rail;
        }
        if (Arrays.stream(carried).allMatch(rail -> rail < 0)) {
            return Optional.empty();
        }
        for (int rail = first; rail < nets.rails().size(); rail++) {
            if (count(carried, rail) == 0) {
                Optional<Integer> free = IntStream.range(0, carried.length)
                        .filter(i -> carried[i] < 0 || count(carried, carried[i]) > 1)
                        .boxed()
                        .min(Comparator.comparing((Integer i) -> carried[i] >= 0)
                                .thenComparing(i -> -i));
                if (free.isEmpty()) {
                    return Optional.empty();
                }
                carried[free.get()] = rail;
            }
        }
        int[][] plus = new int[boards][2];
        for (int i = 0; i < carried.length; i++) {
            plus[i / 2][i % 2] = carried[i];
        }
        return Optional.of(plus);
    }

    private static long count(int[] carried, int rail) {
        return Arrays.stream(carried).filter(other -> other == rail).count();
    }
}
