package inkel.app.words;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
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
            return bundle;
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }
}
