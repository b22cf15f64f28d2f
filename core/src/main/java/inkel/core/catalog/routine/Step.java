package inkel.core.catalog.routine;

import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** One thing that a program does with a part. */
public sealed interface Step {
    /** The plain pins of the part that it needs; those of its bus are not among them. */
    default List<String> pins() {
        return List.of();
    }

    /** Whether it hangs on microseconds, which a program of an operating system cannot keep. */
    default boolean isQuick() {
        return false;
    }

    /** Whether it goes over the I2C or SPI bus of the part. */
    default boolean isOverBus() {
        return false;
    }

    /**
     * Bytes over the bus of the part.
     *
     * @param output the pin of the part that they are for: left out where nothing is wired to it
     */
    record Send(List<Integer> bytes, Optional<String> output) implements Step {
        public Send {
            bytes = List.copyOf(bytes);
        }

        /** The same to a part of a chain, of which all others get zeros: those behind it first, which are farther away. */
        public Send among(int before, int behind) {
            return new Send(
                    Stream.of(zeros(behind * bytes.size()), bytes, zeros(before * bytes.size()))
                            .flatMap(List::stream)
                            .toList(),
                    output);
        }

        @Override
        public boolean isOverBus() {
            return true;
        }
    }

    private static List<Integer> zeros(int count) {
        return Collections.nCopies(count, 0);
    }

    /**
     * Bytes that ask, and what comes back.
     *
     * @param bytes none for a part that is only read
     * @param count how many come back
     * @param fill what is sent meanwhile over SPI
     */
    record Ask(List<Integer> bytes, int count, int fill, List<Value> values) implements Step {
        public Ask {
            bytes = List.copyOf(bytes);
            values = List.copyOf(values);
        }

        /** The same of a part of a chain, whose bytes come after those of the others before it. */
        public Ask past(int before) {
            return before == 0
                    ? this
                    : new Ask(
                            bytes,
                            count * (before + 1),
                            fill,
                            values.stream()
                                    .map(value -> value.after(before, count))
                                    .toList());
        }

        @Override
        public boolean isOverBus() {
            return true;
        }
    }

    /** Nothing for a while. */
    record Wait(TimeSpan time) implements Step {}

    /** A pin is driven to a level and stays there. */
    record Level(String pin, boolean isHigh) implements Step {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }
    }

    /** A pin is driven to a level by one key, and to the other by the same key again. */
    record Switch(String pin, boolean isHigh) implements Step {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }
    }

    /** Pulses of a width; the pin is left low. */
    record Pulses(String pin, TimeSpan high, TimeSpan low, int count) implements Step {
        private static final double SLOW_SECONDS = 0.001;

        @Override
        public List<String> pins() {
            return List.of(pin);
        }

        @Override
        public boolean isQuick() {
            return high.seconds() < SLOW_SECONDS / 2 || low.seconds() < SLOW_SECONDS / 2;
        }
    }

    /** How long the next pulse of the part is, in microseconds. */
    record PulseIn(String pin, boolean isHigh, TimeSpan longest, Value value) implements Step {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }

        @Override
        public boolean isQuick() {
            return true;
        }
    }

    /** How often the pin of the part goes high in a time. */
    record Count(String pin, TimeSpan over, Value value) implements Step {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }

        @Override
        public boolean isQuick() {
            return true;
        }
    }

    /** The level of a pin of the part. */
    record Read(String pin) implements Step {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }
    }

    /** What the converter of the board makes of the volts of a pin. */
    record Code(String pin) implements Step {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }
    }

    /**
     * Bits by the length of pulses on one line, after the board has held it low.
     *
     * @param split above which a pulse is a one
     */
    record Bits(String pin, TimeSpan hold, int count, TimeSpan split, List<Value> values) implements Step {
        public Bits {
            values = List.copyOf(values);
        }

        @Override
        public List<String> pins() {
            return List.of(pin);
        }

        @Override
        public boolean isQuick() {
            return true;
        }
    }

    /** A reset on one line, bytes to the part, the lowest bit first, and bytes from it. */
    record OneLine(String pin, List<Integer> bytes, int count, List<Value> values) implements Step {
        public OneLine {
            bytes = List.copyOf(bytes);
            values = List.copyOf(values);
        }

        @Override
        public List<String> pins() {
            return List.of(pin);
        }

        @Override
        public boolean isQuick() {
            return true;
        }
    }

    /**
     * Bits clocked out of the part as soon as its data line is low.
     *
     * @param more clocks after the bits, which choose what it converts next
     */
    record Clocked(String clock, String data, int bits, int more, List<Value> values) implements Step {
        public Clocked {
            values = List.copyOf(values);
        }

        @Override
        public List<String> pins() {
            return List.of(clock, data);
        }

        @Override
        public boolean isQuick() {
            return true;
        }
    }

    /** Bytes over two plain lines that begin and end as I2C does, the lowest bit first and without an address. */
    record TwoLines(String clock, String data, List<Integer> bytes) implements Step {
        public TwoLines {
            bytes = List.copyOf(bytes);
        }

        @Override
        public List<String> pins() {
            return List.of(clock, data);
        }

        @Override
        public boolean isQuick() {
            return true;
        }
    }

    /**
     * Bytes over four parallel lines, the upper half first.
     *
     * @param select the line that says whether they are a letter
     * @param enable the line that takes them over as it falls
     * @param data the four lines, the lowest first
     */
    record Halves(String select, boolean isLetter, String enable, List<String> data, List<Integer> bytes)
            implements Step {
        public Halves {
            data = List.copyOf(data);
            bytes = List.copyOf(bytes);
        }

        @Override
        public List<String> pins() {
            List<String> pins = new ArrayList<>(List.of(select, enable));
            pins.addAll(data);
            return pins;
        }
    }

    /** Which crossing of rows and columns is closed. */
    record Crossings(List<String> rows, List<String> columns) implements Step {
        public Crossings {
            rows = List.copyOf(rows);
            columns = List.copyOf(columns);
        }

        @Override
        public List<String> pins() {
            List<String> pins = new ArrayList<>(rows);
            pins.addAll(columns);
            return pins;
        }

        @Override
        public boolean isQuick() {
            return true;
        }
    }

    /** How long each level of the next train of pulses is, in microseconds. */
    record Train(String pin, TimeSpan within) implements Step {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }

        @Override
        public boolean isQuick() {
            return true;
        }
    }

    /**
     * A line over the serial port of the part.
     *
     * @param say what is sent first; empty for a part that speaks by itself
     */
    record Line(String say, TimeSpan within) implements Step {}

    /** The same several times. */
    record Repeat(int count, List<Step> steps) implements Step {
        public Repeat {
            steps = List.copyOf(steps);
        }

        @Override
        public List<String> pins() {
            return steps.stream()
                    .flatMap(step -> step.pins().stream())
                    .distinct()
                    .toList();
        }

        @Override
        public boolean isQuick() {
            return steps.stream().anyMatch(Step::isQuick);
        }

        @Override
        public boolean isOverBus() {
            return steps.stream().anyMatch(Step::isOverBus);
        }
    }
}
