package inkel.core.document;

import inkel.core.catalog.BenchKind;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a bench of the stage Tune found out about one piece, and what the builder made of it. Names in it are those of the
 * bench, in small letters with low lines; each bench says what its own mean.
 *
 * @param numbers what was found
 * @param curves lines from one thing to another by their corners, the first value rising
 * @param places values by the names that the builder gave them, in the order they were made
 * @param choices what was chosen, as words of the bench or of the builder
 * @param figures what takes the place of figures of the class, keyed as {@link inkel.core.catalog.OwnFigures} keys them
 */
public record Tuning(
        BenchKind bench,
        Map<String, Found> numbers,
        Map<String, List<Point>> curves,
        Map<String, Quantity> places,
        Map<String, String> choices,
        Map<String, String> figures) {
    public Tuning {
        numbers = ordered(numbers);
        curves = ordered(curves);
        places = ordered(places);
        choices = ordered(choices);
        figures = ordered(figures);
    }

    private static <T> Map<String, T> ordered(Map<String, T> map) {
        return Collections.unmodifiableMap(new LinkedHashMap<>(map));
    }

    /**
     * A number that was found.
     *
     * @param off how far it may be off either way, in the SI unit of the value: half of a 97 % interval; 0 for one that is
     *     exact
     * @param source how it is known
     */
    public record Found(Quantity value, double off, Source source) {}

    /** A corner of a line. */
    public record Point(double x, double y) {}

    public Optional<Quantity> number(String name) {
        return Optional.ofNullable(numbers.get(name)).map(Found::value);
    }

    public List<Point> curve(String name) {
        return curves.getOrDefault(name, List.of());
    }

    public Optional<String> choice(String name) {
        return Optional.ofNullable(choices.get(name));
    }
}
