package inkel.core.document;

import inkel.core.quantity.Resistance;

/** What stands in a wire between a part's signal and the pin it goes to. */
public sealed interface Between {
    /** The signal whose wire it stands in. */
    Endpoint signal();

    Extras extras();

    /** What it is, as a stable text: {@code divider 1200 5600}. */
    String text();

    /** Whether what arrives is at other levels than what was sent. */
    default boolean changesLevels() {
        return true;
    }

    /** Two resistors: {@code series} in line, {@code toGround} from the part's end to ground. */
    record Divider(Endpoint signal, Resistance series, Resistance toGround, Extras extras) implements Between {
        @Override
        public String text() {
            return "divider " + series.ohms() + " " + toGround.ohms();
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
     * @param shifter the shifter's part id
     * @param way 1 for its first way
     */
    record ShifterWay(Endpoint signal, String shifter, int way, Extras extras) implements Between {
        @Override
        public String text() {
            return "shifter " + shifter + " " + way;
        }
    }

    /** One resistor in line: what an LED on a pin wants. */
    record Series(Endpoint signal, Resistance resistance, Extras extras) implements Between {
        @Override
        public String text() {
            return "series " + resistance.ohms();
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
        public String text() {
            return "nothing";
        }

        @Override
        public boolean changesLevels() {
            return false;
        }
    }

    /**
     * A transistor that switches a coil, with a diode across the coil that takes its kick.
     *
     * @param base the resistor between the pin and the transistor
     */
    record CoilDriver(Endpoint signal, Resistance base, Extras extras) implements Between {
        @Override
        public String text() {
            return "coil-driver " + base.ohms();
        }
    }
}
