package inkel.core.io.json;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/** Writes a file in one move, so that at every moment either the old or the new version is whole on the disk. */
public final class AtomicFile {
    /** What is on its way; the name of the file is no part of it, for that may be as long as the system bears. */
    private static final String TEMPORARY = ".inkel-";

    private static final Duration LONGEST_WRITE = Duration.ofHours(1);

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
        Path whole = target(file.toAbsolutePath());
        if (!Files.isDirectory(whole.getParent())) {
            throw new NoSuchFileException(String.valueOf(whole.getParent()));
        }
        if (isProtected(whole)) {
            throw new AccessDeniedException(whole.toString());
        }
        Path fresh = Files.createTempFile(whole.getParent(), TEMPORARY, ".new");
        try {
            put(fresh, content);
            look.at(fresh);
            if (Files.exists(whole)) {
                keepRights(whole, fresh);
                keepPrevious(whole);
            } else {
                usualRights(fresh);
            }
            Files.move(fresh, whole, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(fresh);
        }
        sweep(whole.getParent());
    }

    /** Removes what a run that was killed while it wrote has left; a younger one may be on its way to another file. */
    private static void sweep(Path folder) {
        Instant old = Instant.now().minus(LONGEST_WRITE);
        try (DirectoryStream<Path> left = Files.newDirectoryStream(folder, TEMPORARY + "*.{new,old}")) {
            for (Path one : left) {
                if (Files.getLastModifiedTime(one).toInstant().isBefore(old)) {
                    Files.deleteIfExists(one);
                }
            }
        } catch (IOException | DirectoryIteratorException unswept) {
            // The file itself is written; what is left over is swept by a later save.
        }
    }

    /** Moving another file into its place would not ask for the rights of the file itself. */
    private static boolean isProtected(Path file) throws IOException {
        if (!Files.exists(file)) {
            return false;
        }
        boolean isPosix = Files.getFileAttributeView(file, PosixFileAttributeView.class) != null;
        return !Files.isWritable(file)
                || isPosix
                        && Files.getPosixFilePermissions(file).stream()
                                .noneMatch(right -> right.name().endsWith("WRITE"));
    }

    /** What a link stands for: the link stays, and what it leads to is written. */
    private static Path target(Path file) throws IOException {
        return Files.isSymbolicLink(file) && Files.exists(file) ? file.toRealPath() : file;
    }

    /** Whoever could read the old version can read the new one. */
    private static void keepRights(Path old, Path fresh) throws IOException {
        PosixFileAttributeView rights = Files.getFileAttributeView(old, PosixFileAttributeView.class);
        if (rights != null) {
            Files.setPosixFilePermissions(fresh, rights.readAttributes().permissions());
        }
    }

    /** A temporary file is its owner's alone; one that stays has the rights that any new file of the builder has. */
    private static void usualRights(Path fresh) throws IOException {
        if (Files.getFileAttributeView(fresh, PosixFileAttributeView.class) == null) {
            return;
        }
        Path probe = fresh.resolveSibling(fresh.getFileName() + ".rights");
        try {
            Files.createFile(probe);
            Files.setPosixFilePermissions(fresh, Files.getPosixFilePermissions(probe));
        } finally {
            Files.deleteIfExists(probe);
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
        Path copy = Files.createTempFile(whole.getParent(), TEMPORARY, ".old");
        try {
            Files.copy(whole, copy, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.COPY_ATTRIBUTES);
            Files.move(copy, previousName(whole), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(copy);
        }
    }

    /** The version before the last save, if there is one. */
    public static Optional<Path> previous(Path file) {
        Path previous;
        try {
            previous = previousName(target(file.toAbsolutePath()));
        } catch (IOException gone) {
            return Optional.empty();
        }
        return Files.isRegularFile(previous) ? Optional.of(previous) : Optional.empty();
    }

    private static Path previousName(Path file) {
        return file.resolveSibling(file.getFileName() + ".previous");
    }
}
