package inkel.core.seats;

import inkel.core.document.Laid;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import inkel.core.document.edit.KeepSeats;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.PlugSeated;
import inkel.core.quantity.Fact;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** What a builder may do with seats by hand, and the edits that do it. */
public final class SeatMoves {
    private SeatMoves() {}

    /** Why something cannot be kept at a seat; empty when it can, with others making way. */
    public static Optional<Fact> refusal(SeatPlan plan, SeatPlan.Seat who, SeatChoice to) {
        Breadboard kind = plan.kind().orElseThrow();
        Shape shape = who.shape();
        if (shape.isAcross() != (to.side() == Side.ACROSS)) {
            return Optional.of(Fact.of(shape.isAcross() ? "seats.refused.needs_gap" : "seats.refused.needs_half"));
        }
        if (to.board() < 1 || to.board() > plan.boards()) {
            return Optional.of(Fact.of("seats.refused.no_board").with("boards", plan.boards()));
        }
        if (!Rows.isOn(kind, shape, to)) {
            return Optional.of(Fact.of("seats.refused.rows")
                    .with("span", shape.span())
                    .with("last", Math.max(1, kind.rows() - shape.span() + 1)));
        }
        Rows rows = new Rows(kind, plan.boards());
        for (SeatPlan.Seat other : plan.seats()) {
            if (other.isHeld() && !other.id().equals(who.id())) {
                rows.take(other.shape(), other.at());
                if (!rows.isFree(shape, to)) {
                    return Optional.of(Fact.of("seats.refused.taken").with("part", other.id()));
                }
            }
        }
        return Optional.empty();
    }

    /** Keeps something at a seat; the wires at it that are plugged are to be plugged anew. */
    public static KeepSeats move(SeatPlan plan, SeatPlan.Seat who, SeatChoice to) {
        return new KeepSeats(
                plan.node().node().id(),
                Map.of(who.id(), Optional.of(to)),
                to.equals(who.at()) ? Set.of() : at(plan, who),
                plan.laid());
    }

    /** The other way about at the same rows. */
    public static SeatChoice turned(SeatChoice seat) {
        return new SeatChoice(seat.board(), seat.side(), seat.row(), !seat.isTurned());
    }

    /** Takes a part off the breadboard, to be wired where it lies. */
    public static KeepSeats off(SeatPlan plan, SeatPlan.Seat who) {
        return new KeepSeats(
                plan.node().node().id(), Map.of(who.id(), Optional.of(SeatChoice.OFF)), at(plan, who), plan.laid());
    }

    /** Puts a part back on the breadboard wherever the planner likes, or lets one go that was kept. */
    public static KeepSeats release(SeatPlan plan, String id) {
        return new KeepSeats(
                plan.node().node().id(),
                Map.of(id, Optional.empty()),
                Set.of(),
                plan.laid().without(id));
    }

    /** Lets everything go at which nothing is plugged. */
    public static KeepSeats anew(SeatPlan plan) {
        Set<String> stuck = new HashSet<>(touched(
                        plan,
                        plan.list().steps().stream().filter(WireStep::plugged).toList())
                .keySet());
        Map<String, Optional<SeatChoice>> free = new HashMap<>();
        plan.node().node().seats().forEach((id, seat) -> {
            if (!stuck.contains(id) && !seat.isOff()) {
                free.put(id, Optional.empty());
            }
        });
        return new KeepSeats(plan.node().node().id(), free, Set.of(), Laid.NONE);
    }

    /** Marks wires as plugged, and keeps what they are plugged at. */
    public static PlugSeated plug(SeatPlan plan, Set<String> wires) {
        List<WireStep> steps = plan.list().steps().stream()
                .filter(step -> wires.contains(step.id()))
                .toList();
        return new PlugSeated(new Plug(plan.node().node().id(), wires, true), touched(plan, steps), plan.laid());
    }

    /** What the wires of some steps end at. */
    private static Map<String, SeatChoice> touched(SeatPlan plan, List<WireStep> steps) {
        Map<HalfRow, SeatPlan.Seat> rows = new HashMap<>();
        for (SeatPlan.Seat seat : plan.seats()) {
            halfRows(seat).forEach(row -> rows.put(row, seat));
        }
        Map<String, SeatChoice> found = new LinkedHashMap<>();
        for (WireStep step : steps) {
            for (Run run : plan.runs(step)) {
                Stream.of(run.from(), run.to())
                        .flatMap(landing -> landing.hole().stream())
                        .filter(hole -> !hole.column().isRail() && rows.containsKey(hole.halfRow()))
                        .map(hole -> rows.get(hole.halfRow()))
                        .forEach(seat -> found.put(seat.id(), seat.at()));
            }
        }
        return found;
    }

    private static Stream<HalfRow> halfRows(SeatPlan.Seat seat) {
        return seat.shape().legs().stream()
                .map(leg -> new HalfRow(
                        seat.at().board(),
                        seat.shape().sideOf(leg, seat.at()),
                        seat.shape().rowOf(leg, seat.at())));
    }

    /** The plugged wires that end at a seat. */
    private static Set<String> at(SeatPlan plan, SeatPlan.Seat who) {
        Set<HalfRow> rows = new HashSet<>(halfRows(who).toList());
        Set<String> found = new HashSet<>();
        for (WireStep step : plan.list().steps()) {
            boolean isThere = plan.runs(step).stream()
                    .flatMap(run -> Stream.of(run.from(), run.to()))
                    .flatMap(landing -> landing.hole().stream())
                    .anyMatch(hole -> !hole.column().isRail() && rows.contains(hole.halfRow()));
            if (step.plugged() && isThere) {
                found.add(step.id());
            }
        }
        return found;
    }

    /** Two supplies whose rails are on one breadboard, so that a slip joins them. */
    public static boolean isMixed(SeatPlan plan, int board) {
        return plan.rails().stream()
                        .filter(rail -> rail.stretch().board() == board
                                && rail.stretch().isPlus())
                        .map(SeatPlan.RailUse::carries)
                        .map(Terminal::id)
                        .distinct()
                        .count()
                > 1;
    }
}
