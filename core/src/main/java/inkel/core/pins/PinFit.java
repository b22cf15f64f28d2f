package inkel.core.pins;

import inkel.core.build.Endpoint;
import inkel.core.catalog.Ability;
import inkel.core.catalog.BusLine;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.quantity.Fact;
import java.util.Optional;
import java.util.stream.Stream;

/** Tells whether a signal may go to a pin, by what the pin can do; who is there already does not matter here. */
public final class PinFit {
    private PinFit() {}

    /** Why the signal cannot go there; empty when it can. */
    public static Optional<Fact> whyNot(NodeCircuit node, Endpoint signal, Endpoint target) {
        Optional<Placed> asking = node.part(signal.part());
        Optional<Pin> wanted = node.pin(signal);
        Optional<Pin> offered = node.pin(target);
        if (asking.isEmpty() || wanted.isEmpty() || offered.isEmpty()) {
            return Optional.of(Fact.of("why_not.no_such_pin").with("pin", target.pin()));
        }
        if (signal.part().equals(target.part())) {
            return Optional.of(Fact.of("why_not.own_pin"));
        }
        PinUse use = wanted.get().use();
        Pin pin = offered.get();
        if (pin.can().isEmpty()) {
            return Optional.of(Fact.of("why_not.offers_nothing").with("pin", pin.label()));
        }
        if (use.listens() && pin.can(Ability.Kind.INPUT_ONLY)) {
            return Optional.of(Fact.of("why_not.input_only").with("pin", pin.label()));
        }
        return can(asking.get(), use, pin)
                ? Optional.empty()
                : Optional.of(Fact.of("why_not." + need(use)).with("pin", pin.label()));
    }

    private static boolean can(Placed asking, PinUse use, Pin pin) {
        Optional<BusLine> line = use.sharedLine();
        if (line.isPresent()) {
            return pin.can(line.get().bus(), line.get().line());
        }
        return switch (use) {
            case PWM -> pin.can(Ability.Kind.PWM);
            case ANALOG -> pin.can(Ability.Kind.ADC);
            case UART_TX -> pin.can(Ability.Kind.UART, "rx") || pin.can(Ability.Kind.DIGITAL);
            case UART_RX -> pin.can(Ability.Kind.UART, "tx") || pin.can(Ability.Kind.DIGITAL);
            default -> pin.can(Ability.Kind.DIGITAL);
        };
    }

    private static String need(PinUse use) {
        return switch (use) {
            case PWM -> "needs_pwm";
            case ANALOG -> "needs_adc";
            case SPI_SCK, SPI_MOSI, SPI_MISO -> "needs_spi";
            case I2C_SDA, I2C_SCL -> "needs_i2c";
            default -> "needs_digital";
        };
    }

    /** Every pin of the node that the signal may go to, in physical order, the board's first. */
    public static Stream<Endpoint> legal(NodeCircuit node, Endpoint signal) {
        return node.parts().stream()
                .flatMap(placed -> placed.cls().offers().map(placed::endpoint))
                .filter(target -> whyNot(node, signal, target).isEmpty());
    }
}
