package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import inkel.core.document.Tuning;
import java.time.Instant;

/**
 * Keeps what a bench found out about a part. What it stands on is what the part is, is fed by and wired to now.
 *
 * @param part the place of a part
 */
public record Tune(Place part, Tuning tuning, LogLine.By by, Instant at) implements Edit {
    /** Stands for the time at which it is applied; ways out are thought of earlier. */
    public static final Instant WHEN_APPLIED = Instant.EPOCH;

    @Override
    public Edit at(Instant now) {
        return at.equals(WHEN_APPLIED) ? new Tune(part, tuning, by, now) : this;
    }

    @Override
    public String node() {
        return part.node();
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Require.part(Require.node(build, part.node()), part.part());
        Standing on = Standing.ofPart(build, part);
        return build.withLog(build.log().with(new LogLine.Tuned(at, part, tuning, by, on, Extras.NONE)));
    }
}
