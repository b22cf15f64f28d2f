package inkel.core.capture.decode;

import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;

/**
 * One message on a wire.
 *
 * @param at seconds from the beginning of the capture
 * @param until when it ended
 * @param text what it says, as practitioners write it
 * @param bytes what it carries, in order; empty where it is not made of bytes
 * @param why it is not as it should be; absent when it is
 */
public record Message(double at, double until, String text, List<Integer> bytes, Optional<Fact> why) {
    public Message {
        bytes = List.copyOf(bytes);
    }

    /** How long it is, in seconds. */
    public double width() {
        return until - at;
    }

    public boolean isWell() {
        return why.isEmpty();
    }
}
