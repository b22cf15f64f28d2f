package inkel.core.catalog;

/** What the parts of a board stand on. */
public enum TableKind {
    /** Breadboards of 830 holes, their rails split in the middle. */
    LONG,
    /** Breadboards of 830 holes, their rails whole. */
    WHOLE,
    /** Breadboards of 400 holes. */
    SHORT,
    /** No breadboard: soldered on strip board. */
    STRIP,
    /** No breadboard: a shield that sits on the board. */
    SHIELD,
    /** No breadboard: free leads. */
    LEADS;

    public boolean isBreadboard() {
        return this == LONG || this == WHOLE || this == SHORT;
    }

    /** Whether wires are soldered. */
    public boolean isSoldered() {
        return this == STRIP || this == SHIELD;
    }
}
