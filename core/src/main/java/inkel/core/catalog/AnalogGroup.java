package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Threshold;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * A converter and the pins that share it.
 *
 * @param unit the number that {@code adc} abilities carry
 * @param bits the width of a code
 * @param fullScale the voltage just above the highest code; may hang on the supply of its pins
 * @param rate conversions a second, all its channels together
 * @param sourceMax the largest resistance of what is measured that it still reads right
 * @param ranges other voltages that the program can set it to have just above its highest code; empty for most
 * @param offWhile what keeps it from converting while it runs, such as {@code wireless}; absent for most
 */
public record AnalogGroup(
        int unit,
        int bits,
        Threshold fullScale,
        Frequency rate,
        Resistance sourceMax,
        List<Voltage> ranges,
        Optional<String> offWhile) {
    public AnalogGroup {
        ranges = List.copyOf(ranges);
    }
}
