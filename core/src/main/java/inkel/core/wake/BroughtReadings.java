package inkel.core.wake;

import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.WriteLine;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Readings of a table, taken as if they had been typed: each by the check that asks for it, else by its pin.
 *
 * @param edits what puts them in the record, in the order of the table
 * @param known how many of them the record has already
 * @param refused why others were not taken, by the number of their line
 */
public record BroughtReadings(List<Edit> edits, int known, List<Refused> refused) {
    public BroughtReadings {
        edits = List.copyOf(edits);
        refused = List.copyOf(refused);
    }

    /**
     * A line of a table; each text may be empty.
     *
     * @param line its number, from 1
     * @param at when it was read (ISO 8601); empty for now
     * @param place {@code lower-lock/reg.OUT}, or {@code reg.OUT} on the only board
     * @param check the id of the check that asked for it
     * @param what {@code volts}, {@code high}, {@code low}, {@code ohms}, {@code amperes} or {@code seconds}
     * @param value as people write it, with or without its unit
     */
    public record Row(
            int line, String at, String place, String check, String what, String value, String unit, String text) {}

    /** A line that was not taken. */
    public record Refused(int line, Fact why) {}

    private static final class No extends Exception {
        private static final long serialVersionUID = 1;

        private final transient Fact why;

        No(Fact why) {
            super(why.key(), null, false, false);
            this.why = why;
        }
    }

    /**
     * @param now for lines that do not say when
     * @param zone of times that do not say theirs
     */
    public static BroughtReadings of(Build build, WakePlan wake, List<Row> rows, Instant now, ZoneId zone) {
        List<Edit> edits = new ArrayList<>();
        List<Refused> refused = new ArrayList<>();
        List<LogLine.Measured> there = new ArrayList<>();
        build.log().counting().forEach(line -> {
            if (line instanceof LogLine.Measured measured) {
                there.add(measured);
            }
        });
        int known = 0;
        for (Row row : rows) {
            try {
                LogLine.Measured read = new Reading(build, wake, row, now, zone).line();
                boolean isDated = !row.at().isEmpty();
                if (there.stream().anyMatch(other -> isSame(other, read, isDated))) {
                    known++;
                } else {
                    there.add(read);
                    edits.add(new WriteLine(read));
                }
            } catch (No no) {
                refused.add(new Refused(row.line(), no.why));
            }
        }
        return new BroughtReadings(edits, known, refused);
    }

    /** Of a line that does not say when, the same value at the same place is nothing new. */
    private static boolean isSame(LogLine.Measured one, LogLine.Measured other, boolean isDated) {
        return (!isDated || one.at().equals(other.at()))
                && one.place().equals(other.place())
                && one.what() == other.what()
                && one.value().equals(other.value());
    }

    /** One line, understood. */
    private record Reading(Build build, WakePlan wake, Row row, Instant now, ZoneId zone) {
        LogLine.Measured line() throws No {
            Place place = place();
            Optional<LogLine.What> said = what();
            Quantity value = value(said);
            LogLine.What what = said.orElseGet(() -> LogLine.What.of(value.unit()));
            Instant at = at();
            String text = row.text().isEmpty() ? row.value() : row.text();
            Optional<Check> check = check(place, what);
            if (check.isPresent()) {
                Expected.Within within = (Expected.Within) check.get().expected();
                return new LogLine.Measured(
                        at,
                        check.get().at(),
                        what,
                        value,
                        text,
                        LogLine.By.IMPORTED,
                        WakeState.standing(build, check.get()),
                        Optional.of(new Foretold(check.get().id(), within.low(), within.high(), Optional.empty())),
                        Extras.NONE);
            } else if (!place.isPin()) {
                throw new No(Fact.of("brought.no_check")
                        .with("place", place.toString())
                        .with("unit", value.unit().symbol()));
            }
            return new LogLine.Measured(
                    at, place, what, value, text, LogLine.By.IMPORTED, Standing.of(build, place), Extras.NONE);
        }

        /** A place without its table is one where only one table has it. */
        private Place place() throws No {
            Optional<Place> whole = Place.parse(row.place()).filter(this::isThere);
            if (whole.isPresent()) {
                return whole.get();
            }
            List<Place> found = build.nodes().stream()
                    .flatMap(node -> Place.parse(node.id() + "/" + row.place()).stream())
                    .filter(this::isThere)
                    .toList();
            if (found.size() > 1) {
                throw new No(Fact.of("brought.which_place")
                        .with("place", row.place())
                        .with("places", found.stream().map(Place::toString).toList()));
            }
            return found.stream()
                    .findFirst()
                    .orElseThrow(() -> new No(Fact.of("brought.no_place").with("place", row.place())));
        }

        private boolean isThere(Place place) {
            return wake.node(place.node())
                    .map(NodeWake::node)
                    .filter(node -> place.isPin()
                            ? node.pin(place.endpoint()).isPresent()
                            : place.part().isEmpty() || node.part(place.part()).isPresent())
                    .isPresent();
        }

        private Optional<LogLine.What> what() throws No {
            if (row.what().isEmpty()) {
                return Optional.empty();
            }
            return Optional.of(Arrays.stream(LogLine.What.values())
                    .filter(what -> what.text().equals(row.what().toLowerCase(Locale.ROOT)))
                    .findFirst()
                    .orElseThrow(() -> new No(
                            Fact.of("brought.no_what").with("what", row.what()).with("known", whats()))));
        }

        private static List<String> whats() {
            return Arrays.stream(LogLine.What.values()).map(LogLine.What::text).toList();
        }

        private Quantity value(Optional<LogLine.What> said) throws No {
            String text = (row.value() + " " + row.unit()).strip();
            // A bare number may be of any unit.
            boolean hasUnit = text.chars().anyMatch(Character::isLetter) || text.contains("Ω");
            Stream<Unit> units = said.map(what -> Stream.of(what.unit()))
                    .orElseGet(() -> Stream.of(Unit.VOLT, Unit.AMPERE, Unit.OHM, Unit.SECOND)
                            .filter(unit -> hasUnit));
            return units.map(unit -> Typed.parse(text, unit))
                    .filter(Typed.Value.class::isInstance)
                    .map(read -> ((Typed.Value) read).quantity())
                    .findFirst()
                    .orElseThrow(() -> new No(Fact.of("brought.no_value").with("value", text)));
        }

        private Instant at() throws No {
            if (row.at().isEmpty()) {
                return now;
            }
            return TypedTime.parse(row.at(), zone)
                    .orElseThrow(() -> new No(Fact.of("brought.no_time").with("at", row.at())));
        }

        /** The one that is told by its id, else the first that reads that there. */
        private Optional<Check> check(Place place, LogLine.What what) {
            List<Check> fitting = wake.node(place.node()).stream()
                    .flatMap(node -> node.checks().stream())
                    .filter(check -> check.expected() instanceof Expected.Within within
                            && within.unit() == what.unit()
                            && (check.kind() == Check.Kind.LEVEL) == (what == LogLine.What.HIGH)
                            && what != LogLine.What.LOW)
                    .toList();
            if (!row.check().isEmpty()) {
                Optional<Check> told = fitting.stream()
                        .filter(check -> check.id().equals(row.check()))
                        .findFirst();
                if (told.isPresent()) {
                    return told;
                }
            }
            // Of which code a converter was sent nothing is said.
            return fitting.stream()
                    .filter(check ->
                            check.kind() != Check.Kind.CODE && check.at().equals(place))
                    .findFirst();
        }
    }
}
