package inkel.core.tune;

import inkel.core.document.Tuning;
import java.util.List;

/** What is worked on at a bench: what was read so far, and what was made of it. It never changes; a reading makes another. */
public interface Draft {
    /** What is kept of it. */
    Tuning tuning();

    /** Whether it is of a part that is driven and read as that of another draft. */
    boolean isOfSameRig(Draft other);

    /**
     * The same, as the plan has the part now.
     *
     * @param fresh one of the same rig, made of the plan
     */
    default Draft on(Draft fresh) {
        return this;
    }

    /** What goes into code. */
    List<Constant> constants();
}
