package inkel.app.cli;

import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.io.AtomicFile;
import inkel.core.io.BuildReader;
import inkel.core.io.CatalogReader;
import inkel.core.io.UnreadableFile;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Writes a build in another form. */
@Command(name = "export", description = "Writes a build in another form.")
final class ExportCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "FILE", description = "a build file")
    private Path file;

    @Option(names = "--as", required = true, paramLabel = "KIND", description = "wires.csv")
    private String kind;

    @Option(names = "-o", paramLabel = "OUT", description = "write here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws UnreadableFile, IOException {
        if (!kind.equals("wires.csv")) {
            spec.commandLine()
                    .getErr()
                    .println(Words.say(
                            Fact.of("cli.export.unknown").with("kind", kind).with("known", "wires.csv")));
            return Cli.FAILED;
        }
        var catalog = CatalogReader.shipped();
        String text = WiresCsv.of(Assessment.assess(BuildReader.read(file, catalog), catalog));
        if (out == null) {
            spec.commandLine().getOut().print(text);
        } else {
            AtomicFile.write(out, text);
            spec.commandLine().getErr().println(Words.get("cli.written", "file", out));
        }
        return 0;
    }
}
