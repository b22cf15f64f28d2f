package inkel.core.tune.sample;

import inkel.core.document.Meter;
import java.util.List;
import java.util.Map;

/**
 * A part as a bench needs to know it.
 *
 * @param name as its builder calls it
 * @param pins those that are wired and asked for
 * @param figures what the plan or the class says of it, by names of the bench
 * @param meter what volts are read with
 */
public record Rig(String name, List<String> pins, Map<String, Double> figures, Meter meter) {
    public Rig {
        pins = List.copyOf(pins);
        figures = Map.copyOf(figures);
    }

    public double figure(String key) {
        return figures.get(key);
    }

    public boolean has(String key) {
        return figures.containsKey(key);
    }
}
