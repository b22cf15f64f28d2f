package inkel.stress.kit;

import java.time.Duration;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;

/** Sees to it that a round that never ends is told, with where it is. */
public final class Watch implements AutoCloseable {
    /** Most rounds are milliseconds, a walk with plans some seconds; what takes this long is stuck for whoever waits. */
    public static final Duration LONGEST = Duration.ofSeconds(60);

    private static final Duration GIVEN_UP = Duration.ofMinutes(3);
    private static final int STUCK = 3;
    private static final ScheduledExecutorService CLOCK = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "watch");
        thread.setDaemon(true);
        return thread;
    });

    private final long start = System.nanoTime();
    private final Future<?> late;

    private Watch(String what, Thread watched) {
        late = CLOCK.schedule(() -> stuck(what, watched), GIVEN_UP.toMillis(), TimeUnit.MILLISECONDS);
    }

    static Watch over(String what) {
        return new Watch(what, Thread.currentThread());
    }

    private static void stuck(String what, Thread watched) {
        System.err.println(what + " does not end:");
        for (StackTraceElement frame : watched.getStackTrace()) {
            System.err.println("    at " + frame);
        }
        Runtime.getRuntime().halt(STUCK);
    }

    boolean isLate() {
        return System.nanoTime() - start > LONGEST.toNanos();
    }

    String took() {
        return (System.nanoTime() - start) / 1_000_000 + " ms";
    }

    @Override
    public void close() {
        late.cancel(false);
    }
}
