package inkel.core.terms;

import java.util.Locale;

/** A word of the field. What it means is said where all words for people are. */
public enum Term {
    ABSOLUTE_MAXIMUM,
    ADC,
    ADDRESS,
    BAUD,
    BURST,
    CHIP_SELECT,
    COMMON_GROUND,
    DECOUPLING,
    DIVIDER,
    DROOP,
    DROPOUT,
    DUTY,
    INTERRUPT,
    JUNCTION,
    LEVEL_SHIFTER,
    MARGIN,
    OPEN_DRAIN,
    PEAK,
    PULL_UP,
    RAIL,
    STRAP,
    TERMINATOR,
    THRESHOLD,
    TIMER,
    WIRE_DROP;

    /** The word used in keys. */
    public String text() {
        return name().toLowerCase(Locale.ROOT);
    }
}
