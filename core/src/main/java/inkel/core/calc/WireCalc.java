package inkel.core.calc;

import inkel.core.formula.Conductor;
import inkel.core.quantity.Length;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What two copper wires lose: R = 2·length·ρ/A + contacts, with the area by the gauge (ASTM B258). */
final class WireCalc implements Calculation {
    private static final double THICKEST = -3;
    private static final double THINNEST = 40;

    @Override
    public String name() {
        return "wire";
    }

    @Override
    public List<String> keys() {
        return List.of("awg", "length", "i", "contacts?", "contact_ohm?");
    }

    @Override
    public String example() {
        return "awg=26 length=0.3 i=1A contacts=4 contact_ohm=15m";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        double awg = arguments.value("awg", Unit.ONE);
        if (awg < THICKEST || awg > THINNEST) {
            throw arguments.impossible("awg");
        }
        Length length = Length.ofMetres(arguments.positive("length", Unit.METRE));
        double amperes = arguments.notNegative("i", Unit.AMPERE);
        int contacts = arguments.optional("contacts", Unit.ONE).orElse(0.0).intValue();
        Resistance contact =
                Resistance.ofOhms(arguments.optional("contact_ohm", Unit.OHM).orElse(0.0));
        double ohms = Conductor.thereAndBack(awg, length, contacts, contact).ohms();
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("r_ohm", ohms);
        answer.put("drop_v", ohms * amperes);
        return answer;
    }
}
