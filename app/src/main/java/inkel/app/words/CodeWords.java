package inkel.app.words;

import inkel.core.quantity.Fact;
import inkel.core.tune.code.CodeBack;

/** Says what constants of a program are, beside those of the plan. */
public final class CodeWords {
    private CodeWords() {}

    public static String say(CodeBack.Told told) {
        return Words.say(Fact.of(told.isSame() ? "code.back.as_planned" : "code.back.differs")
                .with("line", told.line())
                .with("name", told.name())
                .with("found", told.found())
                .with("wanted", told.wanted()));
    }
}
