package inkel.app.export.sheet;

import inkel.app.words.Words;
import inkel.core.catalog.Outline;
import inkel.core.catalog.Outline.Spot;
import inkel.core.catalog.Pin;
import inkel.core.circuit.Placed;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** A board as it lies on the table, printed side up, with what goes to each of its pins. */
final class BoardPicture {
    /** A pin and where it is on the picture. */
    private record Leg(Pin pin, int index, double x, double y) {}

    private BoardPicture() {}

    /**
     * One picture of the rows that run down the board, and one of those that run across it, where there are such.
     *
     * @param takers what is wired to each pin, by its place in the class
     */
    static List<Sheet.Picture> of(Placed board, Map<Integer, List<String>> takers) {
        Outline outline = board.cls().handling().outline();
        List<Leg> down = new ArrayList<>();
        List<Leg> across = new ArrayList<>();
        for (int index = 0; index < board.cls().pins().size(); index++) {
            Pin pin = board.cls().pins().get(index);
            Optional<Outline.Row> row = outline.row(pin.row()).filter(found -> found.ends() != Outline.Ends.PLUG);
            if (row.isPresent()) {
                Spot spot = outline.spot(pin).orElseThrow();
                if (runsAcross(row.get())) {
                    // A quarter to the right: what was left is on top, and what was on top is at the right.
                    across.add(new Leg(pin, index, -spot.y(), spot.x()));
                } else {
                    down.add(new Leg(pin, index, spot.x(), spot.y()));
                }
            }
        }
        List<Sheet.Picture> pictures = new ArrayList<>();
        if (!down.isEmpty()) {
            pictures.add(new Sheet.Picture(top(outline, false), lines(down, takers)));
        }
        if (!across.isEmpty()) {
            pictures.add(new Sheet.Picture(top(outline, true), lines(across, takers)));
        }
        return pictures;
    }

    private static boolean runsAcross(Outline.Row row) {
        return row.runs() == Outline.Runs.RIGHT || row.runs() == Outline.Runs.LEFT;
    }

    private interface Axis {
        double of(Leg leg);
    }

    private static double span(List<Leg> legs, Axis axis) {
        return legs.stream().mapToDouble(axis::of).max().orElse(0)
                - legs.stream().mapToDouble(axis::of).min().orElse(0);
    }

    private static String top(Outline outline, boolean isTurned) {
        String key = "ends.mark." + outline.mark().name().toLowerCase(Locale.ROOT);
        String mark = Words.get(Words.has(key) ? key : key + ".alone");
        return Words.say(
                Fact.of(isTurned ? "sheet.picture.turned" : "sheet.picture.top").with("mark", mark));
    }

    private static List<Sheet.PinLine> lines(List<Leg> legs, Map<Integer, List<String>> takers) {
        double least = legs.stream().mapToDouble(Leg::x).min().orElse(0);
        double middle = least + span(legs, Leg::x) / 2;
        boolean isOneSided = span(legs, Leg::x) == 0;
        Map<Double, List<Leg>> byHeight = new TreeMap<>();
        legs.forEach(leg ->
                byHeight.computeIfAbsent(leg.y(), fresh -> new ArrayList<>()).add(leg));
        List<Sheet.PinLine> lines = new ArrayList<>();
        double before = Double.NaN;
        for (Map.Entry<Double, List<Leg>> at : byHeight.entrySet()) {
            if (at.getKey() - before > 1.5) {
                lines.add(Sheet.PinLine.GAP);
            }
            before = at.getKey();
            List<Sheet.PinText> left = new ArrayList<>();
            List<Sheet.PinText> right = new ArrayList<>();
            at.getValue().sort(Comparator.comparingDouble(Leg::x));
            for (Leg leg : at.getValue()) {
                boolean isLeft = !isOneSided && leg.x() < middle;
                (isLeft ? left : right).add(text(leg, takers));
            }
            lines.add(new Sheet.PinLine(left, right));
        }
        return lines;
    }

    private static Sheet.PinText text(Leg leg, Map<Integer, List<String>> takers) {
        Pin pin = leg.pin();
        String name = pin.header() > 0 ? pin.label() + " (" + pin.header() + ")" : pin.label();
        return new Sheet.PinText(name, String.join(", ", takers.getOrDefault(leg.index(), List.of())));
    }
}
