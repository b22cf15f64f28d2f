package inkel.core.wiring;

import inkel.core.catalog.Pin;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** An end of a wire. */
public sealed interface Terminal {
    /** A stable text for wire ids. */
    String id();

    /**
     * A pin on a header.
     *
     * @param index which of the part's pins, from 0 in physical order
     * @param nth which of its pins of that label, from 1 in physical order
     */
    record OnPin(Endpoint pin, int index, int nth) implements Terminal {
        /** The pin of a class at an index. */
        public static OnPin of(Placed placed, int index) {
            List<Pin> pins = placed.cls().pins();
            String label = pins.get(index).label();
            int nth = 1;
            for (int i = 0; i < index; i++) {
                nth += pins.get(i).label().equals(label) ? 1 : 0;
            }
            return new OnPin(new Endpoint(placed.id(), label), index, nth);
        }

        /** Counts only pins of its label, so that a class whose header is told better leaves wires where they are. */
        @Override
        public String id() {
            return pin + "@" + nth;
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
     * @param away the pin of another board that the wire goes to; empty on one board
     */
    record OnLeg(Endpoint signal, Optional<Place> away, Leg leg) implements Terminal {
        @Override
        public String id() {
            return "leg " + signal + away.map(pin -> " to " + pin).orElse("") + " "
                    + leg.name().toLowerCase(Locale.ROOT);
        }
    }

    /** Legs of transistors and optocouplers, by their usual names. */
    enum Leg {
        EMITTER,
        COLLECTOR,
        ANODE,
        CATHODE
    }

    /** An end that is not there any more: of a wire that is still plugged, on a part or pin that the plan has no more. */
    record Gone(String id) implements Terminal {}

    /** The row of the breadboard that carries the common ground. */
    record OnGroundRow() implements Terminal {
        @Override
        public String id() {
            return "row ground";
        }
    }

    /**
     * A half row of the breadboard where several wires meet that have no room elsewhere.
     *
     * @param of the end whose wires meet there
     * @param nth from 1, where one does not do
     */
    record OnMeeting(Terminal of, int nth) implements Terminal {
        @Override
        public String id() {
            return "meeting of " + of.id() + " " + nth;
        }
    }

    /**
     * A stretch of a rail of a breadboard.
     *
     * @param carries the row it stands for
     * @param board which breadboard, from 1
     * @param segment which stretch of it, from 0
     */
    record OnStretch(Terminal carries, int board, boolean isLeft, boolean isPlus, int segment) implements Terminal {
        @Override
        public String id() {
            return "rail " + board + (isLeft ? " left" : " right") + (isPlus ? " plus " : " minus ") + (segment + 1);
        }
    }

    /**
     * A pin of another board of the build, or that board's ground.
     *
     * @param pin the pin; the other node itself for its ground
     * @param board what the builder calls the other board's node
     * @param part what they call the part it is a pin of; empty for the board itself
     */
    record OnOtherBoard(Place pin, String board, String part) implements Terminal {
        @Override
        public String id() {
            return "away " + pin;
        }

        public boolean isGround() {
            return !pin.isPin();
        }

        /** Whether it is a transceiver's, at the far end of a long line. */
        public boolean isOfLongLine() {
            return !part.isEmpty();
        }
    }
}
