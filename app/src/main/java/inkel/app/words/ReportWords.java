package inkel.app.words;

import inkel.core.quantity.Fact;
import inkel.core.wake.Answers;
import inkel.core.wake.report.BoardReport;
import java.util.ArrayList;
import java.util.List;

/** Says what came of a board's report, line by line. */
public final class ReportWords {
    private ReportWords() {}

    /** What was taken, with its verdict. */
    public static String say(CheckWords words, BoardReport.Taken taken) {
        boolean isWell = Answers.isWell(taken.check(), taken.answer());
        Fact said = Fact.of(taken.line() == 0 ? "report.all" : "report.line");
        return Words.say((taken.line() == 0 ? said : said.with("number", taken.line()))
                .with("what", words.title(taken.check()))
                .with("said", taken.said().isEmpty() ? Words.get("practice.silence") : taken.said())
                .with("verdict", Words.get(isWell ? "wake.verdict.seen" : "wake.verdict.not_seen")));
    }

    /** What could not be taken, and why. */
    public static String say(BoardReport.Told told) {
        return told.line() == 0
                ? Words.say(told.why())
                : Words.say(Fact.of("report.told")
                        .with("number", told.line())
                        .with("text", told.text())
                        .with("why", Words.say(told.why())));
    }

    /** All of it, in the order of the lines. */
    public static List<String> all(CheckWords words, BoardReport report) {
        List<String> lines = new ArrayList<>();
        report.told().forEach(told -> lines.add(say(told)));
        report.taken().forEach(taken -> lines.add(say(words, taken)));
        if (report.taken().isEmpty()) {
            lines.add(Words.get("report.nothing"));
        }
        return lines;
    }
}
