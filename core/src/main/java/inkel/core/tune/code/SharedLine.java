package inkel.core.tune.code;

import inkel.core.catalog.routine.Step;
import inkel.core.tune.code.StartPlan.Lead;
import inkel.core.tune.code.StartPlan.Task;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * One line of the board on which several parts hang, each of which has a number of its own.
 *
 * @param tasks those that are spoken with over it, in the order of the plan; at least two
 * @param index which of them this one is, from 0
 */
public record SharedLine(List<Task> tasks, int index) {
    /** What a part is told first that is alone on its line: whoever hears it is meant. */
    private static final int TO_ALL = 0xCC;

    public SharedLine {
        tasks = List.copyOf(tasks);
    }

    /** That of a signal; empty where its part is alone on the line. */
    public static Optional<SharedLine> of(StartPlan plan, Task task, String signal) {
        String pin = task.pin(signal).label();
        List<Task> tasks =
                plan.tasks().stream().filter(other -> isOn(other, pin)).toList();
        return tasks.size() > 1 && tasks.contains(task)
                ? Optional.of(new SharedLine(tasks, tasks.indexOf(task)))
                : Optional.empty();
    }

    /** That of any signal of a part. */
    public static Optional<SharedLine> of(StartPlan plan, Task task) {
        return lines(task).flatMap(line -> of(plan, task, line.pin()).stream()).findFirst();
    }

    private static boolean isOn(Task task, String pin) {
        return lines(task)
                .flatMap(line ->
                        task.leads().stream().filter(lead -> lead.signal().pin().equals(line.pin())))
                .map(Lead::pin)
                .anyMatch(lead -> lead.label().equals(pin));
    }

    private static Stream<Step.OneLine> lines(Task task) {
        return task.routine()
                .steps()
                .filter(Step.OneLine.class::isInstance)
                .map(Step.OneLine.class::cast)
                .filter(SharedLine::isToAll);
    }

    /** Whether a step speaks to whoever is on the line, so that its first byte makes way for a number where several are. */
    public static boolean isToAll(Step.OneLine line) {
        return !line.bytes().isEmpty() && line.bytes().get(0) == TO_ALL;
    }
}
