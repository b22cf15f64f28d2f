package inkel.core.finding;

import java.util.function.Supplier;

/** Something that is worked out when it is first asked for, and only once. */
public final class Once<T> implements Supplier<T> {
    private Supplier<T> work;
    private T value;

    public Once(Supplier<T> work) {
        this.work = work;
    }

    @Override
    public synchronized T get() {
        if (work != null) {
            value = work.get();
            work = null;
        }
        return value;
    }
}
