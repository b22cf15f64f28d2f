package inkel.core.catalog;

import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Settings of a part that are one of a few words; those that carry a value are {@link PartSettings}. */
public final class PartChoices {
    private static final Map<String, List<String>> WORDS = new LinkedHashMap<>();

    static {
        WORDS.put("form", List.of("ready", "chip"));
        WORDS.put("header", List.of("loose", "soldered"));
        WORDS.put("contact", List.of("jumper", "clip", "solder"));
        WORDS.put("decoupling", List.of("fitted"));
        WORDS.put("behind", List.of("low-voltage"));
        WORDS.put("together", List.of("yes"));
        WORDS.put("pull_ups", List.of("off"));
        WORDS.put("bus", List.of("hardware", "software"));
        WORDS.put("end", List.of("marked", "far"));
        WORDS.put("wireless", List.of("on", "off"));
    }

    private PartChoices() {}

    /** The keys of all choices that can be made for a part, those whose words are of its class or its pins with them. */
    public static List<String> keys() {
        List<String> keys = new ArrayList<>(WORDS.keySet());
        keys.addAll(List.of("turned_down", "diode", "forbidden"));
        return keys;
    }

    /** Why a text is none of the words of a choice; empty when it is one, or when the key is no choice. */
    public static Optional<Fact> problem(PartClass cls, String key, String text) {
        List<String> words =
                switch (key) {
                    case "turned_down" ->
                        cls.demands().reductions().stream().map(Reduction::name).toList();
                    case "diode" -> cls.supplies().stream().map(Supply::pin).toList();
                    case "forbidden" -> cls.offers().map(Pin::label).toList();
                    default -> WORDS.getOrDefault(key, List.of(text));
                };
        boolean isList = key.equals("diode") || key.equals("forbidden");
        List<String> given = isList ? List.of(text.split("[ ,]+")) : List.of(text);
        return words.containsAll(given)
                ? Optional.empty()
                : Optional.of(Fact.of("problem.expected_value")
                        .with("example", String.join(", ", words))
                        .with("found", text));
    }
}
