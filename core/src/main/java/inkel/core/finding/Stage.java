package inkel.core.finding;

import java.util.Locale;

/** The eight stages in the order of work. */
public enum Stage {
    PARTS,
    POWER,
    LEVELS,
    PINS,
    WIRE,
    WAKE,
    TUNE,
    LOG;

    public String text() {
        return name().toLowerCase(Locale.ROOT);
    }
}
