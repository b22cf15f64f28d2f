package inkel.core.catalog;

import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * A rail that a part gives to others.
 *
 * @param pin the pin it comes out of
 * @param volts what it gives; absent when it passes on what comes in
 * @param rating the most it can give for long
 * @param from the supply pin it is made from, empty for a source
 * @param way how it is made
 * @param own what the conversion itself takes, zero for a source
 * @param regulator what is known of the regulator, when one makes it
 * @param battery what is known of the battery, when it is one
 * @param drop what a diode of the part takes off what passes through; absent where there is none
 * @param carries what else runs through its regulator: rails of the part made from this one, and {@value #ITSELF}
 * @param orFrom other ways in, for when {@code from} is not fed; best first
 * @param limit what ends a current that is too large; empty where nothing does, or nothing that a builder sets
 * @param contact which contact it passes through, when the part switches it
 * @param setTo what its knob or screw can be turned to; absent where it gives what it gives
 */
public record Output(
        String pin,
        Optional<Figure<Voltage>> volts,
        Figure<Current> rating,
        Optional<String> from,
        Way way,
        Current own,
        Regulator regulator,
        Optional<Battery> battery,
        Optional<Range<Voltage>> drop,
        List<String> carries,
        List<Intake> orFrom,
        Optional<Limit> limit,
        Optional<Contact> contact,
        Optional<Range<Voltage>> setTo) {
    /** Stands in {@link #carries} for what the part itself takes. */
    public static final String ITSELF = "itself";

    public Output {
        carries = List.copyOf(carries);
        orFrom = List.copyOf(orFrom);
    }

    /** What ends a current that is too large. */
    public enum Limit {
        /** A knob, as that of a bench supply. */
        SET,
        /** A wire that melts. */
        MELTS
    }

    /** Whether its current limit is set by hand. */
    public boolean isLimitSet() {
        return limit.filter(Limit.SET::equals).isPresent();
    }

    public boolean isFuse() {
        return limit.filter(Limit.MELTS::equals).isPresent();
    }

    /** How a rail comes about. */
    public enum Way {
        /** From outside the build. */
        SOURCE,
        /** Straight through from the supply pin. */
        PASS,
        /** A linear regulator: what goes out comes in. */
        LINEAR,
        /** A switching regulator: what goes out comes in as power, less the losses. */
        SWITCHING
    }

    /** The same rail with other volts and another rating. */
    public Output giving(Optional<Figure<Voltage>> newVolts, Figure<Current> newRating) {
        return new Output(
                pin, newVolts, newRating, from, way, own, regulator, battery, drop, carries, orFrom, limit, contact,
                setTo);
    }

    /** The same rail of another battery. */
    public Output of(Battery other, Optional<Figure<Voltage>> newVolts) {
        return new Output(
                pin,
                newVolts,
                rating,
                from,
                way,
                own,
                regulator,
                Optional.of(other),
                drop,
                carries,
                orFrom,
                limit,
                contact,
                setTo);
    }

    /** The same rail made another way. */
    public Output through(Intake intake) {
        return new Output(
                pin,
                intake.way() == Way.PASS ? Optional.empty() : intake.volts().or(() -> volts),
                intake.rating().orElse(rating),
                Optional.of(intake.pin()),
                intake.way(),
                intake.own(),
                intake.regulator(),
                battery,
                intake.drop(),
                intake.carries(),
                orFrom,
                limit,
                contact,
                setTo);
    }
}
