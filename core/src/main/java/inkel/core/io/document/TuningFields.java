package inkel.core.io.document;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.catalog.BenchKind;
import inkel.core.document.Tuning;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Collectors;

/** What a bench found, in a line of the record. */
final class TuningFields {
    private TuningFields() {}

    static Tuning read(Fields fields) {
        BenchKind bench = fields.parsed(
                "bench",
                text -> Arrays.stream(BenchKind.values())
                        .filter(kind -> kind.text().equals(text))
                        .findFirst(),
                Arrays.stream(BenchKind.values()).map(BenchKind::text).collect(Collectors.joining(", ")),
                BenchKind.SERVO);
        return new Tuning(
                bench,
                each(fields, "numbers", TuningFields::found),
                each(fields, "curves", TuningFields::corners),
                each(fields, "places", TuningFields::quantity),
                fields.textMap("choices"),
                fields.textMap("figures"));
    }

    /** Every entry of an object that can be read; a sentence for any other. */
    private static <T> Map<String, T> each(Fields fields, String key, BiFunction<Fields, String, Optional<T>> read) {
        Map<String, T> all = new LinkedHashMap<>();
        fields.object(key).ifPresent(inside -> inside.tree().fieldNames().forEachRemaining(name -> read.apply(
                        inside, name)
                .ifPresentOrElse(
                        value -> all.put(name, value),
                        () -> inside.problem(
                                name,
                                Fact.of("problem.expected_value")
                                        .with("example", example(key))
                                        .with("found", inside.tree().get(name).toString())))));
        return all;
    }

    private static String example(String key) {
        return key.equals("curves") ? "[[0, 0.0006], [1023, 0.0023]]" : "{\"value\": 0.00056, \"unit\": \"s\"}";
    }

    private static Optional<Quantity> quantity(Fields inside, String name) {
        JsonNode found = inside.tree().get(name);
        return unit(found.path("unit").asText("?"))
                .filter(unit -> isFinite(found.path("value")))
                .map(unit -> Quantity.of(unit, found.get("value").doubleValue()));
    }

    private static Optional<Tuning.Found> found(Fields inside, String name) {
        JsonNode found = inside.tree().get(name);
        boolean isOffRight = !found.has("off")
                || isFinite(found.get("off")) && found.get("off").doubleValue() >= 0;
        Optional<Source> source = Arrays.stream(Source.values())
                .filter(one -> spelled(one).equals(found.path("source").asText("measured")))
                .findFirst();
        return !isOffRight || source.isEmpty()
                ? Optional.empty()
                : quantity(inside, name)
                        .map(value -> new Tuning.Found(value, found.path("off").doubleValue(), source.get()));
    }

    private static Optional<List<Tuning.Point>> corners(Fields inside, String name) {
        JsonNode found = inside.tree().get(name);
        List<Tuning.Point> corners = new ArrayList<>();
        for (JsonNode corner : found) {
            boolean isRight =
                    corner.isArray() && corner.size() == 2 && isFinite(corner.get(0)) && isFinite(corner.get(1));
            if (!isRight
                    || !corners.isEmpty()
                            && corner.get(0).doubleValue()
                                    <= corners.get(corners.size() - 1).x()) {
                return Optional.empty();
            }
            corners.add(
                    new Tuning.Point(corner.get(0).doubleValue(), corner.get(1).doubleValue()));
        }
        return found.isArray() ? Optional.of(corners) : Optional.empty();
    }

    /** Far beyond all that is measured, and far from where reckoning with it leaves the numbers there are. */
    private static final double LARGEST = 1e60;

    private static boolean isFinite(JsonNode number) {
        return number.isNumber() && Math.abs(number.doubleValue()) <= LARGEST;
    }

    private static Optional<Unit> unit(String symbol) {
        return Arrays.stream(Unit.values())
                .filter(unit -> unit.symbol().equals(symbol))
                .findFirst();
    }

    private static String spelled(Source source) {
        return source.name().toLowerCase(Locale.ROOT);
    }

    static void write(ObjectNode tree, Tuning tuning) {
        tree.put("bench", tuning.bench().text());
        if (!tuning.numbers().isEmpty()) {
            ObjectNode numbers = tree.putObject("numbers");
            tuning.numbers().forEach((name, found) -> {
                ObjectNode number = put(numbers.putObject(name), found.value());
                if (found.off() > 0) {
                    number.put("off", found.off());
                }
                number.put("source", spelled(found.source()));
            });
        }
        if (!tuning.curves().isEmpty()) {
            ObjectNode curves = tree.putObject("curves");
            tuning.curves().forEach((name, corners) -> {
                ArrayNode line = curves.putArray(name);
                corners.forEach(corner -> line.addArray().add(corner.x()).add(corner.y()));
            });
        }
        if (!tuning.places().isEmpty()) {
            ObjectNode places = tree.putObject("places");
            tuning.places().forEach((name, value) -> put(places.putObject(name), value));
        }
        texts(tree, "choices", tuning.choices());
        texts(tree, "figures", tuning.figures());
    }

    private static ObjectNode put(ObjectNode into, Quantity value) {
        return into.put("value", value.si()).put("unit", value.unit().symbol());
    }

    private static void texts(ObjectNode tree, String key, Map<String, String> texts) {
        if (!texts.isEmpty()) {
            ObjectNode into = tree.putObject(key);
            texts.forEach(into::put);
        }
    }
}
