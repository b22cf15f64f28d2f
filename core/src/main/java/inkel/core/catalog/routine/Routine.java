package inkel.core.catalog.routine;

import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What the least program does with a part.
 *
 * @param begin once, when the program starts; nothing in it moves, switches or sends
 * @param read again and again, to tell what the part tells
 * @param key what only a key of the builder starts: what moves, switches, sounds or sends
 * @param rest how long a part wants to be left alone between two readings; absent for what may be read at any time
 * @param yours what is left to the builder, in a sentence; absent where the rest is whole
 */
public record Routine(
        List<Step> begin, List<Step> read, List<Step> key, Optional<TimeSpan> rest, Optional<String> yours) {
    public static final Routine NONE = of(List.of(), List.of(), List.of());

    public Routine {
        begin = List.copyOf(begin);
        read = List.copyOf(read);
        key = List.copyOf(key);
    }

    public static Routine of(List<Step> begin, List<Step> read, List<Step> key) {
        return new Routine(begin, read, key, Optional.empty(), Optional.empty());
    }

    /** The same with other steps. */
    public Routine with(List<Step> newBegin, List<Step> newRead, List<Step> newKey) {
        return new Routine(newBegin, newRead, newKey, rest, yours);
    }

    public boolean isEmpty() {
        return steps().findAny().isEmpty() && yours.isEmpty();
    }

    /** Whether all of it is left to the builder. */
    public boolean isLeft() {
        return yours.isPresent() && steps().findAny().isEmpty();
    }

    public Stream<Step> steps() {
        return Stream.of(begin, read, key).flatMap(List::stream);
    }
}
