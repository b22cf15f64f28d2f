package inkel.core.document;

import java.util.AbstractList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Objects;
import java.util.RandomAccess;

/**
 * A list that never changes, and whose longer ones share its items: a record of thousands of lines is in every step that can
 * be undone, and costs each of them one line.
 */
final class Grown<T> extends AbstractList<T> implements RandomAccess {
    private static final int FIRST_ROOM = 8;

    /** Items of the longest list that begins like this one. */
    private static final class Store {
        /** Read without a lock: a list is handed on only after its items are in here. */
        private volatile Object[] items;

        private int used;

        Store(Object[] items, int used) {
            this.items = items;
            this.used = used;
        }

        /** Adds an item behind the others, unless another list has its own there already. */
        synchronized boolean add(int at, Object item) {
            if (used != at) {
                return false;
            }
            Object[] room = items;
            if (room.length == at) {
                room = Arrays.copyOf(room, Math.max(FIRST_ROOM, at * 2));
            }
            room[at] = item;
            items = room;
            used++;
            return true;
        }
    }

    private final Store store;
    private final int size;

    private Grown(Store store, int size) {
        this.store = store;
        this.size = size;
    }

    /** @throws NullPointerException for an item that is null */
    static <T> Grown<T> of(Collection<? extends T> items) {
        if (items instanceof Grown<?>) {
            @SuppressWarnings("unchecked") // Nothing can be put into it, so it may be read as what it holds is.
            Grown<T> same = (Grown<T>) items;
            return same;
        }
        Object[] copy = items.toArray();
        for (Object item : copy) {
            Objects.requireNonNull(item);
        }
        return new Grown<>(new Store(copy, copy.length), copy.length);
    }

    /** This list with one more item behind. */
    Grown<T> with(T item) {
        Objects.requireNonNull(item);
        Store grown = store;
        if (!grown.add(size, item)) {
            grown = new Store(Arrays.copyOf(store.items, size), size);
            grown.add(size, item);
        }
        return new Grown<>(grown, size + 1);
    }

    /** The first items of it. */
    Grown<T> first(int count) {
        return new Grown<>(store, Objects.checkIndex(count, size + 1));
    }

    @Override
    public T get(int index) {
        @SuppressWarnings("unchecked") // Only items of this type are put in.
        T item = (T) store.items[Objects.checkIndex(index, size)];
        return item;
    }

    @Override
    public int size() {
        return size;
    }
}
