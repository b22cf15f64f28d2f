package inkel.core.calc;

import inkel.core.formula.SteinhartHart;
import inkel.core.formula.SteinhartHart.Known;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The temperature of a thermistor by three of its points; see {@link SteinhartHart}. */
final class SteinhartCalc implements Calculation {
    private static final double ABSOLUTE_ZERO = -273.15;

    @Override
    public String name() {
        return "steinhart";
    }

    @Override
    public List<String> keys() {
        return List.of("r1", "t1", "r2", "t2", "r3", "t3", "r");
    }

    @Override
    public String example() {
        return "r1=32.6k t1=0 r2=10k t2=25 r3=3.6k t3=50 r=12k";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        SteinhartHart curve = SteinhartHart.through(known(arguments, 1), known(arguments, 2), known(arguments, 3));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("temperature_c", curve.at(arguments.positive("r", Unit.OHM)).celsius());
        answer.put("a", curve.a());
        answer.put("b", curve.b());
        answer.put("c", curve.c());
        return answer;
    }

    private static Known known(Arguments arguments, int number) throws CalcRefused {
        double celsius = arguments.value("t" + number, Unit.CELSIUS);
        if (celsius <= ABSOLUTE_ZERO) {
            throw arguments.impossible("t" + number);
        }
        return new Known(arguments.positive("r" + number, Unit.OHM), celsius);
    }
}
