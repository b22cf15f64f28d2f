package inkel.core.catalog;

import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
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
 * @param orFrom other ways in, for when {@code from} is not fed; best first
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
        List<Intake> orFrom) {
    public Output {
        orFrom = List.copyOf(orFrom);
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
}
