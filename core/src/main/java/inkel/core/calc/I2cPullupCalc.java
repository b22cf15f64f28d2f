package inkel.core.calc;

import inkel.core.formula.I2cPullup;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Current;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The least and the most that a bus's pull-up may be. */
final class I2cPullupCalc implements Calculation {
    @Override
    public String name() {
        return "i2c-pullup";
    }

    @Override
    public List<String> keys() {
        return List.of("vdd", "mode?", "cb", "vol?", "iol?");
    }

    @Override
    public String example() {
        return "vdd=3V3 mode=fast cb=100p";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        Voltage supply = Voltage.ofVolts(arguments.positive("vdd", Unit.VOLT));
        I2cPullup.Mode mode = I2cPullup.Mode.valueOf(
                arguments.word("mode", "standard", "fast", "fastplus").toUpperCase(Locale.ROOT));
        Capacitance bus = Capacitance.ofFarads(arguments.positive("cb", Unit.FARAD));
        Voltage low = arguments.optional("vol", Unit.VOLT).map(Voltage::ofVolts).orElse(I2cPullup.LOW);
        Current sink =
                arguments.optional("iol", Unit.AMPERE).map(Current::ofAmperes).orElse(mode.sink());
        if (!low.isBelow(supply)) {
            throw arguments.impossible("vdd");
        }
        if (!sink.isAbove(Current.ZERO)) {
            throw arguments.impossible("iol");
        }
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("r_min_ohm", I2cPullup.smallest(supply, low, sink).ohms());
        answer.put("r_max_ohm", I2cPullup.largest(mode, bus).ohms());
        return answer;
    }
}
