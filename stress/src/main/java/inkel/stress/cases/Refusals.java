package inkel.stress.cases;

import inkel.app.words.Words;
import inkel.core.io.json.Problem;
import inkel.core.io.json.UnreadableFile;
import inkel.stress.kit.Tally;
import java.util.List;

/** What a refusal must say: one sentence for each thing, with the place of it. */
final class Refusals {
    /** What a refusal must not show: names out of programs. */
    private static final List<String> INSIDES =
            List.of("Exception", "java.", "com.fasterxml", "inkel.", "Token", "StreamRead");

    private static final int LONGEST = 1000;

    private Refusals() {}

    static void look(UnreadableFile refused, Tally tally, String sample) {
        tally.count("refused");
        if (refused.problems().isEmpty()) {
            tally.broke("a refusal without a reason", "", sample);
        }
        for (Problem problem : refused.problems()) {
            String said = Words.say(problem);
            if (problem.line() == 0 && !isOfWholeFile(problem)) {
                tally.broke("no line: " + problem.reason().key(), said, sample);
            }
            if (!Words.has(problem.reason().key())) {
                tally.broke("no words: " + problem.reason().key(), said, sample);
            }
            if (said.length() > LONGEST) {
                tally.broke("too long: " + problem.reason().key(), said.substring(0, 200), sample);
            }
            if (INSIDES.stream().anyMatch(said::contains)) {
                tally.broke("insides of the program: " + problem.reason().key(), said, sample);
            }
            if (said.chars().anyMatch(letter -> letter < ' ')) {
                tally.broke("control letters: " + problem.reason().key(), said, sample);
            }
        }
    }

    /** An empty file and one of another encoding have no line. */
    private static boolean isOfWholeFile(Problem problem) {
        return List.of("problem.empty", "problem.not_utf8", "problem.too_large")
                .contains(problem.reason().key());
    }
}
