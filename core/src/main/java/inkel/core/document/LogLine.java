package inkel.core.document;

import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;

/** One line of the record: when, where, and what was found or done. Lines are only ever added; see {@link Logbook}. */
public sealed interface LogLine {
    Instant at();

    /** What it is about; {@link Place#NOWHERE} for the build as a whole. */
    Place place();

    /** What was typed or received with it; may be empty. */
    String text();

    Extras extras();

    /**
     * The same line without what was written in it, and without its picture: what it is about, when and of which kind stays.
     * Empty for a line that says nothing but what was found or done, and for one that has no text.
     */
    default Optional<LogLine> withoutText() {
        return Optional.empty();
    }

    /** What a reading is of. */
    enum What {
        /** The high level of a signal's wire, at the end that listens. */
        HIGH,
        /** The low level of a signal's wire, at the end that listens. */
        LOW,
        /** Volts against ground. */
        VOLTS,
        /** Ohms from end to end of a wire, power off. */
        OHMS,
        AMPERES,
        /** The width of a pulse. */
        SECONDS;

        public Unit unit() {
            return switch (this) {
                case OHMS -> Unit.OHM;
                case AMPERES -> Unit.AMPERE;
                case SECONDS -> Unit.SECOND;
                default -> Unit.VOLT;
            };
        }

        /** What a plain reading of a unit is of. */
        public static What of(Unit unit) {
            return switch (unit) {
                case OHM -> OHMS;
                case AMPERE -> AMPERES;
                case SECOND -> SECONDS;
                default -> VOLTS;
            };
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
     * @param foretold what it was expected to be; absent for one that no check asked for
     */
    record Measured(
            Instant at,
            Place place,
            What what,
            Quantity value,
            String text,
            By by,
            Standing on,
            Optional<Foretold> foretold,
            Extras extras)
            implements LogLine {
        public Measured(
                Instant at, Place place, What what, Quantity value, String text, By by, Standing on, Extras extras) {
            this(at, place, what, value, text, by, on, Optional.empty(), extras);
        }
    }

    /**
     * Something that was seen, heard, answered or done, or a reading that the builder takes as good.
     *
     * @param check the check that asked for it
     * @param isWell whether it was as it should be, or is taken so
     * @param text what was seen or answered, or why it is taken as good; may be empty
     */
    record Seen(Instant at, Place place, String check, boolean isWell, String text, By by, Standing on, Extras extras)
            implements LogLine {}

    /**
     * What a bench of Tune found out about a part.
     *
     * @param on what it stood on; when the piece is another one, or is fed or driven otherwise, it is stale
     */
    record Tuned(Instant at, Place place, Tuning tuning, By by, Standing on, Extras extras) implements LogLine {
        @Override
        public String text() {
            return "";
        }
    }

    /**
     * A wire that readings stood on was pulled: they say nothing of it any more, even when it is plugged again.
     *
     * @param wire its id in the wire list of the node
     */
    record Pulled(Instant at, Place place, String wire, Extras extras) implements LogLine {
        @Override
        public String text() {
            return "";
        }
    }

    /** A wire with little to spare was left as it is; or a part was left out of the first power-up for now. */
    record Left(Instant at, Place place, String text, Extras extras) implements LogLine {
        @Override
        public Optional<LogLine> withoutText() {
            return text.isEmpty() ? Optional.empty() : Optional.of(new Left(at, place, "", extras));
        }
    }

    /** Something was decided, with its reason. */
    record Decided(Instant at, Place place, String text, Extras extras) implements LogLine {
        @Override
        public Optional<LogLine> withoutText() {
            return text.isEmpty() ? Optional.empty() : Optional.of(new Decided(at, place, "", extras));
        }
    }

    /** Something was changed on the table. */
    record Changed(Instant at, Place place, String text, Extras extras) implements LogLine {
        @Override
        public Optional<LogLine> withoutText() {
            return text.isEmpty() ? Optional.empty() : Optional.of(new Changed(at, place, "", extras));
        }
    }

    /** A piece was put in the place of one of its kind. */
    record Swapped(Instant at, Place place, String text, Extras extras) implements LogLine {
        @Override
        public Optional<LogLine> withoutText() {
            return text.isEmpty() ? Optional.empty() : Optional.of(new Swapped(at, place, "", extras));
        }
    }

    /** Something did not go as it should. */
    record WentWrong(Instant at, Place place, String text, Extras extras) implements LogLine {
        @Override
        public Optional<LogLine> withoutText() {
            return text.isEmpty() ? Optional.empty() : Optional.of(new WentWrong(at, place, "", extras));
        }
    }

    /**
     * Anything else worth keeping.
     *
     * @param answers the number of an earlier line that it answers, from 0
     * @param value a value and its unit, as typed; may be empty
     * @param picture a picture within the folder of the build, as a path from there with slashes; may be empty
     */
    record Noted(
            Instant at,
            Place place,
            String text,
            Optional<Integer> answers,
            String value,
            String picture,
            Extras extras)
            implements LogLine {
        @Override
        public Optional<LogLine> withoutText() {
            return text.isEmpty() && picture.isEmpty()
                    ? Optional.empty()
                    : Optional.of(new Noted(at, place, "", answers, value, "", extras));
        }

        public Noted(Instant at, Place place, String text, Extras extras) {
            this(at, place, text, Optional.empty(), "", "", extras);
        }
    }

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
