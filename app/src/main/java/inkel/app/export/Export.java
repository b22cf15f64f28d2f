package inkel.app.export;

import inkel.core.checks.Assessment;
import inkel.core.drawer.Drawer;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.BiPredicate;
import java.util.function.Function;

/**
 * A build in another form.
 *
 * @param id what the command line calls it, and how the file's name ends: {@code wires.csv}
 * @param board which boards of a build it is for, where it is of one board; absent for the whole build
 * @param make the content of the file; empty where a board has none of that kind
 */
public record Export(String id, Optional<BiPredicate<Assessment, String>> board, Function<Of, Optional<byte[]>> make) {
    /**
     * What is exported.
     *
     * @param drawer what its builder owns
     * @param node the board that is asked for
     */
    public record Of(Assessment assessment, Drawer drawer, String node) {
        /** The first board of a build. */
        public static Of first(Assessment assessment, Drawer drawer) {
            return new Of(assessment, drawer, assessment.build().nodes().get(0).id());
        }
    }

    /** Whether it can be shown on a terminal. */
    public boolean isText() {
        return !id.endsWith(".pdf") && !isPicture();
    }

    /** Whether it is made of dots. */
    public boolean isPicture() {
        return id.endsWith(".png");
    }

    static Export of(String id, BiFunction<Assessment, Drawer, byte[]> make) {
        return new Export(id, Optional.empty(), of -> Optional.of(make.apply(of.assessment(), of.drawer())));
    }

    /** @param drawing as SVG */
    static Export ofPicture(String id, Function<Assessment, String> drawing) {
        return of(id, (assessment, drawer) -> Pictures.png(drawing.apply(assessment)));
    }

    static Export ofText(String id, Function<Assessment, String> text) {
        return of(id, (assessment, drawer) -> text.apply(assessment).getBytes(StandardCharsets.UTF_8));
    }

    static Export ofText(String id, BiFunction<Assessment, Drawer, String> text) {
        return of(id, (assessment, drawer) -> text.apply(assessment, drawer).getBytes(StandardCharsets.UTF_8));
    }

    /**
     * @param suits whether a board takes it
     * @param text of one board
     */
    static Export ofBoard(
            String id, BiPredicate<Assessment, String> suits, BiFunction<Assessment, String, Optional<String>> text) {
        return new Export(id, Optional.of(suits), of -> text.apply(of.assessment(), of.node())
                .map(made -> made.getBytes(StandardCharsets.UTF_8)));
    }

    public boolean isOfOneBoard() {
        return board.isPresent();
    }

    /** Whether a build, or its board that is asked for, can be exported so. */
    public boolean isFor(Assessment assessment, String node) {
        return board.map(suits -> suits.test(assessment, node)).orElse(true);
    }

    /**
     * As a board goes into a file.
     *
     * @throws IllegalStateException for a board that has none, see {@link #isFor}
     */
    public Function<Assessment, byte[]> bytes(Drawer drawer, String node) {
        return assessment -> make.apply(new Of(assessment, drawer, node))
                .orElseThrow(() -> new IllegalStateException(id + " of " + node));
    }
}
