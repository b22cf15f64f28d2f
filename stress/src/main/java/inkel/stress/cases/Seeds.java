package inkel.stress.cases;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.app.store.Examples;
import inkel.core.catalog.Catalog;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.json.JsonText;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** The good files that ordeals begin with. */
final class Seeds {
    static final Catalog CATALOG = CatalogReader.shipped();
    static final Path FILE = Path.of("tried.inkel.json");

    private static final List<String> EXAMPLES =
            Examples.ALL.stream().map(Seeds::example).toList();
    private static final List<String> CLASSES =
            CatalogReader.index().stream().map(CatalogReader::resource).toList();

    private Seeds() {}

    private static String example(String name) {
        try {
            return Files.readString(Examples.folder().resolve(name));
        } catch (IOException gone) {
            throw new UncheckedIOException(gone);
        }
    }

    static List<String> examples() {
        return EXAMPLES;
    }

    /** All definitions of the catalogue. */
    static List<String> classes() {
        return CLASSES;
    }

    static JsonNode tree(String text) {
        try {
            return JsonText.parse(text);
        } catch (JsonText.BadJson impossible) {
            throw new IllegalStateException("a good file", impossible);
        }
    }
}
