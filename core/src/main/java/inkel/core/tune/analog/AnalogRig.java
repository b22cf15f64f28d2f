package inkel.core.tune.analog;

import inkel.core.catalog.Ability;
import inkel.core.catalog.AnalogGroup;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ResistiveSensor;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A signal of a part and the converter that reads it.
 *
 * @param pin the converter's pin
 * @param fullScale the volts just above the highest code, as the plan has them
 * @param channels how many pins that converter reads in turn, this one among them
 * @param over the volts that the signal's own part is fed with, as the plan has them
 * @param divider of a resistance alone how it stands with the resistor beside its wire, as the plan has it; absent for others
 */
public record AnalogRig(
        Placed part,
        Endpoint signal,
        Endpoint pin,
        AnalogGroup group,
        int channels,
        double fullScale,
        double over,
        Optional<Divider> divider) {
    /** Whether parts of a class have a signal for a converter. */
    public static boolean isRead(PartClass cls) {
        return signals(cls).findAny().isPresent();
    }

    private static Stream<Pin> signals(PartClass cls) {
        return cls.signals().filter(signal -> signal.use() == PinUse.ANALOG);
    }

    /** One for each signal of a part that a converter reads. */
    public static List<AnalogRig> all(NodeCircuit node, Placed part) {
        return signals(part.cls())
                .flatMap(signal -> of(node, part, part.endpoint(signal)).stream())
                .toList();
    }

    private static Optional<AnalogRig> of(NodeCircuit node, Placed part, Endpoint signal) {
        Optional<Endpoint> target = node.wire(signal).map(Wire::to);
        Optional<Integer> unit = target.flatMap(node::pin).flatMap(AnalogRig::unit);
        return unit.flatMap(number ->
                        node.part(target.get().part()).flatMap(on -> on.cls().analog(number)))
                .flatMap(group -> node.ioVolts(target.get()).map(supply -> {
                    double fullScale = group.fullScale().at(supply.expected()).volts();
                    Optional<Divider> divider = ResistiveSensor.beside(node, signal)
                            .map(beside -> new Divider(beside.fixed().ohms(), beside.isAtGround()));
                    double over = node.ioVolts(signal)
                            .or(() -> divider.flatMap(by -> by.atGround() ? Optional.of(supply) : above(node, part)))
                            .map(own -> own.expected().volts())
                            .orElse(fullScale);
                    return new AnalogRig(
                            part,
                            signal,
                            target.get(),
                            group,
                            channels(node, target.get(), group),
                            fullScale,
                            over,
                            divider);
                }));
    }

    private static Optional<Range<Voltage>> above(NodeCircuit node, Placed part) {
        return node.railOf(part, part.cls().supplies().get(0).pin()).flatMap(Rail::volts);
    }

    private static int channels(NodeCircuit node, Endpoint pin, AnalogGroup group) {
        return (int) node.node().wires().stream()
                .map(Wire::to)
                .filter(to -> to.part().equals(pin.part()))
                .filter(to -> node.pin(to)
                        .flatMap(AnalogRig::unit)
                        .filter(unit -> unit == group.unit())
                        .isPresent())
                .filter(to -> isRead(node, to))
                .distinct()
                .count();
    }

    /** Whether something analog leads there: most pins of a converter can do other things too. */
    private static boolean isRead(NodeCircuit node, Endpoint to) {
        return node.node().wires().stream().filter(wire -> wire.to().equals(to)).anyMatch(wire -> node.pin(wire.from())
                .filter(from -> from.use() == PinUse.ANALOG)
                .isPresent());
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

    /** The pin before the names of what is kept, where the part has several signals; else nothing. */
    public String prefix() {
        return signals(part.cls()).count() < 2
                ? ""
                : signal.pin()
                                .toLowerCase(Locale.ROOT)
                                .replace("+", "plus")
                                .replace("-", "minus")
                                .replaceAll("[^a-z0-9]", "")
                        + "_";
    }

    /** The ranges that its converter can be set to, in volts, the one of the plan among them. */
    public List<Double> ranges() {
        return Stream.concat(Stream.of(fullScale), group.ranges().stream().map(Voltage::volts))
                .distinct()
                .toList();
    }
}
