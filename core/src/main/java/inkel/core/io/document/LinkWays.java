package inkel.core.io.document;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Ways;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Place;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Links that are written down as they are plugged, to a shifter, from whose other side a wire of its table goes on to the board:
 * together they are a wire between the boards in which that way stands.
 */
final class LinkWays {
    private final Catalog catalog;
    private final JsonNode tree;

    private LinkWays(Catalog catalog, JsonNode tree) {
        this.catalog = catalog;
        this.tree = tree;
    }

    /** Joins them in a tree, which changes; whether there was any. */
    static boolean join(JsonNode tree, Catalog catalog) {
        LinkWays ways = new LinkWays(catalog, tree);
        boolean isChanged = false;
        for (JsonNode link : tree.path("links")) {
            isChanged |= ways.join(link, "from") || ways.join(link, "to");
        }
        return isChanged;
    }

    /** A way of a shifter: which one, its pin and the one across. */
    private record Way(int number, String pin, String across) {}

    private boolean join(JsonNode link, String key) {
        Optional<Place> end = Place.parsePin(link.path(key).asText());
        if (end.isEmpty() || link.has("between")) {
            return false;
        }
        Optional<JsonNode> node = find(tree.path("nodes"), end.get().node());
        Optional<Way> way = node.flatMap(
                        table -> find(table.path("parts"), end.get().part()))
                .flatMap(part -> catalog.find(part.path("class").asText()))
                .flatMap(cls -> way(cls, end.get().endpoint().pin()));
        if (way.isEmpty() || !(node.get().path("wires") instanceof ArrayNode wires)) {
            return false;
        }
        List<JsonNode> here = at(wires, end.get().part(), way.get().pin(), node.get());
        List<JsonNode> across = at(wires, end.get().part(), way.get().across(), node.get());
        if (!here.isEmpty() || across.size() != 1) {
            return false;
        }
        Optional<Endpoint> board =
                ends(across.get(0)).filter(pin -> pin.part().equals(Part.BOARD)).findFirst();
        if (board.isEmpty()) {
            return false;
        }
        boolean talks = key.equals("from");
        ObjectNode joined = (ObjectNode) link;
        joined.put(key, end.get().node() + "/" + board.get());
        joined.putObject("between")
                .put("kind", "shifter")
                .put("shifter", end.get().node() + "/" + end.get().part())
                .put("way", way.get().number())
                .put("faces", talks ? way.get().across() : way.get().pin());
        remove(wires, across.get(0));
        return true;
    }

    private static void remove(ArrayNode wires, JsonNode wire) {
        for (int i = 0; i < wires.size(); i++) {
            if (wires.get(i) == wire) {
                wires.remove(i);
                return;
            }
        }
    }

    private static Optional<Way> way(PartClass cls, String name) {
        Optional<String> label = cls.pinNamed(name).map(Pin::label);
        Ways ways = Ways.of(cls);
        for (int number = 1; number <= ways.count(); number++) {
            List<String> pins = ways.pins(number).stream().map(Pin::label).toList();
            if (label.isPresent() && pins.contains(label.get())) {
                return Optional.of(new Way(number, label.get(), pins.get(1 - pins.indexOf(label.get()))));
            }
        }
        return Optional.empty();
    }

    /** The wires of a table at a pin, by whichever of its names. */
    private List<JsonNode> at(ArrayNode wires, String part, String label, JsonNode node) {
        PartClass cls = find(node.path("parts"), part)
                .flatMap(found -> catalog.find(found.path("class").asText()))
                .orElseThrow();
        List<JsonNode> here = new ArrayList<>();
        for (JsonNode wire : wires) {
            boolean isAt = ends(wire)
                    .anyMatch(end -> end.part().equals(part)
                            && cls.pinNamed(end.pin())
                                    .filter(pin -> pin.label().equals(label))
                                    .isPresent());
            if (isAt) {
                here.add(wire);
            }
        }
        return here;
    }

    private static Stream<Endpoint> ends(JsonNode wire) {
        return Stream.of("from", "to")
                .flatMap(key -> Endpoint.parse(wire.path(key).asText()).stream());
    }

    private static Optional<JsonNode> find(JsonNode list, String id) {
        for (JsonNode one : list) {
            if (one.path("id").asText().equals(id)) {
                return Optional.of(one);
            }
        }
        return Optional.empty();
    }
}
