package inkel.core.catalog;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * Finds a class by the labels printed on a part, in any order and case, or by general words. A label counts fully, a
 * slip of one letter and the start of a word count less; among equals the part with fewer pins left over comes first.
 */
public final class CatalogSearch {
    private static final double EXACT = 1.0;
    private static final double START = 0.6;
    private static final double SLIP = 0.5;

    private final List<Entry> entries;

    private record Entry(PartClass cls, List<Set<String>> labels, Set<String> words) {}

    /**
     * A class that was found.
     *
     * @param matched the labels of the class that were asked for, in pin order
     * @param score above 0; larger is better
     * @param asked how many words the question had
     */
    public record Hit(PartClass cls, List<String> matched, double score, int asked) {}

    public CatalogSearch(Catalog catalog) {
        entries = catalog.all().stream().map(CatalogSearch::entry).toList();
    }

    /** The classes that match any word, best first; all of them in catalogue order when the question is blank. */
    public List<Hit> find(String question) {
        List<String> words = split(question);
        if (words.isEmpty()) {
            return entries.stream()
                    .map(entry -> new Hit(entry.cls, List.of(), 0, 0))
                    .toList();
        }
        return entries.stream()
                .map(entry -> score(entry, words))
                .filter(hit -> hit.score() > 0)
                .sorted(Comparator.comparingDouble(Hit::score)
                        .reversed()
                        .thenComparingInt(hit -> hit.cls().pins().size()))
                .toList();
    }

    private static Hit score(Entry entry, List<String> words) {
        double score = 0;
        Set<Integer> used = new LinkedHashSet<>();
        for (String word : words) {
            double best = 0;
            int bestLabel = -1;
            for (int label = 0; label < entry.labels.size(); label++) {
                double likeness = used.contains(label) ? 0 : bestLikeness(word, entry.labels.get(label));
                if (likeness > best) {
                    best = likeness;
                    bestLabel = label;
                }
            }
            double byWord = bestLikeness(word, entry.words);
            if (bestLabel >= 0 && best >= byWord) {
                used.add(bestLabel);
            }
            score += Math.max(best, byWord);
        }
        List<String> matched = used.stream()
                .sorted()
                .map(label -> entry.cls.pins().get(label).label())
                .toList();
        return new Hit(entry.cls, matched, score, words.size());
    }

    private static double bestLikeness(String word, Set<String> candidates) {
        double best = 0;
        for (String candidate : candidates) {
            best = Math.max(best, likeness(word, candidate));
        }
        return best;
    }

    private static double likeness(String word, String candidate) {
        if (word.equals(candidate)) {
            return EXACT;
        }
        if (word.length() >= 3 && candidate.startsWith(word)) {
            return START;
        }
        return word.length() >= 4 && isOneSlipAway(word, candidate) ? SLIP : 0;
    }

    /** One letter missing, added, wrong, or swapped with its neighbour. */
    private static boolean isOneSlipAway(String a, String b) {
        if (Math.abs(a.length() - b.length()) > 1) {
            return false;
        }
        int start = 0;
        while (start < Math.min(a.length(), b.length()) && a.charAt(start) == b.charAt(start)) {
            start++;
        }
        String restA = a.substring(start);
        String restB = b.substring(start);
        if (restA.length() == restB.length()) {
            boolean swapped = restA.length() >= 2
                    && restA.charAt(0) == restB.charAt(1)
                    && restA.charAt(1) == restB.charAt(0)
                    && restA.substring(2).equals(restB.substring(2));
            return swapped || restA.substring(1).equals(restB.substring(1));
        }
        return restA.length() < restB.length() ? restA.equals(restB.substring(1)) : restB.equals(restA.substring(1));
    }

    private static Entry entry(PartClass cls) {
        List<Set<String>> labels = new ArrayList<>();
        for (Pin pin : cls.pins()) {
            Set<String> names = new LinkedHashSet<>();
            names.add(fold(pin.label()));
            names.addAll(split(pin.label()));
            pin.also().forEach(also -> names.add(fold(also)));
            labels.add(names);
        }
        Set<String> words = new LinkedHashSet<>();
        cls.kinds().forEach(kind -> words.addAll(split(kind)));
        words.addAll(split(cls.name()));
        words.addAll(split(cls.summary()));
        words.add(fold(cls.id()));
        return new Entry(cls, labels, words);
    }

    private static List<String> split(String text) {
        List<String> words = new ArrayList<>();
        for (String word : text.split("[\\s,;/|+]+")) {
            String folded = fold(word);
            if (!folded.isEmpty()) {
                words.add(folded);
            }
        }
        return words;
    }

    private static String fold(String word) {
        String lower = word.toLowerCase(Locale.ROOT);
        String kept = lower.replaceAll("[^a-z0-9.]", "");
        // "3.3V" and "3V3" are two ways to print the same rail.
        return kept.equals("3v3") ? "3.3v" : kept;
    }
}
