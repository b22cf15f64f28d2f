package inkel.core.levels;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Pull;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.formula.RcRise;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Optional;

/**
 * A wire through a transistor shifter: its rise is that of a pull-up and the wire's capacitance, 2.2·R·C, and must stay
 * under three tenths of a bit.
 *
 * @param pull the shifter's pull-up on the side that listens
 * @param speed how fast the wire is clocked
 */
public record ShifterSpeed(
        NodeCircuit node, Between.ShifterWay way, PinUse use, Resistance pull, Frequency speed, Source speedSource) {
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
        if (shifter.isEmpty() || use.isEmpty()) {
            return Optional.empty();
        }
        Optional<Resistance> pull = weakest(node, shifter.get(), way.way());
        Optional<WireSpeed> speed = WireSpeed.of(node, way.signal());
        return pull.flatMap(ohms ->
                speed.map(known -> new ShifterSpeed(node, way, use.get(), ohms, known.clock(), known.source())));
    }

    private static Optional<Resistance> weakest(NodeCircuit node, Placed shifter, int way) {
        Resistance weakest = null;
        for (Pin pin : node.ways(shifter).pins(way)) {
            for (Pull pull : shifter.cls().pulls()) {
                if (pull.pin().equals(pin.label())) {
                    weakest = weakest == null ? pull.resistance() : Quantity.larger(weakest, pull.resistance());
                }
            }
        }
        return Optional.ofNullable(weakest);
    }

    public boolean isSpi() {
        return WireSpeed.isSpi(use);
    }

    public Capacitance capacitance() {
        return WireSpeed.CAPACITANCE;
    }

    public TimeSpan rise() {
        return WireSpeed.rise(pull);
    }

    /** Three tenths of a bit at the wire's speed. */
    public TimeSpan allowed() {
        return RcRise.allowed(speed);
    }

    public boolean isSlow() {
        return Quantity.exceeds(rise(), allowed());
    }

    /** The fastest that the wire can be clocked through the shifter. */
    public Frequency most() {
        return RcRise.fastest(rise());
    }

    /** The clock to choose on the board; empty when it cannot go that slow. */
    public Optional<Frequency> suitableSpi() {
        return WireSpeed.slower(node, most());
    }
}
