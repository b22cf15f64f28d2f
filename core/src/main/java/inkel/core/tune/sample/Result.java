package inkel.core.tune.sample;

import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.tune.Estimate;
import java.util.Locale;

/**
 * A number that follows.
 *
 * @param of the pin or channel it is of; empty for the part itself
 * @param isForCode whether the builder's code needs it
 */
public record Result(String name, String of, Estimate estimate, Unit unit, Source source, boolean isForCode) {
    public static Result measured(String name, Estimate estimate, Unit unit) {
        return new Result(name, "", estimate, unit, Source.MEASURED, true);
    }

    /** Of a pin or channel. */
    public Result of(String pin) {
        return new Result(name, pin, estimate, unit, source, isForCode);
    }

    /** What people look at and code has no use for. */
    public Result toLookAt() {
        return new Result(name, of, estimate, unit, source, false);
    }

    public Result computed() {
        return new Result(name, of, estimate, unit, Source.COMPUTED, isForCode);
    }

    /** By which it is kept. */
    public String id() {
        return of.isEmpty() ? name : of.toLowerCase(Locale.ROOT) + "_" + name;
    }
}
