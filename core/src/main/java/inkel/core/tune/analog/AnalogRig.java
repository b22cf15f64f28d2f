package inkel.core.tune.analog;

import inkel.core.catalog.Ability;
import inkel.core.catalog.AnalogGroup;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import java.util.List;
import java.util.Optional;

/**
 * A signal of a part and the converter that reads it.
 *
 * @param pin the converter's pin
 * @param fullScale the volts just above the highest code, as the plan has them
 */
public record AnalogRig(Placed part, Endpoint signal, Endpoint pin, AnalogGroup group, double fullScale) {
    /** Whether parts of a class have a signal for a converter. */
    public static boolean isRead(PartClass cls) {
        return cls.signals().anyMatch(signal -> signal.use() == PinUse.ANALOG);
    }

    /** One for each signal of a part that a converter reads. */
    public static List<AnalogRig> all(NodeCircuit node, Placed part) {
        return part.cls()
                .signals()
                .filter(signal -> signal.use() == PinUse.ANALOG)
                .flatMap(signal -> of(node, part, part.endpoint(signal)).stream())
                .toList();
    }

    private static Optional<AnalogRig> of(NodeCircuit node, Placed part, Endpoint signal) {
        Optional<Endpoint> target = node.wire(signal).map(Wire::to);
        Optional<Integer> unit = target.flatMap(node::pin).flatMap(AnalogRig::unit);
        return unit.flatMap(number ->
                        node.part(target.get().part()).flatMap(on -> on.cls().analog(number)))
                .flatMap(group -> node.ioVolts(target.get())
                        .map(supply -> new AnalogRig(
                                part,
                                signal,
                                target.get(),
                                group,
                                group.fullScale().at(supply.expected()).volts())));
    }

    private static Optional<Integer> unit(Pin pin) {
        return pin.can().stream()
                .filter(ability -> ability.kind() == Ability.Kind.ADC)
                .map(Ability::unit)
                .findFirst();
    }

    /** How many codes there are. */
    public double codes() {
        return Math.pow(2, group.bits());
    }

    /** The volts of one code, as the plan has them. */
    public double step() {
        return fullScale / codes();
    }
}
