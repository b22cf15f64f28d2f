package inkel.stress;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.Main;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every file that a run of the real program makes, with a home and a temporary folder of its own. */
class WrittenFilesTest {
    /** The desktop's own settings, read and cached by the library under the window toolkit for every program. */
    private static final List<String> OF_THE_DESKTOP = List.of("home/.cache/dconf/user", "home/.config/dconf/user");

    @TempDir
    private Path folder;

    @Test
    void whatIsWrittenIsInTheStateFolderOrBesideTheBuild() throws Exception {
        Path home = Files.createDirectories(folder.resolve("home"));
        Path passing = Files.createDirectories(folder.resolve("tmp"));
        Path build = Files.createDirectories(folder.resolve("builds")).resolve("lamp.inkel.json");
        Files.copy(Path.of(System.getProperty("inkel.home"), "examples", "moth-lamp.inkel.json"), build);
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:-UsePerfData",
                "-Dprism.order=sw",
                "-Duser.home=" + home,
                "-Djava.io.tmpdir=" + passing,
                "-Dinkel.home=" + System.getProperty("inkel.home"),
                "-Dinkel.state=" + folder.resolve("state"),
                "-Dinkel.start.only=true",
                "-cp",
                System.getProperty("java.class.path"),
                Main.class.getName(),
                "open",
                build.toString()));
        ProcessBuilder builder =
                new ProcessBuilder(command).directory(home.toFile()).redirectErrorStream(true);
        builder.environment().put("HOME", home.toString());
        builder.environment().keySet().removeIf(name -> name.startsWith("XDG_"));
        Process window = builder.start();
        String said = new String(window.getInputStream().readAllBytes());
        assertTrue(window.waitFor(60, TimeUnit.SECONDS));
        assertEquals(0, window.exitValue(), said);
        List<String> elsewhere;
        try (Stream<Path> all = Files.walk(folder)) {
            elsewhere = all.filter(Files::isRegularFile)
                    .map(file -> folder.relativize(file).toString())
                    .filter(name -> !name.startsWith("state/") && !name.equals("builds/lamp.inkel.json"))
                    .filter(name -> !OF_THE_DESKTOP.contains(name))
                    .toList();
        }
        assertEquals(List.of(), elsewhere);
        assertTrue(Files.exists(folder.resolve("state/state.properties")), "what it remembers");
        try (Stream<Path> machine = Files.list(folder.resolve("state/machine"))) {
            assertFalse(machine.toList().isEmpty(), "what the toolkit unpacked");
        }
    }
}
