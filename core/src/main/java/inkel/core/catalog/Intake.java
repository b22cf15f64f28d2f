package inkel.core.catalog;

import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * Another way into a rail: taken when the pin it names is fed and the usual one is not.
 *
 * @param pin the supply pin
 * @param way how the rail comes of it
 * @param volts what the rail then gives; absent when it passes on what comes in
 * @param rating what the rail can then give; absent when it is the usual
 * @param drop as {@link Output#drop}
 * @param carries as {@link Output#carries}
 */
public record Intake(
        String pin,
        Output.Way way,
        Optional<Figure<Voltage>> volts,
        Optional<Figure<Current>> rating,
        Current own,
        Regulator regulator,
        Optional<Range<Voltage>> drop,
        List<String> carries) {
    public Intake {
        carries = List.copyOf(carries);
    }
}
