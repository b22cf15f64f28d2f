package inkel.core.wiring;

import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import java.util.Locale;

/** An end of a wire. */
public sealed interface Terminal {
    /** A stable text for wire ids. */
    String id();

    /**
     * A pin on a header.
     *
     * @param index which of the part's pins, from 0 in physical order; labels may repeat
     */
    record OnPin(Endpoint pin, int index) implements Terminal {
        @Override
        public String id() {
            return pin + "#" + (index + 1);
        }
    }

    /**
     * A row of the breadboard that carries a rail.
     *
     * @param rail the rail
     */
    record OnRow(Endpoint rail) implements Terminal {
        @Override
        public String id() {
            return "row " + rail;
        }
    }

    /**
     * A leg of what stands in a wire.
     *
     * @param signal the signal whose wire it is
     */
    record OnLeg(Endpoint signal, Leg leg) implements Terminal {
        @Override
        public String id() {
            return "leg " + signal + " " + leg.name().toLowerCase(Locale.ROOT);
        }
    }

    /** Legs of transistors and optocouplers, by their usual names. */
    enum Leg {
        EMITTER,
        COLLECTOR,
        ANODE,
        CATHODE
    }

    /** The row of the breadboard that carries the common ground. */
    record OnGroundRow() implements Terminal {
        @Override
        public String id() {
            return "row ground";
        }
    }

    /**
     * A pin of another board of the build, or that board's ground.
     *
     * @param pin the pin; the other node itself for its ground
     * @param board what the builder calls the other board's node
     */
    record OnOtherBoard(Place pin, String board) implements Terminal {
        @Override
        public String id() {
            return "away " + pin;
        }

        public boolean isGround() {
            return !pin.isPin();
        }
    }
}
