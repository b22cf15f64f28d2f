package inkel.core.seats;

import inkel.core.catalog.Outline.Spot;
import inkel.core.wiring.Terminal;
import java.util.Optional;

/**
 * A place that wires of one net can be fixed at.
 *
 * @param terminal the end it is
 * @param shape which shape it is a leg of; -1 for none
 * @param at where it lies when it is no leg and that is known, in steps from the first hole of the first breadboard
 */
record Post(int id, Kind kind, Terminal terminal, int shape, Shape.Leg leg, Optional<Spot> at) {
    enum Kind {
        /** A leg in a breadboard. */
        LEG,
        /** A half row where wires meet. */
        MEETING,
        /** A pin beside the breadboard, which one jumper goes on. */
        PIN,
        /** The end of a part's own lead: its wire is neither got nor measured. */
        LEAD,
        /** On another board's table. */
        AWAY,
        /** A wire of another board's list, which ends here and is counted there. */
        ARRIVING,
        /** A rail of the breadboard. */
        RAIL
    }

    private static final int MEETING_HOLES = 5;
    private static final int PLENTY = 1000;

    boolean isInHoles() {
        return kind == Kind.LEG || kind == Kind.MEETING;
    }

    /** Whether its wire is neither got for this table nor measured. */
    boolean isUncounted() {
        return kind == Kind.LEAD || kind == Kind.ARRIVING;
    }

    /** How many wires and legs find room. */
    int room(Shape of) {
        return switch (kind) {
            case LEG ->
                Math.min(
                        of.free(inkel.core.document.SeatChoice.Side.LEFT).size(),
                        of.free(inkel.core.document.SeatChoice.Side.RIGHT).size());
            case MEETING -> MEETING_HOLES;
            case PIN, LEAD, ARRIVING -> 1;
            case AWAY -> terminal instanceof Terminal.OnOtherBoard other && other.isGround() ? PLENTY : 1;
            case RAIL -> PLENTY;
        };
    }
}
