package inkel.app.store;

import inkel.app.csv.Csv;
import inkel.core.drawer.Drawer;
import inkel.core.drawer.Drawer.Standing;
import inkel.core.drawer.Item;
import inkel.core.drawer.Owned;
import inkel.core.drawer.Substitute;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.io.StringReader;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** The drawer as comma separated values: what is owned, which builds have some of it, and what is agreed to make what. */
final class DrawerCsv {
    private static final BigDecimal DEAREST = new BigDecimal("1000000000");
    private static final int MOST_NOTE = 400;

    private DrawerCsv() {}

    /**
     * What was read.
     *
     * @param bad a sentence for each line that could not be read, the others stand
     */
    record Read<T>(T found, List<Fact> bad) {
        Read {
            bad = List.copyOf(bad);
        }
    }

    /** One line of a table; it says why when it cannot be taken. */
    private interface Line {
        Optional<Fact> take(CSVRecord line);
    }

    // --- out

    /** @param name how people call an item */
    static String items(Drawer drawer, Function<Item, String> name) {
        return Csv.of(
                csv -> {
                    for (Map.Entry<Item, Owned> each : drawer.items().entrySet()) {
                        Owned owned = each.getValue();
                        csv.printRecord(
                                each.getKey().text(),
                                name.apply(each.getKey()),
                                owned.count(),
                                owned.price().map(BigDecimal::toPlainString).orElse(""),
                                owned.note());
                    }
                },
                "what",
                "name",
                "count",
                "price",
                "note");
    }

    static String standing(Drawer drawer) {
        return Csv.of(
                csv -> {
                    for (Map.Entry<String, Standing> each : drawer.standing().entrySet()) {
                        for (Map.Entry<Item, Integer> taken :
                                each.getValue().takes().entrySet()) {
                            csv.printRecord(
                                    each.getKey(),
                                    each.getValue().name(),
                                    taken.getKey().text(),
                                    taken.getValue());
                        }
                    }
                },
                "build",
                "name",
                "what",
                "count");
    }

    static String agreed(Drawer drawer) {
        return Csv.of(
                csv -> {
                    for (Map.Entry<Item, Substitute> each : drawer.agreed().entrySet()) {
                        Substitute by = each.getValue();
                        csv.printRecord(
                                each.getKey().text(), by.item().text(), by.count(), by.isInRow() ? "row" : "side");
                    }
                },
                "wanted",
                "by",
                "count",
                "how");
    }

    // --- in

    /** @param part the id of a class by what somebody calls it; empty for one that nobody knows */
    static Read<Map<Item, Owned>> items(String text, Function<String, Optional<String>> part) {
        Map<Item, Owned> found = new TreeMap<>();
        List<Fact> bad = lines(text, List.of("what", "count"), line -> {
            Optional<Item> item = Item.parse(cell(line, "what")).flatMap(each -> known(each, part));
            Optional<Integer> count = count(cell(line, "count"));
            Optional<BigDecimal> price = price(cell(line, "price"));
            if (item.isEmpty()) {
                return Optional.of(bad("drawer.bad_item", line, cell(line, "what")));
            }
            if (count.isEmpty()) {
                return Optional.of(bad("drawer.bad_count", line, cell(line, "count")));
            }
            if (price.isEmpty() && !cell(line, "price").isEmpty()) {
                return Optional.of(bad("drawer.bad_price", line, cell(line, "price")));
            }
            String note = cell(line, "note");
            found.merge(
                    item.get(),
                    new Owned(count.get(), price, note.length() > MOST_NOTE ? note.substring(0, MOST_NOTE) : note),
                    (one, other) -> new Owned(
                            one.plus(other.count()).count(),
                            other.price().or(one::price),
                            other.note().isEmpty() ? one.note() : other.note()));
            return Optional.empty();
        });
        return new Read<>(found, bad);
    }

    /** A part only where its class is known, by its id. */
    static Optional<Item> known(Item item, Function<String, Optional<String>> part) {
        return item.sort() == Item.Sort.PART ? part.apply(item.what()).map(Item::part) : Optional.of(item);
    }

    static Read<Map<String, Standing>> standing(String text) {
        Map<String, Standing> found = new LinkedHashMap<>();
        List<Fact> bad = lines(text, List.of("build", "name", "what", "count"), line -> {
            Optional<Item> item = Item.parse(cell(line, "what"));
            Optional<Integer> count = count(cell(line, "count"));
            if (item.isEmpty() || count.isEmpty()) {
                return Optional.of(bad("drawer.bad_item", line, cell(line, "what")));
            }
            Map<Item, Integer> takes = new TreeMap<>();
            Optional.ofNullable(found.get(cell(line, "build"))).ifPresent(so -> takes.putAll(so.takes()));
            takes.put(item.get(), count.get());
            found.put(cell(line, "build"), new Standing(cell(line, "name"), takes));
            return Optional.empty();
        });
        return new Read<>(found, bad);
    }

    static Read<Map<Item, Substitute>> agreed(String text) {
        Map<Item, Substitute> found = new TreeMap<>();
        List<Fact> bad = lines(text, List.of("wanted", "by", "count", "how"), line -> {
            Optional<Item> wanted = Item.parse(cell(line, "wanted"));
            Optional<Item> by = Item.parse(cell(line, "by"));
            Optional<Integer> count = count(cell(line, "count")).filter(each -> each > 0);
            if (wanted.isEmpty() || by.isEmpty() || count.isEmpty()) {
                return Optional.of(bad("drawer.bad_item", line, cell(line, "wanted")));
            }
            found.put(
                    wanted.get(),
                    new Substitute(by.get(), count.get(), cell(line, "how").equals("row")));
            return Optional.empty();
        });
        return new Read<>(found, bad);
    }

    private static List<Fact> lines(String text, List<String> columns, Line each) {
        List<Fact> bad = new ArrayList<>();
        String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        try (CSVParser read = CSVFormat.DEFAULT
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .setIgnoreHeaderCase(true)
                .get()
                .parse(new StringReader(plain))) {
            List<String> heads = read.getHeaderNames().stream()
                    .map(head -> head.toLowerCase(java.util.Locale.ROOT))
                    .toList();
            if (!heads.containsAll(columns)) {
                return List.of(Fact.of("drawer.bad_head").with("columns", String.join(", ", columns)));
            }
            for (CSVRecord line : read) {
                each.take(line).ifPresent(bad::add);
            }
        } catch (IOException
                | IllegalArgumentException
                | IllegalStateException
                | java.io.UncheckedIOException noTable) {
            bad.add(Fact.of("drawer.bad_table"));
        }
        return bad;
    }

    private static String cell(CSVRecord line, String column) {
        return line.isMapped(column) && line.isSet(column) ? Csv.plain(line.get(column)) : "";
    }

    private static Fact bad(String key, CSVRecord line, String found) {
        return Fact.of(key).with("line", line.getRecordNumber() + 1).with("found", found);
    }

    /** A count as people write it. */
    static Optional<Integer> count(String text) {
        try {
            int count = Integer.parseInt(text);
            return count >= 0 && count <= Owned.MOST ? Optional.of(count) : Optional.empty();
        } catch (NumberFormatException noNumber) {
            return Optional.empty();
        }
    }

    /** A price as people write it, with a point or a comma. */
    static Optional<BigDecimal> price(String text) {
        try {
            BigDecimal price = new BigDecimal(text.strip().replace(',', '.'));
            boolean isPrice = price.signum() >= 0 && price.compareTo(DEAREST) <= 0 && price.scale() <= 6;
            return isPrice ? Optional.of(price.scale() < 0 ? price.setScale(0) : price) : Optional.empty();
        } catch (NumberFormatException noNumber) {
            return Optional.empty();
        }
    }
}
