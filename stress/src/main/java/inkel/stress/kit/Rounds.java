package inkel.stress.kit;

import java.util.Random;
import java.util.function.BooleanSupplier;

/** Runs rounds of an ordeal, each with chance of its own, so that one can be run again by its number. */
public final class Rounds {
    private static final long SPREAD = 0x9E3779B97F4A7C15L;

    private Rounds() {}

    /** @param isOver asked before every round with how many there were */
    public static Tally of(Ordeal ordeal, long seed, BooleanSupplier isOver) {
        Tally tally = new Tally();
        for (long number = 0; !isOver.getAsBoolean(); number++) {
            one(ordeal, seed, number, tally);
        }
        return tally;
    }

    /** As many rounds as are told. */
    public static Tally of(Ordeal ordeal, long seed, long count) {
        Tally tally = new Tally();
        for (long number = 0; number < count; number++) {
            one(ordeal, seed, number, tally);
        }
        return tally;
    }

    /** One round, by its number. */
    public static void one(Ordeal ordeal, long seed, long number, Tally tally) {
        tally.begin(number);
        try (Watch watch = Watch.over(ordeal.name() + " " + number)) {
            ordeal.round(number, random(ordeal, seed, number), tally);
            if (watch.isLate()) {
                tally.broke("took more than " + Watch.LONGEST.toSeconds() + " s", watch.took(), "");
            }
        } catch (Exception | StackOverflowError | OutOfMemoryError crash) {
            tally.crashed("round", crash, "");
        }
    }

    private static Random random(Ordeal ordeal, long seed, long number) {
        long mixed = (seed + number * SPREAD) ^ ordeal.name().hashCode();
        mixed = (mixed ^ mixed >>> 31) * SPREAD;
        return new Random(mixed ^ mixed >>> 29);
    }
}
