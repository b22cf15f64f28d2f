package inkel.core.diagnosis;

import inkel.core.bench.Answer;
import inkel.core.wake.Answers;
import inkel.core.wake.Check;
import inkel.core.wake.Result;
import inkel.core.wake.Status;
import inkel.core.wake.Typed;
import inkel.core.wake.WakeState;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** What a check gave. */
public record Evidence(Check check, Answer answer) {
    /** Whether it is as foretold. */
    public boolean isWell() {
        return Answers.isWell(check, answer);
    }

    /** All that was read and still stands, in the order of the checks; not what the builder took as good without a reading. */
    public static List<Evidence> of(WakeState state) {
        List<Evidence> all = new ArrayList<>();
        state.results().forEach((id, result) -> state.check(id)
                .flatMap(check -> answer(check, result).map(answer -> new Evidence(check, answer)))
                .ifPresent(all::add));
        return all;
    }

    private static Optional<Answer> answer(Check check, Result result) {
        boolean stands = result.status() == Status.IN || result.status() == Status.OUT;
        if (!stands || result.isTaken()) {
            return Optional.empty();
        }
        return switch (check.kind()) {
            case LOOK -> Optional.of(new Answer.Sight(result.status() == Status.IN));
            case ANSWERS, REGISTER, REPLY ->
                Optional.of(new Answer.Texts(Arrays.stream(result.text().strip().split("[,;\\s]+"))
                        .filter(text -> !text.isEmpty())
                        .toList()));
            case OHMS, VOLTS, LEVEL, CODE, AMPERES, PULSES ->
                result.value()
                        .<Answer>map(value -> new Answer.Amount(value.si()))
                        .or(() -> Typed.isOverload(result.text())
                                ? Optional.of(new Answer.Overload())
                                : Optional.empty());
        };
    }
}
