package inkel.core.calc;

import inkel.core.formula.TimerSetting;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** How a timer makes a frequency, and how finely a pulse can be set. */
final class TimerCalc implements Calculation {
    /** Those of a common 8-bit controller. */
    private static final List<Integer> USUAL = List.of(1, 8, 64, 256, 1024);

    @Override
    public String name() {
        return "timer";
    }

    @Override
    public List<String> keys() {
        return List.of("clock", "bits", "f", "pulse?", "prescalers?");
    }

    @Override
    public String example() {
        return "clock=16MHz bits=16 f=50 pulse=1.5ms";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        Frequency clock = Frequency.ofHertz(arguments.positive("clock", Unit.HERTZ));
        int bits = arguments.whole("bits", 1, 32);
        Frequency wanted = Frequency.ofHertz(arguments.positive("f", Unit.HERTZ));
        Optional<TimeSpan> pulse = arguments.optionalPulse("pulse", wanted);
        TimerSetting setting = TimerSetting.nearest(clock, bits, arguments.wholes("prescalers", USUAL), wanted)
                .orElseThrow(() -> arguments.impossible("f"));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("prescaler", setting.prescaler());
        answer.put("top", setting.top());
        answer.put("actual_hz", setting.actual().hertz());
        answer.put("error_percent", setting.error().ratio() * 100);
        answer.put("step_s", setting.step().seconds());
        pulse.ifPresent(wide -> answer.put("ticks", setting.ticks(wide)));
        return answer;
    }
}
