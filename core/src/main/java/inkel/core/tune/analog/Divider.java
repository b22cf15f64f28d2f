package inkel.core.tune.analog;

/**
 * A thermistor and a resistor that share the volts of their supply; the signal is what lies between them.
 *
 * @param resistor in ohms, above zero
 * @param atGround whether the thermistor is the one at ground; else it is at the supply
 */
public record Divider(double resistor, boolean atGround) {
    /**
     * What the thermistor has.
     *
     * @param share the signal as a share of the supply, above 0 and below 1
     */
    public double ohms(double share) {
        return resistor * (atGround ? share / (1 - share) : (1 - share) / share);
    }
}
