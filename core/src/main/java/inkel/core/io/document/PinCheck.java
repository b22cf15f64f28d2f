package inkel.core.io.document;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Ways;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.io.json.Fields;
import inkel.core.io.json.Nearest;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Checks that what a file calls a pin is one. */
final class PinCheck {
    private static final Endpoint STAND_IN = new Endpoint("?", "?");

    private final Map<String, Part> parts;
    private final Catalog catalog;

    PinCheck(Map<String, Part> parts, Catalog catalog) {
        this.parts = parts;
        this.catalog = catalog;
    }

    /** The end of a wire at the part that asks for it. */
    Endpoint signal(Fields fields, String key) {
        Endpoint endpoint = existing(fields, key);
        pin(endpoint)
                .filter(pin -> !pin.use().isSignal())
                .ifPresent(pin ->
                        fields.problem(key, Fact.of("problem.not_a_signal").with("found", endpoint)));
        return endpoint;
    }

    /** The end of a wire at the pin that serves it, or the rail or ground it is tied to. */
    Endpoint target(Fields fields, String key) {
        return existing(fields, key);
    }

    private Endpoint existing(Fields fields, String key) {
        String text = fields.text(key);
        Optional<Endpoint> parsed = Endpoint.parse(text);
        if (parsed.isEmpty()) {
            if (!text.isEmpty()) {
                fields.problem(
                        key,
                        Fact.of("problem.expected_value")
                                .with("example", "board.D11")
                                .with("found", text));
            }
            return STAND_IN;
        }
        Endpoint endpoint = parsed.get();
        Optional<PartClass> cls = classOf(endpoint.part());
        if (!parts.containsKey(endpoint.part())) {
            fields.problem(key, Fact.of("problem.no_part").with("part", endpoint.part()));
        } else if (cls.isPresent() && cls.get().pin(endpoint.pin()).isEmpty()) {
            fields.problem(key, noPin(cls.get(), endpoint.pin()));
        }
        return endpoint;
    }

    private static Fact noPin(PartClass cls, String pin) {
        List<String> labels = cls.pins().stream().map(Pin::label).distinct().toList();
        return Nearest.to(pin, labels)
                .map(near -> Fact.of("problem.no_pin_near").with("near", near))
                .orElse(Fact.of("problem.no_pin"))
                .with("pin", pin)
                .with("class", cls.name());
    }

    private Optional<PartClass> classOf(String part) {
        return Optional.ofNullable(parts.get(part)).flatMap(found -> catalog.find(found.classId()));
    }

    private Optional<Pin> pin(Endpoint endpoint) {
        return classOf(endpoint.part()).flatMap(cls -> cls.pin(endpoint.pin()));
    }

    /** Every feed goes from a rail that is there to a supply pin that is there. */
    void feeds(Part part, Fields fields) {
        part.feeds().forEach((pin, rail) -> {
            Optional<PartClass> cls = classOf(part.id());
            if (cls.isPresent() && cls.get().supply(pin).isEmpty()) {
                fields.problem(
                        "feeds",
                        Fact.of("problem.no_supply_here")
                                .with("pin", pin)
                                .with("class", cls.get().name()));
            }
            Optional<PartClass> source = classOf(rail.part());
            boolean isMissing =
                    source.isPresent() && source.get().output(rail.pin()).isEmpty();
            if (!parts.containsKey(rail.part()) || isMissing) {
                fields.problem("feeds", Fact.of("problem.no_rail").with("found", rail));
            }
        });
    }

    /** A way through a shifter or a buffer that is there. */
    void way(Fields fields, String shifter, int way) {
        int ways = classOf(shifter).map(cls -> Ways.of(cls).count()).orElse(0);
        if (way < 1 || way > ways) {
            fields.problem(
                    "way",
                    Fact.of("problem.no_way")
                            .with("way", way)
                            .with("shifter", shifter)
                            .with("ways", ways));
        }
    }
}
