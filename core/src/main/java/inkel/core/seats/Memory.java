package inkel.core.seats;

import inkel.core.document.SeatChoice;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a table was seated from, so that what does not change it need not be worked out again. */
final class Memory {
    private final TableNets nets;
    private final Seating seating;
    private final List<Optional<SeatChoice>> held;
    private final Map<String, SeatChoice> kept;
    private double bound = Double.NaN;

    /** @param kept as the document had it */
    Memory(TableNets nets, Seating seating, List<Optional<SeatChoice>> held, Map<String, SeatChoice> kept) {
        this.nets = nets;
        this.seating = seating;
        this.held = held;
        this.kept = kept;
    }

    Seating seating() {
        return seating;
    }

    /** Whether a table of other nets is the same table, and all that is kept now sits where it was put. */
    boolean isStill(TableNets others, Map<String, SeatChoice> keptNow) {
        if (!nets.shapes().equals(others.shapes())
                || !nets.posts().equals(others.posts())
                || !nets.nets().equals(others.nets())
                || !nets.rails().equals(others.rails())
                || !keptNow.entrySet().containsAll(kept.entrySet())) {
            return false;
        }
        for (int i = 0; i < nets.shapes().size(); i++) {
            SeatChoice now = keptNow.get(nets.shapes().get(i).id());
            if (now != null && !now.equals(seating.seats().get(i))) {
                return false;
            }
        }
        return true;
    }

    /** In metres; worked out when it is first asked for. */
    synchronized double bound() {
        if (Double.isNaN(bound)) {
            bound = SeatBound.of(nets, seating.kind(), seating.boards(), held);
        }
        return bound;
    }
}
