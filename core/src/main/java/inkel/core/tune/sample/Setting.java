package inkel.core.tune.sample;

import inkel.core.quantity.Unit;
import java.util.List;

/**
 * Something that the builder says.
 *
 * @param key its name within the bench
 * @param usual what it is until it is said
 * @param isForCode whether the builder's code needs it
 * @param options what it may be, where it is one of a few: its value is then the number of one; empty for a number
 */
public record Setting(
        String key, Unit unit, double usual, double least, double most, boolean isForCode, List<String> options) {
    public Setting {
        options = List.copyOf(options);
    }

    public static Setting number(String key, Unit unit, double usual, double least, double most) {
        return new Setting(key, unit, usual, least, most, false, List.of());
    }

    public static Setting oneOf(String key, String... options) {
        return new Setting(key, Unit.ONE, 0, 0, options.length - 1.0, false, List.of(options));
    }

    public Setting forCode() {
        return new Setting(key, unit, usual, least, most, true, options);
    }

    public boolean allows(double value) {
        return value >= least && value <= most;
    }
}
