package inkel.core.levels.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.Habits;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.LevelCheck;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which side of a verdict is told. A receiver at 3.3 V that reads high from 2.0 V, low to 0.8 V and bears 3.6 V. */
class LevelNumbersTest {
    private static final RuleInfo INFO = new RuleInfo("levels.some", Severity.LOOK, Stage.LEVELS);

    @ParameterizedTest(name = "high {0} to {1}, low {2}, recommended {3}: {4}")
    @CsvSource(
            textBlock =
                    """
            # high from, to,  low, recommended, sentence,                      the figure that decides
            2.9,         3.7, 0.2, ,            levels.some,                   too_much_by
            1.9,         3.3, 0.2, ,            levels.some.high,              high_margin
            2.9,         3.3, 0.9, ,            levels.some.low,               low_margin
            1.9,         3.3, 1.0, ,            levels.some.low,               low_margin
            1.7,         3.3, 0.9, ,            levels.some.high,              high_margin
            2.9,         3.5, 0.2, 3.3,         levels.some.above_recommended, recommended
            2.1,         3.5, 0.2, 3.3,         levels.some.high,              high_margin
            """)
    void theSideThatFailsByMoreIsTold(
            double highFrom, double highTo, double low, Double recommended, String sentence, String figure) {
        LevelCheck check = new LevelCheck(
                Voltage.ofVolts(highFrom),
                Voltage.ofVolts(highTo),
                Voltage.ofVolts(low),
                Voltage.ofVolts(2.0),
                Voltage.ofVolts(0.8),
                Voltage.ofVolts(3.6),
                Optional.ofNullable(recommended).map(Voltage::ofVolts),
                Voltage.ofVolts(3.3));
        Finding.Builder finding = Finding.of(INFO, Place.ofNode("bench"));
        LevelNumbers.put(finding, check, Habits.USUAL, false, false, Source.CLASS, Source.MEASURED, Source.YOURS);
        Finding made = finding.build();
        assertEquals(sentence, made.sentence().key());
        assertEquals(
                1,
                made.evidence().stream()
                        .filter(evidence -> evidence.key().equals(figure))
                        .count(),
                made.evidence().toString());
    }
}
