package inkel.app.export.program;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A program in pieces, of which only those are taken that are needed. Each begins with a line {@code == name : others}; the
 * others come with it.
 */
final class Pieces {
    private static final String MARK = "== ";

    private final Map<String, String> texts = new LinkedHashMap<>();
    private final Map<String, List<String>> needs = new LinkedHashMap<>();

    Pieces(String text) {
        for (String piece : text.split("(?m)^" + MARK)) {
            if (piece.isBlank()) {
                continue;
            }
            String[] headAndBody = piece.split("\n", 2);
            String[] nameAndNeeds = headAndBody[0].split(":");
            String name = nameAndNeeds[0].strip();
            texts.put(name, headAndBody[1].strip());
            needs.put(
                    name,
                    nameAndNeeds.length == 1
                            ? List.of()
                            : List.of(nameAndNeeds[1].strip().split(" ")));
        }
    }

    /** One more that comes with another. */
    void needs(String name, String other) {
        List<String> more = new ArrayList<>(needs.get(name));
        more.add(other);
        needs.put(name, more);
    }

    boolean has(String name) {
        return texts.containsKey(name);
    }

    /** The wanted ones with all that they need, in the order of the file, which is one that compiles. */
    List<String> of(Collection<String> wanted) {
        Set<String> all = new LinkedHashSet<>();
        List<String> open = new ArrayList<>(wanted);
        while (!open.isEmpty()) {
            String name = open.remove(open.size() - 1);
            if (has(name) && all.add(name)) {
                open.addAll(needs.get(name));
            }
        }
        return texts.keySet().stream().filter(all::contains).map(texts::get).toList();
    }
}
