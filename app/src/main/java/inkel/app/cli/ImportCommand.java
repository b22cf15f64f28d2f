package inkel.app.cli;

import inkel.app.state.ReadingsIn;
import inkel.app.store.UserState;
import inkel.app.words.SaidException;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.Kind;
import inkel.core.catalog.OwnClass;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Meter;
import inkel.core.document.edit.Edit;
import inkel.core.io.catalog.Shelf;
import inkel.core.io.document.BuildFile;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import inkel.core.remedy.PutParts;
import inkel.core.wake.BroughtReadings;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/**
 * Brings part definitions onto the shelf and, when asked, one part of each onto a build's first table; or readings of a table
 * into a build's record.
 */
@Command(
        name = "import",
        description = "Brings part definitions onto the shelf, and parts of them or readings into a build.")
final class ImportCommand implements Callable<Integer> {
    private static final int BEGINNING = 200;

    @Spec
    private CommandSpec spec;

    @Parameters(
            paramLabel = "FILE",
            description = "one part definition, many under \"parts\", or a table of readings (CSV)")
    private Path file;

    @Option(
            names = "--into",
            paramLabel = "BUILD",
            description = "put one part of each on this build's first table, or the readings into its record")
    private Path build;

    @Option(names = "--replace", description = "take the new definition where an id is on the shelf already")
    private boolean replace;

    @Override
    public Integer call() throws UnreadableFile, IOException, EditRefused {
        if (ReadingsIn.isOne(file) || isCalledTable()) {
            return readings();
        }
        if (isCapture()) {
            spec.commandLine()
                    .getErr()
                    .println(Words.say(Fact.of("cli.import.capture").with("file", file)));
            return Cli.FAILED;
        }
        List<OwnClass> entries = Shelf.parse(file);
        Catalog known = OwnCatalog.read();
        PrintWriter err = spec.commandLine().getErr();
        for (OwnClass entry : entries) {
            boolean isOther = OwnCatalog.shelf()
                    .find(entry.cls().id())
                    .filter(entry::equals)
                    .isEmpty();
            if (!replace && isOther && known.find(entry.cls().id()).isPresent()) {
                err.println(Words.get("cli.import.same_id", "id", entry.cls().id()));
                return Cli.FAILED;
            }
        }
        Shelf shelf = OwnCatalog.shelf();
        for (OwnClass entry : entries) {
            shelf = shelf.with(entry);
            err.println(Words.get("notice.kept", "name", entry.cls().name()));
        }
        if (build != null) {
            addAll(entries);
        }
        return 0;
    }

    /** Whether its name says that it is a table, whatever its columns are called. */
    private boolean isCalledTable() {
        return file.getFileName().toString().toLowerCase(Locale.ROOT).matches(".*[.](csv|tsv)");
    }

    /** Exit 0 when all were taken or are there, 1 when some were not, 2 when none was. */
    private int readings() throws UnreadableFile, IOException, EditRefused {
        PrintWriter err = spec.commandLine().getErr();
        if (build == null) {
            err.println(Words.say(Fact.of("cli.import.into").with("file", file)));
            return Cli.FAILED;
        }
        Catalog catalog = OwnCatalog.read();
        Build before = BuildReader.read(build, catalog);
        Meter meter = UserState.read(UserState.usualFolder()).meter();
        BroughtReadings found;
        try {
            found = ReadingsIn.read(file, Circuit.of(before, catalog), meter, Instant.now());
        } catch (SaidException noTable) {
            err.println(Words.say(
                    Fact.of("brought.failed").with("file", file.getFileName()).with("detail", noTable.getMessage())));
            return Cli.FAILED;
        }
        ReadingsIn.told(found, file).forEach(err::println);
        if (!found.edits().isEmpty()) {
            BuildFile.save(build, Edit.applyAll(before, found.edits()), catalog);
            err.println(Words.say(Fact.of("cli.written").with("file", build)));
        }
        boolean isNothing = found.edits().isEmpty() && found.known() == 0;
        return found.refused().isEmpty() ? 0 : isNothing ? Cli.FAILED : 1;
    }

    /** A value change dump begins with a word after a dollar sign. */
    private boolean isCapture() throws IOException {
        if (!Files.isRegularFile(file)) {
            return false;
        }
        try (InputStream in = Files.newInputStream(file)) {
            return new String(in.readNBytes(BEGINNING), StandardCharsets.UTF_8)
                    .strip()
                    .startsWith("$");
        }
    }

    private void addAll(List<OwnClass> entries) throws UnreadableFile, IOException, EditRefused {
        Catalog catalog = OwnCatalog.read();
        Build changed = BuildReader.read(build, catalog);
        for (OwnClass entry : entries) {
            if (entry.cls().kind() != Kind.BOARD) {
                Circuit circuit = Circuit.of(changed, catalog);
                String first = changed.nodes().get(0).id();
                changed = Edit.applyAll(changed, PutParts.of(circuit, first, entry.cls(), 1));
            }
        }
        BuildFile.save(build, changed, catalog);
        spec.commandLine().getErr().println(Words.say(Fact.of("cli.written").with("file", build)));
    }
}
