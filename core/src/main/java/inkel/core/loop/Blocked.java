package inkel.core.loop;

import inkel.core.circuit.Placed;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;

/**
 * A part of which something is lost while another one has interrupts stopped.
 *
 * @param sort what is lost
 * @param holds how long the other stops them
 * @param bears how long it bears
 * @param source where that is known from
 * @param canWait whether the program chooses when it stops them, and so can wait until the part is silent
 */
public record Blocked(
        Placed by, Placed placed, Sort sort, TimeSpan holds, TimeSpan bears, Source source, boolean canWait) {
    /** What is lost. */
    public enum Sort {
        /** Edges that are timed or counted. */
        EDGES,
        /** Bytes of a serial port: it keeps one while the next comes in. */
        BYTES,
        /** Pulses that the program makes become longer. */
        PULSES
    }
}
