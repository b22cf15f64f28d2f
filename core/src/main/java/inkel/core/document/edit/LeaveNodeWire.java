package inkel.core.document.edit;

import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.NodeWire;
import java.time.Instant;
import java.util.Optional;

/** Leaves a wire between two boards with little to spare as it is, and writes the reason in the record. */
public record LeaveNodeWire(NodeWire wire, String reason, Instant at) implements Edit {
    @Override
    public String node() {
        return wire.from().node();
    }

    @Override
    public Edit at(Instant now) {
        return at.equals(Leave.WHEN_APPLIED) ? new LeaveNodeWire(wire, reason, now) : this;
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Between nothing = new Between.Nothing(wire.from().endpoint(), reason, Extras.NONE);
        return new ChangeNodeWire(wire, wire.withBetween(Optional.of(nothing)))
                .apply(build)
                .withLog(build.log().with(new LogLine.Left(at, wire.from(), reason, Extras.NONE)));
    }
}
