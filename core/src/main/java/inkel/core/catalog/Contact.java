package inkel.core.catalog;

/**
 * A contact that its part opens and closes.
 *
 * @param is how it stands while nothing drives the part
 * @param by the input that moves it
 * @param at the level there that does
 */
public record Contact(Is is, String by, At at) {
    public enum Is {
        NORMALLY_OPEN,
        NORMALLY_CLOSED
    }

    public enum At {
        HIGH,
        LOW
    }

    /** Whether it lets a current through while its input is driven, or is not. */
    public boolean isClosed(boolean isDriven) {
        return isDriven == (is == Is.NORMALLY_OPEN);
    }
}
