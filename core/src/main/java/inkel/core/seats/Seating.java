package inkel.core.seats;

import inkel.core.catalog.Outline.Spot;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import java.util.Arrays;
import java.util.List;

/**
 * Where all shapes of a table sit, and what the plus rails of its breadboards carry.
 *
 * @param seats of the shapes, in their order
 * @param plus for each breadboard the rail at its left and at its right, as a place in {@link TableNets#rails()}; -1 for none
 */
record Seating(Breadboard kind, List<SeatChoice> seats, int[][] plus) {
    Seating {
        seats = List.copyOf(seats);
        plus = Arrays.stream(plus).map(int[]::clone).toArray(int[][]::new);
    }

    int boards() {
        return plus.length;
    }

    HalfRow halfRow(TableNets nets, Post post) {
        Shape shape = nets.shapes().get(post.shape());
        SeatChoice seat = seats.get(post.shape());
        return new HalfRow(seat.board(), shape.sideOf(post.leg(), seat), shape.rowOf(post.leg(), seat));
    }

    /** The middle of the free holes of a post, in steps; where a post beside the breadboard lies. */
    Spot spot(TableNets nets, Post post) {
        if (!post.isInHoles()) {
            return post.at().orElse(null);
        }
        HalfRow row = halfRow(nets, post);
        return new Spot(
                Breadboard.across(row.board()) + middle(nets.shapes().get(post.shape()), post, row.side()), row.row());
    }

    /** Across, the middle of the holes beside a leg. */
    static double middle(Shape shape, Post post, Side side) {
        List<Column> free =
                post.kind() == Post.Kind.MEETING ? List.of(Column.at(side == Side.LEFT ? 2 : 9)) : shape.free(side);
        return free.stream().mapToInt(Column::across).average().orElse(0);
    }
}
