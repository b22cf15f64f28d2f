package inkel.app.lab;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The launcher in odd places, with a Java, a Maven and a display that only write down how they are called. */
class LauncherTest {
    private static final String JAVA =
            """
            #!/bin/bash
            if [[ "$1" == -version ]]; then echo "openjdk version \\"%s\\" 2021-01-01" >&2; exit 0; fi
            echo "$0 $*" >> "$LOG"
            for word in "$@"; do
              if [[ "$word" == -XX:ArchiveClassesAtExit=* ]]; then echo archive > "${word#*=}"; exit 0; fi
            done
            if [[ "$*" == *Main*demo* ]]; then
              trap 'echo ended >> "$LOG"; exit 143' TERM
              echo $$ > "$LOG.pid"
              for i in {1..300}; do sleep 0.1; done
            fi
            echo '{"answer": 42}'
            """;
    private static final String MAVEN =
            """
            #!/bin/bash
            echo "mvn $*" >> "$LOG"
            sleep 0.5
            mkdir -p {core,app,stress,lab}/target app/target/{lib,fx}
            for jar in core/target/inkel-core app/target/inkel-app stress/target/inkel-stress lab/target/inkel-lab \\
                app/target/lib/inkel-core app/target/lib/other app/target/fx/toolkit; do
              touch "$jar-0.1.0.jar"
            done
            """;
    private static final String DISPLAY =
            """
            #!/bin/bash
            echo "Xvfb $*" >> "$LOG"
            echo $$ > "$LOG.display"
            echo 7 >&3
            exec sleep 60
            """;

    @TempDir
    private Path folder;

    private Path root;
    private Path tools;
    private Path log;
    private final Map<String, String> environment = new LinkedHashMap<>();
    private final List<Process> started = new ArrayList<>();

    @BeforeEach
    void checkout() throws IOException {
        root = checkout("checkout");
        tools = Files.createDirectories(folder.resolve("tools/bin"));
        log = folder.resolve("log");
        tool(tools.resolve("java"), JAVA.formatted("17.0.1"));
        tool(tools.resolve("javac"), "#!/bin/bash\n");
        tool(tools.resolve("mvn"), MAVEN);
        tool(tools.resolve("Xvfb"), DISPLAY);
        environment.put("PATH", tools + ":/usr/bin:/bin");
        environment.put("LOG", log.toString());
        environment.put("DISPLAY", ":1");
    }

    @AfterEach
    void end() {
        started.forEach(Process::destroyForcibly);
    }

    private Path checkout(String name) throws IOException {
        Path made = Files.createDirectories(folder.resolve(name));
        Path script = Path.of(System.getProperty("user.dir")).resolveSibling("inkel");
        Files.copy(script, made.resolve("inkel"));
        made.resolve("inkel").toFile().setExecutable(true);
        Files.writeString(made.resolve("pom.xml"), "");
        for (String module : List.of("core", "app", "stress", "lab")) {
            Files.createDirectories(made.resolve(module).resolve("src/main"));
            Files.writeString(made.resolve(module).resolve("pom.xml"), "");
        }
        return made;
    }

    private static void tool(Path file, String text) throws IOException {
        Files.createDirectories(file.getParent());
        Files.writeString(file, text);
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rwxr-xr-x"));
    }

    private record Ran(int code, String out, String err) {}

    private Process start(Path script, String... words) throws IOException {
        List<String> command = new ArrayList<>(List.of(script.toString()));
        command.addAll(List.of(words));
        ProcessBuilder builder = new ProcessBuilder(command).directory(folder.toFile());
        builder.environment().keySet().removeAll(List.of("JAVA_HOME", "CDPATH", "DISPLAY"));
        builder.environment().putAll(environment);
        Process process = builder.start();
        started.add(process);
        return process;
    }

    private static Ran ended(Process process) throws Exception {
        String out = new String(process.getInputStream().readAllBytes(), UTF_8);
        String err = new String(process.getErrorStream().readAllBytes(), UTF_8);
        assertTrue(process.waitFor(20, TimeUnit.SECONDS));
        return new Ran(process.exitValue(), out, err);
    }

    private Ran run(Path script, String... words) throws Exception {
        return ended(start(script, words));
    }

    private List<String> calls(String tool) throws IOException {
        return Files.readAllLines(log).stream()
                .filter(line -> line.contains(tool))
                .toList();
    }

    private void until(Path there) throws Exception {
        for (int i = 0; i < 200 && !Files.exists(there); i++) {
            Thread.sleep(50);
        }
        assertTrue(Files.exists(there), there.toString());
    }

    @Test
    void theAnswerAloneIsOnStandardOutput() throws Exception {
        Ran first = run(root.resolve("inkel"), "check", "x");
        assertEquals(0, first.code(), first.err());
        assertEquals("{\"answer\": 42}\n", first.out());
        assertEquals(
                "{\"answer\": 42}\n", run(root.resolve("inkel"), "check", "x").out());
        assertEquals(1, calls("mvn").size(), "built once");
    }

    @Test
    void throughLinksAndWithASearchPathForFolders() throws Exception {
        Path one = folder.resolve("elsewhere/one");
        Files.createDirectories(one.getParent());
        Files.createSymbolicLink(one, Path.of("../checkout/inkel"));
        Path two = folder.resolve("two");
        Files.createSymbolicLink(two, one);
        environment.put("CDPATH", folder.toString());
        Ran ran = run(two, "check", "x");
        assertEquals("{\"answer\": 42}\n", ran.out(), ran.err());
        assertTrue(calls("java ").get(0).contains(root.toRealPath() + "/app/target/inkel-app-0.1.0.jar"));
    }

    @Test
    void twoAtOnceBuildOnce() throws Exception {
        Process one = start(root.resolve("inkel"), "check", "x");
        Process two = start(root.resolve("inkel"), "check", "x");
        assertEquals(0, ended(one).code());
        assertEquals(0, ended(two).code());
        assertEquals(1, calls("mvn").size());
        assertFalse(Files.exists(root.resolve("app/.building")));
    }

    @Test
    void aBuildThatWasKilledKeepsNobodyOut() throws Exception {
        Process gone = new ProcessBuilder("true").start();
        gone.waitFor();
        Files.createSymbolicLink(root.resolve("app/.building"), Path.of(String.valueOf(gone.pid())));
        assertEquals(0, run(root.resolve("inkel"), "check", "x").code());
    }

    @Test
    void whatIsMissingIsBuiltAgain() throws Exception {
        run(root.resolve("inkel"), "check", "x");
        Files.delete(root.resolve("app/target/lib/other-0.1.0.jar"));
        assertEquals(0, run(root.resolve("inkel"), "check", "x").code());
        assertEquals(2, calls("mvn").size());
    }

    @Test
    void anArchiveOfAnotherFolderOrAnotherJavaIsMadeAnew() throws Exception {
        Process window = start(root.resolve("inkel"), "demo");
        until(folder.resolve("log.pid"));
        window.toHandle().destroy();
        ended(window);
        assertEquals(1, calls("ArchiveClassesAtExit").size());
        Path moved = folder.resolve("moved");
        Files.move(root, moved);
        Files.delete(folder.resolve("log.pid"));
        Process again = start(moved.resolve("inkel"), "demo");
        until(folder.resolve("log.pid"));
        again.toHandle().destroy();
        Ran ran = ended(again);
        assertEquals(2, calls("ArchiveClassesAtExit").size());
        assertEquals("", ran.out());
        tool(folder.resolve("other/bin/java"), JAVA.formatted("21.0.2"));
        tool(folder.resolve("other/bin/javac"), "#!/bin/bash\n");
        environment.put("PATH", folder.resolve("other/bin") + ":" + tools + ":/usr/bin:/bin");
        Files.delete(folder.resolve("log.pid"));
        Process third = start(moved.resolve("inkel"), "demo");
        until(folder.resolve("log.pid"));
        third.toHandle().destroy();
        ended(third);
        assertEquals(3, calls("ArchiveClassesAtExit").size());
    }

    @Test
    void anOldJavaInFrontIsPassedOver() throws Exception {
        tool(folder.resolve("old/bin/java"), JAVA.formatted("11.0.2"));
        tool(folder.resolve("new/bin/java"), JAVA.formatted("17.0.9"));
        tool(folder.resolve("new/bin/javac"), "#!/bin/bash\n");
        environment.put("PATH", folder.resolve("old/bin") + ":" + tools + ":/usr/bin:/bin");
        environment.put("JAVA_HOME", folder.resolve("new").toString());
        Ran ran = run(root.resolve("inkel"), "check", "x");
        assertEquals(0, ran.code(), ran.err());
        assertFalse(ran.err().contains("missing"), ran.err());
        assertTrue(calls("check x")
                .get(0)
                .startsWith(folder.resolve("new/bin/java").toString()));
    }

    @Test
    void whatIsBuiltNeedsNoCompiler() throws Exception {
        run(root.resolve("inkel"), "check", "x");
        tool(folder.resolve("plain/bin/java"), JAVA.formatted("17.0.9"));
        environment.put("PATH", folder.resolve("plain/bin") + ":/usr/bin:/bin");
        Ran ran = run(root.resolve("inkel"), "check", "x");
        assertEquals("{\"answer\": 42}\n", ran.out(), ran.err());
        assertTrue(calls("check x")
                .get(1)
                .startsWith(folder.resolve("plain/bin/java").toString()));
    }

    @Test
    void aColonInTheNameOfTheFolderIsToldInOneSentence() throws Exception {
        Ran ran = run(checkout("a:b").resolve("inkel"), "check", "x");
        assertEquals(2, ran.code());
        assertEquals("", ran.out());
        assertTrue(ran.err().contains("colon"), ran.err());
        assertEquals(1, ran.err().lines().count());
    }

    @Test
    void whoMayNotBuildIsToldSo() throws Exception {
        Files.setPosixFilePermissions(root.resolve("app"), PosixFilePermissions.fromString("r-xr-xr-x"));
        Assumptions.assumeFalse(Files.isWritable(root.resolve("app")), "this user may write everywhere");
        Ran ran = run(root.resolve("inkel"), "check", "x");
        assertEquals(2, ran.code());
        assertTrue(ran.err().contains("not built yet"), ran.err());
    }

    @Test
    void aSignalToTheLauncherEndsTheWindowAsItselfWould() throws Exception {
        for (String display : List.of(":1", "")) {
            Files.deleteIfExists(folder.resolve("log.pid"));
            environment.put("DISPLAY", display);
            Process window = start(root.resolve("inkel"), "demo");
            until(folder.resolve("log.pid"));
            long before = calls("ended").size();
            window.toHandle().destroy();
            Ran ran = ended(window);
            assertEquals(143, ran.code(), ran.err());
            assertEquals(before + 1, calls("ended").size());
        }
        assertGone(folder.resolve("log.display"));
    }

    @Test
    void aLauncherThatIsKilledLeavesNothingBehind() throws Exception {
        Assumptions.assumeTrue(Files.isExecutable(Path.of("/usr/bin/setpriv")), "no setpriv here");
        environment.put("DISPLAY", "");
        Process window = start(root.resolve("inkel"), "demo");
        until(folder.resolve("log.pid"));
        window.destroyForcibly();
        assertGone(folder.resolve("log.pid"));
        assertGone(folder.resolve("log.display"));
        assertEquals(1, calls("ended").size());
    }

    private static void assertGone(Path pid) throws Exception {
        long number = Long.parseLong(Files.readString(pid).strip());
        for (int i = 0; i < 200 && isRunning(number); i++) {
            Thread.sleep(50);
        }
        assertFalse(isRunning(number), pid.getFileName().toString());
    }

    /** One that has ended and waits for somebody to ask how is not running. */
    private static boolean isRunning(long pid) throws IOException {
        Path status = Path.of("/proc/" + pid + "/stat");
        try {
            return Files.exists(status) && !Files.readString(status).contains(") Z ");
        } catch (IOException gone) {
            return false;
        }
    }
}
