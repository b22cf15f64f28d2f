package inkel.core.catalog;

/**
 * What a pin of a board does before its program has it.
 *
 * @param atReset while the board is held in reset, and as soon as that ends
 * @param starting until the program begins: what a start-up program of the maker does with it
 */
public record Resting(State atReset, State starting) {
    /** An input, and nothing else. */
    public static final Resting FLOATS = new Resting(State.FLOATS, State.FLOATS);

    /** What is on a pin. */
    public enum State {
        FLOATS,
        PULLED_UP,
        PULLED_DOWN,
        HIGH,
        LOW,
        /** Goes up and down: messages, pulses, a lamp that blinks. */
        MOVES;

        /** Whether a strong high may come. */
        public boolean mayDriveHigh() {
            return this == HIGH || this == MOVES;
        }

        /** Whether a strong low may come. */
        public boolean mayDriveLow() {
            return this == LOW || this == MOVES;
        }
    }
}
