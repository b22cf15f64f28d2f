package inkel.core.formula;

import java.util.Locale;

/** How a wire's levels fare, worst first. */
public enum Verdict {
    /** The driver can rise above what the receiver survives. */
    HARMS,
    /** A level may be taken for the other one, or for neither. */
    NOT_READ,
    /** Read and survived, with little to spare. */
    THIN,
    FINE;

    /** The word used in JSON and in the wording: {@code not read}. */
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
