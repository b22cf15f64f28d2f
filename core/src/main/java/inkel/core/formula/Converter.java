package inkel.core.formula;

import inkel.core.quantity.Voltage;

/**
 * A converter of {@code bits} bits over a reference: {@code LSB = V_ref / 2^n}, and both ways
 * {@code volts = code·LSB}.
 */
public record Converter(Voltage reference, int bits) {
    public static final int MOST_BITS = 24;

    public Voltage step() {
        return reference.times(1.0 / codes());
    }

    /** How many codes there are; the highest is one less. */
    public long codes() {
        return 1L << bits;
    }

    /** What a code stands for. */
    public Voltage volts(long code) {
        return step().times(code);
    }

    /** What a converter reads at a voltage: the code whose step it lies in, held inside the codes there are. */
    public long reads(Voltage volts) {
        return hold((long) Math.floor(volts.volts() / step().volts() + 1e-9));
    }

    /** What has to be written to come nearest to a voltage, held inside the codes there are. */
    public long writes(Voltage volts) {
        return hold(Math.round(volts.volts() / step().volts()));
    }

    private long hold(long code) {
        return Math.max(0, Math.min(codes() - 1, code));
    }
}
