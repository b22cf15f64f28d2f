package inkel.core.io.document;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import java.util.Optional;

/**
 * Wires that are written down from the board, as whoever looks at the board writes them: a wire of a build begins at the pin of
 * the part, since several may end at one pin of the board. What a board itself asks for, as the enable pin of a bare module, begins
 * there; so does everything of a board that the catalogue does not know.
 */
final class FarEnds {
    private FarEnds() {}

    /** The same with these wires turned about; empty where there is none. */
    static Optional<JsonNode> turned(JsonNode tree, Catalog catalog) {
        JsonNode copy = tree.deepCopy();
        boolean isTurned = false;
        for (JsonNode node : copy.path("nodes")) {
            Optional<PartClass> board =
                    catalog.find(node.path("board").path("class").asText());
            if (board.isEmpty()) {
                continue;
            }
            for (JsonNode wire : node.path("wires")) {
                Optional<Endpoint> from = pin(wire.path("from"));
                Optional<Endpoint> to = pin(wire.path("to"));
                boolean isFromBoard = from.filter(FarEnds::isOfBoard).isPresent()
                        && to.filter(pin -> !isOfBoard(pin)).isPresent();
                if (isFromBoard && !isAsking(board.get(), from.get().pin())) {
                    ((ObjectNode) wire).put("from", to.get().toString());
                    ((ObjectNode) wire).put("to", from.get().toString());
                    isTurned = true;
                }
            }
        }
        return isTurned ? Optional.of(copy) : Optional.empty();
    }

    private static Optional<Endpoint> pin(JsonNode end) {
        return Endpoint.parse(end.asText());
    }

    private static boolean isOfBoard(Endpoint pin) {
        return pin.part().equals(Part.BOARD);
    }

    private static boolean isAsking(PartClass board, String pin) {
        return board.pin(pin)
                .or(() -> board.pinCalled(pin))
                .filter(found -> found.use().isSignal())
                .isPresent();
    }
}
