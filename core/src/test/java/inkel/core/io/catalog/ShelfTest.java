package inkel.core.io.catalog;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.CatalogSearch;
import inkel.core.catalog.OwnClass;
import inkel.core.io.json.UnreadableFile;
import inkel.core.kit.Builds;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ShelfTest {
    @TempDir
    private Path folder;

    private static OwnClass entry(String name) {
        PartForm form = new PartForm(
                "",
                name,
                "",
                "",
                "GND VCC SDA SCL",
                "3 V",
                "5.5 V",
                "",
                "1 mA",
                "4 mA",
                PartForm.Levels.FOLLOW_SUPPLY,
                "0x29",
                "",
                "");
        PartForm.Outcome outcome = form.outcome();
        return new OwnClass(outcome.cls().orElseThrow(), outcome.json());
    }

    @Test
    void aDefinitionIsKeptFoundAndTakenAway() throws IOException {
        Shelf empty = Shelf.read(folder.resolve("not-yet-there"));
        assertEquals(List.of(), empty.classes());
        Shelf shelf = empty.with(entry("Rain gauge"));
        assertEquals(shelf.entries(), Shelf.read(shelf.folder()).entries());
        List<CatalogSearch.Hit> hits = new CatalogSearch(Builds.CATALOG.with(shelf.classes())).find("rain gauge");
        assertEquals("own-rain-gauge", hits.get(0).cls().id());
        Shelf without = shelf.without("own-rain-gauge");
        assertEquals(List.of(), without.classes());
        assertEquals(List.of(), Shelf.read(shelf.folder()).classes());
    }

    @Test
    void aBrokenFileIsToldWithItsFieldAndTheOthersAreThere() throws IOException {
        Shelf.read(folder).with(entry("Rain gauge"));
        Files.writeString(folder.resolve("a-first.json"), "{\"id\": \"x\", \"name\": 3}");
        Files.writeString(folder.resolve("b-second.json"), "{\"id\":");
        Shelf shelf = Shelf.read(folder);
        assertEquals(
                List.of("own-rain-gauge"),
                shelf.classes().stream().map(OwnClass::id).toList());
        assertEquals(2, shelf.broken().size());
        UnreadableFile first = shelf.broken().get(0);
        assertTrue(first.file().endsWith("a-first.json"));
        assertTrue(
                first.problems().stream().anyMatch(problem -> problem.field().equals("/name")),
                first.problems().toString());
    }

    @Test
    void manyGoOutInOneFileAndComeBack() throws Exception {
        List<OwnClass> both = List.of(entry("Rain gauge"), entry("Wind vane"));
        String text = Shelf.export(both);
        assertEquals(
                both.stream().map(OwnClass::cls).toList(),
                Shelf.parse(Path.of("x"), text).stream().map(OwnClass::cls).toList());
        String one = Shelf.export(both.subList(0, 1));
        assertEquals(both.get(0), Shelf.parse(Path.of("x"), one).get(0));
    }

    @Test
    void aFaultAmongManyNamesWhichOne() {
        String text = "{\"parts\": [" + entry("Rain gauge").json() + ", {\"id\": \"y\"}]}";
        UnreadableFile wrong = assertThrows(UnreadableFile.class, () -> Shelf.parse(Path.of("x"), text));
        assertTrue(
                wrong.problems().stream().allMatch(problem -> problem.field().startsWith("/parts/1")),
                wrong.problems().toString());
        assertThrows(UnreadableFile.class, () -> Shelf.parse(Path.of("x"), "{\"parts\": []}"));
        assertThrows(UnreadableFile.class, () -> Shelf.parse(Path.of("x"), "[]"));
    }

    @Test
    void anOwnDefinitionTakesThePlaceOfOneWithItsId() throws IOException {
        Shelf shelf = Shelf.read(folder).with(entry("Rain gauge"));
        PartForm other = PartForm.of(
                shelf.classes().get(0).cls(),
                shelf.entries().get("own-rain-gauge").json());
        String changed = other.outcome().json().replace("0x29", "0x2A");
        Shelf replaced = shelf.with(new OwnClass(shelf.classes().get(0).cls(), changed));
        assertEquals(1, replaced.entries().size());
        assertTrue(Files.readString(folder.resolve("own-rain-gauge.json")).contains("0x2A"));
        assertFalse(Files.readString(folder.resolve("own-rain-gauge.json")).contains("0x29"));
    }

    private static OwnClass named(String id) {
        OwnClass good = entry("Rain gauge");
        return new OwnClass(good.cls().withId(id), good.json());
    }

    @ParameterizedTest
    @ValueSource(strings = {"../outside", "/tmp/inkel-outside", "", "..", "a/b", "."})
    void anIdNeverLeadsOutOfTheFolder(String id) throws IOException {
        Path inside = Files.createDirectories(folder.resolve("shelf"));
        assertThrows(IOException.class, () -> Shelf.read(inside).with(named(id)));
        assertThrows(IOException.class, () -> Shelf.read(inside).without(id));
        try (var files = Files.list(folder)) {
            assertEquals(List.of(inside), files.toList());
        }
        String text = entry("Rain gauge").json().replace("own-rain-gauge", id);
        UnreadableFile refused = assertThrows(UnreadableFile.class, () -> Shelf.parse(Path.of("x"), text));
        assertEquals("/id", refused.problems().get(0).field());
    }

    @Test
    void aFileThatIsNoDefinitionOfThatIdIsNeverReplaced() throws IOException {
        Path other = folder.resolve("own-rain-gauge.json");
        Files.writeString(other, "{\"format\": 2, \"name\": \"A build\"}");
        Shelf shelf = Shelf.read(folder);
        assertThrows(IOException.class, () -> shelf.with(entry("Rain gauge")));
        assertEquals("{\"format\": 2, \"name\": \"A build\"}", Files.readString(other));
        Files.delete(other);
        shelf.with(entry("Rain gauge"));
        Shelf.read(folder).with(entry("Rain gauge"));
        assertTrue(Files.exists(other), "a definition gives way to a newer one of its id");
    }
}
