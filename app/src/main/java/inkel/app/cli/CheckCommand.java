package inkel.app.cli;

import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Map;
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

    @Override
    public Integer call() throws UnreadableFile {
        var catalog = OwnCatalog.read();
        Assessment assessment = Assessment.assess(BuildReader.read(file, catalog), catalog);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.println(Json.print(json(assessment)));
        } else {
            print(out, assessment);
        }
        return assessment.count(Severity.STOP) == 0 ? 0 : 1;
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
        out.println(Words.say(inkel.core.quantity.Fact.of("cli.check.counts")
                .with("stop", assessment.count(Severity.STOP))
                .with("look", assessment.count(Severity.LOOK))
                .with("note", assessment.count(Severity.NOTE))));
    }

    private Map<String, Object> json(Assessment assessment) {
        Map<String, Object> answer = Json.object();
        answer.put("file", file.toString());
        answer.put(
                "findings", assessment.findings().stream().map(FindingJson::of).toList());
        Map<String, Object> counts = Json.object();
        for (Severity severity : Severity.values()) {
            counts.put(severity.text(), assessment.count(severity));
        }
        answer.put("counts", counts);
        return answer;
    }
}
