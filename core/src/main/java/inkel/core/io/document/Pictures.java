package inkel.core.io.document;

import java.util.Arrays;
import java.util.Locale;
import java.util.Set;

/** Paths of pictures that a record may name: inside the folder of the build, and of a picture by their ending. */
public final class Pictures {
    private static final Set<String> ENDINGS = Set.of("png", "jpg", "jpeg", "gif", "webp", "svg");
    private static final int MOST = 300;

    private Pictures() {}

    /** Whether a text is the path of a picture below the folder of the build, with slashes. */
    public static boolean isOne(String path) {
        String ending = path.substring(path.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        boolean isPlain = path.length() <= MOST
                && path.chars().noneMatch(letter -> letter < ' ' || "\\:*?\"<>|".indexOf(letter) >= 0);
        return isPlain
                && ENDINGS.contains(ending)
                && Arrays.stream(path.split("/", -1))
                        .noneMatch(name -> name.isBlank() || name.equals(".") || name.equals(".."));
    }
}
