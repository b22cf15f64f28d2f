package inkel.core.levels;

import inkel.core.build.Between;
import inkel.core.build.Endpoint;
import inkel.core.build.Wire;
import inkel.core.catalog.Controller;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Pull;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.ShifterSides;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Duration;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A wire through a transistor shifter: its rise is that of a pull-up and the wire's capacitance, 2.2·R·C, and must stay
 * under three tenths of a bit.
 *
 * @param pull the shifter's pull-up on the side that listens
 * @param speed how fast the wire is clocked
 */
public record ShifterSpeed(
        NodeCircuit node, Between.ShifterWay way, PinUse use, Resistance pull, Frequency speed, Source speedSource) {
    private static final double RISE_IN_TIME_CONSTANTS = 2.2;
    private static final double SHARE_OF_BIT = 0.3;

    /** Two pins of 10 pF, 0.2 m of jumper at 50 pF/m, two rows of a breadboard at 3 pF. */
    private static final Capacitance WIRE = Capacitance.ofFarads(36e-12);

    static List<ShifterSpeed> of(NodeCircuit node) {
        return node.node().between().stream()
                .filter(Between.ShifterWay.class::isInstance)
                .map(Between.ShifterWay.class::cast)
                .flatMap(way -> of(node, way).stream())
                .toList();
    }

    private static Optional<ShifterSpeed> of(NodeCircuit node, Between.ShifterWay way) {
        Optional<Placed> shifter = node.part(way.shifter());
        Optional<PinUse> use = node.pin(way.signal()).map(pin -> pin.use());
        Optional<Placed> part = node.part(way.signal().part());
        if (shifter.isEmpty() || use.isEmpty() || part.isEmpty()) {
            return Optional.empty();
        }
        Optional<Resistance> pull = weakest(shifter.get(), way.way());
        Optional<Frequency> speed = speed(node, part.get(), use.get(), way.signal());
        boolean isChosen = isSpi(use.get()) && chosenSpi(node).isPresent();
        return pull.flatMap(ohms -> speed.map(hertz ->
                new ShifterSpeed(node, way, use.get(), ohms, hertz, isChosen ? Source.YOURS : Source.COMPUTED)));
    }

    private static Optional<Resistance> weakest(Placed shifter, int way) {
        List<Endpoint> pins = ShifterSides.pinsOf(shifter, way);
        return shifter.cls().pulls().stream()
                .filter(pull -> pins.stream().anyMatch(pin -> pin.pin().equals(pull.pin())))
                .map(Pull::resistance)
                .max(Comparator.comparingDouble(Resistance::ohms));
    }

    private static boolean isSpi(PinUse use) {
        return use == PinUse.SPI_SCK || use == PinUse.SPI_MOSI || use == PinUse.SPI_MISO;
    }

    private static Optional<Frequency> speed(NodeCircuit node, Placed part, PinUse use, Endpoint signal) {
        if (isSpi(use)) {
            return chosenSpi(node).or(() -> usualSpi(node, signal));
        }
        return use == PinUse.UART_RX || use == PinUse.UART_TX ? part.baud() : Optional.empty();
    }

    private static Optional<Frequency> chosenSpi(NodeCircuit node) {
        return node.board()
                .part()
                .setting("spi_clock")
                .flatMap(text -> Engineering.parse(text, Unit.HERTZ))
                .map(Frequency::ofHertz);
    }

    /** The fastest the board can divide to that every part on the wire takes. */
    private static Optional<Frequency> usualSpi(NodeCircuit node, Endpoint signal) {
        OptionalDouble limit = node.node()
                .wire(signal)
                .map(Wire::to)
                .map(to -> node.nets().getOrDefault(to, List.of()).stream()
                        .flatMap(wire -> node.part(wire.from().part()).stream())
                        .flatMap(placed -> placed.cls().spi().stream())
                        .mapToDouble(need -> need.clockMax().hertz())
                        .min())
                .orElse(OptionalDouble.empty());
        return limit.isEmpty() ? Optional.empty() : slower(node, limit.getAsDouble());
    }

    private static Optional<Frequency> slower(NodeCircuit node, double mostHertz) {
        Optional<Controller> controller = node.board().cls().controller();
        if (controller.isEmpty() || controller.get().spiDividers().isEmpty()) {
            return Optional.of(Frequency.ofHertz(mostHertz));
        }
        return controller.get().spiDividers().stream()
                .map(divider -> controller.get().clock().hertz() / divider)
                .filter(hertz -> hertz <= mostHertz)
                .max(Comparator.naturalOrder())
                .map(Frequency::ofHertz);
    }

    public boolean isSpi() {
        return isSpi(use);
    }

    public Capacitance capacitance() {
        return WIRE;
    }

    public Duration rise() {
        return Duration.ofSeconds(RISE_IN_TIME_CONSTANTS * pull.ohms() * WIRE.farads());
    }

    /** Three tenths of a bit at the wire's speed. */
    public Duration allowed() {
        return Duration.ofSeconds(SHARE_OF_BIT / speed.hertz());
    }

    public boolean isSlow() {
        return rise().seconds() > allowed().seconds();
    }

    /** The fastest that the wire can be clocked through the shifter. */
    public Frequency most() {
        return Frequency.ofHertz(SHARE_OF_BIT / rise().seconds());
    }

    /** The clock to choose on the board; empty when it cannot go that slow. */
    public Optional<Frequency> suitableSpi() {
        return slower(node, most().hertz());
    }
}
