package inkel.core.bench;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.OtherLeg;
import inkel.core.circuit.Placed;
import inkel.core.circuit.ResistiveSensor;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/** What a pin does to its wire. */
public enum Drives {
    /** Nothing: an input, an open drain that is let go, an output that is off. */
    NOTHING,
    LOW,
    HIGH,
    /** Something that its class does not tell: its wire cannot be foretold. */
    SOMETHING;

    private static final Set<WakeCheck.Deed> CLOSES = EnumSet.of(WakeCheck.Deed.PRESSED, WakeCheck.Deed.MAGNET);

    /** What a pin does after power came up, before any program of the builder's asks something of it. */
    static Drives atRest(Placed placed, Pin pin) {
        Optional<Boolean> idle = placed.cls().handling().checks().stream()
                .filter(WakeCheck.Idle.class::isInstance)
                .map(WakeCheck.Idle.class::cast)
                .filter(check -> check.pin().equals(pin.label()))
                .map(WakeCheck.Idle::isHigh)
                .findFirst();
        boolean isOpen = placed.cls().io(pin).filter(IoFamily::openDrain).isPresent() || isOpenContact(placed, pin);
        if (pin.contact().isPresent()) {
            return pin.contact().get().isClosed(false) ? LOW : NOTHING;
        }
        if (placed.part().isBoard() || pin.use().isTwoWay()) {
            return NOTHING;
        }
        if (idle.isPresent()) {
            return idle.get() ? isOpen ? NOTHING : HIGH : LOW;
        }
        boolean isResistance = ResistiveSensor.ohms(placed.cls(), pin).isPresent();
        return isTold(placed, pin) || isResistance ? NOTHING : atRest(pin.use(), isOpen);
    }

    /** A bare contact that closes only while somebody does something to it. */
    private static boolean isOpenContact(Placed placed, Pin pin) {
        boolean isContact = pin.use() == PinUse.OUTPUT
                && (OtherLeg.isOnSupply(placed.cls())
                        || OtherLeg.of(placed.cls()).isPresent());
        return isContact
                && placed.cls().handling().checks().stream()
                        .anyMatch(check -> check instanceof WakeCheck.Moves moves
                                && moves.pin().equals(pin.label())
                                && CLOSES.contains(moves.when()));
    }

    /** Whether its class tells the volts that it gives, which are elements of their own. */
    private static boolean isTold(Placed placed, Pin pin) {
        return placed.cls().handling().checks().stream()
                .anyMatch(check -> (check instanceof WakeCheck.Rests || check instanceof WakeCheck.Volts)
                        && check.pins().contains(pin.label()));
    }

    private static Drives atRest(PinUse use, boolean isOpen) {
        return switch (use) {
            // A serial line that nobody talks on is high.
            case UART_TX -> isOpen ? NOTHING : HIGH;
            case OUTPUT, INTERRUPT -> isOpen ? NOTHING : SOMETHING;
            case SPI_MISO, ANALOG, WAY_OUT, OFFER -> SOMETHING;
            default -> NOTHING;
        };
    }
}
