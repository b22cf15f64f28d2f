package inkel.core.pins;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Pull;
import inkel.core.circuit.Drive;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.PullUp;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.formula.LevelCheck;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.Optional;

/** What the levels of a signal and a pin will be said to be, as far as that hangs on which pin it is. */
final class PinLevels {
    private PinLevels() {}

    /** Whether a wire straight from the signal to the pin is one to stop for: it harms, is not read, or leaves a lamp dark. */
    static boolean isTrouble(NodeCircuit node, Placed asking, Pin wanted, Endpoint target) {
        Endpoint signal = asking.endpoint(wanted);
        boolean bringsPull =
                asking.cls().pulls().stream().anyMatch(pull -> pull.pin().equals(wanted.label()));
        // Two-way data wants its resistor wherever it goes, so that is no matter of the pin.
        if (wanted.use() != PinUse.DATA
                && !bringsPull
                && OnlyLow.wantsResistor(asking, wanted, node.pin(target).orElseThrow())) {
            return true;
        }
        if (staysDark(node, asking, wanted, target)) {
            return true;
        }
        boolean isMatched = node.between(signal).filter(Between::changesLevels).isPresent();
        if (isMatched || node.isOneRail(signal, target)) {
            return false;
        }
        PinUse use = wanted.use();
        if (use.isTwoWay()) {
            return isPulledTooHigh(node, asking, wanted, target);
        }
        return use.drives() && use != PinUse.ANALOG && isTrouble(node, signal, target)
                || use.listens() && use != PinUse.BIAS && isTrouble(node, target, signal);
    }

    /** Whether the pin gives next to nothing to a lamp that hangs between it and ground. */
    private static boolean staysDark(NodeCircuit node, Placed asking, Pin wanted, Endpoint target) {
        return asking.cls().demands().pinLoads().stream()
                .filter(load -> load.pin().equals(wanted.label()) && load.from().isEmpty())
                .anyMatch(load -> node.io(target)
                        .flatMap(IoFamily::sourceCurrent)
                        .filter(load::staysDark)
                        .isPresent());
    }

    private static boolean isTrouble(NodeCircuit node, Endpoint driver, Endpoint receiver) {
        Optional<IoFamily> says = node.io(driver);
        Optional<IoFamily> hears = node.io(receiver);
        Optional<Range<Voltage>> saysAt = node.ioVolts(driver);
        Optional<Range<Voltage>> hearsAt = node.ioVolts(receiver);
        if (says.isEmpty() || hears.isEmpty() || saysAt.isEmpty() || hearsAt.isEmpty()) {
            return false;
        }
        return Drive.isTrouble(says.get(), saysAt.get(), hears.get(), hearsAt.get(), false);
    }

    /**
     * Whether a pull-up of the part at the signal lifts a pin so far above what that survives that its clamp carries it. One
     * rail has one voltage at a time.
     */
    private static boolean isPulledTooHigh(NodeCircuit node, Placed asking, Pin wanted, Endpoint target) {
        Optional<IoFamily> bears = node.io(target);
        Optional<Rail> own = node.ioRail(target);
        Optional<Range<Voltage>> at = node.ioVolts(target);
        if (bears.isEmpty() || at.isEmpty()) {
            return false;
        }
        Voltage most = bears.get().absoluteMax().at(at.get().expected()).plus(LevelCheck.CLAMPED);
        for (Pull pull : asking.cls().pulls()) {
            if (!pull.pin().equals(wanted.label())) {
                continue;
            }
            Optional<PullUp> made = PullUp.of(node, asking, pull);
            boolean isOneRail = made.flatMap(PullUp::rail).equals(own.map(Rail::id)) && own.isPresent();
            if (!isOneRail
                    && made.filter(up -> up.volts().expected().isAbove(most)).isPresent()) {
                return true;
            }
        }
        return false;
    }

    /** Whether the pull-ups that one part brings to a bus lift the pins of another above what these survive. */
    static boolean pullsTooHigh(NodeCircuit node, Placed one, Placed other) {
        return one.cls().signals().filter(pin -> pin.use() == PinUse.I2C_SDA).anyMatch(pin -> other.cls()
                .signals()
                .filter(listening -> listening.use() == PinUse.I2C_SDA)
                .map(other::endpoint)
                .anyMatch(end -> isPulledTooHigh(node, one, pin, end)));
    }
}
