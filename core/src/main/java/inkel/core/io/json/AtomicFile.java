package inkel.core.io.json;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Optional;

/** Writes a file in one move, so that at every moment either the old or the new version is whole on the disk. */
public final class AtomicFile {
    private AtomicFile() {}

    /**
     * Writes to a new file beside the old one, forces it to the disk, keeps the old one as {@link #previous}, and moves
     * the new one into place.
     *
     * @throws IOException when the folder cannot be written to or the disk is full; the old file is then as it was
     */
    public static void write(Path file, String text) throws IOException {
        Path whole = file.toAbsolutePath();
        Path fresh = Files.createTempFile(whole.getParent(), "." + whole.getFileName(), ".new");
        try {
            try (FileChannel channel = FileChannel.open(fresh, StandardOpenOption.WRITE)) {
                ByteBuffer bytes = ByteBuffer.wrap(text.getBytes(StandardCharsets.UTF_8));
                while (bytes.hasRemaining()) {
                    channel.write(bytes);
                }
                channel.force(true);
            }
            if (Files.exists(whole)) {
                Files.copy(whole, previousName(whole), StandardCopyOption.REPLACE_EXISTING);
            }
            Files.move(fresh, whole, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(fresh);
        }
    }

    /** The version before the last save, if there is one. */
    public static Optional<Path> previous(Path file) {
        Path previous = previousName(file.toAbsolutePath());
        return Files.isRegularFile(previous) ? Optional.of(previous) : Optional.empty();
    }

    private static Path previousName(Path file) {
        return file.resolveSibling(file.getFileName() + ".previous");
    }
}
