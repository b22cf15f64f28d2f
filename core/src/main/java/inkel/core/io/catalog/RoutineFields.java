package inkel.core.io.catalog;

import inkel.core.catalog.routine.Routine;
import inkel.core.catalog.routine.Step;
import inkel.core.catalog.routine.Value;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Fact;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Reads what a program does with a part. */
final class RoutineFields {
    private static final String KINDS = "send, ask, wait, set, switch, pulses, pulse_in, count, read, code, bits,"
            + " one_line, clocked, two_lines, halves, crossings, train, say, repeat";
    private static final String TIME = "20 ms";
    private static final TimeSpan SOON = TimeSpan.ofSeconds(1);

    /** Of bytes and of times: what is more is no turn of a program. */
    private static final int MOST = 65_536;

    private RoutineFields() {}

    static Routine routine(Fields fields) {
        return new Routine(
                steps(fields, "begin"),
                steps(fields, "read"),
                steps(fields, "key"),
                fields.has("rest") ? Optional.of(fields.quantity("rest", Unit.SECOND, "2 s")) : Optional.empty(),
                fields.optionalText("yours"));
    }

    private static List<Step> steps(Fields fields, String key) {
        return fields.objects(key).stream().flatMap(step -> step(step).stream()).toList();
    }

    /** Empty for a kind that is not known, which is noted. */
    private static Optional<Step> step(Fields step) {
        return Arrays.stream(KINDS.split(", *"))
                .filter(step::has)
                .findFirst()
                .map(kind -> Optional.of(step(kind, step)))
                .orElseGet(() -> {
                    step.problem(
                            "",
                            Fact.of("problem.expected_value")
                                    .with("example", KINDS)
                                    .with("found", step.tree().toString()));
                    return Optional.empty();
                });
    }

    private static Step step(String kind, Fields step) {
        return switch (kind) {
            case "send" -> new Step.Send(bytes(step, kind), step.optionalText("of"));
            case "ask" -> new Step.Ask(bytes(step, kind), step.whole("bytes", 1, MOST, 1), fill(step), values(step));
            case "wait" -> new Step.Wait(step.quantity(kind, Unit.SECOND, TIME));
            case "set" -> new Step.Level(step.text(kind), isHigh(step));
            case "switch" -> new Step.Switch(step.text(kind), isHigh(step));
            case "pulses" ->
                new Step.Pulses(
                        step.text(kind),
                        step.quantity("high", Unit.SECOND, TIME),
                        step.quantity("low", Unit.SECOND, TIME),
                        step.whole("times", 1, MOST, 1));
            case "pulse_in" ->
                new Step.PulseIn(
                        step.text(kind), isHigh(step), step.quantity("within", Unit.SECOND, TIME), plain(step, "us"));
            case "count" ->
                new Step.Count(step.text(kind), step.quantity("within", Unit.SECOND, TIME), plain(step, ""));
            case "read" -> new Step.Read(step.text(kind));
            case "code" -> new Step.Code(step.text(kind));
            case "bits" ->
                new Step.Bits(
                        step.text(kind),
                        step.quantity("hold", Unit.SECOND, TIME),
                        step.whole("times", 1, MOST, 1),
                        step.quantity("split", Unit.SECOND, "50 us"),
                        values(step));
            case "one_line" ->
                new Step.OneLine(step.text(kind), bytes(step, "out"), step.whole("bytes", 0, MOST, 0), values(step));
            case "clocked" ->
                new Step.Clocked(
                        step.text("clock"),
                        step.text(kind),
                        step.whole("times", 1, MOST, 1),
                        step.whole("more", 0, MOST, 0),
                        values(step));
            case "two_lines" -> new Step.TwoLines(step.text("clock"), step.text(kind), bytes(step, "out"));
            case "halves" ->
                new Step.Halves(
                        step.text("select"), isHigh(step), step.text("clock"), step.texts(kind), bytes(step, "out"));
            case "crossings" -> new Step.Crossings(step.texts(kind), step.texts("columns"));
            case "train" -> new Step.Train(step.text(kind), within(step));
            case "say" -> new Step.Line(step.tree().get(kind).asText(), within(step));
            default -> new Step.Repeat(step.whole(kind, 1, MOST, 1), steps(step, "steps"));
        };
    }

    private static TimeSpan within(Fields step) {
        return step.has("within") ? step.quantity("within", Unit.SECOND, TIME) : SOON;
    }

    private static boolean isHigh(Fields step) {
        return step.parsed(
                "to",
                text -> text.equals("high") || text.equals("low") ? Optional.of(text.equals("high")) : Optional.empty(),
                "high, low",
                true);
    }

    private static int fill(Fields step) {
        List<Integer> fill = step.has("fill") ? bytes(step, "fill") : List.of(0);
        return fill.isEmpty() ? 0 : fill.get(0);
    }

    /** {@code 0x2D 0x08}; an empty text for none. */
    private static List<Integer> bytes(Fields step, String key) {
        String text = step.has(key) ? step.tree().get(key).asText().strip() : "";
        if (text.isEmpty()) {
            return List.of();
        }
        if (!text.matches("0x[0-9A-Fa-f]{2}( +0x[0-9A-Fa-f]{2})*")) {
            step.problem(
                    key,
                    Fact.of("problem.expected_value")
                            .with("example", "0x2D 0x08")
                            .with("found", text));
            return List.of();
        }
        return Arrays.stream(text.split(" +")).map(Integer::decode).toList();
    }

    private static List<Value> values(Fields step) {
        return step.objects("values").stream()
                .map(value -> new Value(
                        value.text("name"),
                        value.whole("at", 0, MOST, 0),
                        value.has("as")
                                ? PartClassReader.word(value, "as", Value.Form.values(), Value.Form.UINT8)
                                : Value.Form.UINT8,
                        value.whole("shift", 0, 23, 0),
                        value.has("mask") ? mask(value) : 0,
                        number(value, "scale", 1),
                        number(value, "offset", 0),
                        value.optionalText("unit").orElse("")))
                .toList();
    }

    private static int mask(Fields value) {
        List<Integer> mask = bytes(value, "mask");
        return mask.isEmpty() ? 0 : mask.get(0);
    }

    private static Value plain(Fields step, String unit) {
        return Value.plain(
                step.optionalText("name").orElse(""),
                number(step, "scale", 1),
                step.optionalText("unit").orElse(unit));
    }

    private static double number(Fields from, String key, double otherwise) {
        if (!from.has(key)) {
            return otherwise;
        }
        if (!from.tree().get(key).isNumber()) {
            from.problem(
                    key,
                    Fact.of("problem.expected_value")
                            .with("example", "0.25")
                            .with("found", from.tree().get(key).asText()));
            return otherwise;
        }
        return from.tree().get(key).asDouble();
    }
}
