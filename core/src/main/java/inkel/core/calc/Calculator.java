package inkel.core.calc;

import inkel.core.quantity.Fact;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;

/** All calculations by name. */
public final class Calculator {
    private static final List<Calculation> ALL = List.of(
            new UartCalc(),
            new LevelsCalc(),
            new LedCalc(),
            new I2cPullupCalc(),
            new RegulatorCalc(),
            new BulkCalc(),
            new WireCalc(),
            new BatteryCalc(),
            new DividerCalc(),
            new I2cRiseCalc(),
            new I2cAddressCalc(),
            new I2cTimeCalc(),
            new TimerCalc(),
            new PwmDriverCalc(),
            new SpiClockCalc(),
            new SpiFrameCalc(),
            new PitchFitCalc(),
            new ServoCalc(),
            new LineCalc(),
            new RcFilterCalc(),
            new ColourCalc(),
            new SteinhartCalc(),
            new DistanceCalc(),
            new RadioCalc(),
            new ReachCalc(),
            new LongRangeCalc(),
            new PayloadCalc(),
            new TagCalc(),
            new InfraredCalc(),
            new TextCalc(),
            new SentenceCalc(),
            ConverterCalc.ADC,
            ConverterCalc.DAC);

    private static final MathContext DIGITS = new MathContext(12);

    private Calculator() {}

    /** Every key may be fine by itself and the whole still have no answer: too large to hold, or nothing divided by. */
    private static Map<String, Object> answer(Calculation calculation, Map<String, String> given) throws CalcRefused {
        try {
            Map<String, Object> answer = calculation.answer(new Arguments(calculation, given));
            boolean isFinite = answer.values().stream()
                    .allMatch(value -> !(value instanceof Double number) || Double.isFinite(number));
            if (isFinite) {
                answer.replaceAll((key, value) -> value instanceof Double number ? rounded(number) : value);
                return answer;
            }
        } catch (ArithmeticException | IllegalArgumentException | NoSuchElementException outOfReach) {
            // Told below, the same for all of them.
        }
        throw new CalcRefused(Fact.of("calc.no_answer")
                .with("calc", calculation.name())
                .with("example", calculation.name() + " " + calculation.example()));
    }

    /** Without the last digits, which tell of the machine's arithmetic and not of the answer. */
    private static double rounded(double value) {
        return BigDecimal.valueOf(value).round(DIGITS).doubleValue();
    }

    public static List<Calculation> all() {
        return ALL;
    }

    /** @throws CalcRefused when there is no such calculation, or it cannot be done with these arguments */
    public static Map<String, Object> answer(String name, Map<String, String> given) throws CalcRefused {
        for (Calculation calculation : ALL) {
            if (calculation.name().equals(name)) {
                return answer(calculation, given);
            }
        }
        throw new CalcRefused(Fact.of("calc.unknown")
                .with("calc", name)
                .with(
                        "known",
                        String.join(", ", ALL.stream().map(Calculation::name).toList())));
    }
}
