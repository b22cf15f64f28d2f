package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;

/** What it costs the rest of the build when a signal takes a pin: abilities wasted, and habits of the pin. */
final class PinCost {
    /** A strap pin can keep the board from starting. */
    private static final int STRAP = 20;

    /** The board's own lamp loads the wire and blinks. */
    private static final int LED = 6;

    private PinCost() {}

    static int of(Pin pin, PinUse use) {
        int cost = 0;
        for (Ability ability : pin.can()) {
            cost += switch (ability.kind()) {
                case STRAP -> STRAP;
                case LED -> use.sharedLine().isPresent() ? 0 : LED;
                case PWM -> use == PinUse.PWM ? 0 : 3;
                case ADC -> use == PinUse.ANALOG ? 0 : 2;
                case INTERRUPT -> use == PinUse.INTERRUPT ? 0 : 2;
                case SPI, I2C, UART -> isUsed(ability, use) ? 0 : 1;
                default -> 0;
            };
        }
        boolean isMissingInterrupt = use == PinUse.INTERRUPT && !pin.can(Ability.Kind.INTERRUPT);
        return cost + (isMissingInterrupt ? 4 : 0);
    }

    private static boolean isUsed(Ability ability, PinUse use) {
        return switch (use) {
            case UART_TX, UART_RX -> ability.kind() == Ability.Kind.UART;
            default ->
                use.sharedLine().filter(line -> line.bus() == ability.kind()).isPresent();
        };
    }
}
