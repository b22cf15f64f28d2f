package inkel.core.wiring;

import inkel.core.catalog.Outline;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The ends of a part around one of them, as they lie on the table: enough of its row to count by, and of the rows beside it
 * that a finger could take for it. Distances are in steps of a breadboard, from the top left of what is shown.
 *
 * @param holes those that are shown
 * @param isAcross whether the row runs from left to right
 * @param before how many places of the row lie before what is shown, {@code after} behind it, counted from the marked end
 * @param isTurned whether the part lies with its printed side down, so that its pins point up
 */
public record EndPicture(List<Hole> holes, boolean isAcross, int before, int after, boolean isTurned) {
    /** Rows farther away than this are another row, which nobody takes for it. */
    private static final double BESIDE = 3;

    /** A row of so many places is shown whole. */
    private static final int WHOLE = 8;

    /** So many places to either side are shown of a longer one. */
    private static final double AROUND = 2;

    private static final double NOTHING = 1e-6;

    public EndPicture {
        holes = List.copyOf(holes);
    }

    /** Where the name of a hole has room. */
    public enum Side {
        LEFT,
        RIGHT,
        ABOVE,
        BELOW,
        /** Between others: its name has no room beside it. */
        NONE
    }

    /**
     * One end.
     *
     * @param index which pin of the class, from 0 in physical order
     * @param place its place in its row, from 1 at the marked end
     * @param printed the number that is printed for it, or that a leg has; 0 for none
     * @param isInRow whether it is in the row of the one that is looked for
     */
    public record Hole(
            int index,
            String label,
            double x,
            double y,
            int place,
            int printed,
            boolean isTarget,
            boolean isInRow,
            Side side) {}

    /** A pin and where it is. */
    private record At(int index, Pin pin, double x, double y) {}

    /**
     * @param target which pin of the class, from 0 in physical order
     * @return empty where the class does not tell of its row
     */
    public static Optional<EndPicture> of(PartClass cls, int target, boolean isTurned) {
        Outline outline = cls.handling().outline();
        Pin wanted = cls.pins().get(target);
        Optional<Outline.Row> row = outline.row(wanted.row());
        if (row.isEmpty()) {
            return Optional.empty();
        }
        boolean isAcross = isAcross(row.get());
        List<At> beside = new ArrayList<>();
        At centre = at(outline, cls, target, isTurned).orElseThrow();
        for (int i = 0; i < cls.pins().size(); i++) {
            boolean isAlike = outline.row(cls.pins().get(i).row())
                    .filter(other -> isAcross(other) == isAcross
                            && other.ends() == row.get().ends())
                    .isPresent();
            at(outline, cls, i, isTurned)
                    .filter(other -> isAlike && Math.abs(cross(other, isAcross) - cross(centre, isAcross)) <= BESIDE)
                    .ifPresent(beside::add);
        }
        long places = beside.stream()
                .filter(other -> other.pin().row().equals(wanted.row()))
                .count();
        double reach = places <= WHOLE ? Double.MAX_VALUE : AROUND * row.get().step() + 0.75;
        List<At> shown = beside.stream()
                .filter(other -> Math.abs(along(other, isAcross) - along(centre, isAcross)) <= reach)
                .sorted(Comparator.comparingDouble(other -> along(other, isAcross)))
                .toList();
        return Optional.of(picture(shown, beside, centre, isAcross, isTurned));
    }

    private static EndPicture picture(List<At> shown, List<At> beside, At centre, boolean isAcross, boolean isTurned) {
        double left = shown.stream().mapToDouble(At::x).min().orElse(0);
        double top = shown.stream().mapToDouble(At::y).min().orElse(0);
        Map<Long, List<At>> lines = new TreeMap<>();
        shown.forEach(at -> lines.computeIfAbsent(Math.round(along(at, isAcross) * 4), line -> new ArrayList<>())
                .add(at));
        List<Hole> holes = new ArrayList<>();
        for (At at : shown) {
            boolean isInRow = at.pin().row().equals(centre.pin().row());
            holes.add(new Hole(
                    at.index(),
                    at.pin().label(),
                    at.x() - left,
                    at.y() - top,
                    at.pin().place(),
                    at.pin().header(),
                    at.index() == centre.index(),
                    isInRow,
                    side(at, lines.get(Math.round(along(at, isAcross) * 4)), isAcross)));
        }
        int first = shown.stream()
                .filter(at -> at.pin().row().equals(centre.pin().row()))
                .mapToInt(at -> at.pin().place())
                .min()
                .orElse(1);
        int last = shown.stream()
                .filter(at -> at.pin().row().equals(centre.pin().row()))
                .mapToInt(at -> at.pin().place())
                .max()
                .orElse(1);
        int before = 0;
        int after = 0;
        for (At at : beside) {
            if (at.pin().row().equals(centre.pin().row())) {
                before += at.pin().place() < first ? 1 : 0;
                after += at.pin().place() > last ? 1 : 0;
            }
        }
        return new EndPicture(holes, isAcross, before, after, isTurned);
    }

    private static Side side(At at, List<At> line, boolean isAcross) {
        double here = cross(at, isAcross);
        boolean isFirst = line.stream().allMatch(other -> cross(other, isAcross) >= here - NOTHING);
        boolean isLast = line.stream().allMatch(other -> cross(other, isAcross) <= here + NOTHING);
        if (isLast) {
            return isAcross ? Side.BELOW : Side.RIGHT;
        }
        return isFirst ? isAcross ? Side.ABOVE : Side.LEFT : Side.NONE;
    }

    private static Optional<At> at(Outline outline, PartClass cls, int index, boolean isTurned) {
        Pin pin = cls.pins().get(index);
        return outline.spot(pin)
                .map(spot -> isTurned ? spot.mirrored() : spot)
                .map(spot -> new At(index, pin, spot.x(), spot.y()));
    }

    private static boolean isAcross(Outline.Row row) {
        return row.runs() == Outline.Runs.RIGHT || row.runs() == Outline.Runs.LEFT;
    }

    private static double along(At at, boolean isAcross) {
        return isAcross ? at.x() : at.y();
    }

    private static double cross(At at, boolean isAcross) {
        return isAcross ? at.y() : at.x();
    }

    /** Whether places count from right to left, or upwards. */
    public boolean isBackwards() {
        Hole first = target();
        Hole last = target();
        for (Hole hole : holes) {
            if (hole.isInRow()) {
                first = hole.place() < first.place() ? hole : first;
                last = hole.place() > last.place() ? hole : last;
            }
        }
        return isAcross ? first.x() > last.x() : first.y() > last.y();
    }

    public double width() {
        return holes.stream().mapToDouble(Hole::x).max().orElse(0);
    }

    public double height() {
        return holes.stream().mapToDouble(Hole::y).max().orElse(0);
    }

    public Hole target() {
        return holes.stream().filter(Hole::isTarget).findFirst().orElseThrow();
    }
}
