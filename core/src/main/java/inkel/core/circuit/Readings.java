package inkel.core.circuit;

import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.LogLine;
import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import java.util.HashMap;
import java.util.Map;

/**
 * What the record of a build says of one node: the levels of its wires, and what was found of its parts. Of several readings
 * the latest counts.
 *
 * @param valid by the signal whose wire was measured
 * @param stale readings whose wire, or what is in it or feeds its ends, is another one now: to be shown, never used
 * @param tunings what the benches of Tune found
 */
record Readings(Map<Endpoint, Reading> valid, Map<Endpoint, Reading> stale, Tunings tunings) {
    static final Readings NONE = new Readings(Map.of(), Map.of(), Tunings.NONE);

    static Readings of(Build build, Node node) {
        if (build.log().isEmpty()) {
            return NONE;
        }
        Map<Endpoint, Reading> valid = new HashMap<>();
        Map<Endpoint, Reading> stale = new HashMap<>();
        Map<Endpoint, Standing> now = new HashMap<>();
        build.log().counting().forEach(line -> {
            if (line instanceof LogLine.Measured measured
                    && measured.place().isPin()
                    && measured.place().node().equals(node.id())
                    && (measured.what() == LogLine.What.HIGH || measured.what() == LogLine.What.LOW)) {
                Endpoint at = measured.place().endpoint();
                Standing standing = now.computeIfAbsent(at, end -> Standing.of(build, Place.of(node.id(), end)));
                boolean stands = !standing.things().isEmpty() && standing.equals(measured.on());
                Map<Endpoint, Reading> into = stands ? valid : stale;
                into.put(at, into.getOrDefault(at, Reading.NONE).with(measured));
            }
        });
        return new Readings(Map.copyOf(valid), Map.copyOf(stale), Tunings.of(build, node));
    }
}
