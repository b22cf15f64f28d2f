package inkel.app.state;

import inkel.app.words.RecordWords;
import inkel.core.document.Build;
import inkel.core.log.Entry;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * What is searched for in the record.
 *
 * @param query words, and perhaps from when on
 * @param zone whose days are counted
 */
record EntrySearch(String query, LocalDate today, ZoneId zone) {
    private static final String SINCE = "since ";
    private static final DateTimeFormatter SPOKEN = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter SPOKEN_SHORT = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    /** All words that are searched for are in what a line says; {@code since 9 May} leaves out what is older. */
    Predicate<Entry> in(Build build) {
        String rest = query.toLowerCase(Locale.ROOT);
        Optional<LocalDate> since = Optional.empty();
        int at = rest.indexOf(SINCE);
        if (at >= 0) {
            since = day(query.substring(at + SINCE.length()).strip());
            rest = since.isPresent() ? rest.substring(0, at) : rest;
        }
        Optional<LocalDate> from = since;
        List<String> words = Stream.of(rest.split("[\\s\\u00a0]+"))
                .filter(word -> !word.isEmpty())
                .toList();
        return entry -> from.filter(day -> RecordWords.date(entry.line(), zone).isBefore(day))
                        .isEmpty()
                && (words.isEmpty() || text(build, entry).containsAll(words));
    }

    /** A day as it is typed: 2026-05-09, 9 May or 9 May 2026; without a year the latest such day that is not to come. */
    private Optional<LocalDate> day(String text) {
        for (String full : List.of(text, text + " " + today.getYear())) {
            for (DateTimeFormatter format : List.of(DateTimeFormatter.ISO_LOCAL_DATE, SPOKEN, SPOKEN_SHORT)) {
                try {
                    LocalDate day = LocalDate.parse(full, format);
                    return Optional.of(!full.equals(text) && day.isAfter(today) ? day.minusYears(1) : day);
                } catch (DateTimeParseException another) {
                    // Tried in the next form.
                }
            }
        }
        return Optional.empty();
    }

    private record Searched(String all) {
        boolean containsAll(List<String> words) {
            return words.stream().allMatch(all::contains);
        }
    }

    private static Searched text(Build build, Entry entry) {
        String all = String.join(
                " ",
                RecordWords.place(build, entry.line().place()),
                entry.line().place().toString(),
                RecordWords.sort(entry.sort()),
                RecordWords.what(entry),
                RecordWords.value(entry));
        return new Searched(all.toLowerCase(Locale.ROOT).replace('\u00a0', ' '));
    }
}
