package inkel.core.seats;

import inkel.core.catalog.Habit;
import inkel.core.catalog.TableKind;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Part;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import inkel.core.document.WireId;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireColour;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Seats a table: the fewest breadboards that have room, short jumpers on them, and a hole for every end of a wire. */
public final class SeatPlanner {
    static final int MOST_BOARDS = 24;

    private final NodeCircuit node;
    private final WireList list;
    /** The same wires in an order that is nobody's choice, so that another order of work moves no hole. */
    private final WireList routed;

    private final List<Arrival> arriving;
    private final Optional<SeatPlan> before;
    private final List<String> refused = new ArrayList<>();

    /** A wire of another board's list that ends on this table. */
    private record Arrival(String node, WireStep step) {
        String key() {
            return SeatPlan.arrival(node, step);
        }
    }

    private SeatPlanner(NodeCircuit node, WireList list, List<Arrival> arriving, Optional<SeatPlan> before) {
        this.node = node;
        this.list = list;
        routed = list.with(list.safe());
        this.arriving = arriving;
        this.before = before;
    }

    /** @param lists of all nodes of the circuit */
    public static List<SeatPlan> of(Circuit circuit, List<WireList> lists) {
        return circuit.nodes().stream().map(node -> of(node, lists)).toList();
    }

    /** @param lists of all nodes of the node's circuit, since wires of other boards may end on its table */
    public static SeatPlan of(NodeCircuit node, List<WireList> lists) {
        return of(node, lists, Optional.empty());
    }

    /**
     * As {@link #of(NodeCircuit, List)}, quickly where only what is plugged has changed.
     *
     * @param before what the same board's table was before
     */
    public static SeatPlan of(NodeCircuit node, List<WireList> lists, Optional<SeatPlan> before) {
        WireList list = lists.stream()
                .filter(found -> found.node().node().id().equals(node.node().id()))
                .findFirst()
                .orElseThrow();
        List<Arrival> arriving = lists.stream()
                .filter(other -> other != list)
                .flatMap(other -> other.steps().stream()
                        .filter(step ->
                                step.fitting().isEmpty() && (isHere(node, step.from()) || isHere(node, step.to())))
                        .map(step -> new Arrival(other.node().node().id(), step)))
                .sorted(Comparator.comparing(Arrival::key))
                .toList();
        return new SeatPlanner(node, list, arriving, before).plan();
    }

    private static boolean isHere(NodeCircuit node, Terminal terminal) {
        return terminal instanceof Terminal.OnOtherBoard other
                && other.pin().node().equals(node.node().id());
    }

    private SeatPlan plan() {
        TableKind table = node.table();
        if (!table.isBreadboard()) {
            return nothing();
        }
        Breadboard kind = Breadboard.of(table);
        Laying laying = new Laying(node.node().laid());
        for (int boards = 1; boards <= MOST_BOARDS; boards++) {
            refused.clear();
            TableNets nets =
                    TableNets.of(routed, arriving.stream().map(Arrival::step).toList(), boards * 2);
            if (nets.shapes().isEmpty() && nets.rails().isEmpty()) {
                return nothing();
            }
            if (boards < laying.boards(nets) || isTooMuch(nets, kind, boards)) {
                continue;
            }
            List<Optional<SeatChoice>> held = held(nets, kind, boards);
            Optional<Seating> seating = seated(nets, kind, boards, held, laying);
            if (seating.isPresent()) {
                return plan(nets, seating.get(), held);
            }
        }
        return nothing();
    }

    /** As it was; else as it was laid, with room made for what is new; else wherever it is best. */
    private Optional<Seating> seated(
            TableNets nets, Breadboard kind, int boards, List<Optional<SeatChoice>> held, Laying laying) {
        return remembered(nets, kind, boards)
                .or(() -> laying.isNone()
                        ? Optional.empty()
                        : new SeatSearch(
                                        nets,
                                        kind,
                                        boards,
                                        laying.held(nets, new Rows(kind, boards), held),
                                        laying.rails(nets, boards))
                                .run())
                .or(() -> new SeatSearch(nets, kind, boards, held, Optional.empty()).run());
    }

    private Optional<Seating> remembered(TableNets nets, Breadboard kind, int boards) {
        return before.flatMap(SeatPlan::memory)
                .filter(memory -> memory.seating().kind().equals(kind)
                        && memory.seating().boards() == boards
                        && memory.isStill(nets, node.node().seats(), node.node().laid()))
                .map(Memory::seating);
    }

    private static boolean isTooMuch(TableNets nets, Breadboard kind, int boards) {
        int halves = nets.shapes().stream()
                .mapToInt(shape -> shape.span() * (shape.isAcross() ? 2 : 1))
                .sum();
        return halves > boards * 2 * kind.rows();
    }

    /** What the builder keeps, as far as it is possible; a board that straddles the gap begins at row 1. */
    private List<Optional<SeatChoice>> held(TableNets nets, Breadboard kind, int boards) {
        Rows rows = new Rows(kind, boards);
        List<Optional<SeatChoice>> held = new ArrayList<>();
        for (Shape shape : nets.shapes()) {
            Optional<SeatChoice> wish =
                    Optional.ofNullable(node.node().seats().get(shape.id())).filter(seat -> !seat.isOff());
            boolean isPossible = wish.filter(seat -> rows.isFree(shape, seat)).isPresent();
            if (isPossible) {
                rows.take(shape, wish.get());
            } else if (wish.isPresent() && wish.get().board() <= boards) {
                refused.add(shape.id());
            }
            held.add(isPossible ? wish : Optional.empty());
        }
        for (int i = 0; i < held.size(); i++) {
            Shape shape = nets.shapes().get(i);
            SeatChoice first = new SeatChoice(1, Side.ACROSS, 1, false);
            boolean isBoard =
                    shape.id().equals(Part.BOARD) && node.board().cls().from().equals("usb");
            if (isBoard && held.get(i).isEmpty() && rows.isFree(shape, first)) {
                rows.take(shape, first);
                held.set(i, Optional.of(first));
            }
        }
        return held;
    }

    private SeatPlan nothing() {
        return new SeatPlan(
                node,
                Optional.empty(),
                0,
                List.of(),
                List.of(),
                node.parts().stream().map(Placed::id).toList(),
                list.with(list.steps()),
                Map.of(),
                Map.of(),
                List.of(),
                Optional.empty());
    }

    /** The hole of each arriving wire that goes into one. */
    private Map<String, Landing> arriving(Router.Routes routes) {
        Map<String, Landing> found = new LinkedHashMap<>();
        for (int i = 0; i < arriving.size(); i++) {
            String key = arriving.get(i).key();
            routes.runs().getOrDefault(routed.steps().size() + i, List.of()).stream()
                    .flatMap(run -> Stream.of(run.from(), run.to()))
                    .filter(landing -> landing.hole().isPresent())
                    .findFirst()
                    .ifPresent(landing -> found.put(key, landing));
        }
        return found;
    }

    private SeatPlan plan(TableNets nets, Seating seating, List<Optional<SeatChoice>> held) {
        Router.Routes routes = Router.of(nets, seating);
        Map<String, List<Run>> runs = new LinkedHashMap<>();
        for (int i = 0; i < routed.steps().size(); i++) {
            if (routes.runs().containsKey(i)) {
                runs.put(routed.steps().get(i).id(), inOrder(routes.runs().get(i)));
            }
        }
        boolean isByWay = node.habits().of(Habit.WIRE_ORDER) == Habit.WireOrder.WAY;
        List<WireStep> steps = withBridges(isByWay ? WayOrder.of(list.steps(), runs) : list.steps(), routes, runs);
        Set<String> seated = new HashSet<>();
        nets.shapes().forEach(shape -> seated.add(shape.id()));
        return new SeatPlan(
                node,
                Optional.of(seating.kind()),
                seating.boards(),
                seats(nets, seating, held),
                rails(seating.kind(), routes, runs),
                node.parts().stream()
                        .map(Placed::id)
                        .filter(id -> !seated.contains(id))
                        .toList(),
                list.with(steps),
                runs,
                arriving(routes),
                refused,
                Optional.of(new Memory(
                        nets, seating, held, node.node().seats(), node.node().laid())));
    }

    /** A small part comes behind the wire that leads to it, and before the one that leads away. */
    private static List<Run> inOrder(List<Run> found) {
        List<Run> wires = found.stream().filter(run -> !run.isPiece()).toList();
        List<Run> ordered = new ArrayList<>(wires);
        for (Run piece : found) {
            if (piece.isPiece()) {
                boolean isFirst = wires.size() == 1
                        && wires.get(0).from().at().equals(piece.to().at());
                ordered.add(isFirst ? 0 : Math.min(1, ordered.size()), piece);
            }
        }
        return ordered;
    }

    // --- wires that the breadboards make necessary

    /** Each comes before the first wire that hangs on what it joins. */
    private List<WireStep> withBridges(List<WireStep> ordered, Router.Routes routes, Map<String, List<Run>> runs) {
        List<WireStep> steps = new ArrayList<>(ordered);
        List<Router.Added> open = new ArrayList<>(routes.added());
        for (int i = open.size() - 1; i >= 0; i--) {
            Router.Added bridge = open.get(i);
            int at = firstAt(steps, runs, bridge);
            WireStep like = steps.get(Math.min(at, steps.size() - 1));
            for (WireStep step : list.steps()) {
                if (step.from().equals(bridge.carries()) || step.to().equals(bridge.carries())) {
                    like = step;
                    break;
                }
            }
            String id = new WireId(bridge.from().id(), bridge.to().id()).toString();
            Optional<WireColour> made =
                    Optional.ofNullable(node.node().made().get(id)).flatMap(WireColour::of);
            steps.add(
                    at,
                    new WireStep(
                            id,
                            0,
                            like.kind(),
                            bridge.from(),
                            bridge.to(),
                            made.orElse(like.colour()),
                            like.subject(),
                            Optional.empty(),
                            Optional.empty(),
                            node.node().plugged().contains(id)));
            runs.put(id, List.of(bridge.run()));
        }
        return steps;
    }

    private static int firstAt(List<WireStep> steps, Map<String, List<Run>> runs, Router.Added bridge) {
        int last = -1;
        for (int i = 0; i < steps.size(); i++) {
            for (Run run : runs.getOrDefault(steps.get(i).id(), List.of())) {
                if (isAt(run.from(), bridge.run().to())
                        || isAt(run.to(), bridge.run().to())) {
                    return i;
                }
                if (isAt(run.from(), bridge.run().from())
                        || isAt(run.to(), bridge.run().from())) {
                    last = i;
                }
            }
        }
        return last + 1;
    }

    /** Whether a wire ends at what a bridge ends at: the same half row, stretch of a rail, or pin. */
    private static boolean isAt(Landing one, Landing other) {
        if (one.hole().isEmpty() || other.hole().isEmpty()) {
            return one.at().equals(other.at());
        }
        Hole here = one.hole().get();
        Hole there = other.hole().get();
        return here.column().isRail() || there.column().isRail()
                ? here.column() == there.column() && here.board() == there.board()
                : here.halfRow().equals(there.halfRow());
    }

    // --- what is shown

    private List<SeatPlan.Seat> seats(TableNets nets, Seating seating, List<Optional<SeatChoice>> held) {
        Map<Integer, Map<Integer, Terminal>> ends = new HashMap<>();
        for (Post post : nets.posts()) {
            if (post.isInHoles()) {
                ends.computeIfAbsent(post.shape(), fresh -> new HashMap<>())
                        .put(post.leg().pin(), post.terminal());
            }
        }
        List<SeatPlan.Seat> seats = new ArrayList<>();
        for (int i = 0; i < nets.shapes().size(); i++) {
            Shape shape = nets.shapes().get(i);
            SeatChoice at = seating.seats().get(i);
            Map<Integer, Terminal> of = ends.getOrDefault(i, Map.of());
            List<SeatPlan.Leg> legs = new ArrayList<>();
            for (Shape.Leg leg : shape.legs()) {
                Side side = shape.sideOf(leg, at);
                boolean isMeeting = shape.id().startsWith("meeting of ");
                if (!isMeeting) {
                    legs.add(new SeatPlan.Leg(
                            new Hole(at.board(), shape.column(side), shape.rowOf(leg, at)),
                            leg.pin(),
                            Optional.ofNullable(of.get(leg.pin()))));
                }
            }
            seats.add(new SeatPlan.Seat(
                    node.part(shape.id()).map(Placed::id),
                    shape.id(),
                    at,
                    Math.max(1, at.row() - shape.over()),
                    Math.min(seating.kind().rows(), at.row() + shape.span() - 1 + shape.over()),
                    legs,
                    node.part(shape.id()).isPresent()
                            ? Optional.empty()
                            : of.values().stream().findFirst(),
                    held.get(i).isPresent() && node.node().seats().containsKey(shape.id()),
                    shape));
        }
        seats.sort(Comparator.comparing((SeatPlan.Seat seat) -> seat.at().board())
                .thenComparing(seat -> seat.at().row()));
        return seats;
    }

    private static List<SeatPlan.RailUse> rails(Breadboard kind, Router.Routes routes, Map<String, List<Run>> runs) {
        List<SeatPlan.RailUse> uses = new ArrayList<>();
        routes.rails().forEach((carries, lines) -> {
            for (RailLines.Line line : lines.lines()) {
                long used = runs.values().stream()
                        .flatMap(List::stream)
                        .flatMap(run -> java.util.stream.Stream.of(run.from(), run.to()))
                        .flatMap(landing -> landing.hole().stream())
                        .filter(hole -> hole.column() == line.column()
                                && hole.board() == line.board()
                                && kind.segmentOf(hole.row()) == line.segment())
                        .count();
                uses.add(new SeatPlan.RailUse(
                        new Terminal.OnStretch(
                                carries,
                                line.board(),
                                line.column().isLeft(),
                                line.column().isPlus(),
                                line.segment()),
                        carries,
                        (int) used,
                        kind.railRows(line.segment()).size()));
            }
        });
        return uses;
    }
}
