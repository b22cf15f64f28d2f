package inkel.app.cli;

import inkel.app.state.UserState;
import inkel.app.words.CheckWords;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;
import inkel.core.wake.Group;
import inkel.core.wake.NodeWake;
import inkel.core.wake.Result;
import inkel.core.wake.WakePlan;
import inkel.core.wake.WakeState;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

/** Says what every check of the first power-up should give, and what became of it. */
@Command(name = "wake", description = "Prints the checks of the first power-up with what each should read.")
final class WakeCommand implements Callable<Integer> {
    /** Something is outside of what it should be. */
    private static final int OUTSIDE = 1;

    @Spec
    private CommandSpec spec;

    @Mixin
    private TableOptions table;

    @Override
    public Integer call() throws UnreadableFile {
        Catalog catalog = OwnCatalog.read();
        Build build = BuildReader.read(table.file, catalog);
        Circuit circuit = Circuit.of(build, catalog);
        List<WireList> lists = WireList.of(circuit);
        List<String> wanted = table.wanted(spec.commandLine(), build).stream()
                .map(found -> found.id())
                .toList();
        Meter meter = UserState.read(UserState.usualFolder()).meter();
        List<Link> thin = LevelReport.of(circuit).toMeasure();
        List<WakeState> states = lists.stream()
                .filter(list -> wanted.contains(list.node().node().id()))
                .map(list -> WakeState.of(build, WakePlan.of(circuit, lists, list, thin, meter)))
                .toList();
        PrintWriter out = spec.commandLine().getOut();
        if (table.json) {
            Map<String, Object> answer = Json.object();
            answer.put("nodes", states.stream().map(WakeCommand::json).toList());
            out.println(Json.print(answer));
        } else {
            states.forEach(state -> print(out, state));
        }
        return states.stream().anyMatch(state -> state.outside() > 0) ? OUTSIDE : 0;
    }

    private static void print(PrintWriter out, WakeState state) {
        NodeWake wake = state.wake();
        CheckWords words = new CheckWords(wake.node());
        out.println(Words.say(Fact.of("cli.wake")
                .with("name", wake.node().node().name())
                .with("held", state.holding())
                .with("count", state.count())));
        for (Group group : wake.groups()) {
            out.println("  " + words.group(group));
            for (Check check : wake.of(group)) {
                Result result = state.result(check);
                String read = CheckWords.read(result);
                boolean isSaid = !(check.expected() instanceof Expected.Within);
                String line = isSaid
                        ? word(result) + " " + words.line(check)
                        : Words.say(Fact.of("cli.wake.check")
                                .with("state", word(result))
                                .with("what", words.line(check))
                                .with("expected", words.expected(check.expected())));
                out.println("    " + line + (read.isEmpty() ? "" : Words.get("cli.wake.read", "value", read)));
            }
        }
    }

    private static String word(Result result) {
        return Words.get("wake.file." + result.status().name().toLowerCase(Locale.ROOT));
    }

    private static Map<String, Object> json(WakeState state) {
        Map<String, Object> answer = Json.object();
        answer.put("id", state.wake().node().node().id());
        answer.put(
                "checks",
                state.wake().checks().stream().map(check -> json(state, check)).toList());
        return answer;
    }

    private static Map<String, Object> json(WakeState state, Check check) {
        Result result = state.result(check);
        Map<String, Object> answer = Json.object();
        answer.put("id", check.id());
        answer.put("group", check.group().phase().name().toLowerCase(Locale.ROOT));
        answer.put("part", check.group().part());
        answer.put("kind", check.kind().name().toLowerCase(Locale.ROOT));
        answer.put("at", check.at().toString());
        answer.put("from", end(check.at(), check.red()));
        answer.put("to", end(check.at(), check.black()));
        answer.put("unit", unit(check.expected()));
        answer.put("mode", check.mode());
        answer.put("expected", expected(check.expected()));
        answer.put("needs", check.needs());
        answer.put("wires", check.wires());
        answer.put("state", result.status().name().toLowerCase(Locale.ROOT));
        answer.put("reading", result.value().<Object>map(Quantity::si).orElse(result.text()));
        return answer;
    }

    private static String end(Place at, Optional<Terminal> tip) {
        return tip.map(found -> found instanceof Terminal.OnPin pin
                        ? Place.of(at.node(), pin.pin()).toString()
                        : found.id())
                .orElse("");
    }

    private static String unit(Expected expected) {
        return expected instanceof Expected.Within within ? name(within.unit()) : "";
    }

    private static String name(Unit unit) {
        return unit.name().toLowerCase(Locale.ROOT);
    }

    private static Map<String, Object> expected(Expected expected) {
        Map<String, Object> answer = Json.object();
        if (expected instanceof Expected.Within within) {
            within.low().ifPresent(low -> answer.put("low", low.si()));
            within.high().ifPresent(high -> answer.put("high", high.si()));
        } else if (expected instanceof Expected.OneOf one) {
            answer.put("values", one.values());
        } else if (expected instanceof Expected.AllOf all) {
            answer.put("values", all.values());
        } else if (expected instanceof Expected.Seen seen) {
            answer.put("values", List.of(Words.say(seen.what())));
        }
        return answer;
    }
}
