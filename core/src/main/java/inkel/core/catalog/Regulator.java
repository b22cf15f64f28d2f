package inkel.core.catalog;

import inkel.core.quantity.Share;
import inkel.core.quantity.Temperature;
import inkel.core.quantity.Voltage;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What is known of the regulator that makes a rail.
 *
 * @param dropout the least it needs above what it gives, at its rating
 * @param thetaCelsiusPerWatt how much hotter than the air the junction gets for each watt, as usually mounted
 * @param junctionMax the hottest its junction may get
 * @param efficiency what share of the power taken in comes out; only for a switching one
 */
public record Regulator(
        Optional<Voltage> dropout,
        OptionalDouble thetaCelsiusPerWatt,
        Optional<Temperature> junctionMax,
        Optional<Share> efficiency) {
    public static final Regulator UNKNOWN =
            new Regulator(Optional.empty(), OptionalDouble.empty(), Optional.empty(), Optional.empty());
}
