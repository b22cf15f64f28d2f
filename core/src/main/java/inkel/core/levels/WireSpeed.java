package inkel.core.levels;

import inkel.core.catalog.Controller;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.formula.RcRise;
import inkel.core.formula.SpiClock;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How fast a wire is clocked, and how slowly it may rise at that; see {@link RcRise}.
 *
 * @param source the builder's word, or worked out from what the parts bear
 */
public record WireSpeed(Frequency clock, Source source) {
    /** Two pins of 10 pF, 0.2 m of jumper at 50 pF/m, two rows of a breadboard at 3 pF. */
    public static final Capacitance CAPACITANCE = Capacitance.ofFarads(36e-12);

    /** Empty for a wire that is not clocked, such as a select or a lamp. A shortest pulse is a bit of its length. */
    public static Optional<WireSpeed> of(NodeCircuit node, Endpoint signal) {
        Optional<TimeSpan> shortest = node.pin(signal).flatMap(Pin::shortest);
        if (shortest.isPresent()) {
            return Optional.of(
                    new WireSpeed(Frequency.ofHertz(1 / shortest.get().seconds()), Source.CLASS));
        }
        Optional<PinUse> use = node.pin(signal).map(pin -> pin.use());
        if (use.filter(WireSpeed::isSpi).isPresent()) {
            return chosenSpi(node)
                    .map(clock -> new WireSpeed(clock, Source.YOURS))
                    .or(() -> usualSpi(node, signal).map(clock -> new WireSpeed(clock, Source.COMPUTED)));
        }
        return use.filter(PinUse::isSerial)
                .flatMap(serial -> node.part(signal.part()))
                .flatMap(Placed::baud)
                .map(clock -> new WireSpeed(clock, Source.COMPUTED));
    }

    /** How long a wire of usual length takes to rise through a resistance. */
    public static TimeSpan rise(Resistance through) {
        return RcRise.of(through, CAPACITANCE);
    }

    /** The largest resistance that the wire still rises through in time. */
    public Resistance mostResistance() {
        return RcRise.mostResistance(clock, CAPACITANCE);
    }

    static boolean isSpi(PinUse use) {
        return use == PinUse.SPI_SCK || use == PinUse.SPI_MOSI || use == PinUse.SPI_MISO;
    }

    private static Optional<Frequency> chosenSpi(NodeCircuit node) {
        return node.board().own(Settings.SPI_CLOCK);
    }

    /** The fastest the board can divide to that every part on the wire takes. */
    private static Optional<Frequency> usualSpi(NodeCircuit node, Endpoint signal) {
        OptionalDouble limit = node.wire(signal)
                .map(Wire::to)
                .map(to -> node.nets().getOrDefault(to, List.of()).stream()
                        .flatMap(wire -> node.part(wire.from().part()).stream())
                        .flatMap(placed -> placed.cls().spi().stream())
                        .mapToDouble(need -> need.clockMax().hertz())
                        .min())
                .orElse(OptionalDouble.empty());
        return limit.isEmpty() ? Optional.empty() : slower(node, Frequency.ofHertz(limit.getAsDouble()));
    }

    /** The fastest the board can divide to that is no faster; empty when it cannot go that slow. */
    static Optional<Frequency> slower(NodeCircuit node, Frequency most) {
        Optional<Controller> controller = node.board().cls().controller();
        if (controller.isEmpty() || controller.get().spiDividers().isEmpty()) {
            return Optional.of(most);
        }
        return controller.get().spiClock(most).map(SpiClock::clock);
    }
}
