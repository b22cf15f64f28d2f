package inkel.core.io.json;

import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CoderResult;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;

/** Reads a text file with a limit on its size, and refuses bytes that are no UTF-8. */
public final class TextFile {
    /** A build of a hundred parts is a few hundred kilobytes; beyond this it is some other file. */
    static final long MAX_BYTES = 16L << 20;

    private static final char BYTE_ORDER_MARK = '\ufeff';
    private static final char REPLACEMENT = '\ufffd';

    private TextFile() {}

    public static String read(Path file) throws UnreadableFile {
        try {
            if (Files.isDirectory(file)) {
                throw UnreadableFile.because(file, Fact.of("problem.is_folder"));
            }
            long size = Files.size(file);
            if (size > MAX_BYTES) {
                throw UnreadableFile.because(
                        file,
                        Fact.of("problem.too_large")
                                .with("megabytes", size >> 20)
                                .with("limit", MAX_BYTES >> 20));
            }
            if (size == 0) {
                throw UnreadableFile.because(file, Fact.of("problem.empty"));
            }
            return decoded(file, Files.readAllBytes(file));
        } catch (NoSuchFileException missing) {
            throw UnreadableFile.because(file, Fact.of("problem.missing"));
        } catch (AccessDeniedException denied) {
            throw UnreadableFile.because(file, Fact.of("problem.no_access"));
        } catch (IOException failed) {
            throw UnreadableFile.because(
                    file, Fact.of("problem.io").with("detail", String.valueOf(failed.getMessage())));
        }
    }

    private static String decoded(Path file, byte[] bytes) throws UnreadableFile {
        String quick = new String(bytes, StandardCharsets.UTF_8);
        // Bytes that are no UTF-8 become this letter; a file may have it too, which the slow way tells.
        return quick.indexOf(REPLACEMENT) < 0 ? withoutMark(quick) : decodedStrictly(file, bytes);
    }

    private static String decodedStrictly(Path file, byte[] bytes) throws UnreadableFile {
        CharBuffer text = CharBuffer.allocate(bytes.length);
        ByteBuffer left = ByteBuffer.wrap(bytes);
        CoderResult end = StandardCharsets.UTF_8
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT)
                .decode(left, text, true);
        text.flip();
        if (end.isError()) {
            int line = 1 + (int) text.chars().filter(letter -> letter == '\n').count();
            throw new UnreadableFile(file, List.of(new Problem(line, "", Fact.of("problem.not_utf8"))));
        }
        return withoutMark(text.toString());
    }

    /** Some editors put a mark of their own before the first letter. */
    private static String withoutMark(String text) {
        return !text.isEmpty() && text.charAt(0) == BYTE_ORDER_MARK ? text.substring(1) : text;
    }
}
