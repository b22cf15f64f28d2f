package inkel.core.remedy;

import inkel.core.catalog.PartClass;
import inkel.core.circuit.ResistiveSensor;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.formula.ESeries;
import inkel.core.formula.HalfBridge;
import inkel.core.quantity.Resistance;
import java.util.Optional;

/** The resistor above or below a sensor that is a resistance alone, from which its voltage swings the most. */
public final class BesideSensor {
    private static final Resistance AT_CONTACT = Resistance.ofOhms(10e3);

    private BesideSensor() {}

    /** @return empty for a signal that is a voltage */
    public static Optional<Between.PulledUp> of(PartClass cls, Endpoint signal) {
        return cls.pin(signal.pin())
                .flatMap(pin -> ResistiveSensor.ohms(cls, pin))
                .map(ohms -> new Between.PulledUp(signal, HalfBridge.widest(ohms, ESeries.E12), Extras.NONE));
    }

    /** The same for a contact too, which takes half a milliampere at 5 V while it is closed. */
    public static Between.PulledUp above(PartClass cls, Endpoint signal) {
        return of(cls, signal).orElseGet(() -> new Between.PulledUp(signal, AT_CONTACT, Extras.NONE));
    }

    /** The one below what hangs on a supply. */
    public static Between.PulledDown below(PartClass cls, Endpoint signal) {
        Resistance ohms = cls.pin(signal.pin())
                .flatMap(pin -> ResistiveSensor.ohms(cls, pin))
                .map(varies -> HalfBridge.widest(varies, ESeries.E12))
                .orElse(AT_CONTACT);
        return new Between.PulledDown(signal, ohms, Extras.NONE);
    }
}
