package inkel.core.formula;

import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Current;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Voltage;

/**
 * How strong a bus pull-up must and may be (I2C-bus specification, pull-up resistor sizing): at least
 * {@code (V_DD − V_OL) / I_OL}, so that a device can still pull low, and at most {@code t_r / (0.8473·C_b)}, so that
 * the wire rises from 30 % to 70 % in time.
 */
public final class I2cPullup {
    /** The low level at which the sink current is specified. */
    public static final Voltage LOW = Voltage.ofVolts(0.4);

    /** ln(0.7 / 0.3): how many time constants a rise from 30 % to 70 % takes. */
    private static final double RISE_IN_TIME_CONSTANTS = 0.8473;

    private I2cPullup() {}

    /** Speeds of the bus with the rise time and sink current laid down for each. */
    public enum Mode {
        STANDARD(1000e-9, 0.003),
        FAST(300e-9, 0.003),
        FASTPLUS(120e-9, 0.020);

        private final TimeSpan rise;
        private final Current sink;

        Mode(double riseSeconds, double sinkAmperes) {
            rise = TimeSpan.ofSeconds(riseSeconds);
            sink = Current.ofAmperes(sinkAmperes);
        }

        public TimeSpan rise() {
            return rise;
        }

        public Current sink() {
            return sink;
        }
    }

    public static Resistance smallest(Voltage supply, Voltage low, Current sink) {
        return Resistance.ofOhms(supply.minus(low).volts() / sink.amperes());
    }

    /** How long a wire takes to rise from 30 % to 70 %. */
    public static TimeSpan rise(Resistance pull, Capacitance bus) {
        return TimeSpan.ofSeconds(RISE_IN_TIME_CONSTANTS * pull.ohms() * bus.farads());
    }

    public static Resistance largest(Mode mode, Capacitance bus) {
        return Resistance.ofOhms(mode.rise().seconds() / (RISE_IN_TIME_CONSTANTS * bus.farads()));
    }
}
