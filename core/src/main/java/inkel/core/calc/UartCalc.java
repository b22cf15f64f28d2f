package inkel.core.calc;

import inkel.core.formula.BaudRate;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Unit;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** The divisor of a serial port and the rate it really gives. */
final class UartCalc implements Calculation {
    private static final int REGISTER_BITS = 12;

    @Override
    public String name() {
        return "uart";
    }

    @Override
    public List<String> keys() {
        return List.of("clock", "baud", "oversample?");
    }

    @Override
    public String example() {
        return "clock=16MHz baud=115200 oversample=best";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        Frequency clock = Frequency.ofHertz(arguments.positive("clock", Unit.HERTZ));
        Frequency baud = Frequency.ofHertz(arguments.positive("baud", Unit.HERTZ));
        String oversample = arguments.word("oversample", "16", "8", "best");
        if (baud.hertz() > clock.hertz() / 8) {
            throw arguments.impossible("baud");
        }
        BaudRate rate = Stream.of(16, 8)
                .filter(clocks -> oversample.equals("best") || oversample.equals(String.valueOf(clocks)))
                .map(clocks -> BaudRate.of(clock, baud, clocks, REGISTER_BITS, 0))
                .min(Comparator.comparingDouble(found -> Math.abs(found.error().ratio())))
                .orElseThrow();
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("register", (long) rate.register());
        answer.put("oversample", rate.oversample());
        answer.put("actual_baud", rate.actual().hertz());
        answer.put("error_percent", rate.error().percent());
        return answer;
    }
}
