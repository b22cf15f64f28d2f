package inkel.app.export;

import inkel.app.csv.Csv;
import inkel.app.state.Seated;
import inkel.app.words.DrawerWords;
import inkel.core.catalog.Catalog;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.drawer.Drawer;
import inkel.core.drawer.Item;
import inkel.core.drawer.Shopping;
import inkel.core.drawer.Wants;
import java.io.IOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** Everything that must lie on each table, with how many are in the drawer and how many are to be got. */
public final class PartsCsv {
    private PartsCsv() {}

    public static String of(Assessment assessment, Drawer drawer) {
        return Csv.of(
                csv -> rows(assessment, drawer, csv),
                "node",
                "count",
                "kind",
                "what",
                "for",
                "mark",
                "item",
                "have",
                "to_get",
                "price");
    }

    private static void rows(Assessment assessment, Drawer drawer, Csv.Table csv) throws IOException {
        Circuit circuit = assessment.reports().circuit();
        Catalog catalog = circuit.catalog();
        Wants wants = Wants.of(Seated.of(assessment));
        Map<Item, Integer> left = new TreeMap<>();
        Shopping.of(wants.counts(), drawer, "").lines().forEach(line -> left.put(line.item(), line.have()));
        for (var node : circuit.nodes()) {
            Map<Item, List<Wants.Want>> here = new TreeMap<>();
            wants.all().stream()
                    .filter(want -> want.node().equals(node.node().id()))
                    .forEach(want -> here.computeIfAbsent(want.item(), fresh -> new ArrayList<>())
                            .add(want));
            for (Map.Entry<Item, List<Wants.Want>> each : here.entrySet()) {
                Item item = each.getKey();
                int count = each.getValue().stream().mapToInt(Wants.Want::count).sum();
                // What one table takes is not there for the next.
                int have = Math.min(count, left.getOrDefault(item, 0));
                left.merge(item, -have, Integer::sum);
                Set<String> names = new LinkedHashSet<>();
                each.getValue().forEach(want -> node.part(want.part())
                        .ifPresent(placed -> names.add(placed.part().name())));
                csv.printRecord(
                        node.node().name(),
                        count,
                        item.sort().text(),
                        DrawerWords.name(item, catalog),
                        item.sort() == Item.Sort.WIRE ? "" : String.join(", ", names),
                        DrawerWords.mark(item),
                        item.text(),
                        have,
                        count - have,
                        drawer.of(item).price().map(BigDecimal::toPlainString).orElse(""));
            }
        }
    }
}
