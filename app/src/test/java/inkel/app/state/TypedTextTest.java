package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.app.kit.OtherRun;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What was typed and in no build yet is there for the next run, and for nobody while its own run goes on. */
class TypedTextTest {
    private static final List<TypedWork.Typed> TEXTS =
            List.of(new TypedWork.Typed("Name", "Front door"), new TypedWork.Typed("Pins", "1 VCC\n2 \"GND\" {x} 😀"));

    @TempDir
    private Path folder;

    private List<List<TypedWork.Typed>> leftFor(TypedText run) {
        return run.left().stream().map(TypedText.Left::texts).toList();
    }

    private long files() throws Exception {
        try (Stream<Path> all = Files.list(folder)) {
            return all.count();
        }
    }

    @Test
    void theNextRunHasItLetterByLetter() throws Exception {
        TypedText first = new TypedText(folder);
        first.keep(List.of(TEXTS.get(1)));
        first.keep(TEXTS);
        TypedText next = new TypedText(folder);
        next.keep(List.of(new TypedWork.Typed("own", "own")));
        assertEquals(List.of(TEXTS), leftFor(next), "what stood last, and not its own");
        next.forget(next.left().get(0).file());
        assertEquals(List.of(), leftFor(next));
    }

    @Test
    void whatWasTakenOverLeavesNothing() throws Exception {
        TypedText run = new TypedText(folder);
        run.keep(TEXTS);
        run.keep(List.of());
        assertEquals(0, files());
        assertEquals(List.of(), leftFor(new TypedText(folder.resolve("not-there"))));
    }

    @Test
    void whileItsRunGoesOnItIsNobodyElses() throws Exception {
        Path elsewhere = Files.createDirectory(folder.resolve("elsewhere"));
        new TypedText(elsewhere).keep(TEXTS);
        // This run has the lock of what it wrote itself; that of a copy is free for another one.
        try (Stream<Path> all = Files.list(elsewhere)) {
            Path written = all.filter(file -> file.toString().endsWith(".properties"))
                    .findFirst()
                    .orElseThrow();
            Files.copy(written, folder.resolve("typed-other.properties"));
        }
        Files.createFile(folder.resolve("typed-other.properties.lock"));
        TypedText here = new TypedText(folder);
        try (OtherRun other = OtherRun.holding(folder)) {
            assertEquals(List.of(), leftFor(here));
        }
        assertEquals(List.of(TEXTS), leftFor(here));
    }

    @Test
    void whatCannotBeReadIsNotOffered() throws Exception {
        for (String spoilt : List.of("{", "text.0=\\u12", "text.1=a", "field.0=a", "")) {
            Files.writeString(folder.resolve("typed-1.properties"), spoilt);
            assertEquals(List.of(), leftFor(new TypedText(folder)), spoilt);
        }
    }
}
