package inkel.core.io.document;

import inkel.core.document.Carries;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Unit;
import java.util.Arrays;
import java.util.Optional;

/** Reads what a wire between boards is meant to carry. */
final class CarriesReader {
    private CarriesReader() {}

    /** @param isLine whether it is a wire of a long line, whose transceivers say what it carries */
    static Carries read(Fields link, boolean isLine) {
        Optional<Carries.Kind> kind = link.optionalText("carries").flatMap(text -> kind(link, text));
        Optional<Frequency> baud = link.has("baud") ? Optional.of(rate(link)) : Optional.empty();
        if (isLine) {
            kind.ifPresent(said -> link.problem("carries", Fact.of("problem.line_carries")));
            baud.ifPresent(rate -> link.problem("baud", Fact.of("problem.line_carries")));
        } else if (baud.isPresent() && kind.filter(Carries.Kind.PLAIN::equals).isPresent()) {
            link.problem("baud", Fact.of("problem.plain_rate"));
        }
        return new Carries(kind, baud);
    }

    private static Optional<Carries.Kind> kind(Fields link, String text) {
        Optional<Carries.Kind> kind = Arrays.stream(Carries.Kind.values())
                .filter(found -> found.text().equals(text))
                .findFirst();
        if (kind.isEmpty()) {
            link.problem(
                    "carries",
                    Fact.of("problem.expected_value")
                            .with("example", "serial, plain")
                            .with("found", text));
        }
        return kind;
    }

    private static Frequency rate(Fields link) {
        Frequency rate = link.quantity("baud", Unit.HERTZ, "9600");
        if (rate.hertz() <= 0) {
            link.problem(
                    "baud",
                    Fact.of("problem.expected_value").with("example", "9600").with("found", Engineering.print(rate)));
        }
        return rate;
    }
}
