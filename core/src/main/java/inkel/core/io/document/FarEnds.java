package inkel.core.io.document;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;

/**
 * Wires that are written down from their far end, as whoever looks at the board, or at what gives the signal, writes them: a wire
 * of a build begins at the pin that asks to be served, since several may end at one that serves. What a board itself asks for, as
 * the enable pin of a bare module, begins there; so does everything of a board or a part that the catalogue does not know.
 */
final class FarEnds {
    private final JsonNode node;

    /** By the id of the part; nothing of a part of whose class nothing is known. */
    private final Map<String, PartClass> classes = new HashMap<>();

    private FarEnds(Catalog catalog, JsonNode node) {
        this.node = node;
        catalog.find(node.path("board").path("class").asText()).ifPresent(board -> classes.put(Part.BOARD, board));
        for (JsonNode part : node.path("parts")) {
            catalog.find(part.path("class").asText())
                    .ifPresent(cls -> classes.putIfAbsent(part.path("id").asText(), cls));
        }
    }

    /** The same with these wires turned about, and what stands in them, and links joined at shifters; empty where there is none. */
    static Optional<JsonNode> turned(JsonNode tree, Catalog catalog) {
        JsonNode copy = tree.deepCopy();
        boolean isTurned = LinkWays.join(copy, catalog);
        for (JsonNode node : copy.path("nodes")) {
            isTurned |= new FarEnds(catalog, node).turn();
        }
        return isTurned ? Optional.of(copy) : Optional.empty();
    }

    private boolean turn() {
        Set<Endpoint> begun = new HashSet<>();
        node.path("wires").forEach(wire -> pin(wire.path("from")).ifPresent(begun::add));
        boolean isTurned = false;
        for (JsonNode wire : node.path("wires")) {
            Optional<Endpoint> from = pin(wire.path("from"));
            Optional<Endpoint> to = pin(wire.path("to"));
            if (from.isPresent() && to.isPresent() && isFarEnd(from.get(), to.get(), begun)) {
                ((ObjectNode) wire).put("from", to.get().toString());
                ((ObjectNode) wire).put("to", from.get().toString());
                between(from.get(), to.get());
                isTurned = true;
            }
        }
        return isTurned;
    }

    /** What stands in a wire is told by the pin at which that begins; where several begin there, it stays. */
    private void between(Endpoint from, Endpoint to) {
        List<JsonNode> here = StreamSupport.stream(node.path("between").spliterator(), false)
                .filter(piece -> pin(piece.path("signal")).filter(from::equals).isPresent())
                .toList();
        long wires = StreamSupport.stream(node.path("wires").spliterator(), false)
                .flatMap(wire -> Stream.of(wire.path("from"), wire.path("to")))
                .filter(end -> pin(end).filter(from::equals).isPresent())
                .count();
        if (here.size() == 1 && wires == 1) {
            ((ObjectNode) here.get(0)).put("signal", to.toString());
        }
    }

    private boolean isFarEnd(Endpoint from, Endpoint to, Set<Endpoint> begun) {
        Optional<PartClass> giver = cls(from);
        if (giver.isEmpty() || from.part().equals(to.part())) {
            return false;
        }
        Optional<Pin> begins = find(giver.get(), from.pin());
        boolean isAsking = begins.filter(pin -> pin.use().isSignal()).isPresent();
        if (from.part().equals(Part.BOARD)) {
            // A supply pin of a bare chip asks as well, as that of a part does.
            return !isAsking && begins.filter(pin -> pin.use() == PinUse.SUPPLY).isEmpty();
        }
        // A knob and the channel of a receiver ask to be read, and serve what takes their signal.
        return begins.filter(FarEnds::isServing).isPresent()
                && cls(to).flatMap(taker -> find(taker, to.pin()))
                        .filter(pin -> pin.use().isSignal() && !(isAsking && isServing(pin)))
                        .isPresent()
                && !begun.contains(to);
    }

    private static boolean isServing(Pin pin) {
        return !pin.can().isEmpty() || pin.use().isWay();
    }

    private Optional<PartClass> cls(Endpoint pin) {
        return Optional.ofNullable(classes.get(pin.part()));
    }

    private static Optional<Pin> find(PartClass cls, String name) {
        return cls.pinNamed(name);
    }

    private static Optional<Endpoint> pin(JsonNode end) {
        return Endpoint.parse(end.asText());
    }
}
