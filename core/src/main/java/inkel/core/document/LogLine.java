package inkel.core.document;

import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import java.time.Instant;
import java.util.Locale;

/** One line of the record: when, where, and what was found or done. Lines are only ever added; see {@link Logbook}. */
public sealed interface LogLine {
    Instant at();

    /** What it is about; {@link Place#NOWHERE} for the build as a whole. */
    Place place();

    /** What was typed or received with it; may be empty. */
    String text();

    Extras extras();

    /** What a reading is of. */
    enum What {
        /** The high level of a signal's wire, at the end that listens. */
        HIGH,
        /** The low level of a signal's wire, at the end that listens. */
        LOW,
        /** Volts against ground. */
        VOLTS,
        /** Ohms from end to end of a wire, power off. */
        OHMS;

        public Unit unit() {
            return this == OHMS ? Unit.OHM : Unit.VOLT;
        }

        /** The word used in files. */
        public String text() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Who read a value. */
    enum By {
        /** The builder, from a meter. */
        TYPED,
        /** A file. */
        IMPORTED,
        /** The board's own report. */
        BOARD;

        /** The word used in files. */
        public String text() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * A value read on the bench.
     *
     * @param text what it was read from, as typed or received; may be empty
     * @param on what it stood on when it was read; when that has changed since, it is stale
     */
    record Measured(Instant at, Place place, What what, Quantity value, String text, By by, Standing on, Extras extras)
            implements LogLine {}

    /** A wire with little to spare was left as it is. */
    record Left(Instant at, Place place, String text, Extras extras) implements LogLine {}

    /** Something was decided, with its reason. */
    record Decided(Instant at, Place place, String text, Extras extras) implements LogLine {}

    /** Something was changed on the table. */
    record Changed(Instant at, Place place, String text, Extras extras) implements LogLine {}

    /** A piece was put in the place of one of its kind. */
    record Swapped(Instant at, Place place, String text, Extras extras) implements LogLine {}

    /** Something did not go as it should. */
    record WentWrong(Instant at, Place place, String text, Extras extras) implements LogLine {}

    /** Anything else worth keeping. */
    record Noted(Instant at, Place place, String text, Extras extras) implements LogLine {}

    /**
     * An earlier line no longer counts. Taking back such a line makes what it took back count again.
     *
     * @param line the number of that line, from 0; always smaller than the number of this one
     */
    record TakenBack(Instant at, Place place, int line, Extras extras) implements LogLine {
        @Override
        public String text() {
            return "";
        }
    }
}
