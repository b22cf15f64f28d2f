package inkel.core.io.catalog;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Supply;
import inkel.core.io.catalog.PinList.Item;
import inkel.core.io.json.JsonText;
import inkel.core.io.json.Problem;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Voltage;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A part class as a builder fills it in: texts, as typed. It becomes a definition on top of what a class it was made
 * from has said of everything the form does not ask for.
 *
 * @param base the definition it was made from, as JSON; empty when made from nothing
 * @param kinds general words it is found by, separated by commas
 * @param pins one a line, as {@link PinList} reads them
 * @param levels how its signal pins hear and speak
 * @param address the I2C address, wanted when a pin is {@code i2c.sda}
 * @param clock the fastest SPI clock, wanted when a pin is {@code spi.sck}
 * @param baud the rate it wakes up with, wanted when a pin is {@code uart.tx} or {@code uart.rx}
 */
public record PartForm(
        String base,
        String name,
        String summary,
        String kinds,
        String pins,
        String supplyMin,
        String supplyMax,
        String supplyLimit,
        String idle,
        String peak,
        Levels levels,
        String address,
        String clock,
        String baud) {
    private static final String FAMILY = "logic";

    /** How signal pins hear and speak. */
    public enum Levels {
        /** As the class it was made from has it. */
        KEPT,
        /** Thresholds that follow the supply: 0.7 and 0.3 of it. */
        FOLLOW_SUPPLY,
        /** A regulator behind the supply pin makes 3.3 V, whatever comes in. */
        INNER_3V3,
        /** Hears 2.0 V as high at 5 V. */
        TTL,
        /** The levels are not known; wires to it are then not judged. */
        UNKNOWN
    }

    /** What came of it: the class, or what is wrong, each with its field. */
    public record Outcome(Optional<PartClass> cls, List<Problem> problems, String json) {
        public Outcome {
            problems = List.copyOf(problems);
        }
    }

    public static PartForm blank() {
        return new PartForm("", "", "", "", "", "3 V", "5.5 V", "", "", "", Levels.FOLLOW_SUPPLY, "", "", "");
    }

    /** The form filled in with what a class says. */
    public static PartForm of(PartClass cls, String json) {
        Optional<Supply> supply = cls.supplies().stream().findFirst();
        String pin = supply.map(Supply::pin).orElse("");
        return new PartForm(
                json,
                cls.name(),
                cls.summary(),
                String.join(", ", cls.kinds()),
                PinList.print(cls.pins().stream()
                        .map(found -> new Item(found.label(), found.use()))
                        .toList()),
                supply.map(found -> print(found.range().range().lowest())).orElse(""),
                supply.map(found -> print(found.range().range().highest())).orElse(""),
                supply.map(found -> print(found.absoluteMax())).orElse(""),
                cls.modes().isEmpty() ? "" : Engineering.print(cls.idle(pin)),
                cls.modes().isEmpty() ? "" : Engineering.print(cls.peak(pin)),
                Levels.KEPT,
                cls.i2c().map(need -> Engineering.address(need.shipped())).orElse(""),
                cls.spi().map(need -> Engineering.print(need.clockMax())).orElse(""),
                cls.uart()
                        .map(need ->
                                String.valueOf(Math.round(need.rates().get(0).hertz())))
                        .orElse(""));
    }

    /** Another address than the one it comes with is one by itself: the class's straps do not give it. */
    private void putAddress(ObjectNode i2c) {
        String now = i2c.path("shipped").asText(i2c.path("address").asText());
        if (!BusFields.address(now).equals(BusFields.address(address)) || address.isBlank()) {
            i2c.remove(List.of("address", "shipped", "straps", "strap_pins", "addresses"));
            putUnlessBlank(i2c, "address", address);
        }
    }

    private static String print(Voltage volts) {
        return Engineering.print(volts);
    }

    /** The id that a name gives: small letters, digits and dashes, with {@code own-} in front. */
    public static String idOf(String name) {
        String words =
                name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-+|-+$", "");
        return words.isEmpty() ? "" : "own-" + words;
    }

    /** The definition, and whether it is one. Fields that were left empty fall back to what the base says. */
    public Outcome outcome() {
        String json = JsonText.pretty(tree());
        if (idOf(name).isEmpty()) {
            return refused("/name", "problem.form_name", json);
        }
        if (PinList.parse(pins).isEmpty() && !isWithoutPins()) {
            return refused("/pins", "problem.form_pins", json);
        }
        try {
            PartClass cls = CatalogReader.read(Path.of(idOf(name) + ".json"), json);
            return new Outcome(Optional.of(cls), List.of(), json);
        } catch (UnreadableFile wrong) {
            return new Outcome(Optional.empty(), wrong.problems(), json);
        }
    }

    /** A handset has no pins that anybody wires. */
    private boolean isWithoutPins() {
        return !base.isEmpty() && baseTree().path("pins").isEmpty();
    }

    private static Outcome refused(String field, String reason, String json) {
        return new Outcome(Optional.empty(), List.of(new Problem(0, field, Fact.of(reason))), json);
    }

    private ObjectNode tree() {
        ObjectNode tree = baseTree();
        tree.put("id", idOf(name));
        putUnlessBlank(tree, "name", name);
        putUnlessBlank(tree, "summary", summary.isBlank() && base.isEmpty() ? name : summary);
        tree.put("kind", tree.path("kind").asText("module"));
        ArrayNode words = tree.putArray("kinds");
        Stream.of(kinds.split(","))
                .map(String::strip)
                .filter(word -> !word.isEmpty())
                .forEach(words::add);
        if (words.isEmpty()) {
            words.add("own");
        }
        List<Item> items = PinList.parse(pins);
        putPins(tree, items);
        List<String> supplies = items.stream()
                .filter(item -> item.use() == PinUse.SUPPLY)
                .map(Item::label)
                .toList();
        // The form asks for the supply that the base names first, wherever its pin stands.
        Optional<String> supply = Optional.of(
                        tree.path("supplies").path(0).path("pin").asText())
                .filter(supplies::contains)
                .or(() -> supplies.stream().findFirst());
        supply.ifPresent(pin -> putSupply(tree, pin));
        if (levels != Levels.KEPT) {
            putLevels(tree, supply);
        }
        supply.ifPresent(pin -> putCurrents(tree, pin));
        putBuses(tree, items);
        dropStrays(tree, items);
        return tree;
    }

    private ObjectNode baseTree() {
        if (base.isEmpty()) {
            return JsonText.object();
        }
        try {
            return (ObjectNode) JsonText.parse(base).deepCopy();
        } catch (JsonText.BadJson | ClassCastException broken) {
            return JsonText.object();
        }
    }

    private static void putUnlessBlank(ObjectNode tree, String key, String text) {
        if (!text.isBlank()) {
            tree.put(key, text.strip());
        }
    }

    /** A pin that the base knows keeps what the base says of it, but for its role. */
    private void putPins(ObjectNode tree, List<Item> items) {
        JsonNode known = tree.path("pins").deepCopy();
        Map<String, Integer> seen = new HashMap<>();
        ArrayNode all = tree.putArray("pins");
        for (Item item : items) {
            // Grounds may share a label: the second of a list is the second of the base.
            int before = seen.merge(item.label(), 1, Integer::sum) - 1;
            ObjectNode pin = known(known, item.label(), before);
            pin.put("label", item.label());
            pin.put("is", item.use().text());
            if (levels == Levels.UNKNOWN || !item.use().isSignal()) {
                if (levels != Levels.KEPT) {
                    pin.remove("io");
                }
            } else if (levels != Levels.KEPT) {
                pin.put("io", FAMILY);
            } else if (!pin.has("io")) {
                // A lamp or a button has no levels that a new pin of it could share.
                firstFamily(tree).ifPresent(family -> pin.put("io", family));
            }
            all.add(pin);
        }
    }

    private static ObjectNode known(JsonNode pins, String label, int before) {
        int left = before;
        for (JsonNode old : pins) {
            if (old.path("label").asText().equals(label) && left-- == 0) {
                return (ObjectNode) old.deepCopy();
            }
        }
        return JsonText.object();
    }

    private static Optional<String> firstFamily(ObjectNode tree) {
        return Optional.of(tree.path("io").path(0).path("name").asText("")).filter(name -> !name.isEmpty());
    }

    private void putSupply(ObjectNode tree, String pin) {
        ObjectNode first = (ObjectNode)
                (tree.path("supplies").path(0).isObject()
                        ? tree.path("supplies").path(0)
                        : tree.putArray("supplies").addObject());
        first.put("pin", pin);
        ObjectNode range = first.putObject("range");
        putUnlessBlank(range, "min", supplyMin);
        putUnlessBlank(range, "max", supplyMax);
        range.put("source", "yours");
        first.remove("absolute_max");
        putUnlessBlank(first, "absolute_max", supplyLimit.isBlank() ? supplyMax : supplyLimit);
    }

    private void putLevels(ObjectNode tree, Optional<String> supply) {
        ArrayNode families = tree.putArray("io");
        if (levels == Levels.UNKNOWN || supply.isEmpty()) {
            tree.path("pins").forEach(pin -> ((ObjectNode) pin).remove("io"));
            return;
        }
        ObjectNode family = families.addObject();
        family.put("name", FAMILY);
        family.put("supply", supply.get());
        boolean follows = levels == Levels.FOLLOW_SUPPLY;
        boolean isInner = levels == Levels.INNER_3V3;
        family.put("vih", follows ? "0.7 VCC" : isInner ? "2.31 V" : "2.0 V");
        family.put("vil", follows ? "0.3 VCC" : isInner ? "0.99 V" : "0.8 V");
        family.put("voh", isInner ? "2.9 V" : "VCC - 0.4 V");
        family.put("vol", "0.4 V");
        family.put("absolute_max", isInner ? "3.6 V" : "VCC + 0.3 V");
    }

    /** Idle nine tenths of the time, the peak for the rest, unless the base tells it better. */
    private void putCurrents(ObjectNode tree, String supply) {
        if (idle.isBlank() && peak.isBlank()) {
            return;
        }
        String least = idle.isBlank() ? peak : idle;
        String most = peak.isBlank() ? idle : peak;
        ArrayNode modes = tree.putArray("currents");
        boolean isOne = least.strip().equals(most.strip());
        addMode(modes, supply, "idle", least, isOne ? "100 %" : "90 %");
        if (!isOne) {
            addMode(modes, supply, "peak", most, "10 %");
        }
    }

    private static void addMode(ArrayNode modes, String supply, String name, String current, String duty) {
        ObjectNode mode = modes.addObject();
        mode.put("mode", name);
        mode.put("supply", supply);
        mode.putObject("current").put("max", current.strip()).put("source", "yours");
        mode.put("duty", duty);
    }

    private void putBuses(ObjectNode tree, List<Item> items) {
        Set<PinUse> uses = new HashSet<>();
        items.forEach(item -> uses.add(item.use()));
        if (uses.contains(PinUse.I2C_SDA)) {
            ObjectNode i2c = child(tree, "i2c");
            putAddress(i2c);
            if (!i2c.has("clock_max")) {
                i2c.put("clock_max", "400 kHz");
            }
        } else {
            tree.remove("i2c");
        }
        if (uses.contains(PinUse.SPI_SCK)) {
            ObjectNode spi = child(tree, "spi");
            if (!spi.has("mode")) {
                spi.put("mode", 0);
            }
            spi.put("clock_max", clock.isBlank() ? "1 MHz" : clock.strip());
        } else {
            tree.remove("spi");
        }
        if (uses.contains(PinUse.UART_TX) || uses.contains(PinUse.UART_RX)) {
            child(tree, "uart").putArray("rates").add(baud.isBlank() ? "9600" : baud.strip());
        } else {
            tree.remove("uart");
        }
    }

    private static ObjectNode child(ObjectNode tree, String key) {
        return tree.path(key).isObject() ? (ObjectNode) tree.get(key) : tree.putObject(key);
    }

    /** What the base said of pins that are no longer there. */
    private static void dropStrays(ObjectNode tree, List<Item> items) {
        if (items.isEmpty()) {
            return;
        }
        Set<String> labels = new HashSet<>();
        items.forEach(item -> labels.add(item.label()));
        for (String key : List.of("pull_ups", "decoupling", "outputs")) {
            drop(tree, key, "pin", labels);
        }
        for (String key : List.of("currents", "bursts")) {
            drop(tree, key, "supply", labels);
        }
        drop(tree, "supplies", "pin", labels);
    }

    private static void drop(ObjectNode tree, String list, String key, Set<String> labels) {
        if (tree.path(list).isArray()) {
            ArrayNode kept = JsonText.array();
            tree.get(list).forEach(entry -> {
                if (labels.contains(entry.path(key).asText())) {
                    kept.add(entry);
                }
            });
            tree.set(list, kept);
        }
    }
}
