package inkel.app.cli;

import inkel.app.export.Export;
import inkel.app.export.Exports;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.Optional;
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

    @Option(
            names = "--as",
            required = true,
            paramLabel = "KIND",
            description = "one of: ${COMPLETION-CANDIDATES}",
            completionCandidates = Kinds.class)
    private String kind;

    @Option(names = "-o", paramLabel = "OUT", description = "write here instead of to standard output")
    private Path out;

    @Override
    public Integer call() throws UnreadableFile, IOException {
        Optional<Export> export = Exports.find(kind);
        if (export.isEmpty()) {
            spec.commandLine()
                    .getErr()
                    .println(Words.say(Fact.of("cli.export.unknown")
                            .with("kind", kind)
                            .with("known", String.join(", ", new Kinds()))));
            return Cli.FAILED;
        }
        var catalog = OwnCatalog.read();
        Assessment assessment = Assessment.assess(BuildReader.read(file, catalog), catalog);
        byte[] content = export.get().bytes().apply(assessment);
        if (out == null) {
            spec.commandLine().getOut().print(new String(content, StandardCharsets.UTF_8));
        } else {
            AtomicFile.write(out, content);
            spec.commandLine().getErr().println(Words.get("cli.written", "file", out));
        }
        return 0;
    }

    /** The ids of all exports. */
    static final class Kinds implements Iterable<String> {
        @Override
        public Iterator<String> iterator() {
            return Exports.all().stream().map(Export::id).iterator();
        }
    }
}
