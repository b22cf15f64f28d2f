package inkel.app.export.program;

import inkel.core.quantity.Engineering;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** How made programs write their tables; the same words in both languages, in other brackets. */
enum ProgramText {
    CPP("// ", "{", "}", "NONE"),
    PYTHON("# ", "(", ")", "None");

    private static final String FOLDER = "/inkel/app/export/program/";

    private final String remark;
    private final String open;
    private final String close;

    /** What stands where there is nothing. */
    final String none;

    ProgramText(String remark, String open, String close, String none) {
        this.remark = remark;
        this.open = open;
        this.close = close;
        this.none = none;
    }

    /** A text beside this class. */
    static String resource(String name) {
        try (InputStream in = ProgramText.class.getResourceAsStream(FOLDER + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException cannotBe) {
            throw new UncheckedIOException(cannotBe);
        }
    }

    static String quoted(Object text) {
        return "\"" + String.valueOf(text).replace("\\", "\\\\").replace("\"", "\\\"") + "\"";
    }

    static String hex(int value) {
        return Engineering.address(value);
    }

    /** Words of people as they may stand in a remark: on one line, and with nothing that goes on in the next. */
    static String calm(String words) {
        return words.replaceAll("\\p{Cntrl}", " ").replace('\\', '/');
    }

    /** Each line as a remark. */
    String remarks(String lines) {
        return lines.lines().map(line -> remark + calm(line)).collect(Collectors.joining("\n"));
    }

    String row(String... cells) {
        return open + String.join(", ", cells) + close;
    }

    /** Numbers as a table in a row, one at least. */
    String list(List<Integer> numbers) {
        String all = numbers.stream().map(String::valueOf).collect(Collectors.joining(", "));
        return (open.equals("{") ? "{" : "[") + all + (open.equals("{") ? "}" : "]");
    }

    /** Which bits of an answer count. */
    String mask(Optional<Long> mask, int bytes) {
        long all = (1L << 8 * bytes) - 1;
        String number = "0x" + Long.toHexString(mask.orElse(all) & all).toUpperCase(Locale.ROOT);
        return open.equals("{") ? number + "UL" : number;
    }

    <T> String rows(List<T> of, Function<T, String> row) {
        return of.stream().map(one -> row.apply(one) + ", ").collect(Collectors.joining());
    }
}
