package inkel.stress.cases;

import inkel.app.cli.Cli;
import inkel.stress.kit.Tally;
import java.io.PrintWriter;
import java.io.StringWriter;

/** What a command said and how it ended. */
record Said(int code, String out, String err) {
    private static final int MOST_CODE = 3;
    private static final int LONGEST = 20_000;

    /** Runs a command in this very process. */
    static Said by(String... args) {
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        int code = Cli.run(new PrintWriter(out, true), new PrintWriter(err, true), args);
        return new Said(code, out.toString(), err.toString());
    }

    /** Whatever a command is given, it answers in sentences and ends with one of its own codes. */
    void look(Tally tally, String sample) {
        tally.count("ended with " + code);
        if (code < 0 || code > MOST_CODE) {
            tally.broke("ended with " + code, err, sample);
        }
        if (code == 2 && err.isBlank() && out.isBlank()) {
            tally.broke("refused without a word", "", sample);
        }
        if (err.contains("Exception") || err.contains("\tat ")) {
            tally.broke("insides of the program", err, sample);
        }
        if (err.length() > LONGEST) {
            tally.broke("too many words", err.substring(0, 200), sample);
        }
        if (err.chars().anyMatch(letter -> letter < ' ' && letter != '\n' && letter != '\r')) {
            tally.broke("control letters", err, sample);
        }
    }
}
