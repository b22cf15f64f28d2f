package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import java.time.Instant;

/**
 * Takes the readings of one kind at a place back: the lines stay in the record and no longer count.
 */
public record TakeBack(Place place, LogLine.What what, Instant at) implements Edit {
    @Override
    public String node() {
        return place.node();
    }

    @Override
    public Build apply(Build build) {
        return build.withLog(build.log()
                .withTakenBack(
                        line -> line instanceof LogLine.Measured measured
                                && measured.place().equals(place)
                                && measured.what() == what,
                        at));
    }
}
