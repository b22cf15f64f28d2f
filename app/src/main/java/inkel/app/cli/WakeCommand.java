package inkel.app.cli;

import inkel.app.store.UserState;
import inkel.app.words.CheckWords;
import inkel.app.words.ReportWords;
import inkel.app.words.Words;
import inkel.core.bench.fault.Layout;
import inkel.core.catalog.Catalog;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import inkel.core.wake.Answers;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;
import inkel.core.wake.Group;
import inkel.core.wake.MoreLooks;
import inkel.core.wake.NodeWake;
import inkel.core.wake.Result;
import inkel.core.wake.WakePlan;
import inkel.core.wake.WakeState;
import inkel.core.wake.report.BoardReport;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
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

    @Option(names = "--report", paramLabel = "FILE|-", description = "judges what a board reported of itself")
    private String report;

    @Override
    public Integer call() throws UnreadableFile, IOException {
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
        if (report != null) {
            return judged(out, states, new Layout(circuit, lists), meter);
        }
        if (table.json) {
            Map<String, Object> answer = Json.object();
            answer.put("nodes", states.stream().map(WakeCommand::json).toList());
            out.println(Json.print(answer));
        } else {
            states.forEach(state -> print(out, state));
        }
        return states.stream().anyMatch(state -> state.outside() > 0) ? OUTSIDE : 0;
    }

    /** A report is of the board that its head names; of the first where it names none of these. */
    private int judged(PrintWriter out, List<WakeState> states, Layout layout, Meter meter) throws IOException {
        if (!report.equals("-") && !Files.isReadable(Path.of(report))) {
            throw new ParameterException(spec.commandLine(), Words.get("report.no_file", "file", report));
        }
        byte[] bytes = report.equals("-") ? System.in.readAllBytes() : Files.readAllBytes(Path.of(report));
        String text = new String(bytes, StandardCharsets.UTF_8);
        NodeWake wake = states.stream()
                .map(WakeState::wake)
                .filter(of -> text.lines().anyMatch(line -> line.strip()
                        .startsWith(BoardReport.HEAD + " " + BoardReport.FORMAT + " "
                                + of.node().node().id())))
                .findFirst()
                .orElse(states.get(0).wake());
        WireList list = layout.lists().stream()
                .filter(of -> of.node().equals(wake.node()))
                .findFirst()
                .orElseThrow();
        BoardReport read = BoardReport.read(text, wake, list, new MoreLooks(layout, wake, meter));
        CheckWords words = new CheckWords(wake.node());
        if (table.json) {
            out.println(Json.print(json(wake, read)));
        } else {
            ReportWords.all(words, read).forEach(out::println);
        }
        if (read.taken().isEmpty()) {
            return Cli.FAILED;
        }
        return read.taken().stream().allMatch(taken -> Answers.isWell(taken.check(), taken.answer())) ? 0 : OUTSIDE;
    }

    private static Map<String, Object> json(NodeWake wake, BoardReport read) {
        Map<String, Object> answer = Json.object();
        answer.put("node", wake.node().node().id());
        answer.put("whole", read.isWhole());
        answer.put(
                "taken",
                read.taken().stream()
                        .map(taken -> {
                            Map<String, Object> one = Json.object();
                            one.put("line", taken.line());
                            one.put("check", taken.check().id());
                            one.put("said", taken.said());
                            one.put("well", Answers.isWell(taken.check(), taken.answer()));
                            return one;
                        })
                        .toList());
        answer.put(
                "told",
                read.told().stream()
                        .map(told -> {
                            Map<String, Object> one = Json.object();
                            one.put("line", told.line());
                            one.put("text", told.text());
                            one.put("why", Words.say(told.why()));
                            return one;
                        })
                        .toList());
        return answer;
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
        answer.put(
                "wires_elsewhere",
                check.elsewhere().stream()
                        .map(wire -> {
                            Map<String, Object> one = Json.object();
                            one.put("node", wire.node());
                            one.put("wire", wire.id());
                            return one;
                        })
                        .toList());
        answer.put("state", result.status().name().toLowerCase(Locale.ROOT));
        answer.put("reading", result.value().<Object>map(Quantity::si).orElse(result.text()));
        return answer;
    }

    private static String end(Place at, Optional<Terminal> tip) {
        return tip.map(found -> end(at, found)).orElse("");
    }

    private static String end(Place at, Terminal tip) {
        if (tip instanceof Terminal.OnPin pin) {
            return Place.of(at.node(), pin.pin()).toString();
        }
        return tip instanceof Terminal.OnOtherBoard other
                ? other.pin() + (other.isGround() ? " ground" : "")
                : tip.id();
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
            one.mask().ifPresent(bits -> answer.put("mask", Engineering.hexadecimal(bits)));
        } else if (expected instanceof Expected.AllOf all) {
            answer.put("values", all.values());
        } else if (expected instanceof Expected.Seen seen) {
            answer.put("values", List.of(Words.say(seen.what())));
        }
        return answer;
    }
}
