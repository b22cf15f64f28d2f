package inkel.core.pins;

import java.time.Duration;
import java.util.function.BooleanSupplier;

/**
 * How long somebody waits for a plan: until nobody wants it any more, and at most for a while. What is over ends with what was
 * found by then, and never with a wrong answer; what is stopped ends without one.
 */
public final class Patience {
    private final BooleanSupplier isStopped;
    private final long start = System.nanoTime();
    private final long most;

    private Patience(BooleanSupplier isStopped, long most) {
        this.isStopped = isStopped;
        this.most = most;
    }

    /** Waits however long it takes, so that the outcome is the same on every machine. */
    public static Patience endless(BooleanSupplier isStopped) {
        return new Patience(isStopped, Long.MAX_VALUE);
    }

    /** Begins to wait now. */
    public static Patience of(Duration most, BooleanSupplier isStopped) {
        return new Patience(isStopped, most.toNanos());
    }

    /** Whether nobody wants the answer any more. */
    public boolean isStopped() {
        return isStopped.getAsBoolean();
    }

    /** Whether it has taken as long as it may. */
    public boolean isOver() {
        return System.nanoTime() - start > most;
    }
}
