package inkel.core.tune.sample;

import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import inkel.core.tune.Estimate;
import java.util.Locale;

/**
 * A number that follows.
 *
 * @param of the pin or channel it is of; empty for the part itself
 */
public record Result(String name, String of, Estimate estimate, Unit unit, Source source) {
    public static Result measured(String name, Estimate estimate, Unit unit) {
        return new Result(name, "", estimate, unit, Source.MEASURED);
    }

    /** Of a pin or channel. */
    public Result of(String pin) {
        return new Result(name, pin, estimate, unit, source);
    }

    public Result computed() {
        return new Result(name, of, estimate, unit, Source.COMPUTED);
    }

    /** By which it is kept. */
    public String id() {
        return of.isEmpty() ? name : of.toLowerCase(Locale.ROOT) + "_" + name;
    }
}
