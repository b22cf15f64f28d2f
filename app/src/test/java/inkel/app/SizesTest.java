package inkel.app;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What is read as a whole stays short enough to be read as a whole. */
class SizesTest {
    /** About 350 is meant; who is a little over it need not say why. */
    private static final int LONG = 400;

    private static final String WHY = "Longer than other files:";

    private static List<Path> files(String... modules) throws IOException {
        List<Path> all = new ArrayList<>();
        for (String module : modules) {
            try (Stream<Path> found = Files.walk(Path.of("..", module, "src", "main", "java"))) {
                found.filter(file -> file.toString().endsWith(".java")).forEach(all::add);
            }
        }
        return all;
    }

    private static long lines(Path file) throws IOException {
        try (Stream<String> lines = Files.lines(file)) {
            return lines.count();
        }
    }

    @Test
    void aLongFileSaysWhyItIsOne() throws Exception {
        List<String> silent = new ArrayList<>();
        List<Path> all = files("core", "app", "lab", "stress");
        for (Path file : all) {
            if (lines(file) > LONG && !Files.readString(file).contains(WHY)) {
                silent.add(file + ": " + lines(file) + " lines, and no \"" + WHY + "\"");
            }
        }
        assertEquals(List.of(), silent);
        assertTrue(all.size() > 500, "all of the program was looked at");
    }

    /** A reason that no longer is one misleads: who became short again says nothing. */
    @Test
    void aShortFileGivesNoReasonForBeingLong() throws Exception {
        List<Path> wrong = new ArrayList<>();
        for (Path file : files("core", "app", "lab", "stress")) {
            if (lines(file) < LONG * 3 / 4 && Files.readString(file).contains(WHY)) {
                wrong.add(file);
            }
        }
        assertEquals(List.of(), wrong);
    }

    @Test
    void noRoomOfTheAppHasMoreThanAQuarterOfIt() throws Exception {
        Map<Path, Long> rooms = new TreeMap<>();
        long all = 0;
        for (Path file : files("app")) {
            rooms.merge(file.getParent(), lines(file), Long::sum);
            all += lines(file);
        }
        long quarter = all / 4;
        rooms.forEach(
                (room, lines) -> assertTrue(lines <= quarter, room + " has " + lines + " lines of " + 4 * quarter));
    }
}
