package inkel.core.io.catalog;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import inkel.core.catalog.PartClass;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Definitions as the first version of the schema had them; they are kept as they are, for ever. */
class OlderDefinitionTest {
    static Stream<Path> files() throws IOException {
        try (Stream<Path> all = Files.list(Path.of("src/test/resources/inkel/core/older"))) {
            return List.copyOf(all.sorted().toList()).stream();
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void aDefinitionOfAnOlderVersionIsRead(Path file) throws Exception {
        PartClass cls = CatalogReader.read(file, Files.readString(file));
        assertEquals(file.getFileName().toString(), cls.id() + ".json");
        assertFalse(cls.pins().isEmpty());
    }
}
