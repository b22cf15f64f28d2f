package inkel.core.levels;

/** Why what is wrong with a link is only to be looked at. */
public enum Mildness {
    /** It is not: it is wrong as supplies usually are. */
    NONE,
    /** It is wrong only when both supplies are at their ends. */
    AT_THE_ENDS,
    /** Pull-ups lift it too high, but by less than a clamp needs to carry what their resistors let through. */
    WITHIN_A_CLAMP
}
