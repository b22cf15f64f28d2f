package inkel.core.calc;

import inkel.core.formula.I2cPullup;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/** How long a bus wire takes to rise from 30 % to 70 %, and which speeds of the bus that is quick enough for. */
final class I2cRiseCalc implements Calculation {
    @Override
    public String name() {
        return "i2c-rise";
    }

    @Override
    public List<String> keys() {
        return List.of("r", "cb");
    }

    @Override
    public String example() {
        return "r=4k7 cb=120p";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        Resistance pull = Resistance.ofOhms(arguments.positive("r", Unit.OHM));
        Capacitance bus = Capacitance.ofFarads(arguments.positive("cb", Unit.FARAD));
        TimeSpan rise = I2cPullup.rise(pull, bus);
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("rise_s", rise.seconds());
        answer.put(
                "fits",
                Stream.of(I2cPullup.Mode.values())
                        .filter(mode -> !Quantity.exceeds(rise, mode.rise()))
                        .map(mode -> mode.name().toLowerCase(Locale.ROOT))
                        .toList());
        return answer;
    }
}
