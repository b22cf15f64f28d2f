package inkel.app.words;

import inkel.core.document.Build;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.log.Entry;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Words for lines of the record: where, what, and which value. */
public final class RecordWords {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter SHORT_DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    private RecordWords() {}

    public static LocalDate date(LogLine line, ZoneId zone) {
        return LocalDate.ofInstant(line.at(), zone);
    }

    public static String time(LogLine line, ZoneId zone) {
        return TIME.format(line.at().atZone(zone));
    }

    public static String day(LocalDate date) {
        return DAY.format(date);
    }

    public static String shortDay(LocalDate date) {
        return SHORT_DAY.format(date);
    }

    /** {@code 9 May, 19:04}. */
    public static String when(LogLine line, ZoneId zone) {
        return when(line.at(), zone);
    }

    public static String when(Instant at, ZoneId zone) {
        return SHORT_DAY.format(at.atZone(zone)) + ", " + TIME.format(at.atZone(zone));
    }

    public static String sort(Entry.Sort sort) {
        return Words.get("log.sort." + sort.name().toLowerCase(Locale.ROOT));
    }

    /** A part by its name with the pin behind it; the board where no part is meant; the build for no place. */
    public static String place(Build build, Place place) {
        Optional<Node> node = build.node(place.node());
        if (place.equals(Place.NOWHERE)) {
            return build.name();
        } else if (node.isEmpty()) {
            return place.toString();
        }
        Optional<Part> part = node.get().part(place.part());
        String name = place.part().isEmpty()
                ? node.get().name()
                : part.map(Part::name).orElse(place.part());
        return place.isPin() ? name + " " + place.pin() : name;
    }

    /** What a line says, without its value and place. */
    public static String what(Entry entry) {
        LogLine line = entry.line();
        if (entry.isBlanked()) {
            return Words.get("log.blanked");
        }
        if (line instanceof LogLine.Measured measured) {
            return measured(measured);
        } else if (line instanceof LogLine.Seen seen) {
            String said = Words.get(seen.isWell() ? "log.seen.well" : "log.seen.not");
            return seen.text().isEmpty() ? said : said + ": " + seen.text();
        } else if (line instanceof LogLine.Tuned tuned) {
            return Words.say(Fact.of("log.tuned")
                    .with(
                            "bench",
                            Words.get("tune.bench." + tuned.tuning().bench().text())));
        } else if (line instanceof LogLine.Pulled pulled) {
            return Words.get("log.pulled", "wire", pulled.wire());
        } else if (line instanceof LogLine.TakenBack back) {
            return Words.get("log.taken_back", "line", back.line() + 1);
        } else if (line instanceof LogLine.Noted noted && noted.answers().isPresent()) {
            return Words.say(Fact.of("log.answers")
                    .with("line", noted.answers().get() + 1)
                    .with("text", noted.text()));
        }
        return line.text();
    }

    private static String measured(LogLine.Measured measured) {
        String what = Words.get("log.what." + measured.what().text());
        String band = measured.foretold().map(RecordWords::band).orElse("");
        String text = measured.text();
        boolean isOnlyValue = text.isEmpty()
                || Engineering.parseQuantity(text, measured.value().unit()).isPresent();
        return what + (band.isEmpty() ? "" : "; " + band) + (isOnlyValue ? "" : "; " + text);
    }

    /** What a reading was to be; empty where nothing bounded it. */
    public static String band(Foretold foretold) {
        if (foretold.low().isPresent() && foretold.high().isPresent()) {
            return Words.say(Fact.of("log.band")
                    .with("low", foretold.low().get())
                    .with("high", foretold.high().get()));
        }
        return foretold.low()
                .map(low -> Words.say(Fact.of("log.band.least").with("low", low)))
                .or(() -> foretold.high()
                        .map(high -> Words.say(Fact.of("log.band.most").with("high", high))))
                .orElse("");
    }

    /** The value of a line; empty where it has none. */
    public static String value(Entry entry) {
        LogLine line = entry.line();
        if (line instanceof LogLine.Measured measured) {
            return value(measured.value());
        } else if (line instanceof LogLine.Tuned tuned) {
            return tuned(tuned);
        }
        return line instanceof LogLine.Noted noted ? noted.value() : "";
    }

    /** Two numbers that it found, the smaller first; those of another unit than the first by name are left out. */
    private static String tuned(LogLine.Tuned tuned) {
        List<Tuning.Found> found =
                new TreeMap<>(tuned.tuning().numbers()).values().stream().toList();
        return found.stream()
                .filter(one -> one.value().unit() == found.get(0).value().unit())
                .limit(2)
                .sorted(Comparator.comparingDouble(one -> one.value().si()))
                .map(NumberWords::say)
                .collect(Collectors.joining(" … "));
    }

    public static String value(Quantity value) {
        return Words.show(value);
    }
}
