package inkel.core.seats;

import inkel.core.catalog.Outline;
import inkel.core.catalog.Outline.Spot;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;

/**
 * A length of wire that no seating of a table can do with less of: a Lagrangian relaxation, apart from the search. Each shape
 * is seated by itself as if every rail were beside it; that no row is used twice is asked for by a price on each half row
 * only, which subgradient steps raise where too many want it. Any prices give a true bound.
 */
final class SeatBound {
    private static final int ROUNDS = 300;
    private static final double STEP = Outline.MILLIMETRES * 1e-3;

    private final TableNets nets;
    private final Breadboard kind;
    private final int boards;
    private final List<List<SeatChoice>> options = new ArrayList<>();
    private final List<double[]> costs = new ArrayList<>();
    private double fixed;

    private SeatBound(TableNets nets, Breadboard kind, int boards, List<java.util.Optional<SeatChoice>> held) {
        this.nets = nets;
        this.kind = kind;
        this.boards = boards;
        for (int shape = 0; shape < nets.shapes().size(); shape++) {
            options.add(held.get(shape)
                    .map(List::of)
                    .orElse(Rows.all(kind, boards, nets.shapes().get(shape))));
            costs.add(new double[options.get(shape).size()]);
        }
    }

    /** In metres. */
    static double of(TableNets nets, Breadboard kind, int boards, List<java.util.Optional<SeatChoice>> held) {
        SeatBound bound = new SeatBound(nets, kind, boards, held);
        bound.price();
        return (bound.fixed + bound.relaxed()) * STEP;
    }

    /** What the wires of each net take at least: its bends, and the ways that hang on one shape's seat alone. */
    private void price() {
        double beside = 0.2 / STEP;
        for (Net net : nets.nets()) {
            for (Edge edge : net.isAsPlanned() ? net.edges() : List.<Edge>of()) {
                wire(edge.from(), edge.to(), 1, beside);
            }
            if (!net.isAsPlanned()) {
                tree(net, beside);
            }
        }
    }

    /** A tree is at least as long as the way to any one of its ends, so at least as the mean of all. */
    private void tree(Net net, double beside) {
        List<Integer> unknown = new ArrayList<>();
        List<Integer> known = new ArrayList<>();
        List<Integer> movable = new ArrayList<>();
        int leads = 0;
        for (int post : net.posts()) {
            Post of = nets.post(post);
            leads += of.isUncounted() ? 1 : 0;
            if (of.isInHoles()) {
                movable.add(post);
            } else if (of.at().isPresent()) {
                known.add(post);
            } else if (!of.isUncounted()) {
                unknown.add(post);
            }
        }
        // Each post that lies nobody knows where takes a usual jumper; two of them can share one, or one be on a lead.
        int wires = Math.max(0, net.posts().size() - 1 - leads);
        int shared = leads + (movable.isEmpty() && known.isEmpty() ? 1 : 0);
        int away = Math.max(0, Math.min(wires, unknown.size() - shared));
        fixed += away * beside + (wires - away) * Breadboard.BENDS;
        if (known.size() == 1) {
            for (int post : movable) {
                pull(post, nets.post(known.get(0)).at().orElseThrow(), 1.0 / movable.size());
            }
        }
    }

    private void wire(int from, int to, double weight, double beside) {
        Post one = nets.post(from);
        Post other = nets.post(to);
        if (one.isUncounted() || other.isUncounted()) {
            return;
        }
        if (isNowhere(one) || isNowhere(other)) {
            fixed += weight * beside;
            return;
        }
        fixed += weight * Breadboard.BENDS;
        if (one.isInHoles() && other.kind() == Post.Kind.RAIL) {
            toRail(from, other);
        } else if (other.isInHoles() && one.kind() == Post.Kind.RAIL) {
            toRail(to, one);
        } else if (one.isInHoles() && other.at().isPresent()) {
            pull(from, other.at().get(), weight);
        } else if (other.isInHoles() && one.at().isPresent()) {
            pull(to, one.at().get(), weight);
        } else if (one.at().isPresent() && other.kind() == Post.Kind.RAIL) {
            fixed += weight * toAnyRail(one.at().get(), other);
        } else if (other.at().isPresent() && one.kind() == Post.Kind.RAIL) {
            fixed += weight * toAnyRail(other.at().get(), one);
        }
    }

    private static boolean isNowhere(Post post) {
        return !post.isInHoles() && post.kind() != Post.Kind.RAIL && post.at().isEmpty();
    }

    private void pull(int post, Spot to, double weight) {
        add(post, weight, hole -> Math.hypot(hole.x() - to.x(), hole.y() - to.y()));
    }

    private void toRail(int post, Post rail) {
        add(post, 1, hole -> toAnyRail(hole, rail));
    }

    /** To every seat of a leg's shape how far the best hole of the leg's row is from something. */
    private void add(int post, double weight, ToDoubleFunction<Spot> far) {
        Post of = nets.post(post);
        Shape shape = nets.shapes().get(of.shape());
        for (int option = 0; option < costs.get(of.shape()).length; option++) {
            SeatChoice seat = options.get(of.shape()).get(option);
            Side side = shape.sideOf(of.leg(), seat);
            double least = Double.MAX_VALUE;
            for (Column column : free(of, shape, side)) {
                Spot hole = new Spot(Breadboard.across(seat.board()) + column.across(), shape.rowOf(of.leg(), seat));
                least = Math.min(least, far.applyAsDouble(hole));
            }
            costs.get(of.shape())[option] += weight * least;
        }
    }

    private static List<Column> free(Post post, Shape shape, Side side) {
        List<Column> all = new ArrayList<>(shape.free(side));
        if (post.kind() == Post.Kind.MEETING) {
            all.add(shape.column(side));
        }
        return all;
    }

    /** To the nearest hole that could be the rail's, whatever the rails carry in the end. */
    private double toAnyRail(Spot from, Post rail) {
        boolean isGround = rail.terminal() instanceof inkel.core.wiring.Terminal.OnGroundRow;
        double least = Double.MAX_VALUE;
        Set<Integer> rowsBeside = new TreeSet<>();
        for (int segment = 0; segment < kind.segments(); segment++) {
            rowsBeside.addAll(kind.railRows(segment));
        }
        int nearest = rowsBeside.stream()
                .min((one, other) -> Double.compare(Math.abs(one - from.y()), Math.abs(other - from.y())))
                .orElseThrow();
        for (int board = 1; board <= boards; board++) {
            for (Column column : isGround
                    ? List.of(Column.LEFT_MINUS, Column.RIGHT_MINUS)
                    : List.of(Column.LEFT_PLUS, Column.RIGHT_PLUS)) {
                least = Math.min(
                        least, Math.hypot(Breadboard.across(board) + column.across() - from.x(), nearest - from.y()));
            }
        }
        return least;
    }

    /** The best value of the relaxation that the steps come to. */
    private double relaxed() {
        int rows = kind.rows();
        double[][] price = new double[boards * 2][rows];
        double best = -Double.MAX_VALUE;
        double pace = 4;
        int since = 0;
        for (int round = 0; round < ROUNDS; round++) {
            double[][] sums = sums(price);
            double value = -Arrays.stream(sums).mapToDouble(of -> of[rows]).sum();
            int[][] used = new int[boards * 2][rows];
            for (int shape = 0; shape < nets.shapes().size(); shape++) {
                Shape of = nets.shapes().get(shape);
                double least = Double.MAX_VALUE;
                SeatChoice chosen = null;
                for (int option = 0; option < costs.get(shape).length; option++) {
                    SeatChoice seat = options.get(shape).get(option);
                    double cost = costs.get(shape)[option] + paid(sums, of, seat);
                    if (cost < least) {
                        least = cost;
                        chosen = seat;
                    }
                }
                value += least;
                use(used, of, chosen);
            }
            since = value > best + 1e-6 ? 0 : since + 1;
            best = Math.max(best, value);
            if (since > 12) {
                pace /= 1.6;
                since = 0;
            }
            for (int side = 0; side < price.length; side++) {
                for (int row = 0; row < rows; row++) {
                    price[side][row] = Math.max(0, price[side][row] + pace * 0.1 * (used[side][row] - 1));
                }
            }
        }
        return best;
    }

    private double[][] sums(double[][] price) {
        double[][] sums = new double[price.length][kind.rows() + 1];
        for (int side = 0; side < price.length; side++) {
            for (int row = 0; row < kind.rows(); row++) {
                sums[side][row + 1] = sums[side][row] + price[side][row];
            }
        }
        return sums;
    }

    private double paid(double[][] sums, Shape shape, SeatChoice seat) {
        int first = Math.max(1, seat.row() - shape.over());
        int last = Math.min(kind.rows(), seat.row() + shape.span() - 1 + shape.over());
        double sum = 0;
        for (Side side : List.of(Side.LEFT, Side.RIGHT)) {
            if (seat.side() == Side.ACROSS || seat.side() == side) {
                double[] of = sums[(seat.board() - 1) * 2 + side.ordinal()];
                sum += of[last] - of[first - 1];
            }
        }
        return sum;
    }

    private void use(int[][] used, Shape shape, SeatChoice seat) {
        int first = Math.max(1, seat.row() - shape.over());
        int last = Math.min(kind.rows(), seat.row() + shape.span() - 1 + shape.over());
        for (Side side : List.of(Side.LEFT, Side.RIGHT)) {
            if (seat.side() == Side.ACROSS || seat.side() == side) {
                for (int row = first; row <= last; row++) {
                    used[(seat.board() - 1) * 2 + side.ordinal()][row - 1]++;
                }
            }
        }
    }
}
