package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import inkel.core.quantity.Resistance;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * Writes in the record what a meter read from end to end of a wire, power off; without a value an earlier reading is taken
 * back.
 *
 * @param wire its id in the wire list
 * @param parts what is at its ends
 * @param subject what it is of
 * @param typed the text it was read from
 */
public record MeasureWire(
        String node,
        String wire,
        List<String> parts,
        Place subject,
        Optional<Resistance> value,
        String typed,
        LogLine.By by,
        Instant at)
        implements Edit {
    public MeasureWire {
        parts = List.copyOf(parts);
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Node measured = Require.node(build, node);
        if (value.isEmpty()) {
            return build.withLog(build.log()
                    .withTakenBack(
                            line -> line instanceof LogLine.Measured reading
                                    && reading.place().node().equals(node)
                                    && reading.what() == LogLine.What.OHMS
                                    && reading.on().isOfWire(wire),
                            at));
        }
        return build.withLog(build.log()
                .with(new LogLine.Measured(
                        at,
                        subject,
                        LogLine.What.OHMS,
                        value.get(),
                        typed,
                        by,
                        Standing.ofWire(measured, wire, parts),
                        Extras.NONE)));
    }
}
