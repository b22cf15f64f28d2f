package inkel.core.wake;

import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import java.util.List;
import java.util.Optional;

/** What a check should give. */
public sealed interface Expected {
    /**
     * A value with the meter's own error in it.
     *
     * @param low absent where less is as good
     * @param high absent where more is as good
     */
    record Within(Unit unit, Optional<Quantity> low, Optional<Quantity> high) implements Expected {
        /** Between two amounts, in SI base units. */
        static Within between(Unit unit, double low, double high) {
            return new Within(unit, Optional.of(Quantity.of(unit, low)), Optional.of(Quantity.of(unit, high)));
        }

        static Within atLeast(Unit unit, double low) {
            return new Within(unit, Optional.of(Quantity.of(unit, low)), Optional.empty());
        }

        static Within atMost(Unit unit, double high) {
            return new Within(unit, Optional.empty(), Optional.of(Quantity.of(unit, high)));
        }

        public boolean holds(Quantity read) {
            return low.filter(least -> Quantity.exceeds(least, read)).isEmpty()
                    && high.filter(most -> Quantity.exceeds(read, most)).isEmpty();
        }
    }

    /** One of a few texts, such as what a register may hold. */
    record OneOf(List<String> values) implements Expected {
        public OneOf {
            values = List.copyOf(values);
        }
    }

    /** All of a few texts and no other: who answers on a bus. */
    record AllOf(List<String> values) implements Expected {
        public AllOf {
            values = List.copyOf(values);
        }
    }

    /** Something that is seen, heard, felt or done, as it is said. */
    record Seen(Fact what) implements Expected {}
}
