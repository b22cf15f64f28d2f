package inkel.core.wiring;

import inkel.core.build.Endpoint;

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

    /** The row of the breadboard that carries the common ground. */
    record OnGroundRow() implements Terminal {
        @Override
        public String id() {
            return "row ground";
        }
    }
}
