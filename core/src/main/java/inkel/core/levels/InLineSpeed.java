package inkel.core.levels;

import inkel.core.catalog.PinUse;
import inkel.core.catalog.PwmNeed;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.formula.RcRise;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.TimeSpan;
import java.util.List;
import java.util.Optional;

/**
 * How slowly a wire rises through what stands in it: 2.2·R·C, and for an optocoupler what its transistor needs to let go.
 *
 * @param through what the wire is charged through; absent for an optocoupler
 * @param onto the wire with its pins, and the capacitor to ground
 * @param allowed three tenths of a bit of what is clocked, a tenth of the shortest pulse of what is timed
 */
public record InLineSpeed(
        NodeCircuit node,
        Between between,
        Optional<Resistance> through,
        Capacitance onto,
        TimeSpan rise,
        TimeSpan allowed) {
    /** A plain phototransistor with a pull-up of some kilohms; class figure. */
    private static final TimeSpan OPTO = TimeSpan.ofSeconds(20e-6);

    private static final double SHARE_OF_PULSE = 0.1;

    static List<InLineSpeed> of(NodeCircuit node) {
        return node.node().between().stream()
                .flatMap(between -> of(node, between).stream())
                .toList();
    }

    private static Optional<InLineSpeed> of(NodeCircuit node, Between between) {
        Optional<TimeSpan> allowed = allowed(node, between);
        Optional<Resistance> through = through(between);
        boolean isOpto = between instanceof Between.Opto;
        if (allowed.isEmpty() || through.isEmpty() && !isOpto) {
            return Optional.empty();
        }
        Capacitance onto = Capacitance.ofFarads(WireSpeed.CAPACITANCE.farads()
                + between.capacitor().map(Capacitance::farads).orElse(0.0));
        TimeSpan rise = through.map(ohms -> RcRise.of(ohms, onto)).orElse(OPTO);
        return Optional.of(new InLineSpeed(node, between, through, onto, rise, allowed.get()));
    }

    private static Optional<Resistance> through(Between between) {
        if (between instanceof Between.Divider divider) {
            return Optional.of(divider.source());
        }
        if (between instanceof Between.Series series) {
            return Optional.of(series.resistance());
        }
        return between instanceof Between.Diode diode ? Optional.of(diode.pullUp()) : Optional.empty();
    }

    private static Optional<TimeSpan> allowed(NodeCircuit node, Between between) {
        Optional<TimeSpan> bit = WireSpeed.of(node, between.signal()).map(speed -> RcRise.allowed(speed.clock()));
        return bit.isPresent()
                ? bit
                : node.pin(between.signal())
                        .filter(pin -> pin.use() == PinUse.PWM)
                        .flatMap(pin -> node.part(between.signal().part()))
                        .map(Placed::cls)
                        .flatMap(cls -> cls.pwm())
                        .map(InLineSpeed::shortestPulse)
                        .map(pulse -> TimeSpan.ofSeconds(pulse.seconds() * SHARE_OF_PULSE));
    }

    /** The least pulse that it must tell apart; where that is none, as for brightness, a usual one. */
    private static TimeSpan shortestPulse(PwmNeed need) {
        return need.pulse().lowest().seconds() > 0
                ? need.pulse().lowest()
                : need.pulse().expected();
    }

    public boolean isSlow() {
        return Quantity.exceeds(rise, allowed);
    }
}
