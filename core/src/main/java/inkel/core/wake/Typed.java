package inkel.core.wake;

import inkel.core.quantity.Engineering;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** What somebody typed off a meter, as people write it: {@code 3,31}, {@code 3.31v}, {@code 3V31}, {@code 1k8}, {@code OL}. */
public sealed interface Typed {
    /** What a meter shows beyond its range: no end of ohms. */
    Set<String> OVERLOADS = Set.of("ol", "0l", "o.l", "o.l.", ".ol", "overload", "open", "inf", "∞");

    record Value(Quantity quantity) implements Typed {}

    /** The meter shows that it is beyond its range. */
    record Overload() implements Typed {}

    /** No reading of that unit. */
    record Nonsense() implements Typed {}

    /** Whether a text is what a meter shows beyond its range. */
    static boolean isOverload(String text) {
        return OVERLOADS.contains(text.strip().toLowerCase(Locale.ROOT));
    }

    static Typed parse(String text, Unit unit) {
        String plain = text.strip();
        if (isOverload(plain)) {
            return new Overload();
        }
        // One comma and no point is a decimal comma.
        boolean isComma =
                plain.indexOf(',') >= 0 && plain.indexOf(',') == plain.lastIndexOf(',') && plain.indexOf('.') < 0;
        Optional<Quantity> read = Engineering.parseQuantity(isComma ? plain.replace(',', '.') : plain, unit);
        return read.<Typed>map(Value::new).orElseGet(Nonsense::new);
    }

    /** Whether it is as expected; empty for nonsense, and where nothing is expected in numbers. */
    default Optional<Boolean> isWell(Expected expected) {
        if (!(expected instanceof Expected.Within within) || this instanceof Nonsense) {
            return Optional.empty();
        }
        return Optional.of(
                this instanceof Value value
                        ? within.holds(value.quantity())
                        : within.high().isEmpty());
    }
}
