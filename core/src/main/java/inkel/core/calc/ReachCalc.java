package inkel.core.calc;

import inkel.core.formula.PathLoss;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Length;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What arrives of a radio and what is to spare; see {@link PathLoss}. */
final class ReachCalc implements Calculation {
    @Override
    public String name() {
        return "reach";
    }

    @Override
    public List<String> keys() {
        return List.of("mhz", "metres", "power_dbm", "sensitivity_dbm", "gains_db?");
    }

    @Override
    public String example() {
        return "mhz=2450 metres=80 power_dbm=0 sensitivity_dbm=-94 gains_db=0";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        double mhz = arguments.positive("mhz", Unit.ONE);
        double metres = arguments.positive("metres", Unit.METRE);
        double power = arguments.value("power_dbm", Unit.ONE);
        double sensitivity = arguments.value("sensitivity_dbm", Unit.ONE);
        double gains = arguments.optional("gains_db", Unit.ONE).orElse(0.0);
        double loss = PathLoss.free(Frequency.ofHertz(mhz * 1e6), Length.ofMetres(metres));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("loss_db", loss);
        answer.put("margin_db", power + gains - loss - sensitivity);
        return answer;
    }
}
