package inkel.app.cli;

import inkel.app.words.BoardWords;
import inkel.app.words.Words;
import inkel.core.boards.BoardTrial;
import inkel.core.boards.BoardTrials;
import inkel.core.catalog.Catalog;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

/** Tries every board on a table and says how each would do. */
@Command(
        name = "boards",
        description =
                "Tries every board on each table, best first. Exit 0: on every table some board does; 1: on some none does; 2: cannot be read.")
final class BoardsCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Mixin
    private TableOptions table;

    @Override
    public Integer call() throws UnreadableFile {
        Catalog catalog = OwnCatalog.read();
        Build build = BuildReader.read(table.file, catalog);
        List<Node> nodes = table.wanted(spec.commandLine(), build);
        PrintWriter out = spec.commandLine().getOut();
        boolean doAll = true;
        List<Object> answers = new ArrayList<>();
        for (Node each : nodes) {
            List<BoardTrial> trials = new BoardTrials(build, catalog, each.id(), () -> false).all(trial -> {});
            doAll &= trials.stream().anyMatch(BoardTrial::does);
            if (table.json) {
                Map<String, Object> answer = Json.object();
                answer.put("id", each.id());
                answer.put("boards", trials.stream().map(BoardsCommand::json).toList());
                answers.add(answer);
            } else {
                out.println(each.name());
                trials.forEach(trial -> print(out, trial));
            }
        }
        if (table.json) {
            Map<String, Object> answer = Json.object();
            answer.put("nodes", answers);
            out.println(Json.print(answer));
        }
        return doAll ? 0 : 1;
    }

    private static void print(PrintWriter out, BoardTrial trial) {
        String mark = trial.isPresent() ? Words.get("boards.present") : "";
        out.printf("  %s%s%n", trial.board().name(), mark.isEmpty() ? "" : " (" + mark + ")");
        out.printf("    %s%n", BoardWords.verdict(trial));
        BoardWords.details(trial).forEach(line -> out.printf("    %s%n", line));
    }

    private static Map<String, Object> json(BoardTrial trial) {
        Map<String, Object> entry = Json.object();
        entry.put("class", trial.board().id());
        entry.put("present", trial.isPresent());
        entry.put("placed", trial.isPlaced());
        entry.put("why", trial.isPlaced() ? null : BoardWords.verdict(trial));
        entry.put("clash", trial.clash().stream().map(Object::toString).toList());
        entry.put("stop", trial.stop());
        entry.put("look", trial.look());
        entry.put("stops", trial.stops());
        entry.put("added", BoardWords.added(trial));
        entry.put("fallen", trial.fallen());
        Map<String, Object> refed = Json.object();
        trial.refed().forEach((pin, rail) -> refed.put(pin.toString(), rail.toString()));
        entry.put("refed", refed);
        entry.put("moved", trial.moved());
        entry.put("free_pins", trial.freePins());
        entry.put("free_pulses", trial.freePulses());
        entry.put("free_analog", trial.freeAnalog());
        Json.put(entry, "asked", trial.asked());
        entry.put("lost", BoardWords.lost(trial));
        return entry;
    }
}
