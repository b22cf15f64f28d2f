package inkel.core.io.catalog;

import inkel.core.catalog.Outline;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** Reads how the ends of a part lie. */
final class OutlineFields {
    private static final String EXAMPLE = "6, or 3.6";

    private OutlineFields() {}

    static Outline outline(Fields outline) {
        return new Outline(
                outline.objects("rows").stream().map(OutlineFields::row).toList(),
                PartClassReader.word(outline, "mark", Outline.Mark.values(), Outline.Mark.CORNER),
                outline.has("pins")
                        ? PartClassReader.word(outline, "pins", Outline.Faces.values(), Outline.Faces.BELOW)
                        : Outline.Faces.BELOW,
                outline.object("body")
                        .map(body -> new Outline.Body(
                                body.quantity("width", Unit.METRE, "18 mm"),
                                body.quantity("length", Unit.METRE, "45 mm"))));
    }

    private static Outline.Row row(Fields row) {
        Map<Integer, Double> gaps = new HashMap<>();
        for (Fields gap : row.objects("gaps")) {
            gaps.put(gap.whole("after", 1, 1000, 1), steps(gap, "by", 0));
        }
        double step = steps(row, "step", 1);
        if (step <= 0) {
            row.problem(
                    "step",
                    Fact.of("problem.expected_value").with("example", "1").with("found", step));
        }
        return new Outline.Row(
                row.optionalText("row").orElse("single"),
                PartClassReader.word(row, "ends", Outline.Ends.values(), Outline.Ends.PINS),
                steps(row, "x", 0),
                steps(row, "y", 0),
                row.has("runs")
                        ? PartClassReader.word(row, "runs", Outline.Runs.values(), Outline.Runs.DOWN)
                        : Outline.Runs.DOWN,
                step,
                gaps,
                row.texts("colours"));
    }

    /** A distance in steps, written as a text so that it keeps its digits. */
    private static double steps(Fields from, String key, double otherwise) {
        return from.has(key) ? from.parsed(key, OutlineFields::steps, EXAMPLE, otherwise) : otherwise;
    }

    private static Optional<Double> steps(String text) {
        return text.matches("-?[0-9]{1,3}(\\.[0-9]{1,3})?") ? Optional.of(Double.valueOf(text)) : Optional.empty();
    }
}
