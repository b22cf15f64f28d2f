package inkel.core.catalog;

/**
 * How a part speaks through the air.
 *
 * @param kind what it understands: {@code packet radio 2.4 GHz}, {@code infrared}; only those of one kind can hear each other
 * @param hasAntennaApart whether its antenna is a piece of its own, which can be missing
 */
public record Air(String kind, Way way, boolean hasAntennaApart) {
    /** Whether it talks, hears, or does both. */
    public enum Way {
        BOTH,
        TALKS,
        HEARS;

        public boolean talks() {
            return this != HEARS;
        }

        public boolean hears() {
            return this != TALKS;
        }
    }
}
