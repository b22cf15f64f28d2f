package inkel.core.circuit;

import inkel.core.build.Endpoint;
import inkel.core.build.Part;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Unit;
import java.util.Optional;

/** A part of the build with its class. */
public record Placed(Part part, PartClass cls) {
    public String id() {
        return part.id();
    }

    public Endpoint endpoint(Pin pin) {
        return new Endpoint(part.id(), pin.label());
    }

    /** The 7-bit I2C address it answers to: the builder's choice, else the class's; empty off the bus. */
    public Optional<Integer> address() {
        return cls.i2c().map(need -> part.setting("address")
                .flatMap(text -> Engineering.parse(text, Unit.ONE))
                .map(Double::intValue)
                .orElse(need.base()));
    }

    /** The rate its serial port runs at: the builder's choice, else the one it wakes up with. */
    public Optional<Frequency> baud() {
        return cls.uart().map(need -> part.setting("baud")
                .flatMap(text -> Engineering.parse(text, Unit.HERTZ))
                .map(Frequency::ofHertz)
                .orElse(need.rates().get(0)));
    }
}
