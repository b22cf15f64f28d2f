package inkel.core.calc;

import inkel.core.formula.DriverTicks;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The registers of a 12-bit driver of many channels. */
final class PwmDriverCalc implements Calculation {
    @Override
    public String name() {
        return "pwm-driver";
    }

    @Override
    public List<String> keys() {
        return List.of("osc", "f", "pulse?");
    }

    @Override
    public String example() {
        return "osc=25MHz f=50 pulse=1.5ms";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        Frequency wanted = Frequency.ofHertz(arguments.positive("f", Unit.HERTZ));
        DriverTicks driver = DriverTicks.of(Frequency.ofHertz(arguments.positive("osc", Unit.HERTZ)), wanted);
        if (!driver.fits()) {
            throw arguments.impossible("f");
        }
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("prescale", driver.prescale());
        answer.put("actual_hz", driver.actual().hertz());
        arguments.optionalPulse("pulse", wanted).ifPresent(wide -> answer.put("ticks", driver.ticks(wide)));
        return answer;
    }
}
