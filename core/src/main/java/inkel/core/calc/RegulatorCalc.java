package inkel.core.calc;

import inkel.core.formula.RegulatorHeat;
import inkel.core.quantity.Current;
import inkel.core.quantity.Power;
import inkel.core.quantity.Temperature;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A linear regulator: P = (V_in − V_out)·I + V_in·I_q, T_j = T_a + θ_JA·P, the most it can give before it is too hot, and
 * whether the input is enough above the output.
 */
final class RegulatorCalc implements Calculation {
    @Override
    public String name() {
        return "regulator";
    }

    @Override
    public List<String> keys() {
        return List.of("vin", "vout", "i", "theta", "ambient", "tj_max", "iq?", "dropout?");
    }

    @Override
    public String example() {
        return "vin=9V vout=5V i=200mA theta=65 ambient=25 tj_max=125 iq=6mA dropout=1.2V";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        Voltage in = Voltage.ofVolts(arguments.positive("vin", Unit.VOLT));
        Voltage out = Voltage.ofVolts(arguments.positive("vout", Unit.VOLT));
        Current load = Current.ofAmperes(arguments.notNegative("i", Unit.AMPERE));
        double theta = arguments.positive("theta", Unit.ONE);
        Temperature ambient = Temperature.ofCelsius(arguments.value("ambient", Unit.CELSIUS));
        Temperature junctionMax = Temperature.ofCelsius(arguments.value("tj_max", Unit.CELSIUS));
        Current own = Current.ofAmperes(arguments.optional("iq", Unit.AMPERE).orElse(0.0));
        double dropout = arguments.optional("dropout", Unit.VOLT).orElse(0.0);
        Power loss = RegulatorHeat.linear(in, out, load, own);
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("loss_w", loss.watts());
        answer.put("junction_c", RegulatorHeat.junction(ambient, theta, loss).celsius());
        answer.put(
                "i_max_a",
                RegulatorHeat.mostLinear(in, out, own, ambient, theta, junctionMax)
                        .amperes());
        answer.put("regulates", in.volts() - out.volts() >= dropout - 1e-12);
        return answer;
    }
}
