package inkel.app.words;

import inkel.core.io.document.BuildFile;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.nio.file.NotDirectoryException;
import java.util.Map;

/** Why a file could not be written or read, as half a sentence to be put in brackets. */
public final class FailureWords {
    /** What systems of the POSIX family say, which knows no codes here. */
    private static final Map<String, String> SYSTEM = Map.of(
            "No space left on device", "failure.disk_full",
            "Disk quota exceeded", "failure.disk_full",
            "Read-only file system", "failure.read_only",
            "File name too long", "failure.name_too_long",
            "Is a directory", "failure.is_folder",
            "Input/output error", "failure.disk_bad");

    private FailureWords() {}

    public static String say(Exception failed) {
        if (failed instanceof SaidException) {
            return failed.getMessage();
        } else if (failed instanceof BuildFile.NotTheSame) {
            return Words.get("failure.not_the_same");
        } else if (failed instanceof AccessDeniedException) {
            return Words.get("failure.protected");
        } else if (failed instanceof FileAlreadyExistsException) {
            return Words.get("failure.other_file");
        } else if (failed instanceof NoSuchFileException gone) {
            return Words.get("failure.no_folder", "folder", gone.getFile());
        } else if (failed instanceof NotDirectoryException no) {
            return Words.get("failure.no_folder", "folder", no.getFile());
        }
        String said = failed instanceof FileSystemException system ? system.getReason() : failed.getMessage();
        if (!(failed instanceof IOException)) {
            return Words.get("failure.mistake", "detail", failed.getClass().getSimpleName());
        }
        return SYSTEM.entrySet().stream()
                .filter(known -> said != null && said.contains(known.getKey()))
                .map(known -> Words.get(known.getValue()))
                .findFirst()
                .orElseGet(() -> Words.get(
                        "failure.system",
                        "detail",
                        said == null ? failed.getClass().getSimpleName() : said));
    }
}
