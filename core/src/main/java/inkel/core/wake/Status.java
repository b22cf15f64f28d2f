package inkel.core.wake;

/** What became of a check. */
public enum Status {
    /** Not made yet. */
    OPEN,
    IN,
    OUT,
    /** Made on something that is another one now: shown, never used. */
    STALE,
    /** Its part is left out for now. */
    LEFT
}
