package inkel.core.circuit;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import inkel.core.formula.SeriesResistor;
import inkel.core.quantity.Current;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A lamp that a pin lights or a buzzer that it sounds, and the rail that its current comes from: that of the pin, or the one
 * that its other end hangs on.
 *
 * @param resistor what is in the wire of a lamp; absent for a buzzer, which takes what it is made for
 */
record LampOnPin(Endpoint signal, PinLoad load, Endpoint rail, Optional<Resistance> resistor) {
    static List<LampOnPin> of(Node node, Map<String, Placed> parts) {
        List<LampOnPin> lamps = new ArrayList<>();
        for (Wire wire : node.wires()) {
            Placed lamp = parts.get(wire.from().part());
            Placed driver = parts.get(wire.to().part());
            if (lamp == null
                    || driver == null
                    || lamp.cls().demands().pinLoads().isEmpty()) {
                continue;
            }
            for (PinLoad load : lamp.cls().demands().pinLoads()) {
                if (load.pin().equals(wire.from().pin()) && isKnown(node, wire, load)) {
                    rail(lamp, load, driver, wire.to())
                            .map(rail -> new LampOnPin(wire.from(), load, rail, series(node, wire.from())))
                            .ifPresent(lamps::add);
                }
            }
        }
        return lamps;
    }

    /** A lamp without a resistor is a finding of its own: nobody knows what it takes. */
    private static boolean isKnown(Node node, Wire wire, PinLoad load) {
        return load.sort() == PinLoad.Sort.SOUNDER
                || load.sort() == PinLoad.Sort.LED && series(node, wire.from()).isPresent();
    }

    private static Optional<Resistance> series(Node node, Endpoint signal) {
        return node.between().stream()
                .filter(piece -> piece.signal().equals(signal))
                .filter(Between.Series.class::isInstance)
                .map(piece -> ((Between.Series) piece).resistance())
                .findFirst();
    }

    private static Optional<Endpoint> rail(Placed lamp, PinLoad load, Placed driver, Endpoint target) {
        if (load.from().isPresent()) {
            return Optional.ofNullable(lamp.part().feeds().get(load.from().get()));
        }
        Optional<Pin> pin = driver.cls().pin(target.pin());
        Optional<String> supply = pin.flatMap(driver.cls()::io).map(IoFamily::supply);
        return supply.map(name -> {
            Endpoint fed = driver.part().feeds().get(name);
            return fed != null && driver.cls().output(name).isEmpty() ? fed : new Endpoint(driver.id(), name);
        });
    }

    /**
     * What a lamp takes while it is lit, I = (V − Vf) / R, at the most that the rail gives; of a buzzer the most that it is made
     * for.
     */
    Current current(Voltage most) {
        if (load.sort() == PinLoad.Sort.SOUNDER) {
            return load.current().range().highest();
        }
        Voltage forward = load.forward().map(range -> range.lowest()).orElse(Voltage.ZERO);
        return SeriesResistor.current(SeriesResistor.across(most, forward), resistor.orElseThrow());
    }
}
