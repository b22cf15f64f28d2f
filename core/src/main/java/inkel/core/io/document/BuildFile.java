package inkel.core.io.document;

import inkel.core.catalog.Catalog;
import inkel.core.document.Build;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.UnreadableFile;
import java.io.IOException;
import java.nio.file.Path;

/** A build on the disk. */
public final class BuildFile {
    private BuildFile() {}

    /** What was written cannot be read as the build that it should be; the file on the disk is as it was. */
    public static final class NotTheSame extends IOException {
        private static final long serialVersionUID = 1L;

        NotTheSame(String what, Throwable cause) {
            super(what, cause);
        }
    }

    /**
     * Saves a build, with the classes it uses that are not shipped. It is done when the text on the disk was read back and is the same build; see
     * {@link AtomicFile#write} for what is kept of the former version.
     *
     * @return what is in the file now
     * @throws NotTheSame when the text does not say what the build says; the old file stays
     * @throws IOException when the disk does not take it; the old file stays
     */
    public static String save(Path file, Build build, Catalog catalog) throws IOException {
        Build whole = build.carrying(catalog);
        String text = BuildWriter.print(whole);
        AtomicFile.write(file, text, written -> check(file, written, whole, catalog));
        return text;
    }

    private static void check(Path file, String written, Build build, Catalog catalog) throws NotTheSame {
        try {
            if (!BuildReader.parse(file, written, catalog).equals(build)) {
                throw new NotTheSame("it would read back as another build", null);
            }
        } catch (UnreadableFile unreadable) {
            throw new NotTheSame(unreadable.problems().get(0).toString(), unreadable);
        }
    }
}
