package inkel.core.io.document;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import inkel.core.io.json.Fields;
import inkel.core.io.json.JsonText;
import inkel.core.quantity.Fact;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * The chain of a record: the seal of a line is the first sixteen digits of SHA-256 over the seal before it and the line as it is
 * written. A line that was changed by hand, left out or put in is told by that. Lines of files before there were seals have
 * none, and the chain begins behind them. A line whose text was taken out keeps its seal, and what is left of it has one of its
 * own. A line that joins two records names the last seals of both.
 */
final class LogSeals {
    /** The keys that are known in the objects of a line. */
    private static final Map<String, List<String>> INSIDE = Map.of(
            "expected", List.of("low", "high"),
            "meter", List.of("counts", "accuracy", "digits"),
            "numbers", List.of("value", "unit", "off", "source"),
            "places", List.of("value", "unit"));

    /** Of these, those that hold an object for each name. */
    private static final Set<String> EACH = Set.of("numbers", "places");

    private static final String SEAL = "seal";
    private static final String BACK = "back";
    private static final String BLANKED = "blanked";
    private static final String PARENTS = "parents";
    private static final int DIGITS = 16;

    private LogSeals() {}

    static void write(ArrayNode log, Logbook book) {
        String before = "";
        // A line without a seal before one that has one is of a file from before there were seals.
        int sealed = IntStream.range(0, book.marks().size())
                .filter(line -> !book.mark(line).seal().isEmpty())
                .max()
                .orElse(-1);
        for (int i = 0; i < book.size(); i++) {
            Logbook.Mark mark = book.mark(i);
            ObjectNode line = line(book.lines().get(i), mark.back(), mark.parents());
            boolean isOfFile = !mark.seal().isEmpty();
            if (isOfFile || i > sealed) {
                // A seal that a file has is kept, whether it fits or not: rewriting must not hide a change.
                before = isOfFile ? mark.seal() : seal(before, line);
                String left = mark.isBlanked() ? seal(before, line) : "";
                line.put(SEAL, before);
                if (mark.isBlanked()) {
                    line.put(BLANKED, left);
                }
            }
            log.add(line);
        }
    }

    /** The seal of the last line, as a file of this record has it or would have it; empty for no line. */
    static String last(Logbook book) {
        ArrayNode log = JsonNodeFactory.instance.arrayNode();
        write(log, book);
        return book.isEmpty() ? "" : log.get(log.size() - 1).path(SEAL).asText();
    }

    private static ObjectNode line(LogLine line, String back, List<String> parents) {
        ObjectNode tree = BuildWriter.tree(line);
        if (!back.isEmpty()) {
            try {
                tree.set(BACK, JsonText.parse(back));
            } catch (JsonText.BadJson broken) {
                throw new IllegalStateException("a way back that was made or read before", broken);
            }
        }
        if (!parents.isEmpty()) {
            ArrayNode seals = tree.putArray(PARENTS);
            parents.forEach(seals::add);
        }
        return tree;
    }

    private static String seal(String before, ObjectNode line) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256")
                    .digest((before + "\n" + JsonText.compact(line)).getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(hash).substring(0, DIGITS);
        } catch (NoSuchAlgorithmException missing) {
            throw new IllegalStateException("every Java has SHA-256", missing);
        }
    }

    /**
     * What of a line is no field of its kind: without the marks that every line may have, and with what stands in its objects
     * beside the keys that are known there.
     */
    static Extras known(Fields fields) {
        Map<String, Object> rest = new LinkedHashMap<>(fields.extras().fields());
        INSIDE.forEach((key, known) -> {
            JsonNode inside = fields.tree().path(key);
            Map<String, Object> more = EACH.contains(key) ? beside(inside, known) : left(inside, known);
            if (!more.isEmpty() && !rest.containsKey(key)) {
                rest.put(key, more);
            }
        });
        rest.remove(SEAL);
        rest.remove(BACK);
        rest.remove(BLANKED);
        rest.remove(PARENTS);
        return new Extras(rest);
    }

    private static Map<String, Object> beside(JsonNode entries, List<String> known) {
        Map<String, Object> all = new LinkedHashMap<>();
        entries.fields().forEachRemaining(entry -> {
            Map<String, Object> more = left(entry.getValue(), known);
            if (!more.isEmpty()) {
                all.put(entry.getKey(), more);
            }
        });
        return all;
    }

    private static Map<String, Object> left(JsonNode object, List<String> known) {
        Map<String, Object> left = new LinkedHashMap<>();
        object.fields().forEachRemaining(entry -> {
            if (!known.contains(entry.getKey())) {
                left.put(entry.getKey(), JsonText.plain(entry.getValue()));
            }
        });
        return left;
    }

    static Logbook read(List<LogLine> lines, List<Fields> entries) {
        List<Logbook.Mark> marks = new ArrayList<>();
        Set<String> above = new HashSet<>();
        String before = "";
        for (int i = 0; i < lines.size(); i++) {
            Fields entry = entries.get(i);
            String seal = entry.optionalText(SEAL).orElse("");
            String back = back(entry);
            String blanked = entry.optionalText(BLANKED).orElse("");
            boolean isBlanked = !blanked.isEmpty() && lines.get(i).text().isEmpty();
            List<String> parents = entry.texts(PARENTS);
            ObjectNode line = line(lines.get(i), back, parents);
            // The record that goes on here is above it; the other one is in another file.
            boolean isOrphan = !parents.isEmpty() && !above.contains(parents.get(0));
            boolean isBroken = !seal.isEmpty() && (isOrphan || !isSealed(before, seal, line, isBlanked ? blanked : ""));
            before = seal;
            above.add(seal);
            marks.add(
                    seal.isEmpty() && back.isEmpty() && parents.isEmpty()
                            ? Logbook.Mark.NONE
                            : new Logbook.Mark(back, seal, isBroken, isBlanked, parents));
        }
        return new Logbook(lines, marks);
    }

    /** @param blanked the seal of what is left of a line whose text was taken out; empty for any other */
    private static boolean isSealed(String before, String seal, ObjectNode line, String blanked) {
        return blanked.isEmpty() ? seal.equals(seal(before, line)) : blanked.equals(seal(seal, line));
    }

    private static String back(Fields entry) {
        if (!entry.has(BACK)) {
            return "";
        }
        JsonNode patch = entry.tree().get(BACK);
        List<String> wrong = new ArrayList<>();
        patch.forEach(step -> {
            if (!step.path("op").isTextual() || !step.path("path").isTextual()) {
                wrong.add(step.toString());
            }
        });
        if (!patch.isArray() || !wrong.isEmpty()) {
            entry.problem(
                    BACK,
                    Fact.of("problem.expected_value")
                            .with("example", "[{\"op\": \"replace\", \"path\": \"/name\", \"value\": \"Locks\"}]")
                            .with("found", wrong.isEmpty() ? patch.toString() : wrong.get(0)));
            return "";
        }
        return JsonText.compact(patch);
    }
}
