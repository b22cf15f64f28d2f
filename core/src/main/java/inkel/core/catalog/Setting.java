package inkel.core.catalog;

import inkel.core.quantity.Fact;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Something that a builder may choose for a part. The build keeps it as it was typed; this reads it.
 *
 * @param key the name it has in files; never changes
 * @param suits the classes that it means something for
 * @param price what it takes to choose it
 */
public record Setting<T>(String key, Reader<T> reader, Predicate<PartClass> suits, Price price) {
    /** What it takes to choose a setting, least first. */
    public enum Price {
        /** A line in the sketch, or a strap. */
        LINE,
        /** Other wires. */
        WIRE,
        /** A part of a few cents. */
        SMALL_PART
    }

    /** Makes a value of what was typed. */
    public interface Reader<T> {
        /** Empty for a text that is no value for parts of this class. */
        Optional<T> read(PartClass cls, String text);

        /** What would be right for parts of this class. */
        String example(PartClass cls);

        /** Whether the texts are words or names to choose from. */
        boolean isChoice();
    }

    /** Whether one chooses among words or names, rather than typing a value. */
    public boolean isChoice() {
        return reader.isChoice();
    }

    /** Empty for a text that is no value of this setting for parts of a class. */
    public Optional<T> read(PartClass cls, String text) {
        return reader.read(cls, text);
    }

    public String example(PartClass cls) {
        return reader.example(cls);
    }

    /** Why a text is no value of this setting; empty when it is one. */
    public Optional<Fact> problem(PartClass cls, String text) {
        return read(cls, text).isPresent()
                ? Optional.empty()
                : Optional.of(Fact.of("problem.expected_value")
                        .with("example", example(cls))
                        .with("found", text));
    }

    @Override
    public boolean equals(Object other) {
        return this == other;
    }

    @Override
    public int hashCode() {
        return key.hashCode();
    }

    @Override
    public String toString() {
        return key;
    }
}
