package inkel.app.state;

import inkel.core.document.Build;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.AtomicFile;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.UUID;
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
    private static final int MARK_DIGITS = 16;

    private final Path folder;

    /** Copies of builds without a file that this run writes itself. */
    private final Set<Path> own = new HashSet<>();

    public Recovery(Path folder) {
        this.folder = folder;
    }

    /** A name for the copy of a build that has no file yet; no two builds have the same one. */
    String newKey() {
        return UUID.randomUUID().toString();
    }

    /** Writes the state of a build that has no file yet. */
    synchronized void keepNew(String key, Build build) {
        own.add(newCopy(key));
        write(newCopy(key), build);
    }

    /** Writes the state of a build; a failure is only logged, since the build itself is not in danger. */
    void keep(Path file, Build build) {
        write(copyOf(file), build);
    }

    private synchronized void write(Path copy, Build build) {
        try {
            Files.createDirectories(folder);
            AtomicFile.write(copy, BuildWriter.print(build));
        } catch (IOException | UncheckedIOException failed) {
            Trouble.minor(Recovery.class, "recovery copy not written", failed);
        }
    }

    /** What earlier runs left of builds that were never saved. */
    synchronized List<Path> leftNew() {
        return list(name -> name.startsWith(NEW) && name.endsWith(ENDING)).stream()
                .filter(copy -> !own.contains(copy))
                .toList();
    }

    /**
     * What was left of a file that is opened now, by an earlier run or by an earlier opening in this one, the latest first. It
     * is set aside under other names, so that what is kept from now on does not write over it.
     */
    synchronized List<Path> left(Path file) {
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
    void forgetLeft(Path copy) {
        delete(copy);
    }

    /** A build without a file got one, or was left. */
    void forgetNew(String key) {
        delete(newCopy(key));
    }

    /** The build was saved: the file has all that its copy has. */
    void forget(Path file) {
        delete(copyOf(file));
    }

    private synchronized void delete(Path copy) {
        try {
            Files.deleteIfExists(copy);
            Files.deleteIfExists(copy.resolveSibling(copy.getFileName() + ".previous"));
        } catch (IOException failed) {
            Trouble.minor(Recovery.class, "recovery copy not deleted", failed);
        }
    }

    private Path newCopy(String key) {
        return folder.resolve(NEW + key + ENDING);
    }

    /** By the folder's whole name, so that no two folders share a copy. */
    private Path copyOf(Path file) {
        Path whole = file.toAbsolutePath().normalize();
        try {
            byte[] mark = MessageDigest.getInstance("SHA-256")
                    .digest(String.valueOf(whole).getBytes(StandardCharsets.UTF_8));
            return folder.resolve(HexFormat.of().formatHex(mark).substring(0, MARK_DIGITS) + ENDING);
        } catch (NoSuchAlgorithmException missing) {
            throw new IllegalStateException("every Java has SHA-256", missing);
        }
    }
}
