package inkel.core.tune.colour;

import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import java.util.ArrayList;
import java.util.List;

/**
 * A colour read farther off than all others were: less of the lamp comes back, more of the room.
 *
 * @param name of the colour
 */
public record Farther(String name, List<Reading> readings) {
    private static final int LEAST = 2;

    public Farther {
        readings = List.copyOf(readings);
    }

    /** By how much its shares differ from those of the readings near by; empty for fewer than two of either. */
    List<Estimate> off(Correction correction, List<Reading> near) {
        if (near.size() < LEAST || readings.size() < LEAST) {
            return List.of();
        }
        List<Estimate> off = new ArrayList<>();
        for (int channel = 0; channel < Reading.COLOURS; channel++) {
            double error = Math.sqrt(correction.varianceOfDifference(near, readings, channel));
            off.add(new Estimate(
                    correction.share(readings, channel) - correction.share(near, channel),
                    Spread.ofMean(error, near.size() + readings.size() - 2)));
        }
        return off;
    }
}
