package inkel.core.tune.compass;

import inkel.core.document.Tuning.Point;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The circle with the least squares of distances from it: begun by Kåsa's linear fit, settled by Gauss–Newton on {@code
 * |p − c| − r}. The intervals come from the inverse of the normal matrix and Student's t.
 *
 * @param worst how far a point is from it
 */
record Circle(Estimate x, Estimate y, Estimate radius, double worst) {
    private static final int LEAST = 6;
    private static final int ROUNDS = 20;
    private static final int CORNERS = 72;

    /** Empty for too few points, or for some that make no circle. */
    static Optional<Circle> through(List<Point> points) {
        if (points.size() < LEAST) {
            return Optional.empty();
        }
        double[] at = begin(points);
        double[][] inverse = new double[3][3];
        for (int round = 0; round < ROUNDS && at != null; round++) {
            double[][] normal = new double[3][3];
            double[] right = new double[3];
            for (Point point : points) {
                double away = Math.hypot(point.x() - at[0], point.y() - at[1]);
                double[] slope = {-(point.x() - at[0]) / away, -(point.y() - at[1]) / away, -1};
                double off = away - at[2];
                for (int i = 0; i < 3; i++) {
                    right[i] -= slope[i] * off;
                    for (int j = 0; j < 3; j++) {
                        normal[i][j] += slope[i] * slope[j];
                    }
                }
            }
            inverse = inverse(normal);
            if (inverse == null) {
                return Optional.empty();
            }
            for (int i = 0; i < 3; i++) {
                at[i] += inverse[i][0] * right[0] + inverse[i][1] * right[1] + inverse[i][2] * right[2];
            }
        }
        return at == null || !(at[2] > 0) ? Optional.empty() : Optional.of(of(points, at, inverse));
    }

    private static Circle of(List<Point> points, double[] at, double[][] inverse) {
        double squares = 0;
        double worst = 0;
        for (Point point : points) {
            double off = Math.hypot(point.x() - at[0], point.y() - at[1]) - at[2];
            squares += off * off;
            worst = Math.max(worst, Math.abs(off));
        }
        int freedoms = points.size() - 3;
        double deviation = Math.sqrt(squares / freedoms);
        Estimate[] found = new Estimate[3];
        for (int i = 0; i < 3; i++) {
            found[i] = new Estimate(at[i], Spread.ofMean(deviation * Math.sqrt(inverse[i][i]), freedoms));
        }
        return new Circle(found[0], found[1], found[2], worst);
    }

    /** {@code x² + y² = 2ax + 2by + c} is linear in a, b and c. */
    private static double[] begin(List<Point> points) {
        double meanX = points.stream().mapToDouble(Point::x).average().orElse(0);
        double meanY = points.stream().mapToDouble(Point::y).average().orElse(0);
        double[][] normal = new double[3][3];
        double[] right = new double[3];
        for (Point point : points) {
            double x = point.x() - meanX;
            double y = point.y() - meanY;
            double[] row = {2 * x, 2 * y, 1};
            for (int i = 0; i < 3; i++) {
                right[i] += row[i] * (x * x + y * y);
                for (int j = 0; j < 3; j++) {
                    normal[i][j] += row[i] * row[j];
                }
            }
        }
        double[][] inverse = inverse(normal);
        if (inverse == null) {
            return null;
        }
        double[] found = new double[3];
        for (int i = 0; i < 3; i++) {
            found[i] = inverse[i][0] * right[0] + inverse[i][1] * right[1] + inverse[i][2] * right[2];
        }
        return new double[] {
            found[0] + meanX, found[1] + meanY, Math.sqrt(found[2] + found[0] * found[0] + found[1] * found[1])
        };
    }

    /** By cofactors; null where there is none. */
    private static double[][] inverse(double[][] m) {
        double[][] cofactors = new double[3][3];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                int a = (i + 1) % 3;
                int b = (i + 2) % 3;
                int c = (j + 1) % 3;
                int d = (j + 2) % 3;
                cofactors[i][j] = m[a][c] * m[b][d] - m[a][d] * m[b][c];
            }
        }
        double det = m[0][0] * cofactors[0][0] + m[0][1] * cofactors[0][1] + m[0][2] * cofactors[0][2];
        double scale = Math.abs(m[0][0] * m[1][1] * m[2][2]);
        if (!(Math.abs(det) > 1e-9 * scale)) {
            return null;
        }
        double[][] inverse = new double[3][3];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                inverse[i][j] = cofactors[j][i] / det;
            }
        }
        return inverse;
    }

    /** The widest angle at its middle that no point lies in, in degrees. */
    double widestGap(List<Point> points) {
        double[] angles = points.stream()
                .mapToDouble(point -> Math.toDegrees(Math.atan2(point.y() - y.value(), point.x() - x.value())))
                .sorted()
                .toArray();
        double widest = angles[0] + 360 - angles[angles.length - 1];
        for (int i = 1; i < angles.length; i++) {
            widest = Math.max(widest, angles[i] - angles[i - 1]);
        }
        return widest;
    }

    List<Point> path() {
        List<Point> path = new ArrayList<>();
        for (int i = 0; i <= CORNERS; i++) {
            double angle = 2 * Math.PI * i / CORNERS;
            path.add(new Point(
                    x.value() + radius.value() * Math.cos(angle), y.value() + radius.value() * Math.sin(angle)));
        }
        return path;
    }
}
