package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.calc.CalcRefused;
import inkel.core.calc.Calculation;
import inkel.core.calc.Calculator;
import inkel.core.calc.Reckoning;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** No answer of a calculation is told by its key. */
class ReckonAnswersTest {
    @Test
    void everyAnswerHasWords() throws CalcRefused {
        List<String> bare = new ArrayList<>();
        for (Calculation calculation : Calculator.all()) {
            for (String key : Reckoning.of(calculation).answer().keySet()) {
                if (!ReckonWords.isSaid(calculation.name(), key)) {
                    bare.add(calculation.name() + "." + key);
                }
            }
        }
        assertEquals(List.of(), bare);
    }
}
