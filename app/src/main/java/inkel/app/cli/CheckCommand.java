package inkel.app.cli;

import inkel.app.words.CodeWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.checks.Reports;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.TextFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import inkel.core.tune.code.CodeBack;
import inkel.core.tune.code.CodeConstants;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Prints what is wrong with a build. */
@Command(name = "check", description = "Lists what is wrong with a build. Exit 0: no stop; 1: some; 2: cannot be read.")
final class CheckCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "FILE", description = "a build file")
    private Path file;

    @Option(names = "--json", description = "print one JSON object")
    private boolean json;

    @Option(
            names = "--code",
            paramLabel = "PROGRAM",
            description = "a program: its constants are held against those of the plan, by their names")
    private Path code;

    @Override
    public Integer call() throws UnreadableFile {
        var catalog = OwnCatalog.read();
        Assessment assessment = Assessment.assess(BuildReader.read(file, catalog), catalog);
        Optional<List<CodeBack.Told>> told =
                code == null ? Optional.empty() : Optional.of(told(assessment, TextFile.read(code)));
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.println(Json.print(json(assessment, told)));
        } else {
            print(out, assessment);
            told.ifPresent(all -> print(out, all));
        }
        boolean isRight =
                told.orElse(List.of()).stream().allMatch(CodeBack.Told::isSame) && assessment.count(Severity.STOP) == 0;
        return isRight ? 0 : 1;
    }

    /** Of the board that the program has most constants of. */
    private static List<CodeBack.Told> told(Assessment assessment, String program) {
        Reports reports = assessment.reports();
        return reports.circuit().nodes().stream()
                .map(node -> CodeBack.read(
                        node,
                        CodeConstants.of(
                                node,
                                reports.pins(),
                                reports.loops().node(node.node().id()),
                                reports.radios()),
                        program))
                .max(Comparator.comparing(List::size))
                .orElse(List.of());
    }

    private static void print(PrintWriter out, List<CodeBack.Told> told) {
        told.stream().filter(one -> !one.isSame()).forEach(one -> out.println(CodeWords.say(one)));
        long same = told.stream().filter(CodeBack.Told::isSame).count();
        out.println(Words.say(Fact.of("code.back.same").with("count", same)));
    }

    private static void print(PrintWriter out, Assessment assessment) {
        for (Finding finding : assessment.findings()) {
            out.printf(
                    "%-5s %s  %s%n      %s%n",
                    Words.get("severity." + finding.severity().text()),
                    finding.code(),
                    finding.place(),
                    Words.say(finding.sentence()));
            finding.fixes().stream().limit(1).forEach(fix -> out.println("      → " + Words.say(fix.title())));
        }
        out.println(Words.say(Fact.of("cli.check.counts")
                .with("stop", assessment.count(Severity.STOP))
                .with("look", assessment.count(Severity.LOOK))
                .with("note", assessment.count(Severity.NOTE))));
    }

    private static Map<String, Object> json(List<CodeBack.Told> told) {
        Map<String, Object> answer = Json.object();
        answer.put("same", told.stream().filter(CodeBack.Told::isSame).count());
        answer.put(
                "differs",
                told.stream()
                        .filter(one -> !one.isSame())
                        .map(one -> {
                            Map<String, Object> line = Json.object();
                            line.put("line", one.line());
                            line.put("name", one.name());
                            line.put("found", one.found());
                            line.put("wanted", one.wanted());
                            return line;
                        })
                        .toList());
        return answer;
    }

    private Map<String, Object> json(Assessment assessment, Optional<List<CodeBack.Told>> told) {
        Map<String, Object> answer = Json.object();
        answer.put("file", file.toString());
        answer.put(
                "findings", assessment.findings().stream().map(FindingJson::of).toList());
        Map<String, Object> counts = Json.object();
        for (Severity severity : Severity.values()) {
            counts.put(severity.text(), assessment.count(severity));
        }
        answer.put("counts", counts);
        told.ifPresent(all -> answer.put("code", json(all)));
        return answer;
    }
}
