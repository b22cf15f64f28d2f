package inkel.core.seats;

import inkel.core.catalog.Outline.Spot;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The stretches of the breadboards' rails that carry one rail of the plan, and their holes. */
final class RailLines {
    private final Breadboard kind;
    private final List<Line> lines;
    private final Set<Hole> taken = new HashSet<>();

    private RailLines(Breadboard kind, List<Line> lines) {
        this.kind = kind;
        this.lines = lines;
    }

    /** A stretch of a rail. */
    record Line(int board, Column column, int segment) {
        double across() {
            return Breadboard.across(board) + column.across();
        }
    }

    /**
     * Those that it pays to use: a stretch that is joined to the others must save more wire than the bridge takes.
     *
     * @param rail as a place in {@link TableNets#rails()}
     * @param ends what is wired to the rail; null for what lies nobody knows where
     */
    static RailLines of(Seating seating, boolean isGround, int rail, List<Spot> ends) {
        List<Line> all = new ArrayList<>();
        for (int board = 1; board <= seating.boards(); board++) {
            for (int segment = 0; segment < seating.kind().segments(); segment++) {
                int[] plus = seating.plus()[board - 1];
                if (isGround || plus[0] == rail) {
                    all.add(new Line(board, isGround ? Column.LEFT_MINUS : Column.LEFT_PLUS, segment));
                }
                if (isGround || plus[1] == rail) {
                    all.add(new Line(board, isGround ? Column.RIGHT_MINUS : Column.RIGHT_PLUS, segment));
                }
            }
        }
        RailLines used = new RailLines(seating.kind(), all);
        used.dropWhatDoesNotPay(ends);
        return used;
    }

    private void dropWhatDoesNotPay(List<Spot> ends) {
        boolean isBetter = true;
        while (isBetter && lines.size() > 1) {
            isBetter = false;
            double now = cost(lines, ends);
            for (Line line : List.copyOf(lines)) {
                List<Line> less = new ArrayList<>(lines);
                less.remove(line);
                boolean hasRoom = ends.size() + 2 * less.size() <= holes(less);
                if (hasRoom && cost(less, ends) <= now) {
                    lines.remove(line);
                    isBetter = true;
                    break;
                }
            }
        }
    }

    private int holes(List<Line> of) {
        return of.stream()
                .mapToInt(line -> kind.railRows(line.segment()).size())
                .sum();
    }

    private double cost(List<Line> of, List<Spot> ends) {
        double sum = 0;
        for (Spot end : ends) {
            if (end != null) {
                sum += of.stream().mapToDouble(line -> far(line, end)).min().orElse(0);
            }
        }
        for (Bridge bridge : bridges(of)) {
            sum += bridge.from().stepsTo(bridge.to()) + Breadboard.BENDS;
        }
        return sum;
    }

    private double far(Line line, Spot end) {
        double least = Double.MAX_VALUE;
        for (int row : kind.railRows(line.segment())) {
            least = Math.min(least, Math.hypot(line.across() - end.x(), row - end.y()));
        }
        return least;
    }

    List<Line> lines() {
        return lines;
    }

    /** A wire from one stretch to another. */
    record Bridge(Line one, Line other, Hole from, Hole to) {}

    /** What joins all stretches with the least wire. */
    List<Bridge> bridges() {
        return bridges(lines);
    }

    private List<Bridge> bridges(List<Line> of) {
        List<Line> in = new ArrayList<>(of.subList(0, Math.min(1, of.size())));
        List<Line> out = new ArrayList<>(of.subList(in.size(), of.size()));
        List<Bridge> found = new ArrayList<>();
        while (!out.isEmpty()) {
            Bridge best = in.stream()
                    .flatMap(one -> out.stream().map(other -> bridge(one, other)))
                    .min(Comparator.comparingDouble(bridge -> bridge.from().stepsTo(bridge.to())))
                    .orElseThrow();
            found.add(best);
            in.add(best.other());
            out.remove(best.other());
        }
        return found;
    }

    private Bridge bridge(Line one, Line other) {
        Bridge best = null;
        List<Integer> here = kind.railRows(one.segment());
        List<Integer> there = kind.railRows(other.segment());
        for (int row : List.of(here.get(0), here.get(here.size() - 1))) {
            for (int far : List.of(there.get(0), there.get(there.size() - 1))) {
                Hole from = new Hole(one.board(), one.column(), row);
                Hole to = new Hole(other.board(), other.column(), far);
                if (best == null || from.stepsTo(to) < best.from().stepsTo(best.to())) {
                    best = new Bridge(one, other, from, to);
                }
            }
        }
        return best;
    }

    void take(Hole hole) {
        taken.add(hole);
    }

    boolean isTaken(Hole hole) {
        return taken.contains(hole);
    }

    /** The nearest free hole; the first free one for what lies nobody knows where. */
    Optional<Hole> nearest(Spot end) {
        Hole best = null;
        double least = Double.MAX_VALUE;
        for (Hole hole : free()) {
            double far = end == null
                    ? hole.row()
                    : Math.hypot(
                            Breadboard.across(hole.board()) + hole.column().across() - end.x(), hole.row() - end.y());
            if (far < least) {
                least = far;
                best = hole;
            }
        }
        return Optional.ofNullable(best);
    }

    List<Hole> free() {
        List<Hole> free = new ArrayList<>();
        for (Line line : lines) {
            for (int row : kind.railRows(line.segment())) {
                Hole hole = new Hole(line.board(), line.column(), row);
                if (!taken.contains(hole)) {
                    free.add(hole);
                }
            }
        }
        return free;
    }
}
