package inkel.core.seats;

import inkel.core.catalog.Outline;
import inkel.core.catalog.Outline.Spot;
import inkel.core.quantity.Length;
import inkel.core.wiring.Terminal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Says for every wire of a seated table which holes it goes into, and which wires must be added to join all. */
final class Router {
    private static final double STEP = Outline.MILLIMETRES * 1e-3;

    /** To what lies beside the breadboard, nobody knows where: a usual jumper. */
    private static final double BESIDE = 0.2;

    private final TableNets nets;
    private final Seating seating;
    private final Map<Integer, Set<Column>> taken = new HashMap<>();
    private final Map<Terminal, RailLines> rails = new LinkedHashMap<>();
    private final Map<Integer, List<Run>> runs = new LinkedHashMap<>();
    private final List<Added> added = new ArrayList<>();

    private Router(TableNets nets, Seating seating) {
        this.nets = nets;
        this.seating = seating;
    }

    /** A wire that only the breadboard makes necessary. */
    record Added(Terminal from, Terminal to, Run run, Terminal carries) {}

    /**
     * @param runs what each step of the list becomes, by its place in the list
     * @param added in an order in which each hangs on what is there already
     */
    record Routes(Map<Integer, List<Run>> runs, List<Added> added, Map<Terminal, RailLines> rails) {}

    static Routes of(TableNets nets, Seating seating) {
        Router router = new Router(nets, seating);
        router.layRails();
        for (Net net : nets.nets()) {
            if (net.isAsPlanned()) {
                router.asPlanned(net);
            } else {
                router.shortest(net);
            }
        }
        router.pieces();
        return new Routes(router.runs, router.added, router.rails);
    }

    // --- rails

    private void layRails() {
        for (int i = 0; i < nets.rails().size(); i++) {
            Terminal rail = nets.rails().get(i);
            List<Spot> ends = new ArrayList<>();
            for (Net net : nets.nets()) {
                List<Edge> all = new ArrayList<>(net.edges());
                all.addAll(net.pieces());
                for (Edge edge : all) {
                    if (isRail(edge.from(), rail)) {
                        ends.add(spot(edge.to()));
                    } else if (isRail(edge.to(), rail)) {
                        ends.add(spot(edge.from()));
                    }
                }
            }
            RailLines lines = RailLines.of(seating, rail instanceof Terminal.OnGroundRow, i, ends);
            rails.put(rail, lines);
            for (RailLines.Bridge bridge : lines.bridges()) {
                Hole from = freeOn(lines, bridge.from());
                Hole to = freeOn(lines, bridge.to());
                Terminal one = stretch(rail, from);
                Terminal other = stretch(rail, to);
                Run run = new Run(
                        new Landing(one, Optional.of(from)),
                        new Landing(other, Optional.of(to)),
                        false,
                        length(from.stepsTo(to)));
                added.add(new Added(one, other, run, rail));
            }
        }
    }

    /** The hole itself, or the next one of its stretch that is free. */
    private Hole freeOn(RailLines lines, Hole wanted) {
        Hole best = seating.kind().railRows(seating.kind().segmentOf(wanted.row())).stream()
                .map(row -> new Hole(wanted.board(), wanted.column(), row))
                .filter(hole -> !lines.isTaken(hole))
                .min(Comparator.comparingDouble(wanted::stepsTo))
                .orElse(wanted);
        lines.take(best);
        return best;
    }

    private Terminal stretch(Terminal rail, Hole hole) {
        return new Terminal.OnStretch(
                rail,
                hole.board(),
                hole.column().isLeft(),
                hole.column().isPlus(),
                seating.kind().segmentOf(hole.row()));
    }

    private boolean isRail(int post, Terminal rail) {
        return nets.post(post).kind() == Post.Kind.RAIL
                && nets.post(post).terminal().equals(rail);
    }

    // --- nets

    private void asPlanned(Net net) {
        for (Edge edge : net.edges()) {
            wire(edge, edge.from(), edge.to());
        }
    }

    /** A tree as short as possible of which no post has more ends than find room. */
    private void shortest(Net net) {
        Map<Integer, Edge> reached = TableNets.reachedBy(net);
        if (net.edges().isEmpty()) {
            return;
        }
        int root = net.edges().get(0).from();
        Map<Integer, Integer> room = new HashMap<>();
        net.posts().forEach(post -> room.put(post, nets.room(post)));
        Set<Integer> in = new LinkedHashSet<>(Set.of(root));
        Set<Integer> out = new LinkedHashSet<>(net.posts());
        out.remove(root);
        Map<Integer, Integer> parent = new LinkedHashMap<>();
        while (!out.isEmpty()) {
            int left = in.stream().mapToInt(room::get).sum();
            int from = -1;
            int to = -1;
            double least = Double.MAX_VALUE;
            for (int one : in) {
                for (int other : out) {
                    boolean leavesRoom = out.size() == 1 || left - 2 + room.get(other) >= 1;
                    double far = steps(one, other);
                    if (room.get(one) > 0 && leavesRoom && far < least) {
                        least = far;
                        from = one;
                        to = other;
                    }
                }
            }
            if (from < 0) {
                throw new IllegalStateException("no room for " + net);
            }
            room.merge(from, -1, Integer::sum);
            room.merge(to, -1, Integer::sum);
            in.add(to);
            out.remove(to);
            parent.put(to, from);
        }
        for (Map.Entry<Integer, Integer> entry : parent.entrySet()) {
            int post = entry.getKey();
            Edge edge = reached.get(post);
            if (edge == null || edge.isBridge()) {
                add(entry.getValue(), post, net);
            } else if (edge.to() == post) {
                wire(edge, entry.getValue(), post);
            } else {
                wire(edge, post, entry.getValue());
            }
        }
    }

    private void wire(Edge edge, int from, int to) {
        if (edge.isBridge()) {
            add(from, to, null);
            return;
        }
        put(edge.step(), run(from, to, false));
    }

    private void put(int step, Run run) {
        runs.computeIfAbsent(step, fresh -> new ArrayList<>()).add(run);
    }

    private void add(int from, int to, Net net) {
        Terminal carries = nets.post(
                        net == null || net.edges().isEmpty()
                                ? from
                                : net.edges().get(0).from())
                .terminal();
        added.add(new Added(nets.post(from).terminal(), nets.post(to).terminal(), run(from, to, false), carries));
    }

    /** Small parts, each at the pin that it is for, or as near to it as its net has a hole, and from there the shortest way. */
    private void pieces() {
        Set<Edge> pieces = new LinkedHashSet<>();
        nets.nets().forEach(net -> pieces.addAll(net.pieces()));
        for (Edge piece : pieces) {
            int from = -1;
            int to = -1;
            double least = Double.MAX_VALUE;
            for (int one : alike(piece.from())) {
                for (int other : alike(piece.to())) {
                    double far = steps(one, other) + (one == piece.from() ? 0 : steps(piece.from(), one));
                    if (far < least) {
                        least = far;
                        from = one;
                        to = other;
                    }
                }
            }
            put(piece.step(), run(from, to, true));
        }
        runs.values().forEach(all -> all.sort(Comparator.comparing(Run::isPiece)));
    }

    /** Where a leg can go in place of a post: any with a free hole of the same net. */
    private List<Integer> alike(int post) {
        if (nets.post(post).kind() == Post.Kind.RAIL) {
            return List.of(post);
        }
        List<Integer> found = new ArrayList<>();
        for (Net net : nets.nets()) {
            if (net.posts().contains(post)) {
                net.posts().stream()
                        .filter(other ->
                                nets.post(other).isInHoles() && !free(other).isEmpty())
                        .forEach(found::add);
            }
        }
        return found.isEmpty() ? List.of(post) : found;
    }

    // --- holes

    private Run run(int from, int to, boolean isPiece) {
        boolean isLead =
                nets.post(from).kind() == Post.Kind.LEAD || nets.post(to).kind() == Post.Kind.LEAD;
        boolean areRails =
                nets.post(from).kind() == Post.Kind.RAIL && nets.post(to).kind() == Post.Kind.RAIL;
        Landing one = landing(from, areRails ? besideFree(from, to) : spot(to));
        Spot here = one.hole().map(Router::spot).orElseGet(() -> spot(from));
        Landing other = landing(to, here);
        Spot there = other.hole().map(Router::spot).orElseGet(() -> spot(to));
        Length length = isPiece || isLead
                ? Length.ofMetres(0)
                : here == null || there == null
                        ? Length.ofMetres(BESIDE)
                        : length(Math.hypot(here.x() - there.x(), here.y() - there.y()));
        return new Run(one, other, isPiece, length);
    }

    /** Where the free holes of two rails are nearest to each other. */
    private Spot besideFree(int from, int to) {
        RailLines there = rails.get(nets.post(to).terminal());
        Spot best = null;
        double least = Double.MAX_VALUE;
        for (Hole hole : rails.get(nets.post(from).terminal()).free()) {
            Spot here = spot(hole);
            Optional<Spot> near = there.nearest(here).map(Router::spot);
            double far = near.map(spot -> Math.hypot(spot.x() - here.x(), spot.y() - here.y()))
                    .orElse(Double.MAX_VALUE);
            if (far < least) {
                least = far;
                best = here;
            }
        }
        return best;
    }

    private static Length length(double steps) {
        return Length.ofMetres((steps + Breadboard.BENDS) * STEP);
    }

    private static Spot spot(Hole hole) {
        return new Spot(Breadboard.across(hole.board()) + hole.column().across(), hole.row());
    }

    private Landing landing(int id, Spot towards) {
        Post post = nets.post(id);
        if (post.kind() == Post.Kind.RAIL) {
            RailLines lines = rails.get(post.terminal());
            Hole hole = lines.nearest(towards)
                    .orElseThrow(() -> new IllegalStateException("no hole left of " + post.terminal()));
            lines.take(hole);
            return new Landing(post.terminal(), Optional.of(hole));
        }
        if (!post.isInHoles()) {
            return new Landing(post.terminal(), Optional.empty());
        }
        HalfRow row = seating.halfRow(nets, post);
        Column column = free(id).stream()
                .min(Comparator.comparingDouble(found ->
                        towards == null ? 0 : Math.abs(Breadboard.across(row.board()) + found.across() - towards.x())))
                .orElseThrow(() -> new IllegalStateException("no hole left at " + post));
        taken.computeIfAbsent(id, fresh -> new HashSet<>()).add(column);
        return new Landing(post.terminal(), Optional.of(new Hole(row.board(), column, row.row())));
    }

    private List<Column> free(int id) {
        Post post = nets.post(id);
        HalfRow row = seating.halfRow(nets, post);
        List<Column> all = new ArrayList<>(nets.shapes().get(post.shape()).free(row.side()));
        if (post.kind() == Post.Kind.MEETING) {
            all.add(nets.shapes().get(post.shape()).column(row.side()));
        }
        all.removeAll(taken.getOrDefault(id, Set.of()));
        return all;
    }

    private Spot spot(int post) {
        return nets.post(post).kind() == Post.Kind.RAIL ? null : seating.spot(nets, nets.post(post));
    }

    /** From post to post; a rail is beside every row. */
    private double steps(int one, int other) {
        boolean isRail =
                nets.post(one).kind() == Post.Kind.RAIL || nets.post(other).kind() == Post.Kind.RAIL;
        Spot here = spot(one);
        Spot there = spot(other);
        if (isRail) {
            int post = nets.post(one).kind() == Post.Kind.RAIL ? one : other;
            Spot end = post == one ? there : here;
            Optional<Hole> hole = rails.get(nets.post(post).terminal()).nearest(end);
            return end == null || hole.isEmpty()
                    ? BESIDE / STEP
                    : Math.hypot(
                            spot(hole.get()).x() - end.x(), spot(hole.get()).y() - end.y());
        }
        return here == null || there == null ? BESIDE / STEP : Math.hypot(here.x() - there.x(), here.y() - there.y());
    }
}
