package inkel.app.cli;

import inkel.app.words.Words;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.quantity.Fact;
import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;

/** What a command takes that goes over the tables of a build. */
final class TableOptions {
    @Parameters(paramLabel = "FILE", description = "a build file")
    Path file;

    @Option(names = "--node", paramLabel = "ID", description = "only this board's table")
    String node;

    @Option(names = "--json", description = "print one JSON object")
    boolean json;

    /**
     * The tables that are asked for, in the order of the build.
     *
     * @throws ParameterException when the build has no such table
     */
    List<Node> wanted(CommandLine command, Build build) {
        List<Node> wanted = build.nodes().stream()
                .filter(each -> node == null || each.id().equals(node))
                .toList();
        if (wanted.isEmpty()) {
            String known =
                    String.join(", ", build.nodes().stream().map(Node::id).toList());
            throw new ParameterException(
                    command, Words.say(Fact.of("cli.no_node").with("node", node).with("known", known)));
        }
        return wanted;
    }
}
