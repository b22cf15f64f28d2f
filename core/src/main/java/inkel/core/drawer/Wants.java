package inkel.core.drawer;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.quantity.Quantity;
import inkel.core.seats.SeatPlan;
import inkel.core.wiring.PartsList;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** All that must lie on the tables of a build, each with the part that it is for. */
public record Wants(List<Want> all) {
    public Wants {
        all = List.copyOf(all);
    }

    /**
     * Some of one kind of thing for one part.
     *
     * @param node on which table
     * @param part the id of the part that they are for, or of the part itself
     */
    public record Want(Item item, int count, String node, String part) {}

    /** @param plans the seats of all nodes of a build */
    public static Wants of(List<SeatPlan> plans) {
        List<Want> wants = new ArrayList<>();
        for (SeatPlan plan : plans) {
            NodeCircuit node = plan.node();
            String here = node.node().id();
            for (PartsList.Line line : PartsList.of(plan.list()).lines()) {
                for (String owner : line.owners()) {
                    item(node, line, owner).ifPresent(item -> wants.add(new Want(item, 1, here, owner)));
                }
            }
            if (plan.boards() > 0) {
                wants.add(new Want(
                        Item.breadboard(node.table()),
                        plan.boards(),
                        here,
                        node.board().id()));
            }
            wires(plan)
                    .forEach((part, items) ->
                            items.forEach((item, count) -> wants.add(new Want(item, count, here, part))));
        }
        return new Wants(wants);
    }

    /** Empty where the part it is for is not there any more. */
    private static Optional<Item> item(NodeCircuit node, PartsList.Line line, String owner) {
        Object value = line.what().values().get("value");
        Quantity quantity = value instanceof Quantity found ? found : null;
        return switch (line.kind()) {
            case PART -> node.part(owner).map(placed -> Item.part(placed.cls().id()));
            case CAPACITOR -> Optional.of(Item.of(Item.Sort.CAPACITOR, quantity));
            case RESISTOR -> Optional.of(Item.of(Item.Sort.RESISTOR, quantity));
            case CRYSTAL -> Optional.of(Item.of(Item.Sort.CRYSTAL, quantity));
            case SEMICONDUCTOR ->
                Optional.of(new Item(
                        Item.Sort.SEMICONDUCTOR,
                        line.what().key().substring("have.".length()).replace('_', '-'),
                        0));
            case ADAPTER -> node.part(owner).flatMap(Wants::adapter).map(Adapter::item);
            case HEADER ->
                node.part(owner).map(placed -> Item.header(placed.cls().headerPins()));
        };
    }

    private static Optional<Adapter> adapter(Placed chip) {
        return chip.cls()
                .handling()
                .make()
                .pitch()
                .map(pitch -> Adapter.madeFor(chip.cls().pins().size(), pitch));
    }

    /** What wires each part needs, by the part that the wire is for. */
    private static Map<String, Map<Item, Integer>> wires(SeatPlan plan) {
        Map<String, Map<Item, Integer>> found = new LinkedHashMap<>();
        for (WireStep step : plan.list().steps()) {
            plan.jumpers(step).filter(jumper -> !jumper.isBrought()).forEach(jumper -> found.computeIfAbsent(
                            step.subject().part(), part -> new TreeMap<>())
                    .merge(Item.wire(jumper), 1, Integer::sum));
        }
        return found;
    }

    /** How many of each kind, over all parts. */
    public Map<Item, Integer> counts() {
        Map<Item, Integer> counts = new TreeMap<>();
        all.forEach(want -> counts.merge(want.item(), want.count(), Integer::sum));
        return counts;
    }

    /** What one part needs besides what others need. */
    public Map<Item, Integer> of(String node, String part) {
        Map<Item, Integer> counts = new TreeMap<>();
        all.stream()
                .filter(want -> want.node().equals(node) && want.part().equals(part))
                .forEach(want -> counts.merge(want.item(), want.count(), Integer::sum));
        return counts;
    }
}
