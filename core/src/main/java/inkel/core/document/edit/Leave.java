package inkel.core.document.edit;

import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import java.time.Instant;

/** Leaves a wire with little to spare as it is, and writes the reason in the record. */
public record Leave(String node, Endpoint signal, String reason, Instant at) implements Edit {
    /** Stands for the time at which it is applied; ways out are thought of earlier. */
    public static final Instant WHEN_APPLIED = Instant.EPOCH;

    @Override
    public Edit at(Instant now) {
        return at.equals(WHEN_APPLIED) ? new Leave(node, signal, reason, now) : this;
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Require.part(Require.node(build, node), signal.part());
        Between nothing = new Between.Nothing(signal, reason, Extras.NONE);
        return build.withNode(node, old -> Ticks.kept(old, old.withBetween(nothing)))
                .withLog(build.log().with(new LogLine.Left(at, Place.of(node, signal), reason, Extras.NONE)));
    }
}
