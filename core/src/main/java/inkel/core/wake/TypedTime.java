package inkel.core.wake;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.ResolverStyle;
import java.time.temporal.ChronoField;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * When something was read, as people write it: an instant, or date and time of where they are. Days and months between strokes
 * are not taken, since nobody can tell which is which.
 */
final class TypedTime {
    private static final List<DateTimeFormatter> LOCAL = List.of(form("uuuu-M-d"), form("d.M.uuuu"));

    private TypedTime() {}

    /** Empty where it is no time; a date alone is its first moment. */
    static Optional<Instant> parse(String text, ZoneId zone) {
        try {
            return Optional.of(Instant.parse(text));
        } catch (DateTimeException notAnInstant) {
            return LOCAL.stream()
                    .flatMap(form -> local(text.strip(), form).stream())
                    .findFirst()
                    .map(at -> at.atZone(zone).toInstant());
        }
    }

    private static Optional<LocalDateTime> local(String text, DateTimeFormatter form) {
        try {
            return Optional.of(LocalDateTime.parse(text, form));
        } catch (DateTimeException notOne) {
            return Optional.empty();
        }
    }

    private static DateTimeFormatter form(String date) {
        return new DateTimeFormatterBuilder()
                .appendPattern(date + "[[ ]['T']H:mm[:ss]]")
                .parseDefaulting(ChronoField.HOUR_OF_DAY, 0)
                .parseDefaulting(ChronoField.MINUTE_OF_HOUR, 0)
                .parseDefaulting(ChronoField.SECOND_OF_MINUTE, 0)
                .toFormatter(Locale.ROOT)
                .withResolverStyle(ResolverStyle.STRICT);
    }
}
