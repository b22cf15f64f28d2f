package inkel.core.calc;

import inkel.core.formula.Bulk;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Current;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The capacitor that carries a burst: C = I·t/(ΔV − I·ESR), and the next value of E6 (IEC 60063). */
final class BulkCalc implements Calculation {
    @Override
    public String name() {
        return "bulk";
    }

    @Override
    public List<String> keys() {
        return List.of("i", "t", "dv", "esr?");
    }

    @Override
    public String example() {
        return "i=1.5A t=577us dv=0.4V esr=50m";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        Current excess = Current.ofAmperes(arguments.positive("i", Unit.AMPERE));
        TimeSpan time = TimeSpan.ofSeconds(arguments.positive("t", Unit.SECOND));
        Voltage allowed = Voltage.ofVolts(arguments.positive("dv", Unit.VOLT));
        Resistance esr = Resistance.ofOhms(arguments.optional("esr", Unit.OHM).orElse(0.0));
        Capacitance needed = Bulk.needed(excess, time, allowed, esr).orElseThrow(() -> arguments.impossible("esr"));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("c_f", needed.farads());
        answer.put("standard_c_f", Bulk.standard(needed).farads());
        return answer;
    }
}
