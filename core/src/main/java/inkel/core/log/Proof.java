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
        List<Entry> entries = Register.of(build).entries().stream()
                .filter(Entry::counts)
                .filter(entry -> entry.sort() == Entry.Sort.MEASURED)
                .toList();
        for (Node node : build.nodes()) {
            for (Part part : node.parts()) {
                if (!part.purpose().isEmpty()) {
                    proofs.add(of(build, entries, Place.ofPart(node.id(), part.id()), part));
                }
            }
        }
        return proofs;
    }

    /** @param entries the newest first */
    private static Proof of(Build build, List<Entry> entries, Place place, Part part) {
        Optional<Entry> last = entries.stream()
                .filter(entry -> place.contains(entry.line().place()))
                .findFirst();
        State state = last.map(entry -> entry.number() < part.since() || !stands(build, entry.line())
                        ? State.STALE
                        : entry.isWell() ? State.PROVED : State.WRONG)
                .orElse(State.NOT);
        return new Proof(place, state, last.map(Entry::line));
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
