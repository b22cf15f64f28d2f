package inkel.core.catalog;

import inkel.core.quantity.Length;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How the ends of a part lie, seen with its printed side up and its marked end at the top. Distances are in steps of
 * {@value #MILLIMETRES} mm, the pitch of a breadboard.
 *
 * @param rows where each row of pins begins and which way it runs
 * @param mark what the end is known by that places are counted from
 * @param faces where its pins point
 * @param body how wide and long it is; absent where the class does not tell
 */
public record Outline(List<Row> rows, Mark mark, Faces faces, Optional<Body> body) {
    /** One step, a tenth of an inch. */
    public static final double MILLIMETRES = 2.54;

    private static final double USUAL_ACROSS = 6;

    /** The gap of a breadboard, and both halves of it less a hole for a wire on either side. */
    private static final double LEAST_ACROSS = 3;

    private static final double MOST_ACROSS = 9;

    /** Longer ones lean over, or cover too much: they lie beside. */
    private static final double MOST_BODY = 0.085;

    public Outline {
        rows = List.copyOf(rows);
    }

    /** What the ends of a row are, which decides what is plugged there. */
    public enum Ends {
        PINS,
        SOCKETS,
        LEGS,
        PADS,
        SCREWS,
        LEADS,
        PLUG
    }

    /** Which way a row runs from its first place. */
    public enum Runs {
        DOWN,
        UP,
        RIGHT,
        LEFT
    }

    /** What tells one end from the other. */
    public enum Mark {
        USB,
        SQUARE,
        NOTCH,
        DOT,
        CORNER,
        PRINT,
        SHAFT,
        FLAT,
        /** The longer leg. */
        LONG,
        /** The side that looks out is towards you. */
        FRONT,
        COLOUR,
        /** Both ends are alike. */
        NONE
    }

    /** Where pins point when the printed side is up. */
    public enum Faces {
        BELOW,
        ABOVE,
        OUT
    }

    /** How wide and long a part is. */
    public record Body(Length width, Length length) {}

    /**
     * A row of pins.
     *
     * @param name as its pins have it
     * @param x of its first place, {@code y} downwards
     * @param step from place to place
     * @param gaps what is added behind a place, by that place
     * @param colours of the wires of a lead, in order; empty where it has none of its own
     */
    public record Row(
            String name,
            Ends ends,
            double x,
            double y,
            Runs runs,
            double step,
            Map<Integer, Double> gaps,
            List<String> colours) {
        public Row {
            gaps = Map.copyOf(gaps);
            colours = List.copyOf(colours);
        }

        Spot spot(int place) {
            double along = (place - 1) * step;
            for (Map.Entry<Integer, Double> gap : gaps.entrySet()) {
                along += place > gap.getKey() ? gap.getValue() : 0;
            }
            return switch (runs) {
                case DOWN -> new Spot(x, y + along);
                case UP -> new Spot(x, y - along);
                case RIGHT -> new Spot(x + along, y);
                case LEFT -> new Spot(x - along, y);
            };
        }
    }

    /** Where a pin is, in steps: {@code x} to the right, {@code y} downwards. */
    public record Spot(double x, double y) {
        /** The same seen from the other side, turned over left to right. */
        public Spot mirrored() {
            return new Spot(x == 0 ? 0 : -x, y);
        }
    }

    public Optional<Row> row(String name) {
        return rows.stream().filter(row -> row.name().equals(name)).findFirst();
    }

    /** Whether it has a header, soldered on or lying beside it: something with nothing but leads, screws or a plug has none. */
    public boolean hasHeader() {
        return rows.stream().anyMatch(row -> row.ends() == Ends.PINS || row.ends() == Ends.PADS);
    }

    /**
     * Whether it goes into a breadboard: not too large, pins or legs on its grid, in one row or in two that the gap keeps
     * apart and that leave a hole free on both sides.
     */
    public boolean fitsBreadboard() {
        List<Row> down = rows.stream().filter(row -> row.ends() != Ends.PLUG).toList();
        boolean isOnGrid = !down.isEmpty()
                && down.stream()
                        .allMatch(row -> (row.ends() == Ends.PINS || row.ends() == Ends.LEGS || row.ends() == Ends.PADS)
                                && row.step() == Math.rint(row.step())
                                && row.gaps().values().stream().allMatch(gap -> gap == Math.rint(gap)));
        boolean isTooLarge = body.filter(size ->
                        size.width().metres() > MOST_BODY || size.length().metres() > MOST_BODY)
                .isPresent();
        if (!isOnGrid || down.size() > 2 || isTooLarge) {
            return false;
        }
        if (down.size() == 1) {
            return true;
        }
        double across = Math.abs(down.get(0).x() - down.get(1).x());
        return across == Math.rint(across) && across >= LEAST_ACROSS && across <= MOST_ACROSS;
    }

    /** Where a pin is, seen with the printed side up; empty for a row that is not told of. */
    public Optional<Spot> spot(Pin pin) {
        return row(pin.row()).map(row -> row.spot(pin.place()));
    }

    /** What a definition means that does not tell: its rows side by side, left and right as far apart as a wide chip's. */
    public static Outline usual(List<Pin> pins) {
        Set<String> names = new LinkedHashSet<>();
        pins.forEach(pin -> names.add(pin.row()));
        List<Row> rows = new ArrayList<>();
        for (String name : names) {
            double x =
                    name.equals("right") ? USUAL_ACROSS : name.equals("left") ? 0 : rows.isEmpty() ? 0 : -rows.size();
            rows.add(new Row(name, Ends.PINS, x, 0, Runs.DOWN, 1, Map.of(), List.of()));
        }
        return new Outline(rows, Mark.CORNER, Faces.BELOW, Optional.empty());
    }
}
