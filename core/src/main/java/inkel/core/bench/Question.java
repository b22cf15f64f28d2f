package inkel.core.bench;

import inkel.core.document.Place;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What a bench can be asked in one of its states. */
public sealed interface Question {
    /** Volts between two points, or amperes through an element. */
    record Measure(Probe probe) implements Question {}

    /** Ohms from one point to others while all power is off: what the worst of them reads. */
    record Ohms(String one, List<String> others) implements Question {
        public Ohms {
            others = List.copyOf(others);
        }
    }

    /** Which of a few parts answer on their bus, by the addresses that are heard. */
    record Answers(List<Place> parts) implements Question {
        public Answers {
            parts = List.copyOf(parts);
        }
    }

    /**
     * What a register of a part reads.
     *
     * @param values what it may read when all is well
     * @param mask the bits of it that are looked at; all of them where absent
     */
    record Register(Place part, List<String> values, Optional<Long> mask) implements Question {
        public Register {
            values = List.copyOf(values);
        }

        /** As many as a report has. */
        private static final int MOST_DIGITS = 8;

        /** What is read where nobody drives the line. */
        public String undriven(boolean isLow) {
            int digits = Math.max(
                    1,
                    Math.min(
                            MOST_DIGITS,
                            values.get(0).replaceFirst("^0[xX]", "").length()));
            long ones = (1L << 4 * digits) - 1;
            long read = isLow ? 0 : ones & mask.orElse(ones);
            return String.format(Locale.ROOT, "0x%0" + digits + "X", read);
        }
    }

    /** What comes back over a part's serial port. */
    record Reply(Place part, String expect) implements Question {}

    /** How long pulses at a pin are, in seconds. */
    record Pulses(Place pin, double least, double most) implements Question {}

    /** What is seen, heard or felt: as it should be or not. */
    record Look(Sort sort, Place at) implements Question {}

    /** Whether a pin of the board that the wire of a signal goes to reads as it rests. */
    record Rests(Place signal, boolean isHigh) implements Question {}

    /** Whether a wire is in, and in the right places at both ends, by the eye; its name as {@link Ends} has it. */
    record Sits(String wire) implements Question {}

    /** What is looked at. */
    enum Sort {
        /** That a program reaches the board and runs. */
        PROGRAM,
        /** That a header is soldered. */
        HEADER,
        ANTENNA,
        /** That what stands in a wire is there and the right one. */
        PIECE,
        /** That the program means the pin that the wire is in. */
        CODE,
        /** That a switch or bridge is set as planned. */
        BRIDGE,
        /** That both ends of a serial line are told the same rate. */
        RATE,
        CAPACITOR,
        /** That a part shows life. */
        SIGN,
        /** That nothing resets while all is busy. */
        STEADY,
        /** That what is sent through the air arrives. */
        AIR,
        /** Something that is done, and is as it was done. */
        DONE;

        /** Whether it hangs on what the volts are. */
        boolean needsPower() {
            return this == SIGN || this == AIR;
        }
    }
}
