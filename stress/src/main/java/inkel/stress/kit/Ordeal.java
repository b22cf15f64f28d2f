package inkel.stress.kit;

import java.util.Random;

/** One promise that is tried over and over. */
public interface Ordeal {
    /** Named as it is asked for on the command line. */
    String name();

    /** What a round is, in a few words for the printed table. */
    String round();

    /**
     * Tries it once. What must not happen is told to the tally; whatever is thrown counts as such too.
     *
     * @param number of the round, from 0, for what goes through a list
     * @param random the same for the same seed and number of the round
     */
    void round(long number, Random random, Tally tally) throws Exception;
}
