package inkel.core.drawer;

import java.util.Comparator;
import java.util.Optional;

/**
 * Several of one value that make another.
 *
 * @param item what they are
 * @param count how many for one that is wanted
 * @param isInRow whether they stand one after the other; else side by side
 */
public record Substitute(Item item, int count, boolean isInRow) {
    /** Resistors are sold at 5 % and finer; a value this close is taken for the wanted one. */
    private static final double CLOSE = 0.02;

    private static final int MOST = 4;

    /** From here on capacitors mostly have a plus and a minus; one behind the other they share the volts as they please. */
    private static final double POLARISED = 1e-6;

    /**
     * The fewest of one value in a drawer that make a wanted resistor or capacitor within 2 %. Resistors in a row and
     * capacitors side by side add; the others add as {@code 1/x = 1/a + 1/b}. Capacitors from 1 µF up are not put one behind
     * the other.
     *
     * @param enough how many are wanted
     */
    static Optional<Substitute> of(Item wanted, int enough, Drawer drawer, String build) {
        if (wanted.sort() != Item.Sort.RESISTOR && wanted.sort() != Item.Sort.CAPACITOR) {
            return Optional.empty();
        }
        return drawer.items().keySet().stream()
                .filter(item -> item.sort() == wanted.sort() && !item.equals(wanted))
                .flatMap(item -> found(wanted, item, enough, drawer.free(item, build)).stream())
                .min(Comparator.comparingInt(Substitute::count));
    }

    private static Optional<Substitute> found(Item wanted, Item item, int enough, int free) {
        boolean isRowAdding = wanted.sort() == Item.Sort.RESISTOR;
        for (int count = 1; count <= MOST && count * enough <= free; count++) {
            if (isClose(item.value() * count, wanted.value())) {
                return Optional.of(new Substitute(item, count, isRowAdding));
            }
            boolean isPolarised = wanted.sort() == Item.Sort.CAPACITOR && item.value() >= POLARISED;
            if (!isPolarised && isClose(item.value() / count, wanted.value())) {
                return Optional.of(new Substitute(item, count, !isRowAdding));
            }
        }
        return Optional.empty();
    }

    private static boolean isClose(double made, double wanted) {
        return Math.abs(made - wanted) <= CLOSE * wanted;
    }
}
