package inkel.core.build;

import inkel.core.quantity.Resistance;

/** What stands in a wire between a part's signal and the pin it goes to. */
public sealed interface Between {
    /** The signal whose wire it stands in. */
    Endpoint signal();

    Extras extras();

    /** Two resistors: {@code series} in line, {@code toGround} from the part's end to ground. */
    record Divider(Endpoint signal, Resistance series, Resistance toGround, Extras extras) implements Between {}

    /**
     * One way through a shifter of the same node. Signals of a shared wire may use the same way.
     *
     * @param shifter the shifter's part id
     * @param way 1 for its first way
     */
    record ShifterWay(Endpoint signal, String shifter, int way, Extras extras) implements Between {}

    /** One resistor in line: what an LED on a pin wants. */
    record Series(Endpoint signal, Resistance resistance, Extras extras) implements Between {}

    /**
     * A transistor that switches a coil, with a diode across the coil that takes its kick.
     *
     * @param base the resistor between the pin and the transistor
     */
    record CoilDriver(Endpoint signal, Resistance base, Extras extras) implements Between {}
}
