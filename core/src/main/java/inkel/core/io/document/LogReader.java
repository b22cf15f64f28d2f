package inkel.core.io.document;

import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.document.Logbook;
import inkel.core.document.Meter;
import inkel.core.document.Node;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Reads the record of a build file. In format 1 a reading was a text; those that say what they are become readings. */
final class LogReader {
    private static final Instant EARLIEST = Instant.parse("0001-01-02T00:00:00Z");
    private static final Instant LATEST = Instant.parse("9999-12-31T00:00:00Z");

    private final int format;
    private final List<Node> nodes;

    /** @param nodes those of the same file, to know what the readings of a format-1 file stand on */
    LogReader(int format, List<Node> nodes) {
        this.format = format;
        this.nodes = nodes;
    }

    Logbook read(List<Fields> entries) {
        List<LogLine> lines = new ArrayList<>();
        for (Fields entry : entries) {
            if (format == 1) {
                lines.addAll(oldLine(entry, new Logbook(lines)));
            } else {
                lines.add(line(entry, lines.size()));
            }
        }
        return format == 1 ? new Logbook(lines) : LogSeals.read(lines, entries);
    }

    private static LogLine line(Fields fields, int number) {
        Instant at = at(fields);
        Place place = place(fields);
        String kind = fields.text("kind");
        switch (kind) {
            case LogWords.MEASURED:
                return measured(fields, at, place);
            case LogWords.TAKEN_BACK:
                return takenBack(fields, at, place, number);
            case LogWords.SEEN:
                return new LogLine.Seen(
                        at,
                        place,
                        fields.text("check"),
                        fields.flag("as_expected", false),
                        text(fields),
                        named(fields, "by", LogLine.By.values(), LogLine.By::text),
                        new Standing(fields.texts("stood_on")),
                        LogSeals.known(fields));
            case LogWords.PULLED:
                return new LogLine.Pulled(at, place, fields.text("wire"), LogSeals.known(fields));
            case LogWords.TUNED:
                return new LogLine.Tuned(
                        at,
                        place,
                        TuningFields.read(fields),
                        named(fields, "by", LogLine.By.values(), LogLine.By::text),
                        new Standing(fields.texts("stood_on")),
                        LogSeals.known(fields));
            case LogWords.LEFT:
                return new LogLine.Left(at, place, text(fields), LogSeals.known(fields));
            case LogWords.DECIDED:
                return new LogLine.Decided(at, place, text(fields), LogSeals.known(fields));
            case LogWords.CHANGED:
                return new LogLine.Changed(at, place, text(fields), LogSeals.known(fields));
            case LogWords.SWAPPED:
                return new LogLine.Swapped(at, place, text(fields), LogSeals.known(fields));
            case LogWords.WENT_WRONG:
                return new LogLine.WentWrong(at, place, text(fields), LogSeals.known(fields));
            default:
                if (!kind.equals(LogWords.NOTED) && !kind.isEmpty()) {
                    fields.problem(
                            "kind",
                            Fact.of("problem.expected_value")
                                    .with("example", String.join(", ", LogWords.ALL))
                                    .with("found", kind));
                }
                return new LogLine.Noted(
                        at,
                        place,
                        text(fields),
                        fields.has("answers") ? Optional.of(earlier(fields, "answers", number)) : Optional.empty(),
                        fields.optionalText("value").orElse(""),
                        picture(fields),
                        LogSeals.known(fields));
        }
    }

    /** A picture lies in the folder of the build; a path that leads elsewhere is no picture. */
    private static String picture(Fields fields) {
        String path = fields.optionalText("picture").orElse("");
        if (path.isEmpty() || Pictures.isOne(path)) {
            return path;
        }
        fields.problem(
                "picture",
                Fact.of("problem.expected_value")
                        .with("example", "photos/lock.jpg")
                        .with("found", path));
        return "";
    }

    private static LogLine measured(Fields fields, Instant at, Place place) {
        LogLine.What what = named(fields, "what", LogLine.What.values(), LogLine.What::text);
        return new LogLine.Measured(
                at,
                place,
                what,
                fields.quantity("value", what.unit(), example(what)),
                text(fields),
                named(fields, "by", LogLine.By.values(), LogLine.By::text),
                new Standing(fields.texts("stood_on")),
                foretold(fields, what.unit()),
                LogSeals.known(fields));
    }

    private static String example(LogLine.What what) {
        return switch (what) {
            case OHMS -> "0.4 Ω";
            case AMPERES -> "46 mA";
            case SECONDS -> "1.5 ms";
            default -> "3.3 V";
        };
    }

    /** Absent for a reading that no check asked for. */
    private static Optional<Foretold> foretold(Fields fields, Unit unit) {
        Optional<Fields> expected = fields.object("expected");
        Optional<Fields> meter = fields.object("meter");
        return fields.optionalText("check")
                .map(check -> new Foretold(
                        check,
                        expected.flatMap(range -> end(range, "low", unit)),
                        expected.flatMap(range -> end(range, "high", unit)),
                        meter.flatMap(LogReader::meter)));
    }

    private static Optional<Quantity> end(Fields range, String key, Unit unit) {
        return range.optionalParsed(key, text -> Engineering.parseQuantity(text, unit), "3.2 V", Quantity.of(unit, 0));
    }

    private static Optional<Meter> meter(Fields fields) {
        int counts = fields.number("counts", Meter.USUAL.counts());
        double accuracy = fields.optionalParsed(
                        "accuracy", text -> Engineering.parse(text, Unit.ONE), "0.5 %", Meter.USUAL.accuracy())
                .orElse(Meter.USUAL.accuracy());
        int digits = fields.number("digits", Meter.USUAL.digits());
        if (!Meter.isOne(counts, accuracy, digits)) {
            fields.problem(
                    "counts",
                    Fact.of("problem.expected_value")
                            .with("example", Meter.USUAL.counts())
                            .with("found", counts));
            return Optional.empty();
        }
        return Optional.of(new Meter(counts, accuracy, digits));
    }

    private static LogLine takenBack(Fields fields, Instant at, Place place, int number) {
        return new LogLine.TakenBack(at, place, earlier(fields, "line", number), LogSeals.known(fields));
    }

    /** The number of a line before this one. */
    private static int earlier(Fields fields, String key, int number) {
        int line = fields.number(key, -1);
        if (line < 0 || line >= number) {
            fields.problem(
                    key,
                    Fact.of("problem.expected_value")
                            .with("example", number == 0 ? "0" : "0 … " + (number - 1))
                            .with("found", line));
            return 0;
        }
        return line;
    }

    private static <T> T named(Fields fields, String key, T[] all, Function<T, String> name) {
        return fields.parsed(
                key,
                text -> Stream.of(all)
                        .filter(one -> name.apply(one).equals(text))
                        .findFirst(),
                Stream.of(all).map(name).collect(Collectors.joining(", ")),
                all[0]);
    }

    private static Instant at(Fields fields) {
        return fields.parsed("at", LogReader::instant, "2026-05-01T18:30:00Z", Instant.EPOCH);
    }

    /** Years of four digits, so that every time zone has a date for it. */
    private static boolean isOfACalendar(Instant at) {
        return at.isAfter(EARLIEST) && at.isBefore(LATEST);
    }

    private static Optional<Instant> instant(String text) {
        try {
            return Optional.of(Instant.parse(text)).filter(LogReader::isOfACalendar);
        } catch (DateTimeParseException notATime) {
            return Optional.empty();
        }
    }

    private static Place place(Fields fields) {
        return fields.optionalParsed("place", Place::parse, "lower-lock/radio.MOSI", Place.NOWHERE)
                .orElse(Place.NOWHERE);
    }

    private static String text(Fields fields) {
        return fields.optionalText("text").orElse("");
    }

    // --- format 1: at, kind, place and text, any kind and any place

    /** One line of format 1; several where it took several readings back. */
    private List<LogLine> oldLine(Fields fields, Logbook before) {
        Instant at = at(fields);
        String kind = fields.text("kind");
        String where = fields.optionalText("place").orElse("");
        String text = fields.text("text");
        Extras extras = fields.extras();
        Optional<Place> parsed = where.isEmpty() ? Optional.of(Place.NOWHERE) : Place.parse(where);
        Place place = parsed.orElse(Place.NOWHERE);
        List<LogLine> told = parsed.isEmpty() ? List.of() : told(kind, at, place, text, extras, before);
        if (!told.isEmpty()) {
            return told;
        }
        // What cannot be told apart is kept as it was.
        Map<String, Object> kept = new LinkedHashMap<>(extras.fields());
        kept.put("was_kind", kind);
        if (parsed.isEmpty()) {
            kept.put("was_place", where);
        }
        return List.of(new LogLine.Noted(at, place, text, new Extras(kept)));
    }

    /** What an old line of a known kind says; empty for any other. */
    private List<LogLine> told(String kind, Instant at, Place place, String text, Extras extras, Logbook before) {
        return switch (kind) {
            case "measured" -> oldReading(at, place, text, extras, before);
            case "left" -> List.of(new LogLine.Left(at, place, text, extras));
            case "decision", "decided" -> List.of(new LogLine.Decided(at, place, text, extras));
            case "changed" -> List.of(new LogLine.Changed(at, place, text, extras));
            case "swapped" -> List.of(new LogLine.Swapped(at, place, text, extras));
            default -> List.of();
        };
    }

    /** {@code high 3.58 V}, {@code low −30 mV}, the word alone to take such back, or volts that begin a sentence. */
    private List<LogLine> oldReading(Instant at, Place place, String text, Extras extras, Logbook before) {
        String[] words = text.split(" ", 2);
        Optional<LogLine.What> level = Stream.of(LogLine.What.HIGH, LogLine.What.LOW)
                .filter(what -> what.text().equals(words[0]))
                .findFirst();
        if (level.isPresent() && words.length == 1) {
            return takenBack(at, place, level.get(), extras, before);
        }
        String volts = level.isPresent()
                ? words[1]
                : Stream.of(text.split(" ")).limit(2).collect(Collectors.joining(" "));
        return Engineering.parseQuantity(volts, Unit.VOLT).stream()
                .map(value -> reading(at, place, level.orElse(LogLine.What.VOLTS), value, text, extras))
                .toList();
    }

    private static List<LogLine> takenBack(Instant at, Place place, LogLine.What what, Extras extras, Logbook before) {
        List<LogLine> back = new ArrayList<>();
        for (int i = 0; i < before.size(); i++) {
            boolean isIt = before.lines().get(i) instanceof LogLine.Measured measured
                    && measured.place().equals(place)
                    && measured.what() == what
                    && before.counts(i);
            if (isIt) {
                back.add(new LogLine.TakenBack(at, place, i, extras));
            }
        }
        return back;
    }

    /** What an old reading stood on was not kept: it is taken to be what is there in the file. */
    private LogLine reading(Instant at, Place place, LogLine.What what, Quantity value, String text, Extras extras) {
        Standing on = nodes.stream()
                .filter(node -> node.id().equals(place.node()))
                .findFirst()
                .filter(node -> place.isPin())
                .map(node -> Standing.of(node, new Endpoint(place.part(), place.pin())))
                .orElse(Standing.NOWHERE);
        return new LogLine.Measured(at, place, what, value, text, LogLine.By.TYPED, on, extras);
    }
}
