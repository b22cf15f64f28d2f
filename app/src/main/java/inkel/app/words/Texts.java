package inkel.app.words;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Properties;

/**
 * Reads the wording, one bundle for each stage and a few for what they share. Read by hand and not looked up by
 * language, which takes longer than all of the reading and would be done at every start.
 */
final class Texts {
    static final List<String> BUNDLES = List.of(
            "frame",
            "habits",
            "files",
            "why",
            "parts",
            "power",
            "levels",
            "pins",
            "wire",
            "seats",
            "drawer",
            "wake",
            "faults",
            "practice",
            "report",
            "line",
            "tune",
            "capture",
            "log",
            "reckon",
            "sheet",
            "take",
            "help");

    /** Names a folder with bundles of another language. */
    private static final String OTHER = "inkel.words";

    private static final String FOLDER = "/inkel/app/words/";

    private Texts() {}

    /** @throws IllegalStateException when two bundles have a key in common */
    static Map<String, String> read() {
        Map<String, String> texts = new HashMap<>();
        for (String name : BUNDLES) {
            bundle(name).forEach((key, text) -> {
                if (texts.put((String) key, (String) text) != null) {
                    throw new IllegalStateException("wording given twice: " + key);
                }
            });
        }
        return texts;
    }

    private static Properties bundle(String name) {
        Properties bundle = new Properties();
        try (InputStream stream = Texts.class.getResourceAsStream(FOLDER + name + ".properties")) {
            bundle.load(new InputStreamReader(stream, StandardCharsets.UTF_8));
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
        String other = System.getProperty(OTHER);
        return other == null ? bundle : translated(bundle, Path.of(other).resolve(name + ".properties"));
    }

    /** The texts of a file in the place of those with the same keys; what it lacks stays. */
    private static Properties translated(Properties bundle, Path file) {
        if (Files.isRegularFile(file)) {
            try (Reader texts = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
                bundle.load(texts);
            } catch (IOException | IllegalArgumentException unreadable) {
                System.err.println("inkel: " + file + " could not be read: " + unreadable.getMessage());
            }
        }
        return bundle;
    }
}
