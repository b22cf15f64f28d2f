package inkel.core.io.catalog;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.OwnClass;
import inkel.core.catalog.PartClass;
import inkel.core.io.json.Fields;
import inkel.core.io.json.JsonText;
import inkel.core.io.json.JsonText.BadJson;
import inkel.core.io.json.Problem;
import inkel.core.io.json.UnreadableFile;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Reads the catalogue that is shipped with Inkel. */
public final class CatalogReader {
    private static final String FOLDER = "/inkel/core/catalog/";
    private static final String ENDING = ".json";

    private CatalogReader() {}

    /**
     * The shipped catalogue, in the order of the index; a class is read when it is first asked for.
     *
     * @throws IllegalStateException when a shipped file is wrong, which the tests keep from happening
     */
    public static Catalog shipped() {
        List<String> ids = index().stream()
                .map(name -> name.substring(0, name.length() - ENDING.length()))
                .toList();
        return Catalog.reading(ids, CatalogReader::shippedClass);
    }

    private static PartClass shippedClass(String id) {
        try {
            return read(Path.of(id + ENDING), resource(id + ENDING));
        } catch (UnreadableFile wrong) {
            throw new IllegalStateException(wrong);
        }
    }

    /** The names of the shipped files, in order. */
    public static List<String> index() {
        return resource("index.txt").lines().filter(line -> !line.isBlank()).toList();
    }

    /** Reads a class from text; the file is only for messages. */
    public static PartClass read(Path file, String text) throws UnreadableFile {
        List<Problem> problems = new ArrayList<>();
        try {
            PartClass cls = PartClassReader.read(JsonText.parse(text), problems);
            if (problems.isEmpty()) {
                return cls;
            }
            throw new UnreadableFile(file, JsonText.located(text, problems));
        } catch (BadJson bad) {
            throw new UnreadableFile(file, List.of(bad.problem()));
        }
    }

    /** Reads a definition that stands in another file; its problems are noted where it stands. */
    public static OwnClass own(Fields definition) {
        return new OwnClass(PartClassReader.read(definition), JsonText.pretty(definition.tree()));
    }

    /** The text of a shipped file. */
    public static String resource(String name) {
        try (InputStream stream = CatalogReader.class.getResourceAsStream(FOLDER + name)) {
            if (stream == null) {
                throw new IllegalStateException("no shipped catalogue file " + name);
            }
            return new String(stream.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
