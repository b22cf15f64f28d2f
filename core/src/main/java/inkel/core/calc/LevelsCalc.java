package inkel.core.calc;

import inkel.core.formula.LevelCheck;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** One driver against one receiver. */
final class LevelsCalc implements Calculation {
    @Override
    public String name() {
        return "levels";
    }

    @Override
    public List<String> keys() {
        return List.of("voh_min", "voh_max?", "vol_max", "vih", "vil", "abs_max", "supply", "recommended_max?");
    }

    @Override
    public String example() {
        return "voh_min=3.1V vol_max=0.2V vih=3.0V vil=1.5V abs_max=5.5V supply=5V";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        Optional<Voltage> recommended =
                arguments.optional("recommended_max", Unit.VOLT).map(Voltage::ofVolts);
        Voltage high = volts(arguments, "voh_min");
        LevelCheck check = new LevelCheck(
                high,
                arguments.optional("voh_max", Unit.VOLT).map(Voltage::ofVolts).orElse(high),
                volts(arguments, "vol_max"),
                volts(arguments, "vih"),
                volts(arguments, "vil"),
                volts(arguments, "abs_max"),
                recommended,
                Voltage.ofVolts(arguments.positive("supply", Unit.VOLT)));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("high_margin_v", check.highMargin().volts());
        answer.put("low_margin_v", check.lowMargin().volts());
        answer.put("headroom_v", check.headroom().volts());
        answer.put("verdict", check.verdict().text());
        return answer;
    }

    private static Voltage volts(Arguments arguments, String key) throws CalcRefused {
        return Voltage.ofVolts(arguments.value(key, Unit.VOLT));
    }
}
