package inkel.app.ui.frame;

import inkel.app.store.Examples;
import inkel.app.store.UserState;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Where files are offered to go, and under which names: beside the build or among the builder's documents, never in the program's own folder. */
final class Folders {
    private static final String EXPORTS = "folder.exports";
    private static final Pattern DOCUMENTS = Pattern.compile("XDG_DOCUMENTS_DIR=\"(.*)\"");

    private final UserState state;
    private final Path home;

    Folders(UserState state) {
        this(state, Path.of(System.getProperty("user.home")));
    }

    Folders(UserState state, Path home) {
        this.state = state;
        this.home = home;
    }

    /** For what is taken along: where the last went, else as for the build itself. */
    File forExports(Path build) {
        return state.text(EXPORTS)
                .flatMap(Folders::path)
                .filter(Files::isDirectory)
                .map(Path::toFile)
                .orElseGet(() -> forBuild(build));
    }

    void rememberExports(Path folder) {
        state.put(EXPORTS, folder.toAbsolutePath().toString());
        state.write();
    }

    /** @param build the file of the open build; null for one that has none yet */
    File forBuild(Path build) {
        return Stream.of(
                        beside(build),
                        documents(),
                        Optional.of(home.resolve("Documents")).filter(Files::isDirectory),
                        Optional.of(home))
                .flatMap(Optional::stream)
                .findFirst()
                .orElseThrow()
                .toFile();
    }

    private static Optional<Path> beside(Path build) {
        return Optional.ofNullable(build)
                .map(file -> file.toAbsolutePath().normalize().getParent())
                .filter(Files::isDirectory)
                .filter(folder -> !isTheProgrammes(folder));
    }

    private static boolean isTheProgrammes(Path folder) {
        Path examples = Examples.folder().toAbsolutePath().normalize();
        Path program = examples.getParent() == null ? examples : examples.getParent();
        return folder.startsWith(program);
    }

    /** As the desktop has it, where it says so. */
    private Optional<Path> documents() {
        Path said = home.resolve(".config").resolve("user-dirs.dirs");
        if (!Files.isRegularFile(said)) {
            return Optional.empty();
        }
        try {
            for (String line : Files.readAllLines(said, StandardCharsets.UTF_8)) {
                Matcher found = DOCUMENTS.matcher(line.strip());
                if (found.matches()) {
                    return path(found.group(1).replace("$HOME", home.toString()))
                            .filter(Files::isDirectory);
                }
            }
        } catch (IOException unreadable) {
            return Optional.empty();
        }
        return Optional.empty();
    }

    private static Optional<Path> path(String text) {
        try {
            return Optional.of(Path.of(text));
        } catch (InvalidPathException noPath) {
            return Optional.empty();
        }
    }

    /** A file's name from what the build is called: small letters, digits and dashes. */
    static String stem(String name) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD)
                .replaceAll("\\p{M}+", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-+|-+$", "");
        String stem = plain.length() > 60 ? plain.substring(0, 60) : plain;
        return stem.isEmpty() || List.of("con", "prn", "aux", "nul").contains(stem) ? "build" : stem;
    }
}
