package inkel.app.cli;

import inkel.app.ui.loom.LoomSvg;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.function.Function;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Writes a build in another form. */
@Command(name = "export", description = "Writes a build in another form.")
final class ExportCommand implements Callable<Integer> {
    private static final Map<String, Function<Assessment, String>> KINDS = kinds();

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "FILE", description = "a build file")
    private Path file;

    @Option(
            names = "--as",
            required = true,
            paramLabel = "KIND",
            description = "wires.csv, parts.csv, power.csv, loom.svg")
    private String kind;

    @Option(names = "-o", paramLabel = "OUT", description = "write here instead of to standard output")
    private Path out;

    private static Map<String, Function<Assessment, String>> kinds() {
        Map<String, Function<Assessment, String>> kinds = new LinkedHashMap<>();
        kinds.put("wires.csv", WiresCsv::of);
        kinds.put("parts.csv", PartsCsv::of);
        kinds.put("power.csv", PowerCsv::of);
        kinds.put("loom.svg", LoomSvg::of);
        return kinds;
    }

    @Override
    public Integer call() throws UnreadableFile, IOException {
        if (!KINDS.containsKey(kind)) {
            spec.commandLine()
                    .getErr()
                    .println(Words.say(Fact.of("cli.export.unknown")
                            .with("kind", kind)
                            .with("known", String.join(", ", KINDS.keySet()))));
            return Cli.FAILED;
        }
        var catalog = OwnCatalog.read();
        Assessment assessment = Assessment.assess(BuildReader.read(file, catalog), catalog);
        String text = KINDS.get(kind).apply(assessment);
        if (out == null) {
            spec.commandLine().getOut().print(text);
        } else {
            AtomicFile.write(out, text);
            spec.commandLine().getErr().println(Words.get("cli.written", "file", out));
        }
        return 0;
    }
}
