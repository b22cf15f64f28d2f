package inkel.core.finding;

import java.util.Locale;

/** How much a finding matters, worst first. */
public enum Severity {
    /** Harms something or cannot work. */
    STOP,
    /** Thin, or likely trouble. */
    LOOK,
    /** Good practice. */
    NOTE;

    public String text() {
        return name().toLowerCase(Locale.ROOT);
    }
}
