package inkel.core.tune.sample;

import inkel.core.quantity.Unit;
import java.util.List;
import java.util.Optional;

/**
 * Something that is to be read.
 *
 * @param key its name within the bench
 * @param of the pin or channel it is read of; empty for the part itself
 * @param known what is known beside it, as the weight that lies on a scale; absent where nothing is
 * @param unit of what is read; {@link Unit#ONE} for codes and counts
 * @param usual how many values are usually read at once
 */
public record Ask(String key, String of, Optional<Known> known, Unit unit, int usual) {
    /**
     * Something known, and between which values it may be.
     *
     * @param practised what is put there on the practice bench, one after the other
     */
    public record Known(Unit unit, double least, double most, List<Double> practised) {
        public Known {
            practised = List.copyOf(practised);
        }
    }

    public static Ask of(String key, Unit unit, int usual) {
        return new Ask(key, "", Optional.empty(), unit, usual);
    }

    public static Ask of(String key, Known known, Unit unit, int usual) {
        return new Ask(key, "", Optional.of(known), unit, usual);
    }

    /** By which samples name it. */
    public String id() {
        return of.isEmpty() ? key : of + " " + key;
    }
}
