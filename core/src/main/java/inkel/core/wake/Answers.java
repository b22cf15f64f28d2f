package inkel.core.wake;

import inkel.core.bench.Answer;
import inkel.core.quantity.Quantity;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/** Judges what a part, or a bus, answered. */
public final class Answers {
    private static final Pattern HEX = Pattern.compile("[0-9a-f]{1,15}");

    private Answers() {}

    /**
     * Whether a text is what a check expects: numbers are the same however they are written ({@code 0x8}, {@code 08}) and whatever
     * the bits hold that do not count, who
     * answers on a bus is told in any order, and a reply may go on after what is expected. False where no text is expected.
     */
    public static boolean isExpected(Check check, String text) {
        String said = text.strip();
        if (check.expected() instanceof Expected.AllOf all) {
            return plain(Arrays.asList(said.split("[,;\\s]+"))).equals(plain(all.values()));
        }
        if (check.expected() instanceof Expected.OneOf one && check.kind() == Check.Kind.ANSWERS) {
            // A scan tells of others too that are on the bus by then.
            return plain(Arrays.asList(said.split("[,;\\s]+"))).stream()
                    .anyMatch(heard -> plain(one.values()).contains(heard));
        }
        return check.expected() instanceof Expected.OneOf one
                && one.values().stream()
                        .anyMatch(value -> check.kind() == Check.Kind.REPLY
                                ? said.startsWith(value)
                                : plain(value).equals(masked(plain(said), one.mask())));
    }

    /** Whether what a bench gave is what a check expects. */
    public static boolean isWell(Check check, Answer answer) {
        if (answer instanceof Answer.Amount amount) {
            return check.expected() instanceof Expected.Within within
                    && within.holds(Quantity.of(within.unit(), amount.si()));
        } else if (answer instanceof Answer.Overload) {
            return check.expected() instanceof Expected.Within within
                    && within.high().isEmpty();
        } else if (answer instanceof Answer.Texts texts) {
            return isExpected(check, String.join(" ", texts.texts()));
        }
        return ((Answer.Sight) answer).isWell();
    }

    /** What is read is a whole word, of which only some bits always are the same. */
    private static String masked(String number, Optional<Long> mask) {
        return mask.isPresent() && HEX.matcher(number).matches()
                ? Long.toHexString(Long.parseLong(number, 16) & mask.get())
                : number;
    }

    private static List<String> plain(List<String> numbers) {
        return numbers.stream().map(Answers::plain).sorted().toList();
    }

    private static String plain(String number) {
        return number.strip().toLowerCase(Locale.ROOT).replaceFirst("^0x", "").replaceFirst("^0+(?=.)", "");
    }
}
