package inkel.core.calc;

import inkel.core.formula.EchoDistance;
import inkel.core.quantity.Temperature;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** How far something is by its echo; see {@link EchoDistance}. */
final class DistanceCalc implements Calculation {
    /** Below that the line for the speed of sound has nothing to do with air any more. */
    private static final double COLDEST = -100;

    private static final double HOTTEST = 200;

    @Override
    public String name() {
        return "distance";
    }

    @Override
    public List<String> keys() {
        return List.of("echo_s", "temperature_c");
    }

    @Override
    public String example() {
        return "echo_s=5.8ms temperature_c=20";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        double echo = arguments.notNegative("echo_s", Unit.SECOND);
        double celsius = arguments.value("temperature_c", Unit.CELSIUS);
        if (celsius < COLDEST || celsius > HOTTEST) {
            throw arguments.impossible("temperature_c");
        }
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put(
                "distance_m",
                EchoDistance.of(TimeSpan.ofSeconds(echo), Temperature.ofCelsius(celsius))
                        .metres());
        return answer;
    }
}
