package inkel.core.formula;

import inkel.core.quantity.Current;
import inkel.core.quantity.Power;
import inkel.core.quantity.Share;
import inkel.core.quantity.Temperature;
import inkel.core.quantity.Voltage;

/** What a regulator turns into heat, and how hot it gets by it. */
public final class RegulatorHeat {
    private RegulatorHeat() {}

    /** A linear one: P = (V_in − V_out)·I_out + V_in·I_q. */
    public static Power linear(Voltage in, Voltage out, Current load, Current own) {
        double across = Math.max(0, in.volts() - out.volts());
        return Power.ofWatts(across * load.amperes() + in.volts() * own.amperes());
    }

    /** A switching one: P = V_out·I_out·(1/η − 1) + V_in·I_q. */
    public static Power switching(Voltage in, Voltage out, Current load, Current own, Share efficiency) {
        return Power.ofWatts(out.volts() * load.amperes() * (1 / efficiency.ratio() - 1) + in.volts() * own.amperes());
    }

    /** T_j = T_a + θ_JA·P. */
    public static Temperature junction(Temperature ambient, double thetaCelsiusPerWatt, Power loss) {
        return Temperature.ofCelsius(ambient.celsius() + thetaCelsiusPerWatt * loss.watts());
    }

    /** The most a linear one can give before its junction is too hot; zero when its own current is too much. */
    public static Current mostLinear(
            Voltage in, Voltage out, Current own, Temperature ambient, double theta, Temperature junctionMax) {
        double allowedWatts = (junctionMax.celsius() - ambient.celsius()) / theta - in.volts() * own.amperes();
        double across = in.volts() - out.volts();
        return Current.ofAmperes(across <= 0 ? 0 : Math.max(0, allowedWatts / across));
    }
}
