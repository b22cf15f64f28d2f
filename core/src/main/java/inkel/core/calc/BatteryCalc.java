package inkel.core.calc;

import inkel.core.formula.BatteryHours;
import inkel.core.quantity.Charge;
import inkel.core.quantity.Current;
import inkel.core.quantity.Share;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** How long a battery lasts: usable share · capacity / average current. */
final class BatteryCalc implements Calculation {
    @Override
    public String name() {
        return "battery";
    }

    @Override
    public List<String> keys() {
        return List.of("capacity_ah", "usable", "average_a");
    }

    @Override
    public String example() {
        return "capacity_ah=2 usable=0.8 average_a=120mA";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        Charge capacity = Charge.ofAmpereHours(arguments.positive("capacity_ah", Unit.AMPERE_HOUR));
        double usable = arguments.positive("usable", Unit.ONE);
        if (usable > 1) {
            throw arguments.impossible("usable");
        }
        Current average = Current.ofAmperes(arguments.positive("average_a", Unit.AMPERE));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put(
                "hours",
                BatteryHours.of(capacity, Share.of(usable), average)
                        .orElseThrow(() -> arguments.impossible("average_a")));
        return answer;
    }
}
