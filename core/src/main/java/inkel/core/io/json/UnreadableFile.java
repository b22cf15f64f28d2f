package inkel.core.io.json;

import inkel.core.quantity.Fact;
import java.nio.file.Path;
import java.util.List;

/** A file that cannot be used, with all that is wrong with it. The file itself is untouched. */
public final class UnreadableFile extends Exception {
    private static final long serialVersionUID = 1L;

    private final transient Path file;
    private final transient List<Problem> problems;

    public UnreadableFile(Path file, List<Problem> problems) {
        super(file + ": " + problems);
        this.file = file;
        this.problems = List.copyOf(problems);
    }

    /** A file with one thing wrong that concerns it as a whole. */
    public static UnreadableFile because(Path file, Fact reason) {
        return new UnreadableFile(file, List.of(Problem.ofFile(reason)));
    }

    public Path file() {
        return file;
    }

    /** Never empty; in the order of the file. */
    public List<Problem> problems() {
        return problems;
    }
}
