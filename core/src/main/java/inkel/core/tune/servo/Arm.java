package inkel.core.tune.servo;

/**
 * What hangs on the arm of a servo.
 *
 * @param length from the shaft to where it hangs, in metres
 * @param mass in kilograms
 */
public record Arm(double length, double mass) {
    /** Standard gravity, in metres a second a second. */
    private static final double GRAVITY = 9.80665;

    /** The torque in newton metres with the arm level, where a load pulls most: {@code m·g·l}. */
    public double torque() {
        return mass * GRAVITY * length;
    }

    /** The same in newton centimetres, as sheets of servos have it. */
    public double newtonCentimetres() {
        return torque() * 100;
    }

    /** The same as servos are sold by, in kilograms at a centimetre. */
    public double kilogramCentimetres() {
        return mass * length * 100;
    }
}
