package inkel.app.ui.wire;

import inkel.app.words.DrawerWords;
import inkel.app.words.SolderWords;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.drawer.Drawer;
import inkel.core.drawer.Item;
import inkel.core.drawer.Preparation;
import inkel.core.drawer.Shopping;
import inkel.core.drawer.Tonight;
import inkel.core.drawer.Wants;
import inkel.core.quantity.Fact;
import inkel.core.seats.SeatPlan;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What the table says: all that must lie on it set against the drawer, how far one comes tonight, what is soldered first.
 *
 * @param others what else is in the drawer
 * @param tonight one for each board
 * @param solder what is soldered first, a sentence each
 * @param tools what else is needed
 */
record TableModel(
        Map<Item, Integer> wanted,
        Shopping shopping,
        Map<Item.Sort, List<Thing>> things,
        List<Thing> others,
        List<Evening> tonight,
        List<String> solder,
        List<String> tools) {
    /** What is for a table as a whole. */
    private static final Set<Item.Sort> OF_THE_TABLE = Set.of(Item.Sort.WIRE, Item.Sort.BREADBOARD);

    /** Names told of whom something is for. */
    private static final int MOST_NAMES = 3;

    /**
     * One kind of thing.
     *
     * @param mark how it is told by eye, in words
     * @param uses whom it is for; empty where the name says it
     * @param notes what else there is to say: who has some, what carries it
     */
    record Thing(Shopping.Line line, String name, String mark, List<String> bands, String uses, List<String> notes) {}

    /**
     * A board's evening.
     *
     * @param ready the names of parts that can be woken
     * @param waiting a name and why, of those that cannot
     */
    record Evening(String node, List<String> ready, List<Waiting> waiting) {}

    /** A part that cannot be woken tonight. */
    record Waiting(String name, String why) {}

    /** @param key what stands for the build in the drawer */
    static TableModel of(Assessment assessment, List<SeatPlan> plans, Drawer drawer, String key, Catalog catalog) {
        Wants wants = Wants.of(plans);
        Map<Item, Integer> wanted = wants.counts();
        Shopping shopping = Shopping.of(wanted, drawer, key);
        Map<Item.Sort, List<Thing>> things = new EnumMap<>(Item.Sort.class);
        for (Shopping.Line line : shopping.lines()) {
            things.computeIfAbsent(line.item().sort(), sort -> new ArrayList<>())
                    .add(thing(line, names(line.item(), wants, plans), drawer, catalog));
        }
        List<Evening> tonight = new ArrayList<>();
        List<String> solder = new ArrayList<>();
        Set<Preparation.Tool> tools = EnumSet.noneOf(Preparation.Tool.class);
        for (SeatPlan plan : plans) {
            tonight.add(evening(plan.node(), Tonight.of(plan.node(), wants, drawer, key), catalog));
            Preparation preparation = Preparation.of(plan);
            preparation.solder().forEach(each -> solder.add(SolderWords.say(plan.node(), each)));
            tools.addAll(preparation.tools());
        }
        return new TableModel(
                wanted,
                shopping,
                things,
                others(wanted, drawer, key, catalog),
                tonight,
                solder,
                tools.stream()
                        .map(tool -> Words.get("tool." + tool.name().toLowerCase(Locale.ROOT)))
                        .toList());
    }

    /** What the build does not ask for. */
    private static List<Thing> others(Map<Item, Integer> wanted, Drawer drawer, String key, Catalog catalog) {
        List<Thing> others = new ArrayList<>();
        for (Item item : drawer.items().keySet()) {
            if (!wanted.containsKey(item)) {
                Shopping.Line line = new Shopping.Line(
                        item,
                        0,
                        drawer.free(item, key),
                        drawer.of(item).price(),
                        drawer.takenBy(item, key),
                        Optional.empty(),
                        false);
                others.add(thing(line, List.of(), Drawer.EMPTY, catalog));
            }
        }
        return others;
    }

    private static Thing thing(Shopping.Line line, List<String> names, Drawer drawer, Catalog catalog) {
        String name = DrawerWords.name(line.item(), catalog);
        List<String> notes = new ArrayList<>();
        boolean isItself = names.size() == 1 && names.get(0).equals(name);
        boolean isOfAll =
                names.isEmpty() || isItself || OF_THE_TABLE.contains(line.item().sort());
        if (!line.takenBy().isEmpty()) {
            notes.add(Words.get("table.taken", "names", String.join(", ", line.takenBy())));
        }
        notes.addAll(DrawerWords.fits(line.item(), drawer, catalog));
        return new Thing(
                line,
                name,
                DrawerWords.mark(line.item()),
                DrawerWords.bands(line.item()),
                isOfAll ? "" : uses(names),
                notes);
    }

    private static String uses(List<String> names) {
        return names.size() <= MOST_NAMES
                ? Words.get("table.for", "names", String.join(", ", names))
                : Words.say(Fact.of("table.for.more")
                        .with("names", String.join(", ", names.subList(0, MOST_NAMES)))
                        .with("count", names.size() - MOST_NAMES));
    }

    /** The parts that something is for. */
    private static List<String> names(Item item, Wants wants, List<SeatPlan> plans) {
        return wants.all().stream()
                .filter(want -> want.item().equals(item))
                .flatMap(want -> plans.stream()
                        .filter(plan -> plan.node().node().id().equals(want.node()))
                        .flatMap(plan -> plan.node().part(want.part()).stream())
                        .map(placed -> placed.part().name()))
                .distinct()
                .toList();
    }

    private static Evening evening(NodeCircuit node, Tonight tonight, Catalog catalog) {
        List<String> ready = new ArrayList<>();
        List<Waiting> waiting = new ArrayList<>();
        for (Tonight.Ready part : tonight.parts()) {
            String name = name(node, part.part());
            if (part.isReady()) {
                ready.add(name);
            } else {
                waiting.add(new Waiting(name, why(node, part, catalog)));
            }
        }
        return new Evening(node.node().name(), ready, waiting);
    }

    private static String name(NodeCircuit node, String part) {
        return node.part(part).orElseThrow().part().name();
    }

    private static String why(NodeCircuit node, Tonight.Ready part, Catalog catalog) {
        String what = part.lacks().entrySet().stream()
                .map(lack -> lack.getValue() == 1
                        ? DrawerWords.name(lack.getKey(), catalog)
                        : Words.say(Fact.of("table.tonight.some")
                                .with("count", lack.getValue())
                                .with("what", DrawerWords.name(lack.getKey(), catalog))))
                .collect(Collectors.joining(", "));
        String names = part.waitsFor().stream().map(other -> name(node, other)).collect(Collectors.joining(", "));
        Fact said = Fact.of(
                        what.isEmpty()
                                ? "table.tonight.waits"
                                : names.isEmpty() ? "table.tonight.lacks" : "table.tonight.both")
                .with("what", what)
                .with("names", names);
        return Words.say(said);
    }

    /** What lacks, with how many. */
    Map<Item, Integer> lacking() {
        Map<Item, Integer> lacking = new TreeMap<>();
        shopping.lines().stream()
                .filter(line -> line.toGet() > 0)
                .forEach(line -> lacking.put(line.item(), line.toGet()));
        return lacking;
    }

    /** What there is to get, in one sentence. */
    String sum() {
        if (shopping.lacking() == 0) {
            return Words.get("table.sum.all");
        }
        String kinds = Words.say(Fact.of("table.sum.lacking")
                .with("kinds", shopping.lacking())
                .with("all", shopping.lines().size()));
        boolean hasPrices = shopping.unpriced() < shopping.lacking();
        String sum =
                hasPrices ? Words.get("table.sum.price", "sum", shopping.sum().toPlainString()) : "";
        String unpriced = hasPrices && shopping.unpriced() > 0
                ? " " + Words.get("table.sum.unpriced", "count", shopping.unpriced())
                : "";
        return kinds + sum + unpriced;
    }

    /** All things in the order in which they are listed. */
    Stream<Thing> all() {
        return things.values().stream().flatMap(List::stream);
    }
}
