package inkel.app.lane;

import java.util.logging.Level;
import java.util.logging.Logger;

/** Writes failures to the log. A logger is fetched only then, since setting the log up would make every start wait. */
public final class Trouble {
    private Trouble() {}

    /** A failure that the program lives with. */
    public static void minor(Class<?> where, String what, Throwable failed) {
        Logger.getLogger(where.getName()).log(Level.WARNING, what, failed);
    }

    /** A failure that is a mistake in the program. */
    public static void severe(Class<?> where, String what, Throwable failed) {
        Logger.getLogger(where.getName()).log(Level.SEVERE, what, failed);
    }
}
