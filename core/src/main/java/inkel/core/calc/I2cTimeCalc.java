package inkel.core.calc;

import inkel.core.formula.I2cTime;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** How long a transfer holds an I2C bus, and what share of it polls take. */
final class I2cTimeCalc implements Calculation {
    @Override
    public String name() {
        return "i2c-time";
    }

    @Override
    public List<String> keys() {
        return List.of("clock", "bytes", "restart?", "address_bytes?", "polls?");
    }

    @Override
    public String example() {
        return "clock=100kHz bytes=6 polls=50";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        boolean hasRestart = arguments.word("restart", "no", "yes").equals("yes");
        int addresses = arguments.whole("address_bytes", 1, 4, hasRestart ? 2 : 1);
        I2cTime time = I2cTime.of(
                Frequency.ofHertz(arguments.positive("clock", Unit.HERTZ)),
                arguments.whole("bytes", 0, 65_536),
                addresses,
                hasRestart);
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("bits", time.bits());
        answer.put("seconds", time.time().seconds());
        arguments
                .optionalPositive("polls", Unit.HERTZ)
                .ifPresent(polls -> answer.put(
                        "use_percent", time.use(Frequency.ofHertz(polls)).ratio() * 100));
        return answer;
    }
}
