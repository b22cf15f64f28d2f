package inkel.core.calc;

import inkel.core.pins.Converter;
import java.util.List;
import java.util.Map;

/** What a converter reads at a voltage, and what a code stands for. */
final class AdcCalc implements Calculation {
    @Override
    public String name() {
        return "adc";
    }

    @Override
    public List<String> keys() {
        return List.of("vref", "bits", "code?", "volts?");
    }

    @Override
    public String example() {
        return "vref=5V bits=10 volts=3.3V";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        return ConverterAnswer.of(arguments, Converter::reads);
    }
}
