package inkel.core.io.document;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.flipkart.zjsonpatch.JsonDiff;
import com.flipkart.zjsonpatch.JsonPatch;
import inkel.core.catalog.Catalog;
import inkel.core.document.Build;
import inkel.core.document.Logbook;
import inkel.core.document.Node;
import inkel.core.io.json.JsonText;
import inkel.core.io.json.UnreadableFile;
import java.nio.file.Path;
import java.util.Optional;

/**
 * The plan of a build as it was: what its file has without the record, and without what is plugged and where it sits, taken
 * back line by line by JSON patches (RFC 6902).
 */
public final class PlanPatch {
    /** Only sentences of trouble would name it. */
    private static final Path THEN = Path.of("then");

    private PlanPatch() {}

    /** The plan alone: two states of one plan are told apart by this. */
    private static Build plan(Build build) {
        return build.withLog(Logbook.EMPTY)
                .withNodes(build.nodes().stream().map(Node::planned).toList());
    }

    /** Whether two states have the same plan. */
    public static boolean isSame(Build one, Build other) {
        return one.nodes() == other.nodes() && plan(one).equals(plan(other))
                || plan(one).equals(plan(other));
    }

    /** A patch that makes the earlier plan of the later one; empty where they are the same. */
    public static String back(Build before, Build after) {
        Build older = plan(before);
        Build newer = plan(after);
        if (older.equals(newer)) {
            return "";
        }
        ObjectNode from = BuildWriter.tree(newer);
        ObjectNode to = BuildWriter.tree(older);
        // Tables that are the same on both sides need not be compared in depth.
        boolean isSameTables = older.nodes().size() == newer.nodes().size();
        for (int i = 0; isSameTables && i < older.nodes().size(); i++) {
            Node node = older.nodes().get(i);
            if (node.equals(newer.nodes().get(i))) {
                from.withArray("nodes").set(i, JsonText.object());
                to.withArray("nodes").set(i, JsonText.object());
            }
        }
        return JsonDiff.asJson(from, to).toString();
    }

    /**
     * The build as it was after a line of its record.
     *
     * @return empty where a way back is missing or does not fit: the record is of an older version, or was changed by hand
     */
    public static Optional<Build> at(Build now, int line, Catalog catalog) {
        JsonNode tree = BuildWriter.tree(plan(now));
        try {
            for (int i = now.log().size() - 1; i > line; i--) {
                String back = now.log().mark(i).back();
                if (!back.isEmpty()) {
                    Optional<JsonNode> before = applied(JsonText.parse(back), tree);
                    if (before.isEmpty()) {
                        return Optional.empty();
                    }
                    tree = before.get();
                }
            }
            return Optional.of(BuildReader.parse(THEN, tree.toString(), catalog));
        } catch (JsonText.BadJson | UnreadableFile doesNotFit) {
            return Optional.empty();
        }
    }

    /** The library tells of a patch that is none, or does not fit, in whatever way it comes upon that. */
    private static Optional<JsonNode> applied(JsonNode patch, JsonNode tree) {
        try {
            return Optional.of(JsonPatch.apply(patch, tree));
        } catch (RuntimeException noPatch) {
            return Optional.empty();
        }
    }
}
