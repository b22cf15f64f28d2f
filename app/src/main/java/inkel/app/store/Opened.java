package inkel.app.store;

import inkel.app.lane.Trouble;
import inkel.core.catalog.Catalog;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.TextFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.quantity.Fact;
import java.nio.file.Path;
import java.util.Optional;

/**
 * What came of reading a build file.
 *
 * @param text what the file says, letter by letter; empty when it cannot be read
 * @param assessment of the build, when the file is good
 * @param refusal what is wrong with the file, when it is not
 */
public record Opened(Path file, String text, Optional<Assessment> assessment, Optional<UnreadableFile> refusal) {
    /** Reads and judges; whatever goes wrong becomes a refusal, so that a bad file never keeps the window from opening. */
    public static Opened read(Path file, Catalog catalog) {
        try {
            String text = TextFile.read(file);
            Build build = BuildReader.read(file, text, catalog);
            StartMarks.mark("read");
            Assessment first = judge(build, catalog);
            StartMarks.mark("assessed");
            return new Opened(file, text, Optional.of(first), Optional.empty());
        } catch (UnreadableFile unreadable) {
            return new Opened(file, "", Optional.empty(), Optional.of(unreadable));
        } catch (RuntimeException | StackOverflowError mistake) {
            Trouble.severe(Opened.class, "a build file could not be opened", mistake);
            return new Opened(
                    file,
                    "",
                    Optional.empty(),
                    Optional.of(UnreadableFile.because(
                            file, Fact.of("problem.mistake").with("detail", String.valueOf(mistake)))));
        }
    }

    /** @throws IllegalStateException when a part of it could not be judged, for there is no earlier result to keep */
    public static Assessment judge(Build build, Catalog catalog) {
        Assessment first = Assessment.assess(build, catalog);
        if (!first.reports().failed().isEmpty()) {
            throw new IllegalStateException(String.join(", ", first.reports().failed()));
        }
        return first;
    }
}
