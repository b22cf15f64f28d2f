package inkel.app.lab;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import inkel.app.about.About;
import java.io.File;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Properties;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is given to others, made and started as they would. */
class PackagerTest {
    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
    private static final long PATIENCE_SECONDS = 120;
    private static final StringWriter TOLD = new StringWriter();

    private static Path made;
    private static Path portable;
    private static Packager packager;

    @TempDir
    private Path folder;

    @BeforeAll
    static void make() throws IOException {
        made = Files.createTempDirectory("inkel packages");
        packager = new Packager(ROOT, made, new PrintWriter(TOLD, true));
        portable = packager.portable();
    }

    @AfterAll
    static void clear() throws IOException {
        Packager.delete(made);
    }

    private record Ended(int code, String out, String err) {}

    /** Runs a command with nothing of this Java in its surroundings and a home of its own. */
    private Ended run(String options, List<String> command) throws Exception {
        ProcessBuilder process = new ProcessBuilder(command);
        process.environment().keySet().removeIf(name -> name.startsWith("JAVA") || name.startsWith("XDG"));
        process.environment().put("HOME", folder.resolve("home").toString());
        process.environment().put("XDG_CONFIG_HOME", folder.resolve("config").toString());
        if (!options.isEmpty()) {
            process.environment().put("JAVA_TOOL_OPTIONS", options);
        }
        File out = folder.resolve("out").toFile();
        File err = folder.resolve("err").toFile();
        Process running = process.redirectOutput(out).redirectError(err).start();
        try {
            assertTrue(running.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS), () -> command + " did not end");
        } finally {
            running.destroyForcibly();
        }
        return new Ended(
                running.exitValue(),
                Files.readString(out.toPath(), StandardCharsets.UTF_8),
                Files.readString(err.toPath(), StandardCharsets.UTF_8));
    }

    /** Starts the window, which ends once its first picture of a build is out. */
    private Ended window(List<String> command) throws Exception {
        return run("-Dinkel.start.only=true -Dprism.order=sw", command);
    }

    private List<String> recent() throws IOException {
        Properties state = new Properties();
        try (Stream<String> lines = Files.lines(folder.resolve("config/inkel/state.properties"))) {
            state.load(new java.io.StringReader(String.join("\n", lines.toList())));
        }
        return state.stringPropertyNames().stream()
                .filter(name -> name.startsWith("recent."))
                .map(state::getProperty)
                .toList();
    }

    private Path build(String name) throws IOException {
        return Files.copy(ROOT.resolve("examples/moth-lamp.inkel.json"), folder.resolve(name));
    }

    @Test
    void theFolderRunsWhereverItIsPutAndBringsItsExamples() throws Exception {
        Path elsewhere = folder.resolve("my programs");
        Files.createDirectories(elsewhere);
        Ended copied = run("", List.of("cp", "-a", portable.toString(), elsewhere.toString()));
        assertEquals(0, copied.code(), copied.err());
        Path there = elsewhere.resolve(portable.getFileName());
        Ended version = run("", List.of(there.resolve("bin/inkel").toString(), "--version"));
        assertEquals(0, version.code(), version.err());
        assertTrue(version.out().startsWith("Inkel " + About.version() + "\n"), version.out());
        Ended checked = run(
                "",
                List.of(
                        there.resolve("bin/inkel").toString(),
                        "check",
                        there.resolve("lib/app/examples/otterbeck-locks.inkel.json")
                                .toString()));
        assertEquals(0, checked.code(), checked.err());
    }

    @Test
    void itsWindowOpensABuildAndUnpacksNothing() throws Exception {
        Path build = build("My lamp.inkel.json");
        Ended ended = window(List.of(portable.resolve("bin/inkel").toString(), build.toString()));
        assertEquals(0, ended.code(), ended.err());
        assertEquals(List.of(build.toString()), recent());
        assertFalse(Files.exists(folder.resolve("home/.openjfx")));
    }

    @Test
    void theFileManagersEntryOpensABuild() throws Exception {
        assumeTrue(isThere("dpkg-deb") && isThere("fakeroot"), "no tools here to build or read a .deb");
        Path deb = packager.installer(portable);
        Path installed = folder.resolve("installed");
        Ended unpacked = run("", List.of("dpkg-deb", "-x", deb.toString(), installed.toString()));
        assertEquals(0, unpacked.code(), unpacked.err());
        Path entry = installed.resolve("opt/inkel/lib/inkel-inkel.desktop");
        Properties said = new Properties();
        said.load(Files.newBufferedReader(entry, StandardCharsets.UTF_8));
        assertEquals(Packager.MEDIA_TYPE, said.getProperty("MimeType"));
        assertTrue(
                Files.isRegularFile(installed.resolve(said.getProperty("Icon").substring(1))));
        String types = Files.readString(installed.resolve("opt/inkel/lib/inkel-inkel-MimeInfo.xml"));
        assertTrue(types.contains("pattern=\"*.inkel.json\""), types);
        assertTrue(types.contains("type=\"" + Packager.MEDIA_TYPE + "\""), types);

        Path build = build("Garden lamp.inkel.json");
        List<String> command = new ArrayList<>();
        for (String word : said.getProperty("Exec").split(" ")) {
            command.add(word.equals("%f") ? build.toString() : word);
        }
        assertTrue(command.contains(build.toString()), "the entry takes no file: " + said.getProperty("Exec"));
        // It is not installed for the test: what would lie under / lies in a folder.
        command.set(0, installed + command.get(0));
        Ended ended = window(command);
        assertEquals(0, ended.code(), ended.err());
        assertEquals(List.of(build.toString()), recent());
    }

    @Test
    void theIconsAreThoseOfTheDrawing() throws Exception {
        for (int size : Icon.SIZES) {
            var kept = javax.imageio.ImageIO.read(
                    ROOT.resolve("app/src/main/resources/inkel/app/icon/inkel-" + size + ".png")
                            .toFile());
            var drawn = Icon.draw(size);
            assertEquals(size, kept.getWidth());
            int[] both = {size * size / 2 + size / 2, size * size / 4 + size / 8};
            for (int at : both) {
                assertEquals(drawn.getRGB(at % size, at / size), kept.getRGB(at % size, at / size));
            }
        }
    }

    private static boolean isThere(String program) {
        return Arrays.stream(System.getenv("PATH").split(File.pathSeparator))
                .anyMatch(path -> Files.isExecutable(Path.of(path).resolve(program)));
    }
}
