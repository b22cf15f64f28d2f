package inkel.core.levels.rules;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** How a shifter is fed: its side for the lower volts from the one rail, the other from the other. */
final class ShifterFeeds {
    private ShifterFeeds() {}

    /** Empty where it has no two sides, or a rail does not suit one. */
    static Optional<Map<String, Endpoint>> of(PartClass cls, Rail low, Rail high) {
        List<Supply> sides = cls.supplies().stream()
                .sorted(Comparator.comparingDouble(ShifterFeeds::middle))
                .toList();
        if (sides.size() != 2 || !suits(low, sides.get(0)) || !suits(high, sides.get(1))) {
            return Optional.empty();
        }
        Map<String, Endpoint> feeds = new LinkedHashMap<>();
        feeds.put(sides.get(0).pin(), low.id());
        feeds.put(sides.get(1).pin(), high.id());
        return Optional.of(feeds);
    }

    private static double middle(Supply supply) {
        Range<Voltage> range = supply.range().range();
        return (range.lowest().volts() + range.highest().volts()) / 2;
    }

    private static boolean suits(Rail rail, Supply side) {
        return rail.volts().filter(volts -> FeedFixes.fits(volts, side)).isPresent();
    }
}
