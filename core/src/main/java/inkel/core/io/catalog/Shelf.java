package inkel.core.io.catalog;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.catalog.OwnClass;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.Fields;
import inkel.core.io.json.JsonText;
import inkel.core.io.json.Problem;
import inkel.core.io.json.TextFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A builder's own part classes: a folder with one JSON file for each. A file that is broken is told and left out; it
 * never takes the others down.
 *
 * @param entries by id
 * @param broken the files that could not be read, each with its problems
 */
public record Shelf(Path folder, Map<String, OwnClass> entries, List<UnreadableFile> broken) {
    private static final String ENDING = ".json";
    private static final String LIST = "parts";

    public Shelf {
        entries = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(entries));
        broken = List.copyOf(broken);
    }

    /** Reads the folder; one that is not there is an empty shelf. */
    public static Shelf read(Path folder) {
        Map<String, OwnClass> entries = new LinkedHashMap<>();
        List<UnreadableFile> broken = new ArrayList<>();
        for (Path file : files(folder)) {
            try {
                for (OwnClass entry : parse(file)) {
                    entries.putIfAbsent(entry.cls().id(), entry);
                }
            } catch (UnreadableFile wrong) {
                broken.add(wrong);
            }
        }
        return new Shelf(folder, entries, broken);
    }

    private static List<Path> files(Path folder) {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.getFileName().toString().endsWith(ENDING))
                    .sorted()
                    .toList();
        } catch (IOException unreadable) {
            return List.of();
        }
    }

    public List<OwnClass> classes() {
        return List.copyOf(entries.values());
    }

    public Optional<OwnClass> find(String id) {
        return Optional.ofNullable(entries.get(id));
    }

    /** As {@link #parse(Path, String)}, from the file itself. */
    public static List<OwnClass> parse(Path file) throws UnreadableFile {
        return parse(file, TextFile.read(file));
    }

    /**
     * Reads a definition file: one definition, or many under {@code parts}.
     *
     * @throws UnreadableFile when any of them is not a definition, with field and reason
     */
    public static List<OwnClass> parse(Path file, String text) throws UnreadableFile {
        JsonNode tree;
        try {
            tree = JsonText.parse(text);
        } catch (JsonText.BadJson bad) {
            throw new UnreadableFile(file, List.of(bad.problem()));
        }
        if (!tree.path(LIST).isArray()) {
            return List.of(new OwnClass(CatalogReader.read(file, text), JsonText.pretty(tree)));
        }
        List<OwnClass> entries = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < tree.get(LIST).size(); i++) {
            String one = JsonText.pretty(tree.get(LIST).get(i));
            try {
                entries.add(new OwnClass(CatalogReader.read(file, one), one));
            } catch (UnreadableFile wrong) {
                String at = "/" + LIST + "/" + i;
                wrong.problems()
                        .forEach(problem -> problems.add(new Problem(0, at + problem.field(), problem.reason())));
            }
        }
        if (!problems.isEmpty()) {
            throw new UnreadableFile(file, JsonText.located(text, problems));
        }
        if (entries.isEmpty()) {
            throw new UnreadableFile(
                    file, List.of(new Problem(0, "", Fact.of("problem.required").with("key", LIST))));
        }
        return entries;
    }

    /**
     * This shelf with one more definition, which takes the place of one with the same id. It is saved at once.
     *
     * @throws IOException when it cannot be written, or would take the place of a file that is no definition of that id
     */
    public Shelf with(OwnClass entry) throws IOException {
        Path file = fileOf(entry.cls().id());
        if (Files.exists(file) && !isDefinitionOf(file, entry.cls().id())) {
            throw new FileAlreadyExistsException(file.toString(), null, "it is no definition of that id");
        }
        Files.createDirectories(folder);
        AtomicFile.write(file, entry.json());
        Map<String, OwnClass> more = new LinkedHashMap<>(entries);
        more.put(entry.cls().id(), entry);
        return new Shelf(folder, more, broken);
    }

    /** As {@link #with(OwnClass)} for several, one after the other. */
    public Shelf with(List<OwnClass> added) throws IOException {
        Shelf shelf = this;
        for (OwnClass entry : added) {
            shelf = shelf.with(entry);
        }
        return shelf;
    }

    private static boolean isDefinitionOf(Path file, String id) {
        try {
            return parse(file).stream().anyMatch(entry -> entry.cls().id().equals(id));
        } catch (UnreadableFile noDefinition) {
            return false;
        }
    }

    /** This shelf without a definition; its file is taken away. */
    public Shelf without(String id) throws IOException {
        Files.deleteIfExists(fileOf(id));
        Map<String, OwnClass> fewer = new LinkedHashMap<>(entries);
        fewer.remove(id);
        return new Shelf(folder, fewer, broken);
    }

    /** Ids are checked when they are read; one that is no name of a file in the folder is refused here all the same. */
    private Path fileOf(String id) throws IOException {
        if (!Fields.isId(id)) {
            throw new IOException("not a name of a definition: " + id);
        }
        return folder.resolve(id + ENDING);
    }

    /** One definition as it is, several under {@code parts}. */
    public static String export(List<OwnClass> entries) {
        if (entries.size() == 1) {
            return entries.get(0).json();
        }
        ObjectNode tree = JsonText.object();
        ArrayNode list = tree.putArray(LIST);
        for (OwnClass entry : entries) {
            try {
                list.add(JsonText.parse(entry.json()));
            } catch (JsonText.BadJson broken) {
                throw new IllegalStateException("an entry was read before", broken);
            }
        }
        return JsonText.pretty(tree);
    }
}
