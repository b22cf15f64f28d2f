package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import java.time.Instant;
import java.util.LinkedHashSet;
import java.util.Set;

/** Marks wires as pulled out. Readings that stood on one of them stand no more, whatever is plugged later. */
public record PullWires(String node, Set<String> wires, Instant at) implements Edit {
    public PullWires {
        wires = new LinkedHashSet<>(wires);
    }

    @Override
    public Build apply(Build build) throws EditRefused {
        Build pulled = new Plug(node, wires, false).apply(build);
        Logbook log = pulled.log();
        for (String wire : wires) {
            boolean isStoodOn = log.counting().anyMatch(line -> standsOn(line, wire));
            if (isStoodOn) {
                log = log.with(new LogLine.Pulled(at, Place.ofNode(node), wire, Extras.NONE));
            }
        }
        return pulled.withLog(log);
    }

    private boolean standsOn(LogLine line, String wire) {
        Standing on = line instanceof LogLine.Measured measured
                ? measured.on()
                : line instanceof LogLine.Seen seen ? seen.on() : Standing.NOWHERE;
        return on.isOverWire(line.place().node(), node, wire);
    }
}
