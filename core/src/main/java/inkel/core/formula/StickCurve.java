package inkel.core.formula;

/**
 * How a stick, or a tilt, is turned into an output: nothing within a dead band around its middle, from there to the end from 0
 * to 1, bent by a share {@code e} as {@code (1 − e)·x + e·x³}, which is finer around the middle and reaches the same end.
 *
 * @param dead half of the dead band, as a share of the way from the middle to an end, from 0 to below 1
 * @param bent 0 for a straight line, 1 for a cube
 */
public record StickCurve(double dead, double bent) {
    public StickCurve {
        if (!(dead >= 0 && dead < 1 && bent >= 0 && bent <= 1)) {
            throw new IllegalArgumentException("no curve: " + dead + ", " + bent);
        }
    }

    /**
     * @param way −1 at one end, 0 in the middle, 1 at the other; beyond the ends it stays there
     * @return from −1 to 1
     */
    public double at(double way) {
        double size = Math.min(1, Math.abs(way));
        double beyond = Math.max(0, (size - dead) / (1 - dead));
        return Math.signum(way) * ((1 - bent) * beyond + bent * beyond * beyond * beyond);
    }
}
