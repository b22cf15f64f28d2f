package inkel.core.capture.decode;

import java.util.Collections;
import java.util.List;
import java.util.Optional;

/**
 * What a capture says.
 *
 * @param messages in the order they came; not to be changed afterwards
 * @param glitches stray changes that were left out: shorter than a tenth of a bit
 * @param rate the clock in hertz or the baud, as found in the edges; absent where there are too few
 */
public record Decoded(List<Message> messages, long glitches, Optional<Double> rate) {
    public Decoded {
        // A copy of a list that makes its messages when they are asked for would hold all of them.
        messages = Collections.unmodifiableList(messages);
    }
}
