package inkel.core.catalog;

import java.util.List;
import java.util.stream.Stream;

/**
 * The ways through a part that matches levels: a way has one pin on each of two sides, and the ways are counted along
 * each side in physical order.
 *
 * @param sides the pins of either side; empty for a part that matches nothing
 */
public record Ways(List<List<Pin>> sides) {
    public Ways {
        sides = sides.stream().map(List::copyOf).toList();
    }

    public static Ways of(PartClass cls) {
        return new Ways(cls.io().stream()
                .map(family -> cls.pins().stream()
                        .filter(pin -> pin.use().isWay() && pin.io().equals(family.name()))
                        .toList())
                .filter(side -> !side.isEmpty())
                .toList());
    }

    public boolean isEmpty() {
        return sides.size() != 2;
    }

    /** How many ways there are. */
    public int count() {
        return isEmpty() ? 0 : Math.min(sides.get(0).size(), sides.get(1).size());
    }

    /** The two pins of a way, 1 for the first; empty when there is no such way. */
    public List<Pin> pins(int way) {
        return way < 1 || way > count()
                ? List.of()
                : List.of(sides.get(0).get(way - 1), sides.get(1).get(way - 1));
    }

    /** Whether its ways lead in one direction only, as those of a buffer do. */
    public boolean isOneWay() {
        return all().anyMatch(pin -> pin.use() == PinUse.WAY_IN);
    }

    private Stream<Pin> all() {
        return sides.stream().flatMap(List::stream);
    }
}
