package inkel.app.cli;

import inkel.app.store.UserState;
import inkel.app.words.CheckWords;
import inkel.app.words.FaultWords;
import inkel.app.words.ReadingWords;
import inkel.app.words.Words;
import inkel.core.bench.Answer;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.fault.FaultKind;
import inkel.core.bench.fault.Layout;
import inkel.core.capture.Capture;
import inkel.core.capture.VcdWriter;
import inkel.core.catalog.Catalog;
import inkel.core.circuit.Circuit;
import inkel.core.diagnosis.BenchCapture;
import inkel.core.diagnosis.Diagnosis;
import inkel.core.diagnosis.Evidence;
import inkel.core.diagnosis.Planted;
import inkel.core.diagnosis.Suspect;
import inkel.core.diagnosis.Suspects;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Share;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

/** Plays the practice bench: probes as numbered choices, what it could be, and what was planted. */
@Command(name = "practise", description = "Plants faults on a bench that is not there and lets you find them.")
final class PractiseCommand implements Callable<Integer> {
    private static final int MOST_CHOICES = 9;
    private static final int MOST_FAULTS = 2;
    private static final int MOST_SUSPECTS = 5;

    @Spec
    private CommandSpec spec;

    @Mixin
    private TableOptions table;

    @Option(names = "--faults", defaultValue = "1", description = "how many are planted: 0, 1 or 2")
    private int faults;

    @Option(names = "--seed", defaultValue = "1", description = "the same seed plants the same")
    private long seed;

    @Option(names = "--kind", description = "the kind of the first, such as contact-loose")
    private String kind;

    @Option(
            names = "--vcd",
            paramLabel = "OUT",
            description = "writes what the wires of that bench do, and plays no round")
    private Path vcd;

    private PrintWriter out;
    private Planted planted;
    private CheckWords words;
    private FaultWords causes;
    private PracticeBench bench;
    private Diagnosis diagnosis;
    private final Map<String, Evidence> evidence = new LinkedHashMap<>();
    private int looks;

    @Override
    public Integer call() throws UnreadableFile, IOException {
        out = spec.commandLine().getOut();
        Catalog catalog = OwnCatalog.read();
        Build build = BuildReader.read(table.file, catalog);
        String node = table.wanted(spec.commandLine(), build).get(0).id();
        Meter meter = UserState.read(UserState.usualFolder()).meter();
        Layout layout = Layout.of(Circuit.of(build, catalog));
        NodeWake wake = WakePlan.of(layout.circuit(), meter).node(node).orElseThrow();
        planted = Planted.of(layout, wake, meter, count(), kind(), seed)
                .orElseThrow(() -> new ParameterException(spec.commandLine(), Words.get("practice.no_such")));
        if (vcd != null) {
            record();
            return 0;
        }
        words = new CheckWords(wake.node());
        causes = new FaultWords(layout);
        bench = planted.bench();
        diagnosis = new Diagnosis(layout, wake, meter, Set.of());
        begin();
        play(new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8)));
        return 0;
    }

    private int count() {
        if (faults < 0 || faults > MOST_FAULTS) {
            throw new ParameterException(spec.commandLine(), Words.get("cli.practise.bad_count", "count", faults));
        }
        return faults;
    }

    private Optional<FaultKind> kind() {
        if (kind == null) {
            return Optional.empty();
        }
        return Optional.of(Arrays.stream(FaultKind.values())
                .filter(known -> known.text().equals(kind))
                .findFirst()
                .orElseThrow(() -> new ParameterException(
                        spec.commandLine(),
                        Words.say(Fact.of("cli.practise.bad_kind")
                                .with("kind", kind)
                                .with(
                                        "kinds",
                                        Arrays.stream(FaultKind.values())
                                                .map(FaultKind::text)
                                                .collect(Collectors.joining(", ")))))));
    }

    private void record() throws IOException {
        Capture capture = BenchCapture.of(planted, Map.of());
        AtomicFile.write(vcd, VcdWriter.text(capture).getBytes(StandardCharsets.UTF_8));
        if (table.json) {
            print(
                    "recorded",
                    object(
                            "file",
                            vcd.toString(),
                            "channels",
                            capture.channels().size(),
                            "edges",
                            capture.edges()));
        } else {
            out.println(Words.get("cli.written", "file", vcd));
        }
    }

    private void begin() {
        String name = planted.wake().node().node().name();
        if (table.json) {
            print("begin", object("node", planted.wake().node().node().id(), "seed", seed, "faults", faults));
        } else {
            out.println(Words.say(Fact.of("cli.practise")
                    .with("name", name)
                    .with("seed", seed)
                    .with("count", faults)));
        }
    }

    private void play(BufferedReader in) throws IOException {
        List<Check> choices = choices();
        show(choices);
        String line;
        while ((line = in.readLine()) != null && !line.strip().equalsIgnoreCase("e")) {
            String text = line.strip();
            if (text.equalsIgnoreCase("w")) {
                suspects();
            } else if (text.matches("[0-9]{1,3}")
                    && Integer.parseInt(text) >= 1
                    && Integer.parseInt(text) <= choices.size()) {
                read(choices.get(Integer.parseInt(text) - 1));
                choices = choices();
                show(choices);
            } else if (!text.isEmpty()) {
                spec.commandLine().getErr().println(Words.get("cli.practise.unknown", "text", text));
            }
        }
        tell();
    }

    private boolean isOut() {
        return evidence.values().stream().anyMatch(one -> !one.isWell());
    }

    /** The look that tells most apart, then what is left of the plan. */
    private List<Check> choices() {
        List<Check> choices = new ArrayList<>();
        if (isOut()) {
            diagnosed().next().ifPresent(choices::add);
        }
        for (Check check : planted.wake().checks()) {
            if (choices.size() < MOST_CHOICES && !evidence.containsKey(check.id()) && !choices.contains(check)) {
                choices.add(check);
            }
        }
        return choices;
    }

    private Suspects diagnosed() {
        return diagnosis.all(List.copyOf(evidence.values()), () -> false);
    }

    private void show(List<Check> choices) {
        if (table.json) {
            List<Map<String, Object>> all = new ArrayList<>();
            for (int i = 0; i < choices.size(); i++) {
                all.add(object(
                        "number", i + 1,
                        "id", choices.get(i).id(),
                        "title", words.title(choices.get(i)),
                        "expected", words.expected(choices.get(i).expected())));
            }
            print("choices", all);
            return;
        }
        for (int i = 0; i < choices.size(); i++) {
            Check check = choices.get(i);
            boolean isSeen = check.expected() instanceof Expected.Seen;
            out.println(Words.say(Fact.of(isSeen ? "cli.practise.look" : "cli.practise.choice")
                    .with("number", i + 1)
                    .with("title", words.title(check))
                    .with("expected", words.expected(check.expected()))));
        }
        out.flush();
    }

    private void read(Check check) {
        Optional<Answer> answer = bench.ask(check.asked());
        if (answer.isEmpty()) {
            String why = Words.get("practice.no_answer");
            if (table.json) {
                print("unanswered", object("id", check.id(), "why", why));
            } else {
                out.println(Words.say(Fact.of("cli.practise.no_answer")
                        .with("title", words.title(check))
                        .with("why", why)));
            }
            return;
        }
        looks += isOut() ? 1 : 0;
        Evidence read = new Evidence(check, answer.get());
        evidence.put(check.id(), read);
        String value = ReadingWords.say(check, answer.get());
        if (table.json) {
            print("reading", object("id", check.id(), "value", value, "isWell", read.isWell()));
        } else {
            out.println(Words.say(Fact.of("cli.practise.read")
                    .with("title", words.title(check))
                    .with("value", value)
                    .with("verdict", Words.get(read.isWell() ? "wake.verdict.seen" : "wake.verdict.not_seen"))));
        }
    }

    private void suspects() {
        if (!isOut() && !table.json) {
            out.println(Words.get("suspects.all_well"));
            return;
        }
        Suspects found = diagnosed();
        List<Map<String, Object>> all = new ArrayList<>();
        for (Suspect suspect : found.list().stream().limit(MOST_SUSPECTS).toList()) {
            all.add(object("share", suspect.share(), "what", say(suspect)));
        }
        if (table.json) {
            print("suspects", all);
        } else {
            all.forEach(one -> out.println(Words.say(Fact.of("cli.practise.suspect")
                    .with("share", new Share(round((double) one.get("share"))))
                    .with("what", one.get("what")))));
            out.println(Words.say(Fact.of("cli.practise.suspect")
                    .with("share", new Share(round(found.somethingElse())))
                    .with("what", Words.get("suspects.else"))));
        }
        out.flush();
    }

    private static double round(double share) {
        return Math.rint(share * 100) / 100;
    }

    private String say(Suspect suspect) {
        String first = causes.say(suspect.first());
        int others = suspect.alike().size() - 1;
        return others == 0
                ? first
                : Words.say(Fact.of("fault.alike").with("one", first).with("count", others));
    }

    private void tell() {
        Planted.Hindsight hindsight = planted.hindsight();
        String what = planted.faults().isEmpty()
                ? Words.get("practice.planted.none")
                : Words.get(
                        "practice.planted",
                        "faults",
                        planted.faults().stream().map(causes::say).collect(Collectors.joining("; ")));
        if (table.json) {
            print(
                    "end",
                    object(
                            "planted",
                            planted.faults().stream().map(causes::say).toList(),
                            "looks",
                            looks,
                            "inkel_looks",
                            hindsight.looks().stream().map(Check::id).toList()));
            return;
        }
        out.println(what);
        if (!planted.faults().isEmpty()) {
            out.println(Words.say(Fact.of("practice.hindsight")
                    .with("yours", looks)
                    .with("looks", hindsight.looks().size())));
            out.println(
                    hindsight.looks().isEmpty()
                            ? Words.get("practice.hindsight.none")
                            : Words.get(
                                    "practice.hindsight.looks",
                                    "looks",
                                    hindsight.looks().stream().map(words::title).collect(Collectors.joining("; "))));
        }
    }

    /** Keys and values in turn, in that order. */
    private static Map<String, Object> object(Object... pairs) {
        Map<String, Object> made = Json.object();
        for (int i = 0; i < pairs.length; i += 2) {
            made.put((String) pairs[i], pairs[i + 1]);
        }
        return made;
    }

    /** One object a line. */
    private void print(String what, Object value) {
        Map<String, Object> line = Json.object();
        line.put(what, value);
        out.println(Json.line(line));
        out.flush();
    }
}
