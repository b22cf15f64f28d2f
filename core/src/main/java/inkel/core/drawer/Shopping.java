package inkel.core.drawer;

import inkel.core.formula.PitchFit;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What a build wants, set against what there is. */
public record Shopping(List<Line> lines) {
    public Shopping {
        lines = List.copyOf(lines);
    }

    /**
     * One kind of thing.
     *
     * @param have how many are free for this build, others counted that are agreed to make it
     * @param takenBy other standing builds that have some
     * @param substitute what is there that would make what lacks, or what is agreed to
     * @param isAgreed whether the builder takes that
     */
    public record Line(
            Item item,
            int wanted,
            int have,
            Optional<BigDecimal> price,
            List<String> takenBy,
            Optional<Substitute> substitute,
            boolean isAgreed) {
        public Line {
            takenBy = List.copyOf(takenBy);
        }

        /** How many are to be got. */
        public int toGet() {
            return Math.max(0, wanted - have);
        }

        /** Of what is to be got; empty where the builder told no price. */
        public Optional<BigDecimal> cost() {
            return price.map(each -> each.multiply(BigDecimal.valueOf(toGet())));
        }
    }

    /** @param build what stands for the build in the drawer */
    public static Shopping of(Map<Item, Integer> wanted, Drawer drawer, String build) {
        Map<Item, Integer> lent = new TreeMap<>();
        List<Line> lines = new ArrayList<>();
        wanted.forEach((item, count) -> {
            int own = drawer.free(item, build) - lent.getOrDefault(item, 0);
            int lacking = Math.max(0, count - Math.max(0, own));
            Optional<Substitute> agreed =
                    Optional.ofNullable(drawer.agreed().get(item)).filter(found -> lacking > 0);
            int made = 0;
            if (agreed.isPresent()) {
                Item by = agreed.get().item();
                int spare = drawer.free(by, build) - wanted.getOrDefault(by, 0) - lent.getOrDefault(by, 0);
                made = Math.min(lacking, Math.max(0, spare) / agreed.get().count());
                lent.merge(by, made * agreed.get().count(), Integer::sum);
            }
            if (item.sort() == Item.Sort.ADAPTER) {
                made += fitting(item, lacking, wanted, drawer, build, lent);
            }
            Optional<Substitute> offered = agreed.isPresent() || lacking == 0
                    ? agreed
                    : Substitute.of(item, lacking, spare(wanted, drawer, build), build);
            lines.add(new Line(
                    item,
                    count,
                    Math.max(0, own) + made,
                    drawer.of(item).price(),
                    drawer.takenBy(item, build),
                    offered,
                    agreed.isPresent()));
        });
        return new Shopping(lines);
    }

    /** How many other adapter boards there are that carry the chip, which are lent for it. */
    private static int fitting(
            Item item, int lacking, Map<Item, Integer> wanted, Drawer drawer, String build, Map<Item, Integer> lent) {
        int found = 0;
        for (Item other : fitting(item, drawer)) {
            int spare = drawer.free(other, build) - wanted.getOrDefault(other, 0) - lent.getOrDefault(other, 0);
            int taken = Math.max(0, Math.min(lacking - found, spare));
            lent.merge(other, taken, Integer::sum);
            found += taken;
        }
        return found;
    }

    /** The adapter boards of a drawer that carry a chip though they are not made for just it. */
    private static List<Item> fitting(Item item, Drawer drawer) {
        return adapters(item, drawer).entrySet().stream()
                .filter(entry -> entry.getValue().fits())
                .map(Map.Entry::getKey)
                .toList();
    }

    /** How a chip, told by the adapter that is made for it, lies on each other adapter board of a drawer. */
    public static Map<Item, PitchFit> adapters(Item wanted, Drawer drawer) {
        Map<Item, PitchFit> found = new TreeMap<>();
        Optional<Adapter> chip = Adapter.parse(wanted.what());
        if (wanted.sort() == Item.Sort.ADAPTER && chip.isPresent()) {
            drawer.items().keySet().stream()
                    .filter(item -> item.sort() == Item.Sort.ADAPTER && !item.equals(wanted))
                    .forEach(item -> Adapter.parse(item.what())
                            .ifPresent(adapter -> found.put(item, adapter.carries(chip.get()))));
        }
        return found;
    }

    /** The drawer without what the build itself wants. */
    private static Drawer spare(Map<Item, Integer> wanted, Drawer drawer, String build) {
        Drawer left = drawer;
        for (Map.Entry<Item, Integer> want : wanted.entrySet()) {
            Owned owned = drawer.of(want.getKey());
            if (owned.count() > 0) {
                left = left.with(want.getKey(), owned.withCount(Math.max(0, owned.count() - want.getValue())));
            }
        }
        return left;
    }

    /** Of all that is to be got and has a price. */
    public BigDecimal sum() {
        return lines.stream().flatMap(line -> line.cost().stream()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** How many kinds that are to be got have no price. */
    public long unpriced() {
        return lines.stream()
                .filter(line -> line.toGet() > 0 && line.price().isEmpty())
                .count();
    }

    public long lacking() {
        return lines.stream().filter(line -> line.toGet() > 0).count();
    }
}
