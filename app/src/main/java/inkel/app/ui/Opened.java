package inkel.app.ui;

import inkel.core.catalog.Catalog;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import java.nio.file.Path;
import java.util.Optional;

/**
 * What came of reading a build file.
 *
 * @param assessment of the build, when the file is good
 * @param refusal what is wrong with the file, when it is not
 */
record Opened(Path file, Optional<Assessment> assessment, Optional<UnreadableFile> refusal) {
    static Opened read(Path file, Catalog catalog) {
        try {
            Build build = BuildReader.read(file, catalog);
            StartTimer.mark("read");
            Assessment first = Assessment.assess(build, catalog);
            StartTimer.mark("assessed");
            return new Opened(file, Optional.of(first), Optional.empty());
        } catch (UnreadableFile unreadable) {
            return new Opened(file, Optional.empty(), Optional.of(unreadable));
        }
    }
}
