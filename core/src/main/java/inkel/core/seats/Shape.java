package inkel.core.seats;

import inkel.core.catalog.Outline;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.document.SeatChoice;
import inkel.core.document.SeatChoice.Side;
import java.util.ArrayList;
import java.util.List;

/**
 * What takes rows of a breadboard: a part, a piece that stands in a wire, or a half row where wires meet.
 *
 * @param id a part's id, or a text of its own
 * @param legs which go into holes
 * @param span rows from its first leg to its last, both counted
 * @param over rows that its body covers beyond its legs, at each end
 * @param apart how far its two rows of legs are apart, in steps; 0 for one row
 */
public record Shape(String id, List<Leg> legs, int span, int over, int apart) {
    /** Wider ones lie beside and are wired by leads. */
    private static final int LETTERS = 12;

    private static final double STEP = Outline.MILLIMETRES * 1e-3;

    public Shape {
        legs = List.copyOf(legs);
    }

    /**
     * @param pin which pin of the class, from 0; of a piece which leg
     * @param offset rows behind the first
     * @param isRight of the right one of two rows
     */
    public record Leg(int pin, int offset, boolean isRight) {}

    /** Whether it has two rows of legs, which straddle the gap. */
    public boolean isAcross() {
        return apart > 0;
    }

    /** A part that stands in a breadboard. */
    static Shape of(String id, PartClass cls) {
        Outline outline = cls.handling().outline();
        boolean isLying = outline.rows().stream()
                .anyMatch(row -> row.runs() == Outline.Runs.RIGHT || row.runs() == Outline.Runs.LEFT);
        double left = Double.MAX_VALUE;
        double right = -Double.MAX_VALUE;
        double top = Double.MAX_VALUE;
        double bottom = -Double.MAX_VALUE;
        List<Outline.Spot> spots = new ArrayList<>();
        List<Integer> pins = new ArrayList<>();
        for (int i = 0; i < cls.pins().size(); i++) {
            Pin pin = cls.pins().get(i);
            boolean isPlug = outline.row(pin.row())
                    .filter(row -> row.ends() == Outline.Ends.PLUG)
                    .isPresent();
            if (isPlug || outline.spot(pin).isEmpty()) {
                continue;
            }
            Outline.Spot spot = outline.spot(pin).get();
            Outline.Spot upright = isLying ? new Outline.Spot(spot.y(), spot.x()) : spot;
            spots.add(upright);
            pins.add(i);
            left = Math.min(left, upright.x());
            right = Math.max(right, upright.x());
            top = Math.min(top, upright.y());
            bottom = Math.max(bottom, upright.y());
        }
        List<Leg> legs = new ArrayList<>();
        for (int i = 0; i < spots.size(); i++) {
            int offset = (int) Math.round(spots.get(i).y() - top);
            legs.add(new Leg(pins.get(i), offset, spots.get(i).x() > left));
        }
        int span = (int) Math.round(bottom - top) + 1;
        double along = outline.body()
                .map(body -> (isLying ? body.width() : body.length()).metres() / STEP)
                .orElse((double) span);
        int over = (int) Math.max(0, Math.ceil((along - span) / 2 - 0.01));
        return new Shape(id, legs, span, over, (int) Math.round(right - left));
    }

    /** Legs side by side in one half. */
    static Shape row(String id, int count) {
        List<Leg> legs = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            legs.add(new Leg(i, i, false));
        }
        return new Shape(id, legs, count, 0, 0);
    }

    /** Two legs on either side of the gap: anode and cathode at the left, collector and emitter at the right. */
    static Shape coupler(String id) {
        return new Shape(
                id,
                List.of(new Leg(0, 0, false), new Leg(1, 1, false), new Leg(2, 0, true), new Leg(3, 1, true)),
                2,
                0,
                Column.F.across() - Column.E.across());
    }

    /** The row that a leg is in. */
    int rowOf(Leg leg, SeatChoice seat) {
        return seat.row() + (seat.isTurned() ? span - 1 - leg.offset() : leg.offset());
    }

    Side sideOf(Leg leg, SeatChoice seat) {
        return isAcross() ? leg.isRight() != seat.isTurned() ? Side.RIGHT : Side.LEFT : seat.side();
    }

    /** The column that its legs of a side go into: the outermost of one row, so that four holes stay free. */
    Column column(Side side) {
        if (!isAcross()) {
            return side == Side.LEFT ? Column.A : Column.J;
        }
        int first = leftmost();
        return Column.at(side == Side.LEFT ? first : first + apart);
    }

    private int leftmost() {
        return Math.max(0, Math.min(Column.E.across(), (LETTERS - 1 - apart) / 2));
    }

    /** Columns of a side where a wire finds a free hole beside its legs: not under its body. */
    public List<Column> free(Side side) {
        List<Column> found = new ArrayList<>();
        Column taken = column(side);
        for (Column column : Column.values()) {
            boolean isOfSide = !column.isRail() && column.isLeft() == (side == Side.LEFT);
            boolean isCovered = isAcross()
                    && (side == Side.LEFT ? column.across() > taken.across() : column.across() < taken.across());
            if (isOfSide && column != taken && !isCovered) {
                found.add(column);
            }
        }
        return found;
    }
}
