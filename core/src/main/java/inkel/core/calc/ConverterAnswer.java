package inkel.core.calc;

import inkel.core.pins.Converter;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToLongBiFunction;

/** What both converters answer: volts of a code, or the code of a voltage. */
final class ConverterAnswer {
    private ConverterAnswer() {}

    /** @param codeOf how a voltage becomes a code */
    static Map<String, Object> of(Arguments arguments, ToLongBiFunction<Converter, Voltage> codeOf) throws CalcRefused {
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
