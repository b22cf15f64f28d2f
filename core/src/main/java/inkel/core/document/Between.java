package inkel.core.document;

import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Resistance;
import java.util.Optional;

/** What stands in a wire between a part's signal and the pin it goes to. */
public sealed interface Between {
    /** No resistor has less; what flows through it is still an amount. */
    double LEAST_OHMS = 1e-9;

    /** The signal whose wire it stands in. */
    Endpoint signal();

    Extras extras();

    /** The same in the wire of another signal. */
    Between at(Endpoint other);

    /** What it is, as a stable text: {@code divider 1200 5600}. */
    String text();

    /** A capacitor from the receiving end to ground, when there is one. */
    default Optional<Capacitance> capacitor() {
        return Optional.empty();
    }

    /** Whether it leads in one direction only. */
    default boolean isOneWay() {
        return false;
    }

    /** Whether the wire goes straight on, with nothing in it. */
    default boolean isBeside() {
        return false;
    }

    /** Whether what arrives is at other levels than what was sent. */
    default boolean changesLevels() {
        return true;
    }

    /** Two resistors: {@code series} in line, {@code toGround} from the end that listens to ground. */
    record Divider(
            Endpoint signal, Resistance series, Resistance toGround, Optional<Capacitance> capacitor, Extras extras)
            implements Between {
        public Divider(Endpoint signal, Resistance series, Resistance toGround, Extras extras) {
            this(signal, series, toGround, Optional.empty(), extras);
        }

        @Override
        public Between at(Endpoint other) {
            return new Divider(other, series, toGround, capacitor, extras);
        }

        @Override
        public String text() {
            return "divider " + series.ohms() + " " + toGround.ohms() + across(capacitor);
        }

        @Override
        public boolean isOneWay() {
            return true;
        }

        /** What it leaves of a voltage: {@code R2 / (R1 + R2)}. */
        public double share() {
            return toGround.ohms() / (series.ohms() + toGround.ohms());
        }

        /** What the receiver sees looking back: both in parallel. */
        public Resistance source() {
            return series.parallelTo(toGround);
        }
    }

    /**
     * One way through a shifter or a buffer of the same node. Signals of a shared wire may use the same way.
     *
     * @param shifter the shifter's part id; with the node in front for a wire between boards
     * @param way 1 for its first way
     * @param faces the pin of the way to which the signal was wired by whoever wrote its two wires down; empty where Inkel says
     *     which of the two it is
     */
    record ShifterWay(Endpoint signal, String shifter, int way, Optional<String> faces, Extras extras)
            implements Between {
        public ShifterWay(Endpoint signal, String shifter, int way, Extras extras) {
            this(signal, shifter, way, Optional.empty(), extras);
        }

        @Override
        public Between at(Endpoint other) {
            return new ShifterWay(other, shifter, way, faces, extras);
        }

        @Override
        public String text() {
            return "shifter " + shifter + " " + way
                    + faces.map(pin -> " " + pin).orElse("");
        }

        /** The same way, its ends plugged as the supplies of the shifter want it. */
        public ShifterWay asItShould() {
            return new ShifterWay(signal, shifter, way, extras);
        }
    }

    /** One resistor in line: what an LED on a pin wants; with a capacitor a low pass. */
    record Series(Endpoint signal, Resistance resistance, Optional<Capacitance> capacitor, Extras extras)
            implements Between {
        public Series(Endpoint signal, Resistance resistance, Extras extras) {
            this(signal, resistance, Optional.empty(), extras);
        }

        @Override
        public Between at(Endpoint other) {
            return new Series(other, resistance, capacitor, extras);
        }

        @Override
        public String text() {
            return "series " + resistance.ohms() + across(capacitor);
        }

        @Override
        public boolean changesLevels() {
            return false;
        }
    }

    /**
     * Nothing, by choice: the builder knows that the wire has little to spare and leaves it.
     *
     * @param reason in the builder's words; may be empty
     */
    record Nothing(Endpoint signal, String reason, Extras extras) implements Between {
        @Override
        public Between at(Endpoint other) {
            return new Nothing(other, reason, extras);
        }

        @Override
        public String text() {
            return "nothing";
        }

        @Override
        public boolean changesLevels() {
            return false;
        }
    }

    /**
     * A Schottky diode, its stripe to who talks, and a resistor from who listens to that one's supply: only the low goes
     * through, and the high is the listener's own.
     */
    record Diode(Endpoint signal, Resistance pullUp, Extras extras) implements Between {
        @Override
        public Between at(Endpoint other) {
            return new Diode(other, pullUp, extras);
        }

        @Override
        public String text() {
            return "diode " + pullUp.ohms();
        }

        @Override
        public boolean isOneWay() {
            return true;
        }
    }

    /** One resistor at the pin that the wire goes to: it leaves the wire as it is. */
    sealed interface Beside extends Between {
        @Override
        default boolean changesLevels() {
            return false;
        }

        @Override
        default boolean isBeside() {
            return true;
        }
    }

    /** A resistor from the pin that the wire goes to, up to that pin's own supply: it stands beside the wire and not in it. */
    record PulledUp(Endpoint signal, Resistance pullUp, Extras extras) implements Beside {
        @Override
        public Between at(Endpoint other) {
            return new PulledUp(other, pullUp, extras);
        }

        @Override
        public String text() {
            return "pull-up " + pullUp.ohms();
        }
    }

    /** A resistor from the pin that the wire goes to down to ground: it stands beside the wire and not in it. */
    record PulledDown(Endpoint signal, Resistance toGround, Extras extras) implements Beside {
        @Override
        public Between at(Endpoint other) {
            return new PulledDown(other, toGround, extras);
        }

        @Override
        public String text() {
            return "pull-down " + toGround.ohms();
        }
    }

    /**
     * An optocoupler: {@code series} in the wire to its lamp, {@code pullUp} from its transistor to the supply of who listens.
     * The grounds need not be joined.
     */
    record Opto(Endpoint signal, Lit lit, Resistance series, Resistance pullUp, Extras extras) implements Between {
        /** When the lamp shines; the transistor pulls low then. */
        public enum Lit {
            /** Its other leg is on ground: what arrives is turned over. */
            BY_HIGH,
            /** Its other leg is on the supply of who talks: what arrives is what was sent. */
            BY_LOW
        }

        /** Lit by a high. */
        public Opto(Endpoint signal, Resistance series, Resistance pullUp, Extras extras) {
            this(signal, Lit.BY_HIGH, series, pullUp, extras);
        }

        @Override
        public Between at(Endpoint other) {
            return new Opto(other, lit, series, pullUp, extras);
        }

        /** The same, lit otherwise. */
        public Opto lit(Lit otherwise) {
            return new Opto(signal, otherwise, series, pullUp, extras);
        }

        public boolean turnsOver() {
            return lit == Lit.BY_HIGH;
        }

        @Override
        public String text() {
            return "opto " + series.ohms() + " " + pullUp.ohms() + (turnsOver() ? "" : " low");
        }

        @Override
        public boolean isOneWay() {
            return true;
        }
    }

    /**
     * A Schottky diode in the feed of a supply pin, its stripe to the pin. The part's setting says so; it is never kept as
     * a piece of its own.
     *
     * @param signal the supply pin
     */
    record FeedDiode(Endpoint signal, Extras extras) implements Between {
        @Override
        public Between at(Endpoint other) {
            return new FeedDiode(other, extras);
        }

        @Override
        public String text() {
            return "feed-diode";
        }

        @Override
        public boolean isOneWay() {
            return true;
        }
    }

    private static String across(Optional<Capacitance> capacitor) {
        return capacitor.map(value -> " " + value.farads()).orElse("");
    }

    /**
     * A transistor that switches a coil, with a diode across the coil that takes its kick.
     *
     * @param base the resistor between the pin and the transistor
     */
    record CoilDriver(Endpoint signal, Resistance base, Extras extras) implements Between {
        @Override
        public Between at(Endpoint other) {
            return new CoilDriver(other, base, extras);
        }

        @Override
        public String text() {
            return "coil-driver " + base.ohms();
        }
    }
}
