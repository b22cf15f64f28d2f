package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import java.time.Instant;

/**
 * Leaves a part out of the first power-up for now, or takes it in again.
 *
 * @param isOut whether it is left out
 */
public record LeaveOut(Place part, boolean isOut, Instant at) implements Edit {
    @Override
    public String node() {
        return part.node();
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Require.part(Require.node(build, part.node()), part.part());
        return build.withLog(
                isOut
                        ? build.log().with(new LogLine.Left(at, part, "", Extras.NONE))
                        : build.log()
                                .withTakenBack(
                                        line -> line instanceof LogLine.Left
                                                && line.place().equals(part),
                                        at));
    }
}
