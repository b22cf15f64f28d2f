package inkel.app.state;

import inkel.core.document.Build;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.AtomicFile;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import java.util.stream.Stream;

/** Keeps the latest unsaved state of every open build in a folder of the user's, for after a crash. */
public final class Recovery {
    private static final String NEW = "new-";
    private static final String ENDING = ".inkel.json";

    private final Path folder;

    public Recovery(Path folder) {
        this.folder = folder;
    }

    /** Writes the state of a build that has no file yet, one for each name. */
    void keepNew(Build build) {
        write(newCopy(build), build);
    }

    /** A build that was never saved, left by an earlier run. */
    Optional<Path> leftNew() {
        if (!Files.isDirectory(folder)) {
            return Optional.empty();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.getFileName().toString().startsWith(NEW)
                            && file.getFileName().toString().endsWith(ENDING))
                    .sorted()
                    .findFirst();
        } catch (IOException failed) {
            Trouble.minor(Recovery.class, "recovery folder not read", failed);
            return Optional.empty();
        }
    }

    /** The build got a file of its own, or was left. */
    void forgetNew(Path copy) {
        try {
            Files.deleteIfExists(copy);
            Files.deleteIfExists(copy.resolveSibling(copy.getFileName() + ".previous"));
        } catch (IOException failed) {
            Trouble.minor(Recovery.class, "recovery copy not deleted", failed);
        }
    }

    void forgetNew(Build build) {
        forgetNew(newCopy(build));
    }

    private Path newCopy(Build build) {
        return folder.resolve(NEW + Integer.toHexString(build.name().hashCode()) + ENDING);
    }

    /** Writes the state of a build; a failure is only logged, since the build itself is not in danger. */
    void keep(Path file, Build build) {
        write(copyOf(file), build);
    }

    private void write(Path copy, Build build) {
        try {
            Files.createDirectories(folder);
            AtomicFile.write(copy, BuildWriter.print(build));
        } catch (IOException | UncheckedIOException failed) {
            Trouble.minor(Recovery.class, "recovery copy not written", failed);
        }
    }

    /**
     * A state that is newer than the file itself. It is set aside under another name, so that what is kept from now on
     * does not write over it before the builder has chosen.
     */
    Optional<Path> newer(Path file) {
        Path copy = copyOf(file);
        Path aside = asideOf(file);
        try {
            if (isNewer(copy, file)) {
                Files.move(copy, aside, StandardCopyOption.REPLACE_EXISTING);
            }
            return isNewer(aside, file) ? Optional.of(aside) : Optional.empty();
        } catch (IOException failed) {
            Trouble.minor(Recovery.class, "recovery copy not read", failed);
            return Optional.empty();
        }
    }

    private static boolean isNewer(Path copy, Path file) throws IOException {
        return Files.exists(copy)
                && (!Files.exists(file)
                        || Files.getLastModifiedTime(copy).compareTo(Files.getLastModifiedTime(file)) > 0);
    }

    /** The builder took or left the state that was offered. */
    void forgetOffered(Path file) {
        try {
            Files.deleteIfExists(asideOf(file));
        } catch (IOException failed) {
            Trouble.minor(Recovery.class, "recovery copy not deleted", failed);
        }
    }

    private Path asideOf(Path file) {
        Path copy = copyOf(file);
        return copy.resolveSibling(copy.getFileName() + ".offered");
    }

    /** The build was saved, and nothing is on offer. */
    void forget(Path file) {
        try {
            Path copy = copyOf(file);
            Files.deleteIfExists(copy);
            Files.deleteIfExists(asideOf(file));
            Files.deleteIfExists(copy.resolveSibling(copy.getFileName() + ".previous"));
        } catch (IOException failed) {
            Trouble.minor(Recovery.class, "recovery copy not deleted", failed);
        }
    }

    private Path copyOf(Path file) {
        Path whole = file.toAbsolutePath().normalize();
        String folderMark =
                Integer.toHexString(String.valueOf(whole.getParent()).hashCode());
        return folder.resolve(folderMark + "-" + whole.getFileName());
    }
}
