package inkel.app.ui.wake;

import inkel.app.words.CheckWords;
import inkel.app.words.Words;
import inkel.core.quantity.Quantity;
import inkel.core.wake.Answers;
import inkel.core.wake.Check;
import inkel.core.wake.Expected;
import inkel.core.wake.Result;
import inkel.core.wake.Status;
import inkel.core.wake.Typed;
import java.util.Optional;

/**
 * What is thought of a check while something is typed for it.
 *
 * @param text what stands in its field
 * @param wantsText whether something is typed at all
 * @param most what the point bears, where that is known
 */
record CheckVerdict(
        CheckWords words, Check check, Result result, String text, boolean wantsText, Optional<Quantity> most) {
    Optional<Typed> typed() {
        return check.expected() instanceof Expected.Within within && !text.isBlank()
                ? Optional.of(Typed.parse(text, within.unit()))
                : Optional.empty();
    }

    Optional<Quantity> value() {
        return typed().filter(Typed.Value.class::isInstance).map(read -> ((Typed.Value) read).quantity());
    }

    /** Whether what is typed, or was kept, is as it should be; empty while nothing is. */
    Optional<Boolean> isWell() {
        if (isTakenAsGood()) {
            return Optional.of(true);
        }
        if (check.expected() instanceof Expected.Within) {
            return typed().map(read -> read.isWell(check.expected()).orElse(false));
        }
        boolean isTyped = wantsText && !text.isBlank();
        if (isTyped) {
            return Optional.of(Answers.isExpected(check, text));
        }
        return result.status() == Status.OPEN || result.status() == Status.LEFT
                ? Optional.empty()
                : Optional.of(result.holds());
    }

    /** Whether it was taken as good, and nothing else is typed since. */
    private boolean isTakenAsGood() {
        return result.isTaken() && result.holds() && text.isBlank();
    }

    String said() {
        if (result.status() == Status.LEFT) {
            return Words.get("wake.left");
        }
        if (isTakenAsGood()) {
            return result.text().isEmpty()
                    ? Words.get("wake.verdict.taken_plain")
                    : Words.get("wake.verdict.taken", "reason", result.text());
        }
        Optional<String> harm = most.filter(most ->
                        value().filter(value -> Quantity.exceeds(value, most)).isPresent())
                .map(most -> Words.get("wake.verdict.harm", "most", most));
        Optional<String> judged = harm.or(() -> words.verdict(check, text));
        if (judged.isPresent()) {
            return judged.get();
        }
        if (result.status() == Status.STALE) {
            return Words.get("wake.verdict.stale");
        }
        if (check.expected() instanceof Expected.Within within) {
            return Words.get("wake.field.example", "example", CheckWords.example(within));
        }
        return isWell().map(well -> Words.get(well ? "wake.verdict.seen" : "wake.verdict.not_seen"))
                .orElseGet(
                        () -> wantsText ? Words.get("wake.should", "expected", words.expected(check.expected())) : "");
    }
}
