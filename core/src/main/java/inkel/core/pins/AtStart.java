package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.SpiNeed;
import inkel.core.catalog.Strap;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.OtherLeg;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullDown;
import inkel.core.circuit.PullUp;
import inkel.core.document.Wire;
import java.util.Optional;

/** What a part does to a pin that the board reads when power comes up. */
public enum AtStart {
    /** It holds the pin at the level at which the board does not start. */
    STOPS(3),
    /** It holds the pin at the level at which the board takes no new program. */
    KEEPS_OUT(1),
    /** A contact to ground: closed, it holds the pin at the level at which the board does not start. */
    WHILE_CLOSED(1),
    /** It holds the pin at a level that the class does not tell. */
    MAY(1);

    private final int warnings;

    AtStart(int warnings) {
        this.warnings = warnings;
    }

    private enum Held {
        HIGH,
        SOMEHOW,
        NOT
    }

    /** By how many warnings the planner keeps from it. */
    int warnings() {
        return warnings;
    }

    /** Empty where the pin is not read at the start, or the part lets go of it until the program runs. */
    public static Optional<AtStart> of(NodeCircuit node, Wire wire) {
        Pin pin = node.pin(wire.to()).orElse(null);
        if (pin == null || !pin.can(Ability.Kind.STRAP)) {
            return Optional.empty();
        }
        Optional<Placed> asking = node.part(wire.from().part());
        Optional<Pin> wanted = node.pin(wire.from());
        if (asking.isEmpty() || wanted.isEmpty()) {
            return Optional.empty();
        }
        Optional<AtStart> byPart = of(asking.get(), wanted.get().use(), pin);
        if (byPart.isPresent()) {
            return byPart;
        }
        return PullUp.beside(node, wire).isPresent()
                ? pulledUp(pin)
                : PullDown.beside(node, wire).isPresent() ? pulledDown(pin) : Optional.empty();
    }

    /** As {@link #of(NodeCircuit, Wire)}, for a pin that a signal might go to. */
    public static Optional<AtStart> of(Placed asking, PinUse use, Pin pin) {
        Optional<Strap> strap = Strap.of(pin);
        if (strap.isEmpty() || strap.get() == Strap.MILD) {
            return Optional.empty();
        }
        boolean closesToSupply = use == PinUse.OUTPUT && OtherLeg.isOnSupply(asking.cls());
        if (strap.get() == Strap.HIGH && closesToGround(asking, use) || strap.get() == Strap.LOW && closesToSupply) {
            return Optional.of(WHILE_CLOSED);
        } else if (closesToSupply) {
            return Optional.empty();
        }
        return switch (held(asking, use)) {
            case NOT -> Optional.empty();
            case SOMEHOW -> Optional.of(MAY);
            case HIGH -> pulledUp(pin);
        };
    }

    /** What a pull-up at a pin does. */
    public static Optional<AtStart> pulledUp(Pin pin) {
        return Strap.of(pin).flatMap(strap -> switch (strap) {
            case LOW -> Optional.of(STOPS);
            case LOW_TO_PROGRAM -> Optional.of(KEEPS_OUT);
            case UNKNOWN -> Optional.of(MAY);
            default -> Optional.empty();
        });
    }

    /** What a resistor to ground at a pin does. */
    public static Optional<AtStart> pulledDown(Pin pin) {
        return Strap.of(pin).flatMap(strap -> switch (strap) {
            case HIGH -> Optional.of(STOPS);
            case UNKNOWN -> Optional.of(MAY);
            default -> Optional.empty();
        });
    }

    private static Held held(Placed asking, PinUse use) {
        if (isPulledUp(asking, use)) {
            return Held.HIGH;
        }
        boolean isLetGo = use == PinUse.SPI_MISO
                && asking.cls().spi().filter(SpiNeed::releasesMiso).isPresent();
        return use.drives() && !isLetGo && !onlyPullsLow(asking, use) ? Held.SOMEHOW : Held.NOT;
    }

    private static boolean isPulledUp(Placed asking, PinUse use) {
        return asking.cls().pulls().stream().anyMatch(pull -> asking.cls()
                .pin(pull.pin())
                .filter(pin -> pin.use() == use)
                .isPresent());
    }

    /** The contacts of a matrix close to each other, and it has no ground. */
    private static boolean closesToGround(Placed asking, PinUse use) {
        boolean hasGround = asking.cls().pins().stream().anyMatch(pin -> pin.use() == PinUse.GROUND);
        return use == PinUse.OUTPUT && hasGround && onlyPullsLow(asking, use);
    }

    /** An open drain or a push button leaves the pin alone until something happens. */
    private static boolean onlyPullsLow(Placed asking, PinUse use) {
        return asking.cls()
                .signals()
                .filter(pin -> pin.use() == use)
                .allMatch(pin -> asking.cls().io(pin).map(IoFamily::openDrain).orElse(true));
    }
}
