package inkel.app.export;

import inkel.core.checks.Assessment;
import inkel.core.drawer.Drawer;
import java.nio.charset.StandardCharsets;
import java.util.function.BiFunction;
import java.util.function.Function;

/**
 * A build in another form.
 *
 * @param id what the command line calls it, and how the file's name ends: {@code wires.csv}
 * @param make the content of the file, of a build and what its builder owns
 */
public record Export(String id, BiFunction<Assessment, Drawer, byte[]> make) {
    /** Whether it can be shown on a terminal. */
    public boolean isText() {
        return !id.endsWith(".pdf") && !isPicture();
    }

    /** Whether it is made of dots. */
    public boolean isPicture() {
        return id.endsWith(".png");
    }

    /** @param drawing as SVG */
    static Export ofPicture(String id, Function<Assessment, String> drawing) {
        return new Export(id, (assessment, drawer) -> Pictures.png(drawing.apply(assessment)));
    }

    /** As a build goes into a file. */
    public Function<Assessment, byte[]> bytes(Drawer drawer) {
        return assessment -> make.apply(assessment, drawer);
    }

    static Export ofText(String id, Function<Assessment, String> text) {
        return ofText(id, (assessment, drawer) -> text.apply(assessment));
    }

    static Export ofText(String id, BiFunction<Assessment, Drawer, String> text) {
        return new Export(
                id, (assessment, drawer) -> text.apply(assessment, drawer).getBytes(StandardCharsets.UTF_8));
    }
}
