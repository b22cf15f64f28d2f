package inkel.core.tune.sample;

import inkel.core.document.Tuning.Point;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import java.util.List;
import java.util.Optional;

/**
 * What follows from what was read.
 *
 * @param told what the builder should know besides
 */
public record Work(List<Result> results, Optional<Picture> picture, List<Fact> told) {
    public static final Work NONE = new Work(List.of(), Optional.empty(), List.of());

    public Work {
        results = List.copyOf(results);
        told = List.copyOf(told);
    }

    public Optional<Result> result(String id) {
        return results.stream().filter(result -> result.id().equals(id)).findFirst();
    }

    /**
     * What was read, and the line through it.
     *
     * @param across the unit along the bottom
     * @param up the unit along the side
     * @param isEven whether one along the bottom is as long as one along the side, so that a circle is round
     */
    public record Picture(List<Point> dots, List<Point> line, Unit across, Unit up, boolean isEven) {
        public Picture {
            dots = List.copyOf(dots);
            line = List.copyOf(line);
        }
    }
}
