package inkel.core.remedy;

import inkel.core.catalog.PartClass;
import inkel.core.circuit.ResistiveSensor;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.formula.ESeries;
import inkel.core.formula.HalfBridge;
import java.util.Optional;

/** The resistor above a sensor that is a resistance alone, from which its voltage swings the most. */
public final class BesideSensor {
    private BesideSensor() {}

    /** @return empty for a signal that is a voltage */
    public static Optional<Between.PulledUp> of(PartClass cls, Endpoint signal) {
        return cls.pin(signal.pin())
                .flatMap(pin -> ResistiveSensor.ohms(cls, pin))
                .map(ohms -> new Between.PulledUp(signal, HalfBridge.widest(ohms, ESeries.E12), Extras.NONE));
    }
}
