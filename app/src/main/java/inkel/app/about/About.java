package inkel.app.about;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;

/** What the program can say of itself. */
public final class About {
    private static final String TOOLKIT = "javafx-base";

    private static final CSVFormat LIST = CSVFormat.RFC4180
            .builder()
            .setDelimiter(';')
            .setIgnoreEmptyLines(true)
            .get();

    private About() {}

    /** The version of the program. */
    public static String version() {
        return text("version.txt").strip();
    }

    /** The Java it runs on: version, and whose build it is. */
    public static String java() {
        Properties of = System.getProperties();
        return of.getProperty("java.version") + " (" + of.getProperty("java.vendor") + ")";
    }

    /** The version of the window toolkit. */
    public static String toolkit() {
        return libraries().stream()
                .filter(library -> library.name().equals(TOOLKIT))
                .findFirst()
                .map(Library::version)
                .orElseThrow();
    }

    /** Every library that is shipped, by name. The build writes the list from what it really puts together. */
    public static List<Library> libraries() {
        try (InputStreamReader list = new InputStreamReader(stream("libraries.csv"), StandardCharsets.UTF_8)) {
            return LIST.parse(list).stream()
                    .map(About::library)
                    .sorted(Comparator.comparing(Library::name))
                    .toList();
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    private static Library library(CSVRecord line) {
        return new Library(line.get(0), line.get(1), List.of(line.get(2).split("\\|")), line.get(3));
    }

    /** The text of a licence by its short name; empty for one that the program makes no use of. */
    public static Optional<String> licence(String name) {
        return About.class.getResource(place(name + ".txt")) == null
                ? Optional.empty()
                : Optional.of(text(name + ".txt"));
    }

    private static String text(String file) {
        try (InputStream stream = stream(file)) {
            return new String(stream.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    private static InputStream stream(String file) {
        return About.class.getResourceAsStream(place(file));
    }

    private static String place(String file) {
        return "/inkel/app/about/" + file;
    }
}
