package inkel.core.levels;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.PullUp;
import inkel.core.circuit.Reading;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.formula.LevelCheck;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.Optional;

/**
 * One direction of one wire: who says, who hears, and how it stands at the worst corner of both supplies.
 *
 * @param signal the module's signal that the wire belongs to
 * @param from the pin whose levels arrive at the receiver: the driver's, or a shifter's
 * @param to the receiver
 * @param between what stands in the wire
 * @param pulledBy the pull-up that makes the high of an open-drain wire; empty where the driver makes it
 * @param mildness whether what is wrong is only to be looked at, and why
 */
public record Link(
        NodeCircuit node,
        Place signal,
        Endpoint from,
        Endpoint to,
        Optional<Between> between,
        Optional<PullUp> pulledBy,
        LevelCheck check,
        Mildness mildness)
        implements Judged {
    @Override
    public Source saysHigh() {
        return reading().high().isPresent() ? Source.MEASURED : Judged.source(node, from);
    }

    @Override
    public Source saysLow() {
        return reading().low().isPresent() ? Source.MEASURED : Judged.source(node, from);
    }

    @Override
    public Source listens() {
        return Judged.source(node, to);
    }

    private Reading reading() {
        return node.reading(signal.endpoint());
    }

    /** What a divider in the wire leaves of what is sent; 1 for anything else. */
    public double share() {
        return between.filter(Between.Divider.class::isInstance)
                .map(divider -> ((Between.Divider) divider).share())
                .orElse(1.0);
    }

    /** What the driver itself puts out as a high, before a divider takes its share, or something makes a high of its own. */
    public Range<Voltage> saidHigh() {
        Optional<Range<Voltage>> own =
                parted().flatMap(says -> node.ioVolts(from).map(at -> Hop.high(says, at)));
        return own.orElseGet(this::undivided);
    }

    /** Who talks, where what arrives is not of its making. */
    private Optional<IoFamily> parted() {
        return Hop.isOfListener(between) ? node.io(from) : Optional.empty();
    }

    private Range<Voltage> undivided() {
        return Range.between(check.vohMin().times(1 / share()), check.vohMax().times(1 / share()));
    }

    /** What the driver itself puts out as a low at most, before a divider takes its share. */
    public Voltage saidLow() {
        return parted().flatMap(IoFamily::signalLow)
                .flatMap(low -> node.ioVolts(from).map(at -> low.at(at.highest())))
                .orElseGet(() -> check.volMax().times(1 / share()));
    }

    /** Whether it leads into a shifter or a buffer, not out of one or past it. */
    public boolean isInto() {
        return node.pin(to).filter(pin -> pin.use().isWay()).isPresent();
    }
}
