package inkel.core.formula;

import java.util.ArrayList;
import java.util.List;

/**
 * A move from one place to another that begins and ends softly: {@code p(t) = from + (to − from)·(1 − cos(π·t/T))/2}, so that
 * it is fastest in its middle, with {@code π/2} times the mean speed.
 *
 * @param seconds how long it takes
 */
public record SoftMove(double from, double to, double seconds) {
    /** Places at every frame, the last one where it ends; a move shorter than a frame is one jump. */
    public List<Double> table(double frame) {
        int steps = Math.max(1, (int) Math.round(seconds / frame));
        List<Double> table = new ArrayList<>();
        for (int i = 1; i <= steps; i++) {
            table.add(from + (to - from) * (1 - Math.cos(Math.PI * i / steps)) / 2);
        }
        return table;
    }

    /** How fast it goes in its middle. */
    public double fastest() {
        return Math.PI / 2 * Math.abs(to - from) / seconds;
    }
}
