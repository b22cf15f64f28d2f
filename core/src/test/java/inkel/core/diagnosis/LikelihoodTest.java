package inkel.core.diagnosis;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Answer;
import inkel.core.bench.Foreseen;
import inkel.core.document.Meter;
import inkel.core.wake.Check;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Against the normal distribution as textbooks have it. */
class LikelihoodTest {
    /** Of two digits at 3 V: 20 mV as likely anywhere, and the last digit itself. */
    private static final double NOISE = 0.02 * 0.02 / 3 + 0.01 * 0.01 / 12;

    private final Likelihood likelihood = new Likelihood(new Meter(2000, 0, 2));

    private static Likelihood.Compared compared(double read, double value, double deviation, String key) {
        return new Likelihood.Compared(
                Check.Kind.VOLTS, read, new Foreseen.Amount(value, List.of(new Foreseen.Share(key, deviation)), false));
    }

    private static double normal(double off, double variance) {
        return -0.5 * (off * off / variance + Math.log(2 * Math.PI * variance));
    }

    @Test
    void oneAmountIsNormal() {
        double variance = NOISE + 0.1 * 0.1;
        assertEquals(normal(0.2, variance), likelihood.together(List.of(compared(3.5, 3.3, 0.1, "a"))), 1e-9);
    }

    @Test
    void amountsOfTwoFiguresMultiply() {
        double variance = NOISE + 0.1 * 0.1;
        assertEquals(
                normal(0.2, variance) + normal(-0.1, variance),
                likelihood.together(List.of(compared(3.5, 3.3, 0.1, "a"), compared(3.2, 3.3, 0.1, "b"))),
                1e-9);
    }

    @Test
    void amountsOfOneFigureGoTogether() {
        double same = likelihood.together(List.of(compared(3.5, 3.3, 0.1, "a"), compared(3.5, 3.3, 0.1, "a")));
        double apart = likelihood.together(List.of(compared(3.5, 3.3, 0.1, "a"), compared(3.1, 3.3, 0.1, "a")));
        // Of the sum and of the difference, which are independent: variances 4σ² + 2n and 2n, and a half each for the
        // turn.
        double sum = 4 * 0.1 * 0.1 + 2 * NOISE;
        double difference = 2 * NOISE;
        assertEquals(normal(0.4, sum) + normal(0, difference) + Math.log(2), same, 1e-9);
        assertEquals(normal(0, sum) + normal(0.4, difference) + Math.log(2), apart, 1e-9);
        assertTrue(same > apart + 10);
    }

    @Test
    void whatWasReadNarrowsWhatComesNext() {
        Foreseen.Amount next = new Foreseen.Amount(3.3, List.of(new Foreseen.Share("a", 0.1)), false);
        Foreseen.Amount given =
                likelihood.known(List.of(compared(3.5, 3.3, 0.1, "a"))).given(Check.Kind.VOLTS, next);
        double share = 0.01 / (0.01 + NOISE);
        assertEquals(3.3 + share * 0.2, given.value(), 1e-9);
        assertEquals(Math.sqrt(0.01 - share * 0.01), given.spread(), 1e-9);
    }

    @Test
    void ohmsAreComparedByTheirRange() {
        Foreseen.Ohms wire = new Foreseen.Ohms(0.02, 0.1, false);
        Foreseen.Ohms open = new Foreseen.Ohms(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, true);
        Answer few = new Answer.Amount(0.1);
        Answer some = new Answer.Amount(12);
        Answer none = new Answer.Overload();
        assertTrue(likelihood.single(few, wire) > likelihood.single(some, wire) + 5);
        assertTrue(likelihood.single(none, open) > likelihood.single(none, wire) + 5);
        assertTrue(likelihood.single(few, open) < Math.log(1e-3));
    }

    @Test
    void peopleSeeWrongNowAndThen() {
        Foreseen lit = new Foreseen.Certain(new Answer.Sight(true));
        double right = Math.exp(likelihood.single(new Answer.Sight(true), lit));
        double wrong = Math.exp(likelihood.single(new Answer.Sight(false), lit));
        assertEquals(1, right + wrong, 1e-12);
        assertTrue(wrong > 0 && wrong < 0.1);
    }
}
