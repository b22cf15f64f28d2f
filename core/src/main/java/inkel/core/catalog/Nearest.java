package inkel.core.catalog;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Finds what was probably meant. */
public final class Nearest {
    private Nearest() {}

    /**
     * The candidate that the fewest typing slips lead to, if these are at most a third of the word. Small letters for large ones are
     * no slip; of two as near, the one that only goes on is meant.
     */
    public static Optional<String> to(String word, List<String> candidates) {
        int allowed = Math.max(1, word.length() / 3);
        String small = small(word);
        return candidates.stream()
                .filter(candidate -> distance(small, small(candidate)) <= allowed)
                .min(Comparator.comparingInt((String candidate) -> distance(small, small(candidate)))
                        .thenComparing(candidate -> !small(candidate).startsWith(small))
                        .thenComparingInt(candidate -> distance(word, candidate)));
    }

    private static String small(String word) {
        return word.toLowerCase(Locale.ROOT);
    }

    /** Letters to add, drop or change, and neighbours that changed places (optimal string alignment distance). */
    static int distance(String a, String b) {
        int[][] slips = new int[a.length() + 1][b.length() + 1];
        for (int i = 0; i <= a.length(); i++) {
            for (int j = 0; j <= b.length(); j++) {
                slips[i][j] = i == 0 || j == 0 ? i + j : least(slips, a, b, i, j);
            }
        }
        return slips[a.length()][b.length()];
    }

    private static int least(int[][] slips, String a, String b, int i, int j) {
        char one = a.charAt(i - 1);
        char other = b.charAt(j - 1);
        int changed = slips[i - 1][j - 1] + (one == other ? 0 : 1);
        int least = Math.min(changed, 1 + Math.min(slips[i - 1][j], slips[i][j - 1]));
        boolean isSwapped = i > 1 && j > 1 && one == b.charAt(j - 2) && a.charAt(i - 2) == other;
        return isSwapped ? Math.min(least, slips[i - 2][j - 2] + 1) : least;
    }
}
