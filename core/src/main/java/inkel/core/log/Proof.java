package inkel.core.log;

import inkel.core.document.Build;
import inkel.core.document.LogLine;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Whether a part was shown to do what it is for: by the latest reading, look or bench that counts and was well, as long as what
 * it stood on is still so.
 *
 * @param by the line that shows it; absent for a part that nothing shows
 */
public record Proof(Place part, State state, Optional<LogLine> by) {
    /** How far the proof goes. */
    public enum State {
        PROVED,
        /** Something that it stood on is another one since. */
        STALE,
        /** The latest look was not as it should be. */
        WRONG,
        NOT
    }

    /** Of all parts of all boards that have a purpose, in the order of the tables. */
    public static List<Proof> of(Build build) {
        List<Proof> proofs = new ArrayList<>();
        List<LogLine> lines = build.log().counting().toList();
        for (Node node : build.nodes()) {
            for (Part part : node.parts()) {
                if (!part.purpose().isEmpty()) {
                    proofs.add(of(build, lines, Place.ofPart(node.id(), part.id()), part));
                }
            }
        }
        return proofs;
    }

    private static Proof of(Build build, List<LogLine> lines, Place place, Part part) {
        List<LogLine> about = lines.stream()
                .filter(line -> place.contains(line.place()))
                .filter(line -> line instanceof LogLine.Measured
                        || line instanceof LogLine.Seen
                        || line instanceof LogLine.Tuned)
                .toList();
        if (about.isEmpty()) {
            return new Proof(place, State.NOT, Optional.empty());
        }
        LogLine last = about.get(about.size() - 1);
        boolean isWell = new Entry(0, last, true, List.of()).isWell();
        boolean isOlder = build.log().lines().indexOf(last) < part.since();
        boolean isStale = isOlder || !stands(build, last);
        State state = isStale ? State.STALE : isWell ? State.PROVED : State.WRONG;
        return new Proof(place, state, Optional.of(last));
    }

    /** Whether all that a line stood on is still there. What a check of the first power-up stood on beside wires of its place is told by Wake. */
    private static boolean stands(Build build, LogLine line) {
        Standing on = line instanceof LogLine.Measured measured
                ? measured.on()
                : line instanceof LogLine.Seen seen ? seen.on() : ((LogLine.Tuned) line).on();
        Standing now =
                line instanceof LogLine.Tuned ? Standing.ofPart(build, line.place()) : Standing.of(build, line.place());
        return on.things().stream()
                .filter(thing -> thing.startsWith("part ") || thing.startsWith("feed ") || thing.startsWith("wire "))
                .allMatch(now.things()::contains);
    }
}
