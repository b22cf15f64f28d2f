package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class FailureWordsTest {
    static Stream<Arguments> failures() {
        return Stream.of(
                Arguments.of(new IOException("No space left on device"), "the disk is full"),
                Arguments.of(
                        new FileSystemException("/x/.inkel-1.new", null, "No space left on device"),
                        "the disk is full"),
                Arguments.of(
                        new FileSystemException("/x/.inkel-1.new", null, "Read-only file system"),
                        "the disk may only be read"),
                Arguments.of(new FileSystemException("/x", null, "File name too long"), "the name is too long"),
                Arguments.of(new AccessDeniedException("/x"), "it is protected, or its folder is"),
                Arguments.of(new NoSuchFileException("/gone"), "there is no folder /gone"),
                Arguments.of(new FileAlreadyExistsException("/x"), "another file of that name is there"),
                Arguments.of(new FileSystemException("/x"), "the system says: FileSystemException"),
                Arguments.of(new IOException("Odd"), "the system says: Odd"),
                Arguments.of(new IllegalStateException("inside"), "a mistake in Inkel, IllegalStateException"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("failures")
    void aFailureIsToldInPlainWords(Exception failed, String said) {
        assertEquals(said, FailureWords.say(failed));
    }
}
