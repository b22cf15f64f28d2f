package inkel.core.io.document;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import java.util.Optional;

/**
 * Wires that are written down from the board, as whoever looks at the board writes them: a wire of a build begins at the pin of
 * the part, since several may end at one pin of the board.
 */
final class FarEnds {
    private FarEnds() {}

    /** The same with these wires turned about; empty where there is none. */
    static Optional<JsonNode> turned(JsonNode tree) {
        JsonNode copy = tree.deepCopy();
        boolean isTurned = false;
        for (JsonNode node : copy.path("nodes")) {
            for (JsonNode wire : node.path("wires")) {
                if (isOfBoard(wire.path("from"))
                        && !isOfBoard(wire.path("to"))
                        && Endpoint.parse(wire.path("to").asText()).isPresent()) {
                    JsonNode from = wire.get("from");
                    ((ObjectNode) wire).set("from", wire.get("to"));
                    ((ObjectNode) wire).set("to", from);
                    isTurned = true;
                }
            }
        }
        return isTurned ? Optional.of(copy) : Optional.empty();
    }

    private static boolean isOfBoard(JsonNode end) {
        return Endpoint.parse(end.asText())
                .filter(pin -> pin.part().equals(Part.BOARD))
                .isPresent();
    }
}
