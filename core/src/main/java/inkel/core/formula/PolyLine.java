package inkel.core.formula;

import java.util.List;

/**
 * A line through two points, or a bent one through more, flat beyond its ends where it is clipped:
 * {@code y = y1 + (y2 − y1)·(x − x1)/(x2 − x1)} between two corners.
 *
 * @param corners at least two, x rising
 */
public record PolyLine(List<Corner> corners, boolean isClipped) {
    /** @throws IllegalArgumentException for fewer than two corners, or x that does not rise */
    public PolyLine {
        corners = List.copyOf(corners);
        if (corners.size() < 2) {
            throw new IllegalArgumentException("two corners make a line, not " + corners.size());
        }
        for (int i = 1; i < corners.size(); i++) {
            if (!(corners.get(i).x() > corners.get(i - 1).x())) {
                throw new IllegalArgumentException("x does not rise at corner " + i);
            }
        }
    }

    /** A point that the line goes through. */
    public record Corner(double x, double y) {}

    public double at(double x) {
        Corner first = corners.get(0);
        Corner last = corners.get(corners.size() - 1);
        if (isClipped && x <= first.x()) {
            return first.y();
        } else if (isClipped && x >= last.x()) {
            return last.y();
        }
        int piece = piece(x);
        return corners.get(piece).y() + slope(piece) * (x - corners.get(piece).x());
    }

    /** The number of the piece that a value lies on, from 0; the first and last go on beyond the ends. */
    public int piece(double x) {
        int piece = 0;
        while (piece < corners.size() - 2 && x > corners.get(piece + 1).x()) {
            piece++;
        }
        return piece;
    }

    /** What a piece rises by for one of x. */
    public double slope(int piece) {
        Corner from = corners.get(piece);
        Corner to = corners.get(piece + 1);
        return (to.y() - from.y()) / (to.x() - from.x());
    }

    /** What a piece, drawn on, has at x = 0. */
    public double offset(int piece) {
        return corners.get(piece).y() - slope(piece) * corners.get(piece).x();
    }
}
