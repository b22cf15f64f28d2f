package inkel.stress.cases;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.Kind;
import inkel.core.catalog.OwnClass;
import inkel.core.catalog.PartClass;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.Logbook;
import inkel.core.document.edit.Edit;
import inkel.core.io.catalog.Shelf;
import inkel.core.io.json.Fields;
import inkel.core.io.json.JsonText;
import inkel.core.io.json.UnreadableFile;
import inkel.core.remedy.AddParts;
import inkel.core.remedy.NewNode;
import inkel.stress.kit.Chance;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Spoiler;
import inkel.stress.kit.Tally;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;

/** Definitions with a few changes: refused, or put on a shelf and used on a table. */
public final class ClassMutants implements Ordeal {
    private final List<JsonNode> trees =
            Seeds.classes().stream().map(Seeds::tree).toList();
    private final Path home;

    public ClassMutants() throws IOException {
        home = Files.createTempDirectory("inkel-stress-shelf");
    }

    @Override
    public String name() {
        return "definitions";
    }

    @Override
    public String round() {
        return "a definition changed in one to four places, put on a shelf and on a table";
    }

    @Override
    public void round(long number, Random random, Tally tally) throws IOException {
        String text = JsonText.pretty(Spoiler.spoilt(Chance.of(random, trees), random));
        try {
            List<OwnClass> own = Shelf.parse(Path.of("tried.json"), text);
            tally.count("accepted");
            for (OwnClass one : own) {
                shelved(one, tally, text);
                used(one, random, tally, text);
            }
        } catch (UnreadableFile refused) {
            Refusals.look(refused, tally, text);
        } catch (RuntimeException | StackOverflowError crash) {
            tally.crashed("read", crash, text);
        }
    }

    private void shelved(OwnClass own, Tally tally, String text) throws IOException {
        if (!Fields.isId(own.id())) {
            tally.broke("an id that is none", own.id(), text);
            return;
        }
        Path folder = home.resolve("shelf");
        Shelf shelf = Shelf.read(folder).with(own);
        Optional<OwnClass> back = Shelf.read(folder).find(own.id());
        if (!back.equals(Optional.of(own))) {
            tally.broke("the shelf gives another definition", own.id(), text);
        }
        shelf.without(own.id());
        try (Stream<Path> all = Files.list(home)) {
            all.filter(path -> !path.equals(folder))
                    .forEach(path -> tally.broke("written outside the shelf", path.toString(), text));
        }
    }

    private void used(OwnClass own, Random random, Tally tally, String text) {
        Catalog catalog = Seeds.CATALOG.with(List.of(own));
        PartClass cls = own.cls();
        try {
            Build build;
            if (cls.kind() == Kind.BOARD) {
                List<PartClass> supplies = Seeds.CATALOG.all().stream()
                        .filter(source -> source.kind() == Kind.SOURCE)
                        .toList();
                build = new Build(
                        "Table",
                        List.of(NewNode.of(Tables.NODE, "Table", cls, Chance.of(random, supplies))),
                        Logbook.EMPTY,
                        Extras.NONE);
            } else {
                build = Tables.with(Chance.of(random, Tables.BOARDS));
                NodeCircuit node = Circuit.of(build, catalog).nodes().get(0);
                build = Edit.applyAll(build, AddParts.of(node, cls, 1));
            }
            new Use(build, catalog, random, tally, text).all();
        } catch (EditRefused refused) {
            tally.count("not put on the table");
        } catch (RuntimeException | StackOverflowError crash) {
            tally.crashed("put on a table", crash, text);
        }
    }
}
