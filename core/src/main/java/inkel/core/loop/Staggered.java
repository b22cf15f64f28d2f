package inkel.core.loop;

import inkel.core.quantity.TimeSpan;
import java.util.Map;

/**
 * Visits that are begun apart: each comes in every so-manieth round, from one of its own on.
 *
 * @param base how often a round is begun
 * @param worst the longest round
 * @param places by the id of the part
 */
public record Staggered(TimeSpan base, TimeSpan worst, Map<String, Place> places) {
    public Staggered {
        places = Map.copyOf(places);
    }

    /**
     * @param each 1 for every round; a power of two
     * @param from the first round that it comes in, from 0
     */
    public record Place(int each, int from) {}
}
