package inkel.app.cli;

import inkel.app.export.Export;
import inkel.app.export.Exports;
import inkel.app.store.Drawers;
import inkel.app.store.UserState;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.drawer.Drawer;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Function;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
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
            paramLabel = "KIND",
            description = "one of: ${COMPLETION-CANDIDATES}",
            completionCandidates = Kinds.class)
    private String kind;

    @Option(names = "--all", description = "every kind, into the folder that -o names")
    private boolean isAll;

    @Option(
            names = "--node",
            paramLabel = "ID",
            description = "of which board, for what is of one; the first unless told")
    private String node;

    @Option(names = "-o", paramLabel = "OUT", description = "write here instead of to standard output, which is also -")
    private Path out;

    @Override
    public Integer call() throws UnreadableFile, IOException {
        if (isAll) {
            return all();
        }
        Optional<Export> export = Optional.ofNullable(kind).flatMap(Exports::find);
        if (export.isEmpty()) {
            spec.commandLine()
                    .getErr()
                    .println(Words.say(Fact.of("cli.export.unknown")
                            .with("kind", kind == null ? "" : kind)
                            .with("known", String.join(", ", new Kinds()))));
            return Cli.FAILED;
        }
        var catalog = OwnCatalog.read();
        Assessment assessment = Assessment.assess(BuildReader.read(file, catalog), catalog);
        Node of = board(assessment.build(), export.get().isOfOneBoard());
        Optional<byte[]> made = export.get().make().apply(new Export.Of(assessment, drawer(), of.id()));
        if (made.isEmpty()) {
            spec.commandLine().getErr().println(Words.get("export.not_this_board", "name", of.name()));
            return Cli.FAILED;
        }
        byte[] content = made.get();
        if (out == null || out.toString().equals("-")) {
            if (export.get().isText()) {
                spec.commandLine().getOut().print(new String(content, StandardCharsets.UTF_8));
            } else {
                System.out.write(content);
                System.out.flush();
            }
        } else {
            AtomicFile.write(out, content);
            spec.commandLine().getErr().println(Words.get("cli.written", "file", out));
        }
        return 0;
    }

    /** The board that is asked for; where none is and there are several, the first, which is said. */
    private Node board(Build build, boolean isOfOneBoard) {
        List<Node> nodes = build.nodes();
        Node first = nodes.get(0);
        if (node == null) {
            if (isOfOneBoard && nodes.size() > 1) {
                spec.commandLine().getErr().println(Words.get("cli.export.first", "name", first.name()));
            }
            return first;
        }
        return nodes.stream()
                .filter(each -> each.id().equals(node))
                .findFirst()
                .orElseThrow(() -> new ParameterException(
                        spec.commandLine(),
                        Words.say(Fact.of("cli.no_node")
                                .with("node", node)
                                .with("known", nodes.stream().map(Node::id).collect(Collectors.joining(", "))))));
    }

    private Drawer drawer() {
        return Drawers.read(UserState.usualFolder()).withoutStanding(Drawers.key(file));
    }

    private int all() throws UnreadableFile, IOException {
        if (out == null) {
            spec.commandLine().getErr().println(Words.get("cli.export.no_folder"));
            return Cli.FAILED;
        }
        var catalog = OwnCatalog.read();
        Assessment assessment = Assessment.assess(BuildReader.read(file, catalog), catalog);
        Files.createDirectories(out);
        String stem = file.getFileName().toString().replaceFirst("(\\.inkel)?\\.json$", "");
        for (Map.Entry<String, Function<Assessment, byte[]>> each :
                Exports.files(stem, drawer(), assessment).entrySet()) {
            AtomicFile.write(out.resolve(each.getKey()), each.getValue().apply(assessment));
            spec.commandLine().getErr().println(Words.get("cli.written", "file", out.resolve(each.getKey())));
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
