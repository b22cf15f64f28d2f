package inkel.app.store;

import inkel.app.lane.Trouble;
import inkel.core.document.Build;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.AtomicFile;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Keeps the latest unsaved state of every open build in a folder of the user's, for after a run that ended early. What an
 * earlier run left stays, under a name of its own, until somebody takes it or throws it away; no date is ever compared.
 */
public final class Recovery {
    private static final String NEW = "new-";
    private static final String ENDING = ".inkel.json";
    private static final String LEFT = ".left-";
    private static final String OF = ".of";
    private static final String LOCK = ".lock";
    private static final int MARK_DIGITS = 16;

    private final Path folder;

    private final Holds holds = new Holds();

    /** Copies of builds without a file that this run writes itself. */
    private final Set<Path> own = new HashSet<>();

    /**
     * What an earlier run left.
     *
     * @param file the build's own file; empty for a build that was never saved
     * @param kept when it was written
     */
    public record Left(Path copy, Optional<Path> file, Instant kept) {
        /** Whether the build was never saved; else its file may still be unknown, where an older version left it. */
        public boolean isOfNoFile() {
            return copy.getFileName().toString().startsWith(NEW);
        }
    }

    /** Told when a copy could not be written; see {@link #onTrouble}. */
    private volatile Consumer<Exception> trouble = failed -> {};

    public Recovery(Path folder) {
        this.folder = folder;
    }

    /** Where all this is kept. */
    public Path folder() {
        return folder;
    }

    /** @param told hears, in the lane that keeps, why what is not saved is not safe from a crash */
    public void onTrouble(Consumer<Exception> told) {
        trouble = told;
    }

    // --- who has a build open

    /**
     * Says to other runs that a file is open here, until this run ends or {@link #release releases} it.
     *
     * @return whether no other run has it open
     */
    public boolean hold(Path file) {
        return !isThere() || holds.take(lockOf(copyOf(file)));
    }

    private boolean isThere() {
        try {
            Files.createDirectories(folder);
            return true;
        } catch (IOException failed) {
            Trouble.minor(Recovery.class, "no folder to say in what is open", failed);
            return false;
        }
    }

    /** Gives up what {@link #hold} took. */
    public void release(Path file) {
        holds.release(lockOf(copyOf(file)));
    }

    private static Path lockOf(Path copy) {
        return copy.resolveSibling(copy.getFileName() + LOCK);
    }

    /** A name for the copy of a build that has no file yet; no two builds have the same one. */
    public String newKey() {
        return UUID.randomUUID().toString();
    }

    /** Writes the state of a build that has no file yet. */
    public synchronized void keepNew(String key, Build build) {
        Path copy = newCopy(key);
        // First, so that no other run takes it for something that was left.
        if (own.add(copy) && isThere()) {
            holds.take(lockOf(copy));
        }
        write(copy, build, Optional.empty());
    }

    /** Writes the state of a build; a failure is told, and the build itself is not in danger. */
    public void keep(Path file, Build build) {
        write(copyOf(file), build, Optional.of(file.toAbsolutePath().normalize()));
    }

    private synchronized void write(Path copy, Build build, Optional<Path> file) {
        try {
            Files.createDirectories(folder);
            AtomicFile.write(copy, BuildWriter.print(build));
            Path of = ofOf(copy);
            if (file.isPresent() && !Files.exists(of)) {
                AtomicFile.write(of, file.get().toString());
            }
        } catch (IOException | UncheckedIOException failed) {
            Trouble.minor(Recovery.class, "recovery copy not written", failed);
            trouble.accept(failed);
        }
    }

    private static Path ofOf(Path copy) {
        String name = copy.getFileName().toString();
        int aside = name.indexOf(LEFT);
        return copy.resolveSibling((aside < 0 ? name : name.substring(0, aside)) + OF);
    }

    /** All that earlier runs left of builds that are open nowhere, the latest first. */
    public synchronized List<Left> all() {
        return list(name -> name.endsWith(ENDING) || name.contains(ENDING + LEFT)).stream()
                .filter(copy -> !own.contains(copy))
                .filter(copy -> !holds.isTaken(lockOf(base(copy))))
                .map(copy -> new Left(copy, fileOf(copy), kept(copy)))
                .sorted(Comparator.comparing(Left::kept).reversed())
                .toList();
    }

    /** What is set aside belongs to the build of the copy that it was set aside from. */
    private static Path base(Path copy) {
        String name = copy.getFileName().toString();
        int aside = name.indexOf(LEFT);
        return aside < 0 ? copy : copy.resolveSibling(name.substring(0, aside));
    }

    /** Whether two copies are of the same build. */
    public boolean isSame(Path one, Path other) {
        return base(one).equals(base(other));
    }

    private static Optional<Path> fileOf(Path copy) {
        try {
            return Files.isRegularFile(ofOf(copy))
                    ? Optional.of(Path.of(Files.readString(ofOf(copy)).strip()))
                    : Optional.empty();
        } catch (IOException | InvalidPathException unknown) {
            Trouble.minor(Recovery.class, "what a recovery copy is of is not known", unknown);
            return Optional.empty();
        }
    }

    private static Instant kept(Path copy) {
        try {
            return Files.getLastModifiedTime(copy).toInstant();
        } catch (IOException gone) {
            return Instant.EPOCH;
        }
    }

    /**
     * What was left of a file that is opened now, by an earlier run or by an earlier opening in this one, the latest first. It
     * is set aside under other names, so that what is kept from now on does not write over it.
     */
    public synchronized List<Path> left(Path file) {
        Path copy = copyOf(file);
        String before = copy.getFileName() + LEFT;
        List<Path> left = new ArrayList<>(list(name -> name.startsWith(before)));
        left.sort(Comparator.comparingInt((Path one) -> number(one, before)).reversed());
        if (Files.isRegularFile(copy)) {
            int next = left.isEmpty() ? 1 : number(left.get(0), before) + 1;
            Path aside = copy.resolveSibling(before + next);
            try {
                Files.move(copy, aside, StandardCopyOption.ATOMIC_MOVE);
                left.add(0, aside);
            } catch (IOException failed) {
                Trouble.minor(Recovery.class, "recovery copy not set aside", failed);
            }
        }
        return left;
    }

    private static int number(Path aside, String before) {
        String digits = aside.getFileName().toString().substring(before.length());
        return digits.matches("[0-9]{1,8}") ? Integer.parseInt(digits) : 0;
    }

    private List<Path> list(Predicate<String> name) {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> name.test(file.getFileName().toString()))
                    .sorted()
                    .toList();
        } catch (IOException failed) {
            Trouble.minor(Recovery.class, "recovery folder not read", failed);
            return List.of();
        }
    }

    /** Somebody took, or threw away, what was left. */
    public void forgetLeft(Path copy) {
        delete(copy);
    }

    /** A build without a file got one, or was left. */
    public void forgetNew(String key) {
        delete(newCopy(key));
    }

    /** The build was saved: the file has all that its copy has. */
    public void forget(Path file) {
        delete(copyOf(file));
    }

    private synchronized void delete(Path copy) {
        try {
            Files.deleteIfExists(copy);
            Files.deleteIfExists(copy.resolveSibling(copy.getFileName() + ".previous"));
            if (copy.getFileName().toString().startsWith(NEW)) {
                own.remove(copy);
                holds.release(lockOf(copy));
                Files.deleteIfExists(lockOf(copy));
            } else if (list(name -> name.startsWith(base(copy).getFileName() + LEFT))
                            .isEmpty()
                    && !Files.exists(base(copy))) {
                Files.deleteIfExists(ofOf(copy));
            }
        } catch (IOException failed) {
            Trouble.minor(Recovery.class, "recovery copy not deleted", failed);
        }
    }

    private Path newCopy(String key) {
        return folder.resolve(NEW + key + ENDING);
    }

    /** By the whole name of what a link leads to, so that no two files share a copy and no file has two. */
    private Path copyOf(Path file) {
        Path whole = file.toAbsolutePath().normalize();
        try {
            whole = whole.toRealPath();
        } catch (IOException notThereYet) {
            // A file that is gone, or not written yet, is known by its name alone.
        }
        try {
            byte[] mark = MessageDigest.getInstance("SHA-256")
                    .digest(String.valueOf(whole).getBytes(StandardCharsets.UTF_8));
            return folder.resolve(HexFormat.of().formatHex(mark).substring(0, MARK_DIGITS) + ENDING);
        } catch (NoSuchAlgorithmException missing) {
            throw new IllegalStateException("every Java has SHA-256", missing);
        }
    }
}
