package inkel.core.seats;

import inkel.core.catalog.Outline.Spot;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/**
 * Looks for seats with short jumpers: each shape is put where it is nearest to what it is wired to, then simulated annealing
 * moves, swaps and turns them. The same table always gives the same seats.
 *
 * <p>Longer than other files: each of very many moves is weighed by the same arrays, which one class holds.
 */
final class SeatSearch {
    /** Moves for each shape, so that work grows with the table and not with the clock. */
    private static final int MOVES = 3500;

    private static final int MOST_MOVES = 250_000;
    private static final double HOT = 6;
    private static final double COLD = 0.05;

    /** A part whose marked end is not where the others' are costs so many steps. */
    private static final double TURNED = 1.5;

    /** Legs of small parts reach so far; beyond that each step counts much. */
    private static final double REACH = 8;

    private static final double TOO_FAR = 20;

    private final TableNets nets;
    private final Breadboard kind;
    private final int boards;
    private final List<Optional<SeatChoice>> held;
    private final Random random = new Random(7);
    private final Rows rows;
    private final SeatChoice[] seats;
    private final double[] x;
    private final double[] y;
    private final boolean[] known;
    private final int[][] plus;
    private final boolean areRailsLaid;
    private final List<List<SeatChoice>> options = new ArrayList<>();
    private final List<List<Integer>> legsOf = new ArrayList<>();
    private final List<int[]> ties = new ArrayList<>();
    private final List<List<Integer>> tiesOf = new ArrayList<>();
    private final int[] railOf;

    /**
     * @param held where a shape is kept, in the order of the shapes
     * @param laid what the plus rails carry and go on carrying; empty where that may be chosen
     */
    SeatSearch(TableNets nets, Breadboard kind, int boards, List<Optional<SeatChoice>> held, Optional<int[][]> laid) {
        this.nets = nets;
        this.kind = kind;
        this.boards = boards;
        this.held = held;
        rows = new Rows(kind, boards);
        int shapes = nets.shapes().size();
        seats = new SeatChoice[shapes];
        x = new double[nets.posts().size()];
        y = new double[nets.posts().size()];
        known = new boolean[nets.posts().size()];
        railOf = new int[nets.posts().size()];
        areRailsLaid = laid.isPresent();
        plus = laid.orElseGet(() -> new int[boards][2]);
        for (int shape = 0; shape < shapes; shape++) {
            options.add(Rows.all(kind, boards, nets.shapes().get(shape)));
            legsOf.add(new ArrayList<>());
            tiesOf.add(new ArrayList<>());
        }
        for (Post post : nets.posts()) {
            if (post.isInHoles()) {
                legsOf.get(post.shape()).add(post.id());
            } else {
                known[post.id()] = post.at().isPresent();
                x[post.id()] = post.at().map(Spot::x).orElse(0.0);
                y[post.id()] = post.at().map(Spot::y).orElse(0.0);
            }
        }
        tie();
        if (!areRailsLaid) {
            startRails();
        }
    }

    /** What pulls: wires of nets that go the shortest way as one, each other wire and piece by itself, legs to rails. */
    private void tie() {
        Arrays.fill(railOf, -1);
        for (Net net : nets.nets()) {
            if (net.isAsPlanned()) {
                net.edges().forEach(edge -> tie(edge.from(), edge.to(), 0));
            } else {
                int[] posts = net.posts().stream()
                        .filter(post -> nets.post(post).isInHoles() || known[post])
                        .mapToInt(Integer::intValue)
                        .toArray();
                add(posts, 0);
            }
        }
        Set<Edge> pieces = new LinkedHashSet<>();
        nets.nets().forEach(net -> pieces.addAll(net.pieces()));
        pieces.forEach(piece -> tie(piece.from(), piece.to(), 1));
    }

    private void tie(int from, int to, int isPiece) {
        for (int end : new int[] {from, to}) {
            int other = end == from ? to : from;
            if (nets.post(other).kind() == Post.Kind.RAIL) {
                railOf[end] = nets.rails().indexOf(nets.post(other).terminal());
                return;
            }
        }
        boolean isPulling =
                (nets.post(from).isInHoles() || known[from]) && (nets.post(to).isInHoles() || known[to]);
        if (isPulling) {
            add(new int[] {from, to}, isPiece);
        }
    }

    private void add(int[] posts, int isPiece) {
        Set<Integer> shapes = new LinkedHashSet<>();
        for (int post : posts) {
            if (nets.post(post).isInHoles()) {
                shapes.add(nets.post(post).shape());
            }
        }
        if (posts.length < 2 || shapes.isEmpty()) {
            return;
        }
        int[] tie = Arrays.copyOf(posts, posts.length + 1);
        tie[posts.length] = isPiece;
        shapes.forEach(shape -> tiesOf.get(shape).add(ties.size()));
        ties.add(tie);
    }

    /** Busy rails first; with fewer of them than rails on the breadboards each has several. */
    private void startRails() {
        int first = firstSupply();
        int supplies = nets.rails().size() - first;
        for (int i = 0; i < boards * 2; i++) {
            plus[i / 2][i % 2] = supplies == 0 ? -1 : first + i % supplies;
        }
    }

    private int firstSupply() {
        return !nets.rails().isEmpty() && nets.rails().get(0).id().equals("row ground") ? 1 : 0;
    }

    // --- cost

    private double length(int[] tie) {
        int count = tie.length - 1;
        if (count == 2) {
            double far = between(tie[0], tie[1]);
            return tie[2] == 0 ? far : far + TOO_FAR * Math.max(0, far - REACH);
        }
        double[] least = new double[count];
        boolean[] in = new boolean[count];
        Arrays.fill(least, Double.MAX_VALUE);
        int at = 0;
        in[0] = true;
        double sum = 0;
        for (int n = 1; n < count; n++) {
            int next = -1;
            for (int i = 0; i < count; i++) {
                if (!in[i]) {
                    least[i] = Math.min(least[i], between(tie[at], tie[i]));
                    if (next < 0 || least[i] < least[next]) {
                        next = i;
                    }
                }
            }
            in[next] = true;
            sum += least[next];
            at = next;
        }
        return sum;
    }

    private double between(int one, int other) {
        double dx = x[one] - x[other];
        double dy = y[one] - y[other];
        return Math.sqrt(dx * dx + dy * dy);
    }

    /** From a leg to the nearest rail that carries what it is for. */
    private double toRail(int post) {
        int rail = railOf[post];
        double least = Double.MAX_VALUE;
        for (int board = 0; board < boards; board++) {
            double shift = Breadboard.across(board + 1);
            if (rail < firstSupply()) {
                least = Math.min(least, Math.abs(x[post] - shift - Column.LEFT_MINUS.across()));
                least = Math.min(least, Math.abs(x[post] - shift - Column.RIGHT_MINUS.across()));
            } else {
                if (plus[board][0] == rail) {
                    least = Math.min(least, Math.abs(x[post] - shift - Column.LEFT_PLUS.across()));
                }
                if (plus[board][1] == rail) {
                    least = Math.min(least, Math.abs(x[post] - shift - Column.RIGHT_PLUS.across()));
                }
            }
        }
        return least;
    }

    private double cost(int shape) {
        double sum = seats[shape].isTurned() ? TURNED : 0;
        for (int post : legsOf.get(shape)) {
            sum += railOf[post] >= 0 ? toRail(post) : 0;
        }
        for (int tie : tiesOf.get(shape)) {
            sum += isSeated(ties.get(tie)) ? length(ties.get(tie)) : 0;
        }
        return sum;
    }

    /** Of two shapes; what both are tied by counts once. */
    private double cost(int one, int other) {
        double sum = cost(one) + cost(other);
        for (int tie : tiesOf.get(one)) {
            sum -= tiesOf.get(other).contains(tie) ? length(ties.get(tie)) : 0;
        }
        return sum;
    }

    private boolean isSeated(int[] tie) {
        for (int i = 0; i < tie.length - 1; i++) {
            Post post = nets.post(tie[i]);
            if (post.isInHoles() && seats[post.shape()] == null) {
                return false;
            }
        }
        return true;
    }

    // --- moves

    private void put(int shape, SeatChoice seat) {
        if (seats[shape] != null) {
            rows.leave(nets.shapes().get(shape), seats[shape]);
        }
        seats[shape] = seat;
        rows.take(nets.shapes().get(shape), seat);
        place(shape);
    }

    private void place(int shape) {
        Shape of = nets.shapes().get(shape);
        SeatChoice seat = seats[shape];
        for (int id : legsOf.get(shape)) {
            Post post = nets.post(id);
            Side side = of.sideOf(post.leg(), seat);
            x[id] = Breadboard.across(seat.board()) + Seating.middle(of, post, side);
            y[id] = of.rowOf(post.leg(), seat);
        }
    }

    /** Empty when they do not all find a place on so many breadboards. */
    Optional<Seating> run() {
        if (!begin()) {
            return Optional.empty();
        }
        List<Integer> loose = new ArrayList<>();
        for (int shape = 0; shape < seats.length; shape++) {
            if (held.get(shape).isEmpty()) {
                loose.add(shape);
            }
        }
        if (!loose.isEmpty()) {
            anneal(loose);
        }
        return Optional.of(new Seating(kind, List.of(seats), plus));
    }

    /** What is held first, then the largest, each where it is best so far. */
    private boolean begin() {
        List<Integer> order = new ArrayList<>();
        for (int shape = 0; shape < seats.length; shape++) {
            if (held.get(shape).isPresent()) {
                put(shape, held.get(shape).get());
            } else {
                order.add(shape);
            }
        }
        order.sort(Comparator.comparing(
                        (Integer shape) -> !nets.shapes().get(shape).isAcross())
                .thenComparing(shape -> -nets.shapes().get(shape).span()));
        for (int shape : order) {
            SeatChoice best = null;
            double least = Double.MAX_VALUE;
            for (SeatChoice seat : options.get(shape)) {
                if (rows.isFree(nets.shapes().get(shape), seat)) {
                    seats[shape] = seat;
                    place(shape);
                    double cost = cost(shape);
                    if (cost < least) {
                        least = cost;
                        best = seat;
                    }
                }
            }
            seats[shape] = null;
            if (best == null) {
                return false;
            }
            put(shape, best);
        }
        return true;
    }

    private void anneal(List<Integer> loose) {
        int moves = Math.min(MOST_MOVES, MOVES * loose.size());
        double cooling = Math.pow(COLD / HOT, 1.0 / moves);
        double heat = HOT;
        for (int i = 0; i < moves; i++) {
            int shape = loose.get(random.nextInt(loose.size()));
            int what = random.nextInt(20);
            if (what < 13) {
                move(shape, heat);
            } else if (what < 19) {
                swap(shape, loose.get(random.nextInt(loose.size())), heat);
            } else if (!areRailsLaid) {
                changeRail(heat);
            }
            heat *= cooling;
        }
        settle(loose);
    }

    private boolean isTaken(double more, double heat) {
        return more <= 0 || random.nextDouble() < Math.exp(-more / heat);
    }

    private void move(int shape, double heat) {
        List<SeatChoice> all = options.get(shape);
        SeatChoice old = seats[shape];
        SeatChoice next = all.get(random.nextInt(all.size()));
        if (random.nextInt(3) == 0) {
            next = new SeatChoice(
                    old.board(),
                    old.side(),
                    old.row() + random.nextInt(7) - 3,
                    random.nextInt(8) == 0 != old.isTurned());
        }
        Shape of = nets.shapes().get(shape);
        rows.leave(of, old);
        boolean isFree = rows.isFree(of, next);
        rows.take(of, old);
        if (!isFree) {
            return;
        }
        double before = cost(shape);
        put(shape, next);
        if (!isTaken(cost(shape) - before, heat)) {
            put(shape, old);
        }
    }

    private void swap(int one, int other, double heat) {
        Shape first = nets.shapes().get(one);
        Shape second = nets.shapes().get(other);
        if (one == other || first.isAcross() != second.isAcross()) {
            return;
        }
        SeatChoice here = seats[one];
        SeatChoice there = seats[other];
        SeatChoice next = new SeatChoice(there.board(), there.side(), there.row(), here.isTurned());
        SeatChoice back = new SeatChoice(here.board(), here.side(), here.row(), there.isTurned());
        rows.leave(first, here);
        rows.leave(second, there);
        boolean isFree = rows.isFree(first, next);
        if (isFree) {
            rows.take(first, next);
            isFree = rows.isFree(second, back);
            rows.leave(first, next);
        }
        rows.take(first, here);
        rows.take(second, there);
        if (!isFree) {
            return;
        }
        double before = cost(one, other);
        exchange(one, next, other, back);
        if (!isTaken(cost(one, other) - before, heat)) {
            exchange(one, here, other, there);
        }
    }

    private void exchange(int one, SeatChoice first, int other, SeatChoice second) {
        rows.leave(nets.shapes().get(one), seats[one]);
        rows.leave(nets.shapes().get(other), seats[other]);
        seats[one] = first;
        seats[other] = second;
        rows.take(nets.shapes().get(one), first);
        rows.take(nets.shapes().get(other), second);
        place(one);
        place(other);
    }

    private void changeRail(double heat) {
        int supplies = nets.rails().size() - firstSupply();
        if (supplies < 2) {
            return;
        }
        int[] at = plus[random.nextInt(boards)];
        int side = random.nextInt(2);
        int[] to = plus[random.nextInt(boards)];
        int otherSide = random.nextInt(2);
        int old = at[side];
        int oldOther = to[otherSide];
        double before = railCost();
        if (random.nextBoolean()) {
            at[side] = oldOther;
            to[otherSide] = old;
        } else {
            at[side] = firstSupply() + random.nextInt(supplies);
        }
        double after = railCost();
        if (after >= Double.MAX_VALUE / 4 || !isTaken(after - before, heat)) {
            to[otherSide] = oldOther;
            at[side] = old;
        }
    }

    private double railCost() {
        Map<Integer, Boolean> there = new HashMap<>();
        for (int[] of : plus) {
            there.put(of[0], true);
            there.put(of[1], true);
        }
        for (int rail = firstSupply(); rail < nets.rails().size(); rail++) {
            if (!there.containsKey(rail)) {
                return Double.MAX_VALUE / 2;
            }
        }
        double sum = 0;
        for (List<Integer> legs : legsOf) {
            for (int post : legs) {
                sum += railOf[post] >= firstSupply() ? toRail(post) : 0;
            }
        }
        return sum;
    }

    /** Each shape by itself to its best free seat, as long as that helps. */
    private void settle(List<Integer> loose) {
        boolean isBetter = true;
        for (int round = 0; round < 8 && isBetter; round++) {
            isBetter = false;
            for (int shape : loose) {
                Shape of = nets.shapes().get(shape);
                SeatChoice best = seats[shape];
                double least = cost(shape);
                for (SeatChoice seat : options.get(shape)) {
                    SeatChoice old = seats[shape];
                    rows.leave(of, old);
                    boolean isFree = rows.isFree(of, seat);
                    rows.take(of, old);
                    if (isFree) {
                        put(shape, seat);
                        double cost = cost(shape);
                        if (cost < least - 1e-9) {
                            least = cost;
                            best = seat;
                            isBetter = true;
                        } else {
                            put(shape, best);
                        }
                    }
                }
                put(shape, best);
            }
        }
    }
}
