package inkel.core.document;

import java.util.Optional;

/** The sorts of radio whose stations the program plans; each has settings of its own. */
public enum AirSort {
    /** Packets at a rate on a channel, answered by the receiver. */
    PACKET("packet radio 2.4 GHz"),
    /** Slow packets by chirps, over kilometres; nobody answers by itself. */
    LONG_RANGE("long range");

    private final String kind;

    AirSort(String kind) {
        this.kind = kind;
    }

    /** The one that classes call so. */
    public static Optional<AirSort> of(String kind) {
        for (AirSort sort : values()) {
            if (sort.kind.equals(kind)) {
                return Optional.of(sort);
            }
        }
        return Optional.empty();
    }
}
