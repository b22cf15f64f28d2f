package inkel.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class UserStateTest {
    @TempDir
    private Path folder;

    @Test
    void whatIsPutIsThereNextTime() {
        UserState state = UserState.read(folder);
        state.put("x", 12.5);
        state.put("night", true);
        state.addRecent(folder.resolve("a.inkel.json"));
        state.write();
        UserState next = UserState.read(folder);
        assertEquals(12.5, next.number("x", 0));
        assertTrue(next.flag("night"));
        assertEquals(List.of(folder.resolve("a.inkel.json")), next.recent());
    }

    @Test
    void theLatestFileComesFirstAndOnlyOnce() {
        UserState state = UserState.read(folder);
        for (String name : List.of("a", "b", "a")) {
            state.addRecent(folder.resolve(name));
        }
        assertEquals(List.of(folder.resolve("a"), folder.resolve("b")), state.recent());
        for (int i = 0; i < 20; i++) {
            state.addRecent(folder.resolve("file" + i));
        }
        assertEquals(8, state.recent().size());
    }

    @Test
    void aDamagedStateIsStartedAfresh() throws IOException {
        Files.writeString(folder.resolve("state.properties"), "y=\\uXYZ\nx=wide");
        assertEquals(7, UserState.read(folder).number("x", 7));
        Files.writeString(folder.resolve("state.properties"), "x=wide");
        assertEquals(7, UserState.read(folder).number("x", 7));
    }

    @Test
    void whatARunKeepsIsWhatTheNextOneFindsUntilItIsForgotten() throws IOException {
        Path file = Given.copy(Given.LOCKS, folder);
        Recovery first = new Recovery(folder.resolve("recovery"));
        assertTrue(first.left(file).isEmpty());
        first.keep(file, Given.build(Given.LOCKS));
        Recovery second = new Recovery(folder.resolve("recovery"));
        assertEquals(1, second.left(file).size());
        assertEquals(1, second.left(file).size(), "until somebody has chosen");
        second.forget(file);
        assertEquals(1, second.left(file).size(), "saving is no choice");
        second.forgetLeft(second.left(file).get(0));
        assertTrue(second.left(file).isEmpty());
    }

    @Test
    void filesOfOneNameInTwoFoldersAreKeptApart() throws IOException {
        // Two names with one hash in the way of Java.
        Path one = Files.createDirectories(folder.resolve("Aa"));
        Path two = Files.createDirectories(folder.resolve("BB"));
        assertEquals("Aa".hashCode(), "BB".hashCode());
        new Recovery(folder.resolve("recovery")).keep(Given.copy(Given.LOCKS, one), Given.build(Given.LOCKS));
        Recovery next = new Recovery(folder.resolve("recovery"));
        assertTrue(next.left(Given.copy(Given.LOCKS, two)).isEmpty());
        assertEquals(1, next.left(one.resolve(Given.LOCKS)).size());
    }

    @Test
    void aBadLineOrAnAbsurdNumberIsPassedOver() throws IOException {
        Files.writeString(
                folder.resolve("state.properties"),
                "width=1e9\nheight=NaN\nrecent.0=a\\u0000b\nrecent.1=good.inkel.json");
        UserState state = UserState.read(folder);
        assertEquals(1280, state.number("width", 1280));
        assertEquals(800, state.number("height", 800));
        assertEquals(List.of(Path.of("good.inkel.json")), state.recent());
    }
}
