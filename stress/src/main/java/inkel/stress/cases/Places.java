package inkel.stress.cases;

import inkel.app.words.FailureWords;
import inkel.core.document.Build;
import inkel.core.io.document.BuildFile;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.UnreadableFile;
import inkel.stress.kit.Chance;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Tally;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;

/** Saving where there is no room, no right, another kind of file, a long name or a link: done and read back, or told and as before. */
public final class Places implements Ordeal {
    private static final int SMALL_KIB = 512;

    private final Path folder;
    private final Optional<Path> small;

    public Places() throws IOException, InterruptedException {
        folder = Files.createTempDirectory("inkel-stress-places");
        small = smallDisk();
    }

    /** A disk of half a megabyte, where this user may make one. */
    private Optional<Path> smallDisk() throws IOException, InterruptedException {
        Path at = Files.createDirectories(folder.resolve("small"));
        Process mount = new ProcessBuilder(
                        "mount", "-t", "tmpfs", "-o", "size=" + SMALL_KIB + "k", "inkel-stress", at.toString())
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        boolean isThere = mount.waitFor(10, TimeUnit.SECONDS) && mount.exitValue() == 0;
        if (isThere) {
            Runtime.getRuntime().addShutdownHook(new Thread(() -> unmount(at)));
        }
        return isThere ? Optional.of(at) : Optional.empty();
    }

    private static void unmount(Path at) {
        try {
            new ProcessBuilder("umount", at.toString()).start().waitFor(10, TimeUnit.SECONDS);
        } catch (IOException | InterruptedException stays) {
            System.err.println("still mounted: " + at);
        }
    }

    @Override
    public String name() {
        return "places";
    }

    @Override
    public String round() {
        return "a save on a full disk, without rights, through links, under long names";
    }

    @Override
    public void round(long number, Random random, Tally tally) throws Exception {
        Build before = BuildReader.parse(Seeds.FILE, Chance.of(random, Seeds.examples()), Seeds.CATALOG);
        Build after = BuildReader.parse(Seeds.FILE, Chance.of(random, Seeds.examples()), Seeds.CATALOG);
        int kind = random.nextInt(small.isPresent() ? 9 : 6);
        Path place = Files.createTempDirectory(folder, "place");
        Path file = place.resolve("saved.inkel.json");
        switch (kind) {
            case 0 -> file = place.resolve("n".repeat(200 + random.nextInt(80)) + ".inkel.json");
            case 1 -> {
                Path real = Files.createDirectories(place.resolve("real")).resolve("kept.inkel.json");
                BuildFile.save(real, before, Seeds.CATALOG);
                Files.createSymbolicLink(file, Chance.oneIn(random, 2) ? real : place.relativize(real));
            }
            case 2 -> {
                BuildFile.save(file, before, Seeds.CATALOG);
                Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("r--r--r--"));
            }
            case 3 -> file = place.resolve("gone").resolve("saved.inkel.json");
            case 4 -> Files.createDirectories(file);
            case 5 -> {
                BuildFile.save(file, before, Seeds.CATALOG);
                BuildFile.save(file, before, Seeds.CATALOG);
                Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-rw----"));
            }
            default -> {
                file = small.orElseThrow().resolve("saved.inkel.json");
                clear(file);
                BuildFile.save(file, before, Seeds.CATALOG);
                BuildFile.save(file, before, Seeds.CATALOG);
                fill(file.resolveSibling("rest"), random);
            }
        }
        saved(file, after, tally, "kind " + kind);
    }

    private static void clear(Path file) throws IOException {
        Files.deleteIfExists(file.resolveSibling("rest"));
        Files.deleteIfExists(file);
        Files.deleteIfExists(file.resolveSibling(file.getFileName() + ".previous"));
    }

    /** Leaves little or no room. */
    private static void fill(Path rest, Random random) throws IOException {
        long free = Files.getFileStore(rest.getParent()).getUsableSpace();
        Files.write(rest, new byte[(int) Math.max(0, free - random.nextInt(120_000))]);
    }

    private static void saved(Path file, Build after, Tally tally, String kind) throws IOException {
        Optional<String> text = text(file);
        Optional<String> previous = text(file.resolveSibling(file.getFileName() + ".previous"));
        boolean isLink = Files.isSymbolicLink(file);
        var rights = Files.exists(file) ? Files.getPosixFilePermissions(file) : null;
        try {
            BuildFile.save(file, after, Seeds.CATALOG);
            tally.count("saved");
            if (!BuildReader.read(file, Seeds.CATALOG).equals(after)) {
                tally.broke(kind + ": saved and another build", "", "");
            }
            if (text.isPresent() && AtomicFile.previous(file).isEmpty()) {
                tally.broke(kind + ": the version before is gone", "", "");
            }
            if (rights != null && !rights.equals(Files.getPosixFilePermissions(file))) {
                tally.broke(kind + ": other rights", rights.toString(), "");
            }
        } catch (IOException refused) {
            tally.count("told: " + FailureWords.say(refused).replaceAll("/.*", "…"));
            if (FailureWords.say(refused).contains(".inkel-")) {
                tally.broke(kind + ": names a file that passes", FailureWords.say(refused), "");
            }
            if (!text(file).equals(text)
                    || !text(file.resolveSibling(file.getFileName() + ".previous"))
                            .equals(previous)) {
                tally.broke(kind + ": told, and not as before", refused.toString(), "");
            }
        } catch (UnreadableFile unreadable) {
            tally.broke(kind + ": cannot be read", unreadable.toString(), "");
        }
        if (isLink != Files.isSymbolicLink(file)) {
            tally.broke(kind + ": the link is gone", "", "");
        }
        if (Files.isDirectory(file.getParent(), LinkOption.NOFOLLOW_LINKS)) {
            try (var all = Files.list(file.getParent())) {
                all.filter(path -> path.getFileName().toString().startsWith(".inkel-"))
                        .forEach(path -> tally.broke(kind + ": left lying", path.toString(), ""));
            }
        }
    }

    private static Optional<String> text(Path file) throws IOException {
        try {
            return Files.isRegularFile(file) ? Optional.of(Files.readString(file)) : Optional.empty();
        } catch (java.nio.file.FileSystemException tooLong) {
            return Optional.empty();
        }
    }
}
