package inkel.stress.kit;

import java.util.List;
import java.util.Random;

/** Picks by chance. */
public final class Chance {
    private Chance() {}

    public static <T> T of(Random random, List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    /** True once in so many times. */
    public static boolean oneIn(Random random, int many) {
        return random.nextInt(many) == 0;
    }
}
