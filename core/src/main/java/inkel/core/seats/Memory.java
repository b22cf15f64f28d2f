package inkel.core.seats;

import inkel.core.document.Laid;
import inkel.core.document.SeatChoice;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What a table was seated from, so that what does not change it need not be worked out again. */
final class Memory {
    private final TableNets nets;
    private final Seating seating;
    private final List<Optional<SeatChoice>> held;
    private final Map<String, SeatChoice> kept;
    private final Laid from;
    private double bound = Double.NaN;

    /**
     * @param kept as the document had it
     * @param from how the table lay before, as the document had it
     */
    Memory(TableNets nets, Seating seating, List<Optional<SeatChoice>> held, Map<String, SeatChoice> kept, Laid from) {
        this.nets = nets;
        this.seating = seating;
        this.held = held;
        this.kept = kept;
        this.from = from;
    }

    Seating seating() {
        return seating;
    }

    /** Whether a table of other nets is the same table, and all that is kept now sits where it was put. */
    boolean isStill(TableNets others, Map<String, SeatChoice> keptNow, Laid fromNow) {
        if (!from.equals(fromNow) && !laid().equals(fromNow)
                || !nets.shapes().equals(others.shapes())
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

    /** As it is written down, so that it lies so at the next start too. */
    Laid laid() {
        Map<String, SeatChoice> seats = new TreeMap<>();
        for (int i = 0; i < nets.shapes().size(); i++) {
            seats.put(nets.shapes().get(i).id(), seating.seats().get(i));
        }
        Map<String, String> rails = new TreeMap<>();
        for (int board = 1; board <= seating.boards(); board++) {
            for (int side = 0; side < 2; side++) {
                int rail = seating.plus()[board - 1][side];
                if (rail >= 0) {
                    rails.put(
                            Laid.rail(board, side == 0), nets.rails().get(rail).id());
                }
            }
        }
        return new Laid(seats, rails);
    }

    /** In metres; worked out when it is first asked for. */
    synchronized double bound() {
        if (Double.isNaN(bound)) {
            bound = SeatBound.of(nets, seating.kind(), seating.boards(), held);
        }
        return bound;
    }
}
