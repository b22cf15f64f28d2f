package inkel.core.document;

import inkel.core.quantity.TimeSpan;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Something that happens while the build runs and raises what parts take: gates swing, a radio sends.
 *
 * @param id unique in its node
 * @param raises which parts run in which mode meanwhile; outside all of its moments a part rests
 * @param length how long it lasts, above zero
 * @param repeat from one start to the next; absent when it happens once a round
 * @param at when it starts in the round of the sketch; absent when it may come at any time
 * @param never ids of moments that the sketch keeps from coming at the same time as this one
 */
public record Moment(
        String id,
        String name,
        List<Raise> raises,
        TimeSpan length,
        Optional<TimeSpan> repeat,
        Optional<TimeSpan> at,
        Set<String> never,
        Extras extras) {
    public Moment {
        raises = List.copyOf(raises);
        never = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(never));
    }

    /** A part and the mode it runs in. */
    public record Raise(String part, String mode, Extras extras) {
        public Raise(String part, String mode) {
            this(part, mode, Extras.NONE);
        }
    }

    public Moment withAt(Optional<TimeSpan> newAt) {
        return new Moment(id, name, raises, length, repeat, newAt, never, extras);
    }

    public Moment withNever(Set<String> newNever) {
        return new Moment(id, name, raises, length, repeat, at, newNever, extras);
    }

    public Moment withRaises(List<Raise> newRaises) {
        return new Moment(id, name, newRaises, length, repeat, at, never, extras);
    }

    /** Whether the two may come at the same time; both know of it or one. */
    public boolean mayMeet(Moment other) {
        return !never.contains(other.id) && !other.never.contains(id);
    }
}
