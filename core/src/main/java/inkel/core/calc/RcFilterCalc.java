package inkel.core.calc;

import inkel.core.formula.PwmFilter;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What a resistor and a capacitor, once or twice, make of pulses; see {@link PwmFilter}. */
final class RcFilterCalc implements Calculation {
    @Override
    public String name() {
        return "rc-filter";
    }

    @Override
    public List<String> keys() {
        return List.of("r", "c", "f", "duty", "v", "stages?");
    }

    @Override
    public String example() {
        return "r=4k7 c=10u f=490 duty=50% v=5V stages=1";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        double tau = arguments.positive("r", Unit.OHM) * arguments.positive("c", Unit.FARAD);
        double hertz = arguments.positive("f", Unit.HERTZ);
        double duty = arguments.notNegative("duty", Unit.ONE);
        if (duty > 1) {
            throw arguments.impossible("duty");
        }
        PwmFilter filter = new PwmFilter(tau, arguments.whole("stages", 1, 2, 1));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("cutoff_hz", filter.cutOff());
        answer.put("ripple_v", filter.ripple(arguments.notNegative("v", Unit.VOLT), 1 / hertz, duty));
        answer.put("settle_s", filter.settles());
        return answer;
    }
}
