package inkel.core.calc;

import inkel.core.formula.ESeries;
import inkel.core.formula.SeriesResistor;
import inkel.core.quantity.Current;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The resistor for an LED: R = (V − V_f) / I, up to the next E12 value (IEC 60063), the current that flows then, and
 * what the resistor turns into heat; or the same for a resistor that is there.
 */
final class LedCalc implements Calculation {
    @Override
    public String name() {
        return "led";
    }

    @Override
    public List<String> keys() {
        return List.of("v", "vf", "i?", "series?", "r?");
    }

    @Override
    public String example() {
        return "v=5V vf=2.0V i=10mA";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        double supplyVolts = arguments.positive("v", Unit.VOLT);
        double forwardVolts = arguments.positive("vf", Unit.VOLT);
        Optional<Double> given = arguments.optionalPositive("r", Unit.OHM);
        ESeries series = ESeries.valueOf(arguments.word("series", "E12", "E6", "E24"));
        if (supplyVolts <= forwardVolts) {
            throw arguments.impossible("vf");
        }
        if (given.isPresent() && arguments.optional("i", Unit.AMPERE).isPresent()) {
            throw arguments.impossible("i");
        }
        Voltage across = SeriesResistor.across(Voltage.ofVolts(supplyVolts), Voltage.ofVolts(forwardVolts));
        Resistance resistor = given.isPresent()
                ? Resistance.ofOhms(given.get())
                : SeriesResistor.standard(across, Current.ofAmperes(arguments.positive("i", Unit.AMPERE)), series);
        double ohms = resistor.ohms();
        double amperes = SeriesResistor.current(across, resistor).amperes();
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("r_ohm", ohms);
        answer.put("i_a", amperes);
        answer.put("p_w", amperes * amperes * ohms);
        return answer;
    }
}
