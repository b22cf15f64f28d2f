package inkel.app.store;

import inkel.core.io.json.AtomicFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;

/** A file in a folder that is this run's as long as that goes on; what ended runs left there is whoever's finds it. */
public final class RunFile {
    private static final String LOCK = ".lock";

    private final Path folder;
    private final String begins;
    private final String ends;
    private final Path own;
    private final Holds holds = new Holds();

    /** A file of this run in the folder; its name has these ends, and between them what tells runs apart. */
    public RunFile(Path folder, String begins, String ends) {
        this.folder = folder;
        this.begins = begins;
        this.ends = ends;
        own = folder.resolve(begins + UUID.randomUUID() + ends);
    }

    /** Writes all of it anew; nothing stays on the disk for an empty text. */
    public synchronized void write(String text) throws IOException {
        if (text.isEmpty()) {
            delete(own);
            return;
        }
        Files.createDirectories(folder);
        holds.take(lockOf(own));
        AtomicFile.write(own, text);
        Files.deleteIfExists(own.resolveSibling(own.getFileName() + ".previous"));
    }

    /** Those of runs that are no more. */
    public synchronized List<Path> left() throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(this::isOfAnother)
                    .filter(file -> !holds.isTaken(lockOf(file)))
                    .sorted()
                    .toList();
        }
    }

    private boolean isOfAnother(Path file) {
        String name = file.getFileName().toString();
        return name.startsWith(begins) && name.endsWith(ends) && !file.equals(own);
    }

    /** Deletes a file that another run left. */
    public synchronized void delete(Path file) throws IOException {
        Files.deleteIfExists(file);
        holds.release(lockOf(file));
        Files.deleteIfExists(lockOf(file));
    }

    private static Path lockOf(Path file) {
        return file.resolveSibling(file.getFileName() + LOCK);
    }
}
