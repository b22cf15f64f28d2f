package inkel.core.catalog;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * What a builder answered to the questions of {@link Habit} for one build, as typed; what this version does not know is
 * kept.
 */
public record Habits(Map<String, String> typed) {
    /** Everything as usual. */
    public static final Habits USUAL = new Habits(Map.of());

    public Habits {
        typed = Collections.unmodifiableMap(new LinkedHashMap<>(typed));
    }

    /** The builder's answer, or the usual one. */
    public <E extends Enum<E>> E of(Habit<E> habit) {
        return Optional.ofNullable(typed.get(habit.key())).flatMap(habit::read).orElse(habit.usual());
    }

    public <E extends Enum<E>> boolean is(Habit<E> habit, E option) {
        return of(habit) == option;
    }

    /** The same with another answer; the usual one is not written down. */
    public <E extends Enum<E>> Habits with(Habit<E> habit, E option) {
        Map<String, String> next = new LinkedHashMap<>(typed);
        if (option == habit.usual()) {
            next.remove(habit.key());
        } else {
            next.put(habit.key(), Habit.text(option));
        }
        return new Habits(next);
    }
}
