package inkel.app.export.program;

import inkel.app.words.Words;
import inkel.core.catalog.Ability;
import inkel.core.quantity.Fact;
import inkel.core.tune.code.StartPlan.Link;
import inkel.core.tune.code.StartPlan.Task;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** What a made program says of the wires to another board. */
final class BoardRemarks {
    private BoardRemarks() {}

    /** @param isOwnTalk whether the program speaks with the builder by the pins of its serial line */
    static List<String> of(Task task, boolean isOwnTalk) {
        String far = task.part().part().name();
        List<String> remarks = new ArrayList<>();
        if (task.leads().size() > task.link().stream().count()) {
            remarks.add(Words.get("start.board", "node", far));
        }
        if (isOwnTalk) {
            remarks.add(Words.get("start.line.console", "node", far));
        } else {
            task.link()
                    .map(Link.Serial.class::cast)
                    .ifPresent(line ->
                            remarks.add(Words.say(Fact.of(line.to().isPresent() ? "start.line.to" : "start.line.from")
                                    .with("node", far)
                                    .with("baud", Math.round(line.baud().hertz())))));
        }
        return remarks;
    }

    static boolean isOnConsole(Task task) {
        return task.link().stream()
                .filter(Link.Serial.class::isInstance)
                .map(Link.Serial.class::cast)
                .flatMap(line -> Stream.concat(line.from().stream(), line.to().stream()))
                .anyMatch(pin -> pin.can(Ability.Kind.CONSOLE));
    }
}
