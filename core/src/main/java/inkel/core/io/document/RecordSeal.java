package inkel.core.io.document;

import inkel.core.document.Build;

/** By which a state of a record is known: the seal of its last line. */
public final class RecordSeal {
    private RecordSeal() {}

    /** As the file of a build has it, or would have it; empty for a record without a line. */
    public static String of(Build build) {
        return LogSeals.last(build.log());
    }
}
