package inkel.core.catalog;

import inkel.core.quantity.Range;
import inkel.core.quantity.Share;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What tells at the first power-up that a part is alive. */
public sealed interface WakeCheck {
    /** The pins that it looks at or drives. */
    List<String> pins();

    /**
     * A register that always reads the same, or an answer that always is the same, over the bus that the part is on.
     *
     * @param register its number, hexadecimal; or what is asked for, in a word
     * @param values what may be read when all is well, hexadecimal; several where the class is made in several ways
     */
    record Identity(String register, List<String> values, Asking asking) implements WakeCheck {
        /** Whether what is asked for has a word and no number. */
        public static boolean isNamed(String register) {
            return !register.matches("(0[xX])?[0-9A-Fa-f]+");
        }

        public boolean isNamed() {
            return isNamed(register);
        }

        public Identity {
            values = List.copyOf(values);
        }

        @Override
        public List<String> pins() {
            return List.of();
        }
    }

    /**
     * How a part is asked for something.
     *
     * @param send the bytes that ask; over I2C the first alone. None for a part that only gives
     * @param idle bytes of ones that are clocked before, while it is not selected
     * @param late how many bytes of ones may come before the answer
     * @param mask the bits of the answer that always are the same; all of them where absent
     */
    record Asking(List<Integer> send, int idle, int late, Optional<Long> mask) {
        public Asking {
            send = List.copyOf(send);
        }
    }

    /** The level of a pin while nothing happens. */
    record Idle(String pin, boolean isHigh) implements WakeCheck {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }
    }

    /** Whether it answers at its bus address. */
    record Answers() implements WakeCheck {
        @Override
        public List<String> pins() {
            return List.of();
        }
    }

    /**
     * What comes over a serial port.
     *
     * @param say the line that is sent; empty for a part that speaks by itself
     * @param expect how the answer begins
     * @param within how long it may take
     */
    record Reply(String say, String expect, TimeSpan within) implements WakeCheck {
        @Override
        public List<String> pins() {
            return List.of();
        }
    }

    /**
     * Pulses that come by themselves.
     *
     * @param width how long a pulse is
     * @param period from one to the next; absent where they come now and then
     */
    record Pulses(String pin, Range<TimeSpan> width, Optional<Range<TimeSpan>> period) implements WakeCheck {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }
    }

    /**
     * A voltage at a pin, to its part's ground.
     *
     * @param calm how the part is left meanwhile; absent where it makes no difference
     */
    record Volts(String pin, Range<Voltage> range, Optional<Calm> calm) implements WakeCheck {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }
    }

    /**
     * The share of its supply that a pin rests at.
     *
     * @param share of what the pin's own supply is, to its part's ground
     * @param calm how the part is left meanwhile; absent where it makes no difference
     */
    record Rests(String pin, Range<Share> share, Optional<Calm> calm) implements WakeCheck {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }
    }

    /** How a part is left so that what it gives can be foretold. */
    enum Calm {
        LET_GO,
        /** Lying level, the printed side up. */
        FLAT,
        DRY,
        /** As warm as the room: 15 to 30 °C. */
        ROOM
    }

    /** Volts that follow a code, or codes that follow volts, at a converter's pin. */
    record Codes(String pin) implements WakeCheck {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }
    }

    /**
     * A pin that changes when the builder does something to the part.
     *
     * @param when what is done
     */
    record Moves(String pin, Deed when) implements WakeCheck {
        @Override
        public List<String> pins() {
            return List.of(pin);
        }
    }

    /**
     * Something to be seen, heard or felt.
     *
     * @param drive what brings it about; absent for what comes with the supply
     * @param with highs and lows on other pins of the part, without which it does not come about
     */
    record Sign(Sense sense, Optional<Drive> drive, List<Drive> with) implements WakeCheck {
        public Sign {
            with = List.copyOf(with);
        }

        @Override
        public List<String> pins() {
            return Stream.concat(drive.stream(), with.stream()).map(Drive::pin).toList();
        }
    }

    /** What is done to a sensor by hand. */
    enum Deed {
        TURNED,
        PRESSED,
        TILTED,
        COVERED,
        LIT,
        WARMED,
        WETTED,
        APPROACHED,
        CLAPPED,
        MAGNET,
        BREATHED,
        LOADED,
        FLOWING,
        KEYED,
        SENT,
        /** A servo that is plugged there in the board's place follows the stick of the sender. */
        STEERED
    }

    /** What is seen, heard or felt. */
    enum Sense {
        LAMP,
        BLOCKS,
        PICTURE,
        DIGITS,
        CLICK,
        MIDDLE,
        TONE,
        TURN,
        PULL,
        FLOW
    }

    /**
     * What is put on a pin of the part.
     *
     * @param width of each pulse, fifty of which come in a second; of no meaning for what is no pulse
     */
    record Drive(String pin, To to, TimeSpan width) {
        /** What puts a servo in its middle. */
        public static final TimeSpan MIDDLE = TimeSpan.ofSeconds(0.0015);

        /** Longer waits are not exact on every board. */
        public static final TimeSpan LONGEST = TimeSpan.ofSeconds(0.016);

        /** From pulse to pulse. */
        public static final TimeSpan PERIOD = TimeSpan.ofSeconds(0.02);

        /** Whether its pulses are not the usual ones. */
        public boolean isOfOwnWidth() {
            return to == To.PULSES && !width.equals(MIDDLE);
        }
    }

    /** How a pin is driven. */
    enum To {
        HIGH,
        LOW,
        PULSES,
        MESSAGE;

        /** What is put in for it before something that makes a low of a high. */
        public To turnedOver() {
            return this == HIGH ? LOW : this == LOW ? HIGH : this;
        }
    }
}
