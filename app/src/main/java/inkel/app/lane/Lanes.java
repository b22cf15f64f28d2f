package inkel.app.lane;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;

/**
 * Where work runs. Each kind has a lane of its own, one thing after the other, so that a long plan never keeps an edit
 * from being judged, nor a slow disk a search from its answer. Properties change on the screen lane only.
 *
 * @param judging keeps unsaved states and judges builds
 * @param keeping writes what is not saved where it outlives a crash
 * @param files reads and writes files
 * @param planning shares out pins and moves moments apart
 * @param seating finds seats on breadboards
 * @param waking foretells what the checks of the first power-up read
 * @param diagnosing thinks through what may be wrong on a bench
 * @param searching finds part classes
 * @param drawing makes what is looked at before it is printed or saved
 * @param screen the window's own thread
 */
public record Lanes(
        Executor judging,
        Executor keeping,
        Executor files,
        Executor planning,
        Executor seating,
        Executor waking,
        Executor diagnosing,
        Executor searching,
        Executor drawing,
        Executor screen) {
    private static final Duration LONGEST_WRITE = Duration.ofSeconds(30);

    /** A thread for each lane, started when first used; none keeps the program alive. */
    public static Lanes threads(Executor screen) {
        return new Lanes(
                thread("inkel judging"),
                thread("inkel keeping"),
                thread("inkel files"),
                thread("inkel planning"),
                thread("inkel seating"),
                thread("inkel waking"),
                thread("inkel diagnosing"),
                thread("inkel searching"),
                thread("inkel drawing"),
                screen);
    }

    /** One executor for all that is not the screen's. */
    public static Lanes of(Executor background, Executor screen) {
        return new Lanes(
                background,
                background,
                background,
                background,
                background,
                background,
                background,
                background,
                background,
                screen);
    }

    /** Waits for what is on its way to the disk; nothing more is taken. */
    public void finish() {
        for (Executor lane : List.of(files, keeping)) {
            if (lane instanceof ExecutorService service) {
                service.shutdown();
                try {
                    service.awaitTermination(LONGEST_WRITE.toMillis(), TimeUnit.MILLISECONDS);
                } catch (InterruptedException stopped) {
                    Thread.currentThread().interrupt();
                }
            }
        }
    }

    private static Executor thread(String name) {
        ThreadFactory threads = task -> {
            Thread thread = new Thread(task, name);
            thread.setDaemon(true);
            return thread;
        };
        // What comes after the lane was finished, at the very end of a run, is done by whoever asks for it.
        return new ThreadPoolExecutor(
                1, 1, 0, TimeUnit.SECONDS, new LinkedBlockingQueue<>(), threads, (late, lane) -> late.run());
    }
}
