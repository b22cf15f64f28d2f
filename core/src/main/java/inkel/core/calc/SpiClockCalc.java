package inkel.core.calc;

import inkel.core.formula.SpiClock;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The fastest SPI clock that a board can divide down to and that every part on the wire takes. */
final class SpiClockCalc implements Calculation {
    @Override
    public String name() {
        return "spi-clock";
    }

    @Override
    public List<String> keys() {
        return List.of("source", "dividers", "limit");
    }

    @Override
    public String example() {
        return "source=16MHz dividers=2,4,8,16 limit=10MHz";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        SpiClock clock = SpiClock.fastest(
                        Frequency.ofHertz(arguments.positive("source", Unit.HERTZ)),
                        arguments.wholes("dividers", List.of()),
                        Frequency.ofHertz(arguments.positive("limit", Unit.HERTZ)))
                .orElseThrow(() -> arguments.impossible("limit"));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("clock_hz", clock.clock().hertz());
        answer.put("divider", clock.divider());
        return answer;
    }
}
