package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import java.time.Instant;

/**
 * Writes in the record what was seen or answered, or that a reading is taken as good.
 *
 * @param text what was seen or answered, or why it is taken as good; may be empty
 * @param on what it stands on
 */
public record TakeSeen(Place place, String check, boolean isWell, String text, LogLine.By by, Standing on, Instant at)
        implements Edit {
    @Override
    public String node() {
        return place.node();
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Require.node(build, place.node());
        return build.withLog(build.log().with(new LogLine.Seen(at, place, check, isWell, text, by, on, Extras.NONE)));
    }
}
