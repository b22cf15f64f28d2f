package inkel.core.calc;

import inkel.core.formula.Converter;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToLongBiFunction;

/**
 * A converter in either direction: the code of a voltage, or the volts of a code.
 *
 * @param name {@code adc} or {@code dac}
 * @param codeOf how a voltage becomes a code: one reads the step it lies in, the other writes the nearest
 */
record ConverterCalc(String name, ToLongBiFunction<Converter, Voltage> codeOf) implements Calculation {
    static final ConverterCalc ADC = new ConverterCalc("adc", Converter::reads);
    static final ConverterCalc DAC = new ConverterCalc("dac", Converter::writes);

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
        Converter converter = new Converter(
                Voltage.ofVolts(arguments.positive("vref", Unit.VOLT)),
                arguments.whole("bits", 1, Converter.MOST_BITS));
        Optional<Double> volts = arguments.optional("volts", Unit.VOLT);
        Map<String, Object> answer = new LinkedHashMap<>();
        if (volts.isPresent()) {
            double asked = volts.get();
            if (asked < 0 || asked > converter.reference().volts()) {
                throw arguments.impossible("volts");
            }
            answer.put("code", codeOf.applyAsLong(converter, Voltage.ofVolts(asked)));
        } else {
            long code = arguments.whole("code", 0, (int) converter.codes() - 1);
            answer.put("volts", converter.volts(code).volts());
        }
        answer.put("lsb_v", converter.step().volts());
        return answer;
    }
}
