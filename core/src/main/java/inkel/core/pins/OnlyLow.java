package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.OtherLeg;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullDown;
import inkel.core.circuit.PullUp;
import inkel.core.circuit.ResistiveSensor;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.formula.HalfBridge;
import inkel.core.quantity.Resistance;
import java.util.Optional;

/** Signals that pull their wire low or let it go: contacts, open drains, one wire for both ways. */
public final class OnlyLow {
    /** From here up of its supply a pin reads a high: the input level of the I2C-bus specification, and of most logic. */
    private static final double HIGH_SHARE = 0.7;

    private OnlyLow() {}

    /** Whether a signal does. */
    public static boolean pulls(NodeCircuit node, Endpoint signal) {
        return node.part(signal.part())
                .flatMap(placed -> placed.cls().pin(signal.pin()).map(pin -> pulls(placed, pin)))
                .orElse(false);
    }

    static boolean pulls(Placed placed, Pin pin) {
        if (!mayOnlyPull(pin.use())) {
            return false;
        }
        Optional<IoFamily> family = placed.cls().io(pin);
        return family.isEmpty() || family.get().openDrain();
    }

    /** Whether nothing makes the high of a wire: no resistor, and none in the pin that would do, or one down to ground is stronger. */
    public static boolean isUnpulled(NodeCircuit node, Wire wire) {
        // The cheap questions first: this is asked for every wire at every edit.
        Pin wanted = node.pin(wire.from()).orElse(null);
        if (wanted != null && wanted.use() == PinUse.ANALOG) {
            boolean isRead = node.pin(wire.to())
                    .filter(target -> target.can(Ability.Kind.ADC))
                    .isPresent();
            return isRead
                    && ResistiveSensor.ohms(node, wire.from()).isPresent()
                    && !OtherLeg.isOnSupply(node, wire.from().part())
                    && PullUp.beside(node, wire).isEmpty();
        }
        if (wanted == null || !mayOnlyPull(wanted.use())) {
            return false;
        }
        Pin target = node.pin(wire.to()).orElse(null);
        Placed asking = node.part(wire.from().part()).orElse(null);
        if (target == null || asking == null) {
            return false;
        }
        return pulls(asking, wanted) && isHeldDown(node, wire.to())
                || wantsResistor(asking, wanted, target) && isWithoutResistor(node, wire);
    }

    private static boolean isWithoutResistor(NodeCircuit node, Wire wire) {
        Between between = node.between(wire.from()).orElse(null);
        return !(between instanceof Between.Diode || between instanceof Between.Opto)
                && PullUp.on(node, wire.to()).findAny().isEmpty();
    }

    /** Whether a resistor down to ground leaves less of the supply than is read as a high; the one inside a pin is weaker than any. */
    private static boolean isHeldDown(NodeCircuit node, Endpoint target) {
        Optional<Resistance> down = PullDown.on(node, target);
        Optional<Resistance> up = down.isEmpty()
                ? Optional.empty()
                : PullUp.on(node, target)
                        .map(soldered -> soldered.pull().resistance())
                        .reduce(Resistance::parallelTo);
        return down.isPresent()
                && up.map(above -> HalfBridge.share(down.get(), above) < HIGH_SHARE)
                        .orElse(true);
    }

    /** Whether only the resistor inside the pin of the board makes the high of a wire, which a program has to switch on. */
    public static boolean isPulledInside(NodeCircuit node, Wire wire) {
        Between between = node.between(wire.from()).orElse(null);
        boolean isStraight = between == null || between instanceof Between.Series || between instanceof Between.Nothing;
        return isStraight
                && node.pin(wire.from()).filter(pin -> pin.use() != PinUse.DATA).isPresent()
                && node.pin(wire.to())
                        .filter(target -> !target.can(Ability.Kind.NO_PULL))
                        .isPresent()
                && pulls(node, wire.from())
                && PullUp.on(node, wire.to()).findAny().isEmpty();
    }

    private static boolean mayOnlyPull(PinUse use) {
        return use == PinUse.OUTPUT || use == PinUse.INTERRUPT || use == PinUse.DATA;
    }

    /** Whether a signal wants a resistor at a pin: one inside the board is too weak for a wire with two talkers, or not there. */
    static boolean wantsResistor(Placed asking, Pin wanted, Pin target) {
        return pulls(asking, wanted) && (wanted.use() == PinUse.DATA || target.can(Ability.Kind.NO_PULL));
    }
}
