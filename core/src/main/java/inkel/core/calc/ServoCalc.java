package inkel.core.calc;

import inkel.core.formula.DriverTicks;
import inkel.core.formula.PolyLine;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The pulse for an angle, on the line through both ends; as a share of the time and in the counts of a 12-bit driver. */
final class ServoCalc implements Calculation {
    private static final double MICRO = 1e-6;

    @Override
    public String name() {
        return "servo";
    }

    @Override
    public List<String> keys() {
        return List.of("min_us", "max_us", "min_angle", "max_angle", "angle", "f");
    }

    @Override
    public String example() {
        return "min_us=560 max_us=2380 min_angle=0 max_angle=180 angle=90 f=50";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        double least = arguments.positive("min_us", Unit.ONE);
        double most = arguments.positive("max_us", Unit.ONE);
        double from = arguments.value("min_angle", Unit.ONE);
        double to = arguments.value("max_angle", Unit.ONE);
        double angle = arguments.value("angle", Unit.ONE);
        double hertz = arguments.positive("f", Unit.HERTZ);
        if (from >= to) {
            throw arguments.impossible("max_angle");
        } else if (angle < from || angle > to) {
            throw arguments.impossible("angle");
        }
        PolyLine line = new PolyLine(List.of(new PolyLine.Corner(from, least), new PolyLine.Corner(to, most)), false);
        double pulse = line.at(angle) * MICRO;
        if (pulse * hertz > 1) {
            throw arguments.impossible("f");
        }
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("pulse_s", pulse);
        answer.put("duty_percent", 100 * pulse * hertz);
        answer.put("ticks", Math.round(pulse * hertz * DriverTicks.COUNTS));
        return answer;
    }
}
