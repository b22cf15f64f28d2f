package inkel.core.bench;

import inkel.core.bench.net.Solution;
import java.util.Optional;
import java.util.OptionalInt;

/** A probe by numbers instead of names: two points, or an element. */
record Reading(int plus, int minus, int slot) {
    /** Empty where the model has no such point or element. */
    static Optional<Reading> of(BenchModel model, Probe probe) {
        if (probe instanceof Probe.Volts volts) {
            OptionalInt plus = model.points().known(volts.plus());
            OptionalInt minus = model.points().known(volts.minus());
            return plus.isEmpty() || minus.isEmpty()
                    ? Optional.empty()
                    : Optional.of(between(plus.getAsInt(), minus.getAsInt()));
        }
        OptionalInt slot = model.slot(((Probe.Amperes) probe).slot());
        return slot.isEmpty() ? Optional.empty() : Optional.of(through(slot.getAsInt()));
    }

    static Reading between(int plus, int minus) {
        return new Reading(plus, minus, -1);
    }

    static Reading through(int slot) {
        return new Reading(-1, -1, slot);
    }

    double of(Solution solution) {
        return isCurrent() ? solution.amperes(slot) : solution.between(plus, minus);
    }

    boolean isCurrent() {
        return slot >= 0;
    }
}
