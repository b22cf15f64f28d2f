package inkel.app.words;

import inkel.core.document.SeatChoice;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PinNames;
import inkel.core.remedy.RailNames;
import inkel.core.seats.Hole;
import inkel.core.seats.Landing;
import inkel.core.seats.Run;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** Names rows, holes and rails of breadboards, and who sits there. */
public final class SeatWords {
    private final SeatPlan plan;
    private final WireWords wires;

    public SeatWords(SeatPlan plan) {
        this.plan = plan;
        wires = new WireWords(plan.node());
    }

    /** A hole: {@code row 31, hole c}; with its breadboard where there are several. */
    public String hole(Hole hole) {
        String place = hole.column().isRail()
                ? Words.say(Fact.of(hole.column().isPlus() ? "seats.hole.plus" : "seats.hole.minus")
                        .with("side", side(hole.column().isLeft()))
                        .with("row", hole.row()))
                : Words.say(Fact.of("seats.hole")
                        .with("row", hole.row())
                        .with("letter", hole.column().name().toLowerCase(Locale.ROOT)));
        return plan.boards() > 1
                ? Words.say(
                        Fact.of("seats.on_board").with("board", hole.board()).with("place", place))
                : place;
    }

    private static String side(boolean isLeft) {
        return Words.get(isLeft ? "seats.left" : "seats.right");
    }

    /** The hole of a landing; empty beside the breadboard. */
    public String hole(Landing landing) {
        return landing.hole().map(this::hole).orElse("");
    }

    /** Where an end of a wire goes: its hole, and whose row that is where it is not the end's own. */
    public String landing(Landing landing, Terminal wanted) {
        boolean isOwn = landing.at().equals(wanted);
        String hole = hole(landing);
        if (isOwn || landing.at() instanceof Terminal.OnMeeting) {
            return hole;
        }
        String at = wires.name(landing.at());
        return hole.isEmpty()
                ? Words.get("seats.instead_at", "end", at)
                : Words.say(Fact.of("seats.instead").with("hole", hole).with("end", at));
    }

    /** The first and the last run of a step, where they end. */
    public Optional<Landing> from(WireStep step) {
        List<Run> runs = plan.runs(step);
        return runs.isEmpty() ? Optional.empty() : Optional.of(runs.get(0).from());
    }

    public Optional<Landing> to(WireStep step) {
        List<Run> runs = plan.runs(step);
        return runs.isEmpty()
                ? Optional.empty()
                : Optional.of(runs.get(runs.size() - 1).to());
    }

    /** Each wire and small part of a step that has several, with its holes. */
    public List<String> runs(WireStep step) {
        return plan.runs(step).size() < 2
                ? List.of()
                : plan.runs(step).stream()
                        .map(run -> Words.say(Fact.of(run.isPiece() ? "seats.run.piece" : "seats.run.wire")
                                .with("from", end(run.from()))
                                .with("to", end(run.to()))))
                        .toList();
    }

    private String end(Landing landing) {
        return landing.hole().map(this::hole).orElseGet(() -> wires.name(landing.at()));
    }

    /** What sits there: a part's name, a piece, or the wires that meet. */
    public String name(SeatPlan.Seat seat) {
        if (seat.part().isPresent()) {
            return plan.node().part(seat.part().get()).orElseThrow().part().name();
        }
        if (seat.of().isEmpty()) {
            return seat.id();
        }
        Terminal of = seat.of().get();
        if (of instanceof Terminal.OnLeg leg) {
            boolean isCoupler = seat.shape().isAcross();
            return Words.get(
                    isCoupler ? "seats.coupler" : "seats.transistor",
                    "signal",
                    Words.say(PinNames.of(plan.node(), leg.signal())));
        }
        return wires.name(of);
    }

    /** A seat in words: {@code left, rows 31 to 38, its marked end at the high rows}. */
    public String seat(SeatChoice at, SeatPlan.Seat seat) {
        int last = at.row() + seat.shape().span() - 1;
        String place = Words.say(Fact.of("seats.seat." + at.side().text() + (last == at.row() ? ".one" : ""))
                .with("from", at.row())
                .with("to", last));
        String turned = at.isTurned() ? Words.get("seats.turned", "place", place) : place;
        return plan.boards() > 1
                ? Words.say(Fact.of("seats.on_board").with("board", at.board()).with("place", turned))
                : turned;
    }

    /** What a stretch of a rail carries, and how full it is. */
    public String rail(SeatPlan.RailUse use) {
        return Words.say(Fact.of("seats.rail")
                .with("stretch", wires.name(use.stretch()))
                .with("carries", carries(use.carries()))
                .with("used", use.used())
                .with("holes", use.holes()));
    }

    private String carries(Terminal row) {
        return row instanceof Terminal.OnRow rail
                ? Words.say(RailNames.of(plan.node(), rail.rail()))
                : Words.get("seats.ground");
    }

    /** The parts that stand beside the breadboard, named after one another. */
    public String beside() {
        return plan.beside().stream()
                .map(id -> plan.node().part(id).orElseThrow().part().name())
                .collect(Collectors.joining(", "));
    }

    /** What the breadboards of a table are. */
    public static String kind(SeatPlan plan) {
        return Words.get("have.breadboard." + plan.node().table().name().toLowerCase(Locale.ROOT));
    }

    /** A length as builders say it: {@code 14 cm}. */
    public static String centimetres(double metres) {
        return Words.get("seats.length", "cm", Math.round(metres * 100));
    }
}
