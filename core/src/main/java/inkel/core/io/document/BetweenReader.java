package inkel.core.io.document;

import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Unit;
import java.util.List;
import java.util.Optional;

/** Reads what stands in a wire. */
final class BetweenReader {
    private BetweenReader() {}

    /** Empty for a kind that is not known, which is noted. */
    static Optional<Between> read(Fields fields, PinCheck check) {
        Endpoint signal = check.pin(fields, "signal");
        String kind = fields.text("kind");
        switch (kind) {
            case "shifter":
                String shifter = fields.text("shifter");
                check.part(fields, "shifter", shifter);
                return Optional.of(new Between.ShifterWay(
                        signal, shifter, PinCheck.way(fields), fields.optionalText("faces"), fields.extras()));
            case "coil-driver":
                return Optional.of(new Between.CoilDriver(signal, aboveZero(fields, "base", "1 kΩ"), fields.extras()));
            case "pull-up":
                return Optional.of(
                        new Between.PulledUp(signal, aboveZero(fields, "pull_up", "10 kΩ"), fields.extras()));
            case "pull-down":
                return Optional.of(
                        new Between.PulledDown(signal, aboveZero(fields, "to_ground", "10 kΩ"), fields.extras()));
            default:
                return plain(
                        fields,
                        signal,
                        kind,
                        "divider, shifter, series, pull-up, pull-down, diode, opto, coil-driver, nothing");
        }
    }

    /**
     * What can stand in a wire from one board to another; empty for a kind that cannot, which is noted.
     *
     * @param nodes where its shifter may be
     */
    static Optional<Between> inNodeWire(Fields fields, Endpoint signal, List<Node> nodes) {
        String kind = fields.text("kind");
        if (!kind.equals("shifter")) {
            return plain(fields, signal, kind, "divider, shifter, series, diode, opto, nothing");
        }
        String shifter = fields.text("shifter");
        boolean isThere = Place.parse(shifter).filter(Place::isPart).stream().anyMatch(place -> nodes.stream()
                .anyMatch(node -> node.id().equals(place.node())
                        && node.part(place.part()).isPresent()));
        if (!isThere) {
            fields.problem("shifter", Fact.of("problem.no_part").with("part", shifter));
        }
        return Optional.of(new Between.ShifterWay(
                signal, shifter, PinCheck.way(fields), fields.optionalText("faces"), fields.extras()));
    }

    private static Optional<Between> plain(Fields fields, Endpoint signal, String kind, String kinds) {
        switch (kind) {
            case "divider":
                return Optional.of(new Between.Divider(
                        signal,
                        aboveZero(fields, "series", "1 kΩ"),
                        aboveZero(fields, "to_ground", "2.2 kΩ"),
                        capacitor(fields),
                        fields.extras()));
            case "diode":
                return Optional.of(new Between.Diode(signal, aboveZero(fields, "pull_up", "10 kΩ"), fields.extras()));
            case "opto":
                return Optional.of(new Between.Opto(
                        signal,
                        fields.optionalParsed("lit_by", BetweenReader::litBy, "high or low", Between.Opto.Lit.BY_HIGH)
                                .orElse(Between.Opto.Lit.BY_HIGH),
                        aboveZero(fields, "series", "390 Ω"),
                        aboveZero(fields, "pull_up", "10 kΩ"),
                        fields.extras()));
            case "nothing":
                return Optional.of(new Between.Nothing(
                        signal, fields.optionalText("reason").orElse(""), fields.extras()));
            case "series":
                return Optional.of(new Between.Series(
                        signal, aboveZero(fields, "series", "330 Ω"), capacitor(fields), fields.extras()));
            default:
                fields.problem(
                        "kind",
                        Fact.of("problem.expected_value").with("example", kinds).with("found", kind));
                return Optional.empty();
        }
    }

    private static Optional<Between.Opto.Lit> litBy(String text) {
        return switch (text) {
            case "high" -> Optional.of(Between.Opto.Lit.BY_HIGH);
            case "low" -> Optional.of(Between.Opto.Lit.BY_LOW);
            default -> Optional.empty();
        };
    }

    private static Optional<Capacitance> capacitor(Fields fields) {
        if (!fields.has("capacitor")) {
            return Optional.empty();
        }
        Capacitance value = fields.quantity("capacitor", Unit.FARAD, "100 nF");
        if (value.farads() <= 0) {
            fields.problem("capacitor", aboveZero("100 nF", value));
        }
        return Optional.of(value);
    }

    private static Resistance aboveZero(Fields fields, String key, String example) {
        Resistance value = fields.quantity(key, Unit.OHM, example);
        if (value.ohms() < Between.LEAST_OHMS) {
            fields.problem(key, aboveZero(example, value));
        }
        return value;
    }

    private static Fact aboveZero(String example, Quantity found) {
        return Fact.of("problem.expected_value").with("example", example).with("found", Engineering.print(found));
    }
}
