package inkel.stress.kit;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/** Another Java with the same classes, that writes lines and is ended at a moment of our choosing. */
public final class Child implements AutoCloseable {
    private static final Duration LONGEST_START = Duration.ofSeconds(60);

    /** A line of the child and when it was read, in nanoseconds of this Java's clock. */
    public record Line(String text, long at) {}

    private final Process process;
    private final Path errors;
    private final List<Line> lines = new ArrayList<>();
    private final Thread reader;

    private Child(Process process, Path errors) {
        this.process = process;
        this.errors = errors;
        reader = new Thread(this::read, "child");
        reader.setDaemon(true);
        reader.start();
    }

    public static Child of(Class<?> main, String... words) throws IOException {
        List<String> command = new ArrayList<>();
        command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        // Modules and properties as here; an agent of the tests would only slow it down.
        ManagementFactory.getRuntimeMXBean().getInputArguments().stream()
                .filter(word -> !word.startsWith("-javaagent") && !word.startsWith("-Xlog"))
                .forEach(command::add);
        // Set after the start by whoever runs the tests, so that no input argument tells of it.
        Optional.ofNullable(System.getProperty("inkel.home")).ifPresent(home -> command.add("-Dinkel.home=" + home));
        command.addAll(
                List.of("-XX:TieredStopAtLevel=1", "-cp", System.getProperty("java.class.path"), main.getName()));
        Stream.of(words).forEach(command::add);
        Path errors = Files.createTempFile("inkel-stress-child", ".txt");
        errors.toFile().deleteOnExit();
        ProcessBuilder builder = new ProcessBuilder(command).redirectError(errors.toFile());
        return new Child(builder.start(), errors);
    }

    private void read() {
        try (BufferedReader from =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = from.readLine(); line != null; line = from.readLine()) {
                synchronized (lines) {
                    lines.add(new Line(line, System.nanoTime()));
                    lines.notifyAll();
                }
            }
        } catch (IOException ended) {
            // Its end was asked for.
        }
    }

    /** Waits for the first line. */
    public boolean isUp() throws InterruptedException {
        long end = System.nanoTime() + LONGEST_START.toNanos();
        synchronized (lines) {
            while (lines.isEmpty() && process.isAlive() && System.nanoTime() < end) {
                lines.wait(50);
            }
            return !lines.isEmpty();
        }
    }

    /** What it wrote to its standard error, for whoever wonders why it did not come up. */
    public String errors() throws IOException {
        return Files.readString(errors);
    }

    /** As by {@code kill -9}. */
    public void kill() throws InterruptedException {
        process.destroyForcibly();
        end();
    }

    /** As by the end of a session of the system. */
    public void tellToEnd() throws InterruptedException {
        process.toHandle().destroy();
        end();
    }

    private void end() throws InterruptedException {
        process.waitFor(30, TimeUnit.SECONDS);
        reader.join(5000);
    }

    public List<Line> lines() {
        synchronized (lines) {
            return List.copyOf(lines);
        }
    }

    @Override
    public void close() {
        process.destroyForcibly();
    }
}
