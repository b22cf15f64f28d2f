package inkel.core.quantity;

/** Where a figure comes from. */
public enum Source {
    /** Typical for the class of part, from the catalogue. */
    CLASS,
    /** Typed by the builder. */
    YOURS,
    /** Read on the bench and kept in the log. */
    MEASURED,
    /** Worked out from other figures. */
    COMPUTED,
    /** Laid down by a standard or by Inkel's own rule. */
    RULE
}
