package inkel.core.wake;

import inkel.core.bench.Band;
import inkel.core.document.Meter;
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
        private static final double SHOWN = 0.01;

        /** Between two amounts, in SI base units. */
        static Within between(Unit unit, double low, double high) {
            return new Within(unit, Optional.of(Quantity.of(unit, low)), Optional.of(Quantity.of(unit, high)));
        }

        /** What a meter shows of volts within a band, in whole hundredths of a volt outwards. */
        static Within volts(Band band, Meter meter) {
            Band read = band.readBy(meter);
            return between(Unit.VOLT, Math.floor(read.low() / SHOWN) * SHOWN, Math.ceil(read.high() / SHOWN) * SHOWN);
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

    /**
     * One of a few texts, such as what a register may hold.
     *
     * @param mask the bits of a number that count; all of them where absent
     */
    record OneOf(List<String> values, Optional<Long> mask) implements Expected {
        public OneOf {
            values = List.copyOf(values);
        }

        public OneOf(List<String> values) {
            this(values, Optional.empty());
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
