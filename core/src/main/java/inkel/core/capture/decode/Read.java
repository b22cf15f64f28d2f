package inkel.core.capture.decode;

import inkel.core.capture.Channel;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;

/**
 * What a capture says, and how it was read where nobody had told that.
 *
 * @param how what was found in the edges themselves: turned over, parity, carrier, mode
 * @param line the wire as it was read, where one alone says it all
 */
record Read(Decoded found, List<Fact> how, Optional<Channel> line) {
    Read {
        how = List.copyOf(how);
    }
}
