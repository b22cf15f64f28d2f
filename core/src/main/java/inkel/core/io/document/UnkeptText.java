package inkel.core.io.document;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.io.json.Fields;
import inkel.core.io.json.JsonText;
import inkel.core.io.json.JsonText.BadJson;
import inkel.core.io.json.Problem;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What was found at benches of several builds and is kept in none of them yet, as a text for after a run that ended early. */
public final class UnkeptText {
    private static final String BUILDS = "builds";
    private static final String BUILD = "build";
    private static final String FOUND = "found";
    private static final String AT = "at";

    private UnkeptText() {}

    /** @param part where it was found */
    public record Unkept(Place part, Tuning tuning) {}

    /** @param found by what the builds are known by; empty for nothing found */
    public static String print(Map<String, List<Unkept>> found) {
        ObjectNode tree = JsonText.object();
        ArrayNode builds = tree.putArray(BUILDS);
        found.forEach((build, all) -> {
            if (!all.isEmpty()) {
                ObjectNode of = builds.addObject();
                of.put(BUILD, build);
                ArrayNode into = of.putArray(FOUND);
                all.forEach(one -> {
                    ObjectNode line = into.addObject();
                    line.put(AT, one.part().toString());
                    TuningFields.write(line, one.tuning());
                });
            }
        });
        return builds.isEmpty() ? "" : JsonText.pretty(tree);
    }

    /** Whatever of a text can be read; nothing of one that is none of ours. */
    public static Map<String, List<Unkept>> parse(String text) {
        Map<String, List<Unkept>> found = new LinkedHashMap<>();
        try {
            Fields tree = new Fields(JsonText.parse(text), "", new ArrayList<>());
            for (Fields build : tree.objects(BUILDS)) {
                List<Unkept> all = new ArrayList<>();
                for (Fields one : build.objects(FOUND)) {
                    List<Problem> problems = new ArrayList<>();
                    Tuning tuning = TuningFields.read(new Fields(one.tree(), "", problems));
                    if (problems.isEmpty()) {
                        Place.parse(one.text(AT)).ifPresent(part -> all.add(new Unkept(part, tuning)));
                    }
                }
                found.put(build.text(BUILD), all);
            }
        } catch (BadJson none) {
            return Map.of();
        }
        return found;
    }
}
