package inkel.core.calc;

import inkel.core.formula.DividerSearch;
import inkel.core.formula.DividerSearch.Pair;
import inkel.core.formula.ESeries;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Two resistors that bring a high down: V_out = V·R2/(R1 + R2), what the receiver sees looking back (R1∥R2), how long a
 * rise from 10 % to 90 % takes into a capacitance (2.2·(R1∥R2)·C), and what the driver has to give.
 */
final class DividerCalc implements Calculation {
    /** Time constants of a rise from 10 % to 90 %: ln 9. */
    private static final double RISE = 2.2;

    @Override
    public String name() {
        return "divider";
    }

    @Override
    public List<String> keys() {
        return List.of("vin_min?", "vin_max?", "vout_max?", "vih?", "series?", "source?", "c?", "r1?", "r2?", "vin?");
    }

    @Override
    public String example() {
        return "vin_min=4.4V vin_max=5.25V vout_max=3.6V vih=2.3V series=E12 c=50p";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        boolean isGiven = arguments.optional("r1", Unit.OHM).isPresent()
                || arguments.optional("r2", Unit.OHM).isPresent();
        return isGiven ? given(arguments) : searched(arguments);
    }

    private static Map<String, Object> given(Arguments arguments) throws CalcRefused {
        Pair pair = new Pair(
                Resistance.ofOhms(arguments.positive("r1", Unit.OHM)),
                Resistance.ofOhms(arguments.positive("r2", Unit.OHM)));
        Voltage in = Voltage.ofVolts(arguments.positive("vin", Unit.VOLT));
        return answer(pair, in, in, arguments.optional("c", Unit.FARAD));
    }

    private static Map<String, Object> searched(Arguments arguments) throws CalcRefused {
        Voltage inMin = Voltage.ofVolts(arguments.positive("vin_min", Unit.VOLT));
        Voltage inMax = Voltage.ofVolts(arguments.positive("vin_max", Unit.VOLT));
        Voltage outMax = Voltage.ofVolts(arguments.positive("vout_max", Unit.VOLT));
        Voltage vih = Voltage.ofVolts(arguments.positive("vih", Unit.VOLT));
        ESeries series = ESeries.valueOf(arguments.word("series", "E12", "E6", "E24", "E96"));
        double source = arguments.optional("source", Unit.OHM).orElse(1000.0);
        if (inMin.isAbove(inMax)) {
            throw arguments.impossible("vin_min");
        }
        if (source <= 0) {
            throw arguments.impossible("source");
        }
        Pair pair = DividerSearch.find(inMin, inMax, outMax, vih, series, Resistance.ofOhms(source))
                .orElseThrow(() -> arguments.impossible("vih"));
        return answer(pair, inMin, inMax, arguments.optional("c", Unit.FARAD));
    }

    private static Map<String, Object> answer(Pair pair, Voltage inMin, Voltage inMax, Optional<Double> farads) {
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("r1_ohm", pair.series().ohms());
        answer.put("r2_ohm", pair.toGround().ohms());
        answer.put("vout_min_v", pair.high(inMin).volts());
        answer.put("vout_max_v", pair.high(inMax).volts());
        answer.put("source_ohm", pair.source().ohms());
        farads.ifPresent(c -> answer.put("rise_s", RISE * pair.source().ohms() * c));
        answer.put(
                "current_a",
                inMax.volts() / (pair.series().ohms() + pair.toGround().ohms()));
        return answer;
    }
}
