package inkel.app.cli;

import inkel.app.lane.Trouble;
import inkel.app.words.FailureWords;
import inkel.app.words.Words;
import inkel.core.calc.CalcRefused;
import inkel.core.io.json.UnreadableFile;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.NoSuchFileException;

/** What to say when a command fails. */
final class Failures {
    private Failures() {}

    static String sentence(Exception failure) {
        if (failure instanceof UnreadableFile unreadable) {
            return Words.say(unreadable);
        }
        if (failure instanceof CalcRefused refused) {
            return Words.say(refused.reason());
        }
        if (failure instanceof NoSuchFileException || failure instanceof AccessDeniedException) {
            return Words.get("cli.cannot_write", "file", failure.getMessage());
        }
        if (failure instanceof IOException) {
            return Words.get("cli.io", "detail", FailureWords.say(failure));
        }
        Trouble.severe(Failures.class, "command failed", failure);
        return Words.get("cli.bug", "detail", failure);
    }
}
