package inkel.core.document;

import java.util.Locale;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Ids of nodes, parts, moments and classes: they also name files, so that they are of few letters and not long. */
public final class Ids {
    private static final int LONGEST = 64;
    private static final Pattern ID = Pattern.compile("[a-z0-9][a-z0-9-]{0," + (LONGEST - 1) + "}");

    private Ids() {}

    /** Whether a text can be an id: one to 64 small letters, digits and dashes, no dash first. */
    public static boolean isId(String text) {
        return ID.matcher(text).matches();
    }

    /**
     * An id that is free: the stem itself, or the stem and a number, cut where it would be too long.
     *
     * @param stem an id
     */
    static String free(String stem, Predicate<String> isFree) {
        return Stream.iterate(1, count -> count + 1)
                .map(count -> count == 1 ? "" : "-" + count)
                .map(end -> stem.substring(0, Math.min(stem.length(), LONGEST - end.length())) + end)
                .filter(isFree)
                .findFirst()
                .orElseThrow();
    }

    /** As {@link #free(String, Predicate)}, from a name. */
    static String free(String name, String standIn, Predicate<String> isFree) {
        String stem =
                name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-+|-+$", "");
        return free(stem.isEmpty() ? standIn : stem, isFree);
    }
}
