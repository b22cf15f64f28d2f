package inkel.core.wake;

/** When a check is made, in the order of the first power-up. */
public enum Phase {
    /** With all power off. */
    BEFORE,
    /** Each supply and each regulator by itself, before anything else is joined. */
    SUPPLIES,
    BOARD,
    /** Part by part, each with those before it. */
    PART,
    TOGETHER,
    /** With another board that is woken too. */
    JOINED,
    /** Cause and effect. */
    PROVE,
    /** Looks in between, that tell causes apart. */
    BESIDES
}
