package inkel.app.export.program;

import inkel.app.words.Words;
import inkel.core.catalog.routine.Step;
import inkel.core.quantity.Fact;
import inkel.core.tune.code.SharedLine;
import inkel.core.tune.code.StartPlan;
import inkel.core.tune.code.StartPlan.Task;
import java.util.ArrayList;
import java.util.List;

/** What a made program says of lines that hang on microseconds. */
final class LineRemarks {
    private LineRemarks() {}

    static List<String> of(StartPlan plan, Task task, boolean isComputer) {
        List<String> remarks = new ArrayList<>();
        SharedLine.of(plan, task)
                .ifPresent(line -> remarks.add(Words.say(Fact.of("start.shared_line")
                        .with(
                                "others",
                                line.tasks().stream()
                                        .filter(other -> !other.equals(task))
                                        .map(other -> other.part().part().name())
                                        .toList()))));
        if (isComputer && task.routine().steps().anyMatch(Step::isQuick)) {
            remarks.add(Words.get("start.quick"));
        }
        return remarks;
    }
}
