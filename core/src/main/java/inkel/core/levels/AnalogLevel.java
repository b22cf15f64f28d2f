package inkel.core.levels;

import inkel.core.catalog.Ability;
import inkel.core.catalog.AnalogGroup;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.OtherLeg;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ResistiveSensor;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.formula.HalfBridge;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * An analog signal and the converter pin that reads it.
 *
 * @param to the pin that converts
 * @param sent the most that the part puts on the wire
 * @param share what a divider in the wire leaves of it, 1 for none
 * @param source where {@code sent} comes from
 * @param absoluteMax the pin is damaged above this
 * @param fullScale the voltage just above the highest code, at the supply that goes with the most that is sent
 * @param isRatio whether the part hangs on the converter's own supply, so that both rise and fall together
 */
public record AnalogLevel(
        NodeCircuit node,
        Place signal,
        Endpoint to,
        Voltage sent,
        double share,
        Source source,
        Voltage absoluteMax,
        AnalogGroup group,
        Voltage fullScale,
        boolean isRatio) {

    static List<AnalogLevel> of(NodeCircuit node) {
        return node.nets().values().stream()
                .flatMap(List::stream)
                .filter(wire -> node.pin(wire.from())
                        .filter(pin -> pin.use() == PinUse.ANALOG)
                        .isPresent())
                .flatMap(wire -> of(node, wire).stream())
                .toList();
    }

    private static Optional<AnalogLevel> of(NodeCircuit node, Wire wire) {
        Optional<IoFamily> says = node.io(wire.from());
        Optional<IoFamily> hears = node.io(wire.to());
        Optional<Range<Voltage>> saysAt = node.ioVolts(wire.from());
        Optional<Range<Voltage>> hearsAt = node.ioVolts(wire.to());
        Optional<AnalogGroup> group = group(node, wire.to());
        boolean isResistance = ResistiveSensor.ohms(node, wire.from()).isPresent();
        if (isResistance && hears.isPresent() && hearsAt.isPresent() && group.isPresent()) {
            return overResistor(node, wire, hears.get(), hearsAt.get(), group.get());
        }
        if (says.isEmpty() || hears.isEmpty() || saysAt.isEmpty() || hearsAt.isEmpty() || group.isEmpty()) {
            return Optional.empty();
        }
        double share = node.between(wire.from())
                .filter(Between.Divider.class::isInstance)
                .map(between -> ((Between.Divider) between).share())
                .orElse(1.0);
        Optional<Voltage> measured = node.reading(wire.from()).high();
        Voltage highest = saysAt.get().highest();
        boolean isOneRail = node.ioRail(wire.from())
                .map(Rail::id)
                .equals(node.ioRail(wire.to()).map(Rail::id));
        // One rail has one voltage at a time; of two the worst meet.
        Voltage at = isOneRail ? hearsAt.get().highest() : hearsAt.get().lowest();
        Voltage fullScale = group.get().fullScale().at(at);
        boolean isRatio = isOneRail
                && !group.get()
                        .fullScale()
                        .at(hearsAt.get().expected())
                        .isBelow(hearsAt.get().expected());
        return Optional.of(new AnalogLevel(
                node,
                node.place(wire.from()),
                wire.to(),
                measured.orElse(says.get()
                        .vohMax()
                        .or(says.get()::voh)
                        .map(most -> most.at(highest))
                        .orElse(highest)),
                measured.isPresent() ? 1 : share,
                measured.isPresent() ? Source.MEASURED : says.get().source(),
                hears.get().absoluteMax().at(at),
                group.get(),
                fullScale,
                isRatio));
    }

    /**
     * A resistance to ground below one to the pin's own supply: at the most it lets through nearly all of it. One that hangs on a
     * supply, above a resistor to ground, does at the least.
     */
    private static Optional<AnalogLevel> overResistor(
            NodeCircuit node, Wire wire, IoFamily hears, Range<Voltage> hearsAt, AnalogGroup group) {
        Optional<Range<Resistance>> varies = ResistiveSensor.ohms(node, wire.from());
        Optional<ResistiveSensor.Beside> beside = ResistiveSensor.beside(node, wire.from());
        Optional<Rail> own = node.ioRail(wire.to());
        boolean isOnSupply = OtherLeg.isOnSupply(node, wire.from().part());
        Optional<Rail> above = isOnSupply
                ? node.part(wire.from().part())
                        .flatMap(placed -> node.railOf(
                                placed, placed.cls().supplies().get(0).pin()))
                : own;
        Optional<Range<Voltage>> aboveVolts = above.flatMap(Rail::volts);
        if (varies.isEmpty() || beside.isEmpty() || aboveVolts.isEmpty()) {
            return Optional.empty();
        }
        boolean isOneRail = above.map(Rail::id).equals(own.map(Rail::id));
        Resistance fixed = beside.get().fixed();
        double share = isOnSupply
                ? HalfBridge.share(fixed, varies.get().lowest())
                : HalfBridge.share(varies.get().highest(), fixed);
        // One rail has one voltage at a time; of two the worst meet.
        Voltage at = isOneRail ? hearsAt.highest() : hearsAt.lowest();
        return Optional.of(new AnalogLevel(
                node,
                node.place(wire.from()),
                wire.to(),
                aboveVolts.get().highest().times(share),
                1,
                Source.COMPUTED,
                hears.absoluteMax().at(at),
                group,
                group.fullScale().at(at),
                isOneRail && !group.fullScale().at(hearsAt.expected()).isBelow(hearsAt.expected())));
    }

    private static Optional<AnalogGroup> group(NodeCircuit node, Endpoint pin) {
        Optional<Integer> unit = node.pin(pin).stream()
                .flatMap(found -> found.can().stream())
                .filter(ability -> ability.kind() == Ability.Kind.ADC)
                .map(Ability::unit)
                .findFirst();
        return unit.flatMap(
                wanted -> node.part(pin.part()).flatMap(placed -> placed.cls().analog(wanted)));
    }

    /** What the converter sees before its pin; empty where a capacitor at the pin holds the voltage, or nothing is told. */
    public Optional<Resistance> sourceResistance() {
        Endpoint from = signal.endpoint();
        double inner = innerOhms();
        Between between = node.between(from).orElse(null);
        if (between instanceof Between.Divider divider) {
            if (divider.capacitor().isPresent()) {
                return Optional.empty();
            }
            return Optional.of(
                    Resistance.ofOhms(inner + divider.series().ohms()).parallelTo(divider.toGround()));
        } else if (between instanceof Between.Series series) {
            return series.capacitor().isPresent()
                    ? Optional.empty()
                    : Optional.of(Resistance.ofOhms(inner + series.resistance().ohms()));
        }
        Optional<Range<Resistance>> varies = ResistiveSensor.ohms(node, from);
        Optional<ResistiveSensor.Beside> beside = ResistiveSensor.beside(node, from);
        if (varies.isPresent() && beside.isPresent()) {
            return Optional.of(varies.get().highest().parallelTo(beside.get().fixed()));
        }
        return inner > 0 ? Optional.of(Resistance.ofOhms(inner)) : Optional.empty();
    }

    /** What the halves of a divider may be beside each other, with what is before them. */
    public Resistance leftForDivider() {
        return Resistance.ofOhms(
                Math.max(group.sourceMax().ohms() / 10, group.sourceMax().ohms() - innerOhms()));
    }

    /** What is before the voltage on the part itself. */
    private double innerOhms() {
        return node.pin(signal.endpoint())
                .flatMap(Pin::inner)
                .map(Resistance::ohms)
                .orElse(0.0);
    }

    /** Whether the converter's own capacitor is not filled in time, so that it reads too little or its neighbour. */
    public boolean isSourceTooWeak() {
        return sourceResistance()
                .filter(ohms -> Quantity.exceeds(ohms, group.sourceMax()))
                .isPresent();
    }

    /** The most that arrives at the pin. */
    public Voltage arrives() {
        return sent.times(share);
    }

    public boolean harms() {
        return arrives().isAbove(absoluteMax);
    }

    /** Whether the top of the signal is above the highest code. */
    public boolean isClipped() {
        return !isRatio && arrives().isAbove(fullScale);
    }
}
