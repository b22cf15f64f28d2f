package inkel.core.tune.servo;

import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.PwmNeed;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.formula.DriverTicks;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Share;
import java.util.Optional;

/**
 * How a servo is driven.
 *
 * @param servo the servo with its class
 * @param need what its class says of pulses
 * @param frequency how often a pulse comes, as the drive says of itself
 * @param driver whether a 12-bit driver of many channels makes the pulses; else the board does
 * @param off how far that frequency may be off, where nobody measured it
 */
public record ServoRig(Placed servo, PwmNeed need, Frequency frequency, boolean driver, Share off) {
    /** The driver's oscillator as its class has it, and how good it is unless it was measured. */
    private static final Frequency OSCILLATOR = Frequency.ofHertz(25e6);

    private static final Share OSCILLATOR_OFF = Share.ofPercent(3);

    private static final double BEYOND = 200e-6;

    /** Usual code for boards sets pulses in whole microseconds. */
    private static final double BOARD_STEP = 1e-6;

    /** Empty for a part that wants no pulses. */
    public static Optional<ServoRig> of(NodeCircuit node, Placed servo) {
        return servo.cls().pwm().map(need -> {
            boolean isDriven = signal(servo)
                    .flatMap(node::wire)
                    .map(Wire::to)
                    .filter(to -> !to.part().equals(node.board().id()))
                    .isPresent();
            Frequency made =
                    isDriven ? DriverTicks.of(OSCILLATOR, need.frequency()).actual() : need.frequency();
            return new ServoRig(servo, need, made, isDriven, isDriven ? OSCILLATOR_OFF : Share.ofPercent(0));
        });
    }

    private static Optional<Endpoint> signal(Placed servo) {
        return servo.cls().pins().stream()
                .filter(pin -> pin.use() == PinUse.PWM)
                .map((Pin pin) -> servo.endpoint(pin))
                .findFirst();
    }

    /** The shortest pulse that its class allows, in seconds. */
    public double shortest() {
        return need.pulse().lowest().seconds();
    }

    public double longest() {
        return need.pulse().highest().seconds();
    }

    /** The shortest pulse that is ever commanded: pieces differ from their class, though not by more than that. */
    public double least() {
        return shortest() - BEYOND;
    }

    public double most() {
        return longest() + BEYOND;
    }

    public double middle() {
        return need.pulse().expected().seconds();
    }

    /** The least by which a pulse can be changed, in seconds. */
    public double step() {
        return driver ? 1 / (frequency.hertz() * DriverTicks.COUNTS) : BOARD_STEP;
    }

    /** The nearest pulse that can be commanded. */
    public double nearest(double pulse) {
        return Math.rint(pulse / step()) * step();
    }

    /** What a driver is told; empty where the board makes the pulses. */
    public Optional<Long> ticks(double pulse) {
        return driver ? Optional.of(Math.round(pulse / step())) : Optional.empty();
    }

    /** The share of the time that the pulse is high. */
    public double duty(double pulse) {
        return pulse * frequency.hertz();
    }
}
