package inkel.core.io.document;

import inkel.core.catalog.Nearest;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Checks that what a file calls a pin is one of a part that is there. */
final class PinCheck {
    private static final Endpoint STAND_IN = new Endpoint("?", "?");

    private final Map<String, Part> parts;

    PinCheck(Map<String, Part> parts) {
        this.parts = parts;
    }

    /**
     * A pin of a part that is there. Whether its class has that pin is not asked here: classes change, and a build
     * outlives them; see {@link inkel.core.circuit.Lost}.
     */
    Endpoint pin(Fields fields, String key) {
        String text = fields.text(key);
        Optional<Endpoint> parsed = Endpoint.parse(text);
        if (parsed.isEmpty()) {
            if (fields.has(key)) {
                fields.problem(
                        key,
                        Fact.of("problem.expected_value")
                                .with("example", "board.D11")
                                .with("found", text));
            }
            return STAND_IN;
        }
        Endpoint endpoint = parsed.get();
        if (!parts.containsKey(endpoint.part())) {
            boolean isElsewhere = endpoint.part().contains("/");
            fields.problem(
                    key, isElsewhere ? Fact.of("problem.on_other_board").with("found", text) : noPart(endpoint.part()));
        }
        return endpoint;
    }

    /** Every feed comes from a part that is there. */
    void feeds(Part part, Fields fields) {
        part.feeds().forEach((pin, rail) -> {
            if (!parts.containsKey(rail.part())) {
                fields.problem("feeds", pin, Fact.of("problem.no_rail").with("found", rail));
            }
        });
    }

    /** A part that is there. */
    void part(Fields fields, String key, String id) {
        if (!parts.containsKey(id)) {
            fields.problem(key, noPart(id));
        }
    }

    /** Of an id that nothing has: the part of that name, or one whose id is nearly so. */
    private Fact noPart(String id) {
        Optional<String> near = parts.values().stream()
                .filter(part -> part.name().equalsIgnoreCase(id) || part.id().equalsIgnoreCase(id))
                .map(Part::id)
                .findFirst()
                .or(() -> Nearest.to(id, List.copyOf(parts.keySet())));
        Fact none = Fact.of("problem.no_part").with("part", id);
        return near.map(found -> none.as("problem.no_part_near").with("near", found))
                .orElse(none);
    }

    /** Which way through a shifter, from 1. */
    static int way(Fields fields) {
        int way = fields.number("way", 0);
        if (way < 1) {
            fields.problem(
                    "way", Fact.of("problem.expected_value").with("example", 1).with("found", way));
        }
        return way;
    }
}
