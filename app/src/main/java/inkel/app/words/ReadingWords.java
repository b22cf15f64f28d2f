package inkel.app.words;

import inkel.core.bench.Answer;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;

/** Says what a bench gave, as it would be typed. */
public final class ReadingWords {
    private ReadingWords() {}

    public static String say(Check check, Answer answer) {
        if (answer instanceof Answer.Amount amount) {
            Unit unit = check.expected() instanceof Expected.Within within ? within.unit() : Unit.ONE;
            return Words.show(Quantity.of(unit, amount.si()));
        } else if (answer instanceof Answer.Overload) {
            return "OL";
        } else if (answer instanceof Answer.Texts texts) {
            return texts.texts().isEmpty() ? Words.get("practice.silence") : String.join(" ", texts.texts());
        }
        return Words.get(((Answer.Sight) answer).isWell() ? "practice.sight.well" : "practice.sight.not");
    }
}
