package inkel.app.kit;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/** Another run of the program, in a process of its own, that has the builds open whose locks it is given. */
public final class OtherRun implements AutoCloseable {
    private final Process process;

    private OtherRun(Process process) {
        this.process = process;
    }

    /** Takes all locks that are in a folder, as the run that made them would still have them. */
    public static OtherRun holding(Path folder) throws IOException {
        List<String> locks;
        try (Stream<Path> all = Files.list(folder)) {
            locks = all.map(Path::toString)
                    .filter(name -> name.endsWith(".lock"))
                    .toList();
        }
        Stream<String> java = Stream.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp",
                System.getProperty("java.class.path"),
                OtherRun.class.getName());
        Process process = new ProcessBuilder(Stream.concat(java, locks.stream()).toList())
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        // It says so once it has them.
        if (process.getInputStream().read() != '+') {
            throw new IOException("the other run has no lock");
        }
        return new OtherRun(process);
    }

    /** Kills it, as a crash would. */
    @Override
    public void close() throws IOException {
        process.destroyForcibly();
        try {
            process.waitFor(10, TimeUnit.SECONDS);
        } catch (InterruptedException stopped) {
            throw new IOException(stopped);
        }
    }

    /** Takes the locks it is named and keeps them until it is killed. */
    public static void main(String[] locks) throws Exception {
        for (String lock : locks) {
            if (new RandomAccessFile(lock, "rw").getChannel().tryLock() == null) {
                System.exit(1);
            }
        }
        System.out.print('+');
        System.out.flush();
        Thread.sleep(Long.MAX_VALUE);
    }
}
