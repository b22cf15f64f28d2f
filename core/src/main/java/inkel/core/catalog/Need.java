package inkel.core.catalog;

/** What must become of a signal pin. */
public enum Need {
    /** The part does not work without it. */
    MUST,
    /** The part works without it; the wire is made only when the builder wants it. */
    MAY,
    /** The part itself holds it where it belongs, or joins it to another pin; a wire is made only when wanted. */
    HELD,
    /** Driven by the board where a pin is free, else tied to the part's supply; never left open. */
    TIE_HIGH,
    /** As {@link #TIE_HIGH}, but tied to ground. */
    TIE_LOW,
    /** Tied to the part's supply for good: a choice made by a wire. The board drives it only when the builder wants that. */
    FIXED_HIGH,
    /** As {@link #FIXED_HIGH}, but tied to ground. */
    FIXED_LOW;

    /** Whether it is tied for good, and no pin of the board is looked for. */
    public boolean isFixed() {
        return this == FIXED_HIGH || this == FIXED_LOW;
    }
}
