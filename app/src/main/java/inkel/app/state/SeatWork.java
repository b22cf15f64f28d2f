package inkel.app.state;

import inkel.app.lane.Trouble;
import inkel.core.checks.Assessment;
import inkel.core.document.SeatChoice;
import inkel.core.document.edit.Plug;
import inkel.core.quantity.Fact;
import inkel.core.seats.HalfRow;
import inkel.core.seats.SeatMoves;
import inkel.core.seats.SeatPlan;
import inkel.core.seats.SeatPlanner;
import inkel.core.wiring.WireList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** Seats on breadboards: worked out beside everything else when somebody looks at them, and changed by hand. */
public final class SeatWork {
    private final Session session;
    private final Map<String, Known> known = new HashMap<>();
    private final Set<String> asked = new HashSet<>();
    private final ReadOnlyObjectWrapper<SeatPlan> latest = new ReadOnlyObjectWrapper<>();
    private final ObjectProperty<View> view = new SimpleObjectProperty<>(View.WIRES);
    private final ObjectProperty<HalfRow> row = new SimpleObjectProperty<>();

    /** What can be looked at of a table, in the order of work. */
    public enum View {
        TABLE,
        SEATS,
        WIRES
    }

    /** What a table was found to be, and of which assessment. */
    private record Known(Assessment of, SeatPlan plan) {}

    SeatWork(Session session) {
        this.session = session;
    }

    /** The plan that was found last, of whichever board. */
    public ReadOnlyObjectProperty<SeatPlan> latestProperty() {
        return latest.getReadOnlyProperty();
    }

    /** What is looked at of a table. */
    public ObjectProperty<View> viewProperty() {
        return view;
    }

    /** Whether seats are looked at in place of wires. */
    public boolean isShown() {
        return view.get() == View.SEATS;
    }

    /** The half row that is looked at; null for none. */
    public ObjectProperty<HalfRow> rowProperty() {
        return row;
    }

    /** The seats of a board as an assessment has it; empty while they are not worked out. */
    public Optional<SeatPlan> of(Assessment assessment, String node) {
        return Optional.ofNullable(known.get(node))
                .filter(found -> found.of() == assessment)
                .map(Known::plan);
    }

    /** As {@link #of}, and has them worked out where they are not: {@link #latestProperty} changes when they are. */
    public Optional<SeatPlan> wanted(Assessment assessment, String node) {
        Optional<SeatPlan> plan = of(assessment, node);
        if (plan.isEmpty() && asked.add(node)) {
            workOut(assessment, node);
            return of(assessment, node);
        }
        return plan;
    }

    /** Whether a board's table is worked out anew just now, and was known before. */
    public boolean isUnderWay(String node) {
        return asked.contains(node) && known.containsKey(node);
    }

    private void workOut(Assessment assessment, String node) {
        Optional<SeatPlan> before = Optional.ofNullable(known.get(node)).map(Known::plan);
        session.lanes().seating().execute(() -> {
            Optional<SeatPlan> found = assessment.circuit(node).flatMap(circuit -> {
                try {
                    return Optional.of(
                            SeatPlanner.of(circuit, assessment.reports().wires(), before));
                } catch (RuntimeException mistake) {
                    Trouble.severe(SeatWork.class, "a table could not be seated", mistake);
                    return Optional.empty();
                }
            });
            session.lanes().screen().execute(() -> {
                asked.remove(node);
                found.ifPresent(plan -> known.put(node, new Known(assessment, plan)));
                found.ifPresentOrElse(latest::set, () -> known.remove(node));
                boolean isOvertaken = session.assessmentProperty().get() != assessment;
                if (isOvertaken && session.assessmentProperty().get() != null) {
                    wanted(session.assessmentProperty().get(), node);
                }
            });
        });
    }

    /** The wires of a board with those that the breadboards make necessary, where these are known. */
    public Optional<WireList> wires(Assessment assessment, String node) {
        return of(assessment, node).map(SeatPlan::list).or(() -> assessment.wires(node));
    }

    /** As {@link #wires}, and has the table worked out; empty while it is, for its wires may be numbered otherwise then. */
    public Optional<WireList> numbered(Assessment assessment, String node) {
        boolean isUnsettled = wanted(assessment, node).isEmpty() && asked.contains(node);
        return isUnsettled ? Optional.empty() : wires(assessment, node);
    }

    /** Whether the table of some board is being worked out, so that its wires have no number yet. */
    public boolean isNumbering() {
        return !asked.isEmpty();
    }

    private Optional<SeatPlan> here() {
        Assessment now = session.assessmentProperty().get();
        return now == null ? Optional.empty() : of(now, session.nodeProperty().get());
    }

    /** The table as it was found last, while what has changed since was plugged on it: somebody ticks quickly. */
    private Optional<SeatPlan> still(String node) {
        return Optional.ofNullable(known.get(node)).map(Known::plan).filter(plan -> session.build()
                .flatMap(build -> build.node(node))
                .filter(plan::isOf)
                .isPresent());
    }

    // --- by hand

    /** Ticks wires off; what they are plugged at stays where it sits from now on. */
    public void plug(Set<String> wires) {
        String node = session.nodeProperty().get();
        session.apply(here().or(() -> still(node))
                .filter(plan -> plan.kind().isPresent())
                .<inkel.core.document.edit.Edit>map(plan -> SeatMoves.plug(plan, wires))
                .orElseGet(() -> new Plug(node, wires, true)));
    }

    /** Why something cannot sit somewhere; empty when it can. */
    public Optional<Fact> refusal(String who, SeatChoice to) {
        return here().flatMap(plan -> seat(plan, who).flatMap(seat -> SeatMoves.refusal(plan, seat, to)));
    }

    /** Keeps something at a seat, when it can sit there. */
    public void move(String who, SeatChoice to) {
        here().ifPresent(plan -> seat(plan, who)
                .filter(seat -> SeatMoves.refusal(plan, seat, to).isEmpty())
                .ifPresent(seat -> session.apply(SeatMoves.move(plan, seat, to))));
    }

    private static Optional<SeatPlan.Seat> seat(SeatPlan plan, String who) {
        return plan.seats().stream().filter(seat -> seat.id().equals(who)).findFirst();
    }
}
