package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import inkel.core.quantity.Quantity;
import java.time.Instant;

/**
 * Writes in the record what was measured on a signal's wire, with what it stood on.
 *
 * @param signal the signal whose wire was measured, at the end that listens
 * @param what the high or the low level
 * @param typed the text it was read from, as typed or received
 */
public record Measure(
        String node, Endpoint signal, LogLine.What what, Quantity value, String typed, LogLine.By by, Instant at)
        implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        Node measured = Require.node(build, node);
        Require.part(measured, signal.part());
        return build.withLog(build.log()
                .with(new LogLine.Measured(
                        at,
                        Place.of(node, signal),
                        what,
                        value,
                        typed,
                        by,
                        Standing.of(build, Place.of(node, signal)),
                        Extras.NONE)));
    }
}
