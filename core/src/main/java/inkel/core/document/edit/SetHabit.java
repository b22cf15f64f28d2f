package inkel.core.document.edit;

import inkel.core.catalog.Habit;
import inkel.core.document.Build;

/** Answers one of the questions on which practitioners disagree, for the whole build. */
public record SetHabit<E extends Enum<E>>(String node, Habit<E> habit, E option) implements Edit {
    @Override
    public Build apply(Build build) {
        return build.withHabits(build.habits().with(habit, option));
    }
}
