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

    /** Looks at what was written before it takes the place of the old file. */
    public interface Check {
        /** @throws IOException when it is not what it should be */
        void of(String written) throws IOException;
    }

    /**
     * Writes to a new file beside the old one, forces it to the disk, keeps the old one as {@link #previous}, and moves
     * the new one into place.
     *
     * @throws IOException when the folder cannot be written to or the disk is full; the old file is then as it was
     */
    public static void write(Path file, String text) throws IOException {
        write(file, text.getBytes(StandardCharsets.UTF_8), bytes -> {});
    }

    /** As {@link #write(Path, String)}, and reads back and checks what is on the disk before the old file gives way. */
    public static void write(Path file, String text, Check check) throws IOException {
        write(file, text.getBytes(StandardCharsets.UTF_8), fresh -> check.of(Files.readString(fresh)));
    }

    /** As {@link #write(Path, String)} for what is no text. */
    public static void write(Path file, byte[] content) throws IOException {
        write(file, content, fresh -> {});
    }

    private interface Look {
        void at(Path fresh) throws IOException;
    }

    private static void write(Path file, byte[] content, Look look) throws IOException {
        Path whole = file.toAbsolutePath();
        Path fresh = Files.createTempFile(whole.getParent(), "." + whole.getFileName(), ".new");
        try {
            put(fresh, content);
            look.at(fresh);
            if (Files.exists(whole)) {
                keepPrevious(whole);
            }
            Files.move(fresh, whole, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(fresh);
        }
    }

    private static void put(Path fresh, byte[] content) throws IOException {
        try (FileChannel channel = FileChannel.open(fresh, StandardOpenOption.WRITE)) {
            ByteBuffer bytes = ByteBuffer.wrap(content);
            while (bytes.hasRemaining()) {
                channel.write(bytes);
            }
            channel.force(true);
        }
    }

    /** In one move too, so that a crash in between leaves the version before, whole. */
    private static void keepPrevious(Path whole) throws IOException {
        Path copy = Files.createTempFile(whole.getParent(), "." + whole.getFileName(), ".old");
        try {
            Files.copy(whole, copy, StandardCopyOption.REPLACE_EXISTING);
            Files.move(copy, previousName(whole), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(copy);
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
