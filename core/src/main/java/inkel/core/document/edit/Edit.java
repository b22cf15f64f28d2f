package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import java.time.Instant;
import java.util.List;

/** One change to a build, as data. Undo is the old build. */
public interface Edit {
    /** The id of the node it changes; the first of two when it concerns a wire between boards. */
    String node();

    /**
     * The build with this change made; the given one stays as it is.
     *
     * @throws EditRefused when a part, signal or node that it names is not there (any more)
     */
    Build apply(Build build) throws EditRefused;

    /** The same change with the time at which it is made, for edits that write in the record and have none yet. */
    default Edit at(Instant now) {
        return this;
    }

    /**
     * Makes all changes in order, or none.
     *
     * @throws EditRefused with the reason of the first that cannot be made
     */
    static Build applyAll(Build build, List<? extends Edit> edits) throws EditRefused {
        Build changed = build;
        for (Edit edit : edits) {
            changed = edit.apply(changed);
        }
        return changed;
    }
}
