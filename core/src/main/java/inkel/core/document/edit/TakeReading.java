package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import inkel.core.quantity.Quantity;
import java.time.Instant;
import java.util.Optional;

/**
 * Writes in the record what a check of the first power-up read.
 *
 * @param typed the text it was read from, as typed or received
 * @param on what it stands on
 */
public record TakeReading(
        Place place,
        LogLine.What what,
        Quantity value,
        String typed,
        LogLine.By by,
        Standing on,
        Foretold foretold,
        Instant at)
        implements Edit {
    @Override
    public String node() {
        return place.node();
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Require.node(build, place.node());
        return build.withLog(build.log()
                .with(new LogLine.Measured(at, place, what, value, typed, by, on, Optional.of(foretold), Extras.NONE)));
    }
}
