package inkel.core.catalog;

import inkel.core.quantity.Engineering;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * Finds a class by the labels printed on a part, in any order and case, by general words, by what it does, by its bus
 * or by a voltage it works at. A label or word counts fully, a slip of one letter and the start of a word count less; a
 * word that somebody uses is no slip of another. Words of the name count most, then its kinds, then what it does;
 * among equals the part whose pins are nearer in number to what was asked comes first.
 */
public final class CatalogSearch {
    private static final double EXACT = 1.0;
    private static final double START = 0.6;
    private static final double SLIP = 0.5;
    /** A word of the name tells more than one of its kinds, that more than what it does, and all more than the description. */
    private static final double IN_NAME = 0.2;

    private static final double IN_KINDS = 0.1;
    private static final double IN_DOES = 0.05;

    private static final double PIN_COUNT = 0.5;
    private static final Pattern SPACED_VOLTS = Pattern.compile("(\\d)\\s+[vV]\\b");
    private static final Pattern PINS = Pattern.compile("(\\d+)\\s*[- ]?pins?\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern VOLTS = Pattern.compile("\\d+(\\.\\d+)?v\\d?|\\dv\\d");

    /** Every label and word that occurs, so that each is compared with a word of the question only once. */
    private final Map<String, Integer> vocabulary = new HashMap<>();

    private final List<String> vocabularyWords = new ArrayList<>();
    private final Map<PartClass, Integer> nameLengths = new IdentityHashMap<>();
    private final List<Entry> entries;

    private record Entry(PartClass cls, int[][] labels, int[] name, int[] kinds, int[] does, int[] words) {}

    /**
     * A class that was found.
     *
     * @param pins which of its pins were asked for by label, by their index, rising
     * @param score above 0; larger is better
     * @param asked how many words the question had
     * @param found how many of them were found
     */
    public record Hit(PartClass cls, List<Integer> pins, double score, int asked, int found) {
        /** Whether every word of the question was found. */
        public boolean isWhole() {
            return found == asked;
        }

        /** The labels that were asked for, in pin order. */
        public List<String> matched() {
            return pins.stream().map(pin -> cls.pins().get(pin).label()).toList();
        }
    }

    public CatalogSearch(Catalog catalog) {
        this(catalog.all());
    }

    public CatalogSearch(Collection<PartClass> classes) {
        entries = classes.stream().map(this::entry).toList();
    }

    /** The classes that match any word, best first; all of them in catalogue order when the question is blank. */
    public List<Hit> find(String question) {
        Matcher pins = PINS.matcher(question);
        int pinCount = pins.find() ? Integer.parseInt(pins.group(1)) : 0;
        List<String> words = split(pins.replaceAll(" "));
        if (words.isEmpty() && pinCount == 0) {
            return entries.stream()
                    .map(entry -> new Hit(entry.cls, List.of(), 0, 0, 0))
                    .toList();
        }
        List<Asked> asked = words.stream().map(this::asked).toList();
        int wanted = pinCount > 0 ? pinCount : words.size();
        return entries.stream()
                .map(entry -> score(entry, asked, pinCount))
                .filter(hit -> hit.score() > 0)
                .sorted(Comparator.comparingDouble(Hit::score)
                        .reversed()
                        .thenComparing(hit -> hit.cls().kind() == Kind.SOURCE)
                        .thenComparingInt(hit -> nameLengths.get(hit.cls()))
                        .thenComparingInt(hit -> Math.abs(hit.cls().pins().size() - wanted)))
                .toList();
    }

    /** The shorter the name, the more of it was asked for; sizes and counts are no words. */
    private static int nameLength(PartClass cls) {
        return (int) split(cls.name()).stream()
                .filter(word -> word.chars().noneMatch(Character::isDigit))
                .count();
    }

    /** A word of the question: how like it each word of the vocabulary is, and the voltage it may name. */
    private record Asked(double[] likeness, Optional<Double> volts) {}

    private Asked asked(String word) {
        double[] likeness = new double[vocabularyWords.size()];
        boolean isKnown = vocabulary.containsKey(word);
        for (int i = 0; i < likeness.length; i++) {
            likeness[i] = likeness(word, vocabularyWords.get(i), !isKnown);
        }
        Optional<Double> volts =
                VOLTS.matcher(word).matches() ? Engineering.parse(word.replace('v', 'V'), Unit.VOLT) : Optional.empty();
        return new Asked(likeness, volts);
    }

    private static Hit score(Entry entry, List<Asked> asked, int pinCount) {
        double score = pinCount > 0 && entry.cls.pins().size() == pinCount ? PIN_COUNT : 0;
        boolean[] used = new boolean[entry.labels.length];
        int found = 0;
        for (Asked word : asked) {
            double best = 0;
            int bestLabel = -1;
            for (int label = 0; label < used.length; label++) {
                double likeness = used[label] ? 0 : best(word.likeness, entry.labels[label]);
                if (likeness > best) {
                    best = likeness;
                    bestLabel = label;
                }
            }
            double byWord = byWord(entry, word.likeness);
            if (word.volts.isPresent() && worksAt(entry.cls, word.volts.get())) {
                byWord = Math.max(byWord, EXACT);
            }
            if (bestLabel >= 0 && best >= byWord) {
                used[bestLabel] = true;
            }
            score += Math.max(best, byWord);
            found += Math.max(best, byWord) > 0 ? 1 : 0;
        }
        List<Integer> pins = IntStream.range(0, used.length)
                .filter(label -> used[label])
                .boxed()
                .toList();
        return new Hit(entry.cls, pins, score, asked.size(), found);
    }

    /** The field that says it best; a word of the name that is one of its kinds too says it a little better. */
    private static double byWord(Entry entry, double[] likeness) {
        double inName = best(likeness, entry.name);
        double inKinds = best(likeness, entry.kinds);
        double inDoes = best(likeness, entry.does);
        double most = best(likeness, entry.words);
        most = Math.max(most, inDoes > 0 ? inDoes + IN_DOES : 0);
        most = Math.max(most, inKinds > 0 ? inKinds + IN_KINDS : 0);
        most = Math.max(most, inName > 0 ? inName + IN_NAME : 0);
        return inName > 0 && inKinds > 0 ? most + IN_DOES : most;
    }

    private static double best(double[] likeness, int[] words) {
        double best = 0;
        for (int word : words) {
            best = Math.max(best, likeness[word]);
        }
        return best;
    }

    private static boolean worksAt(PartClass cls, double volts) {
        return cls.kind() == Kind.MODULE
                && cls.supplies().stream()
                        .map(supply -> supply.range().range())
                        .anyMatch(range -> range.lowest().volts() <= volts
                                && volts <= range.highest().volts());
    }

    private static double likeness(String word, String candidate, boolean maySlip) {
        if (word.equals(candidate)) {
            return EXACT;
        }
        if (word.length() >= 3 && candidate.startsWith(word)) {
            return START;
        }
        return maySlip && word.length() >= 4 && isOneSlipAway(word, candidate) ? SLIP : 0;
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

    private Entry entry(PartClass cls) {
        int[][] labels = new int[cls.pins().size()][];
        for (int i = 0; i < labels.length; i++) {
            Pin pin = cls.pins().get(i);
            Set<String> names = new LinkedHashSet<>(split(pin.label()));
            names.add(fold(pin.label()));
            pin.also().forEach(also -> names.add(fold(also)));
            labels[i] = known(names);
        }
        nameLengths.put(cls, nameLength(cls));
        Set<String> kinds = new LinkedHashSet<>();
        cls.kinds().forEach(kind -> kinds.addAll(split(kind)));
        Set<String> does = new LinkedHashSet<>();
        cls.handling().does().forEach(what -> does.addAll(split(what)));
        Set<String> words = new LinkedHashSet<>();
        words.addAll(split(cls.summary()));
        words.add(fold(cls.id()));
        words.addAll(buses(cls));
        return new Entry(
                cls, labels, known(new LinkedHashSet<>(split(cls.name()))), known(kinds), known(does), known(words));
    }

    private static Set<String> buses(PartClass cls) {
        Set<String> buses = new LinkedHashSet<>();
        cls.spi().ifPresent(need -> buses.add("spi"));
        cls.i2c().ifPresent(need -> buses.add("i2c"));
        cls.uart().ifPresent(need -> buses.addAll(List.of("uart", "serial")));
        cls.pwm().ifPresent(need -> buses.add("pwm"));
        if (cls.signals().anyMatch(pin -> pin.use() == PinUse.ANALOG)) {
            buses.add("analog");
        }
        return buses;
    }

    private int[] known(Set<String> words) {
        return words.stream()
                .filter(word -> !word.isEmpty())
                .mapToInt(word -> vocabulary.computeIfAbsent(word, fresh -> {
                    vocabularyWords.add(fresh);
                    return vocabularyWords.size() - 1;
                }))
                .toArray();
    }

    private static List<String> split(String text) {
        List<String> words = new ArrayList<>();
        for (String word : SPACED_VOLTS.matcher(text).replaceAll("$1V").split("[\\s,;/|+]+")) {
            String folded = fold(word);
            if (!folded.isEmpty()) {
                words.add(folded);
            }
        }
        return words;
    }

    private static String fold(String word) {
        StringBuilder kept = new StringBuilder(word.length());
        for (int i = 0; i < word.length(); i++) {
            char c = Character.toLowerCase(word.charAt(i));
            if (c >= 'a' && c <= 'z' || c >= '0' && c <= '9' || c == '.') {
                kept.append(c);
            }
        }
        while (kept.length() > 0 && kept.charAt(kept.length() - 1) == '.') {
            kept.setLength(kept.length() - 1);
        }
        // "3.3V" and "3V3" are two ways to print the same rail.
        String folded = kept.toString().toLowerCase(Locale.ROOT);
        return folded.equals("3v3") ? "3.3v" : folded;
    }
}
