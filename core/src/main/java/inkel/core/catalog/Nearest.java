package inkel.core.catalog;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Finds what was probably meant. */
public final class Nearest {
    private Nearest() {}

    /** The candidate that the fewest typing slips lead to, if these are at most a third of the word. */
    public static Optional<String> to(String word, List<String> candidates) {
        int allowed = Math.max(1, word.length() / 3);
        return candidates.stream()
                .filter(candidate -> distance(word, candidate) <= allowed)
                .min(Comparator.comparingInt(candidate -> distance(word, candidate)));
    }

    /** Letters to add, drop or change (Levenshtein distance). */
    static int distance(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int change = diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.min(change, 1 + Math.min(row[j], row[j - 1]));
            }
        }
        return row[b.length()];
    }
}
