package inkel.app.tongue;

import java.io.IOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A language made of the shipped words, in which every text is a third longer, every vowel has an accent and numbers
 * have a decimal comma. What is on the screen without an accent was written past the bundles.
 */
final class OtherTongue {
    private static final Path SHIPPED = Path.of("src/main/resources/inkel/app/words");
    private static final Pattern SLOT = Pattern.compile("\\{([a-z0-9_]+)(?::([^|}]*)\\|([^}]*))?}");
    private static final Map<Character, Character> ACCENTS =
            Map.of('a', 'á', 'e', 'é', 'i', 'í', 'o', 'ó', 'u', 'ú', 'A', 'Á', 'E', 'É', 'I', 'Í', 'O', 'Ó', 'U', 'Ú');

    private OtherTongue() {}

    static void write(Path folder) throws IOException {
        Files.createDirectories(folder);
        try (Stream<Path> bundles = Files.list(SHIPPED)) {
            for (Path bundle : bundles.toList()) {
                Properties texts = new Properties();
                texts.load(Files.newBufferedReader(bundle, StandardCharsets.UTF_8));
                Properties other = new Properties();
                texts.forEach((key, text) -> other.put(key, turned((String) key, (String) text)));
                try (Writer out = Files.newBufferedWriter(folder.resolve(bundle.getFileName()))) {
                    other.store(out, null);
                }
            }
        }
    }

    private static String turned(String key, String text) {
        if (key.equals("number.mark")) {
            return ",";
        }
        return key.endsWith(".formula") ? text : longer(text);
    }

    /** Slots stay; words around them, and those inside a slot, are turned. */
    private static String longer(String text) {
        StringBuilder out = new StringBuilder();
        Matcher slot = SLOT.matcher(text);
        int from = 0;
        int letters = 0;
        while (slot.find()) {
            out.append(accented(text.substring(from, slot.start())));
            letters += slot.start() - from;
            out.append(
                    slot.group(2) == null
                            ? slot.group()
                            : "{" + slot.group(1) + ":" + accented(slot.group(2)) + "|" + accented(slot.group(3))
                                    + "}");
            from = slot.end();
        }
        out.append(accented(text.substring(from)));
        letters += text.length() - from;
        return out + filler(letters / 3, text);
    }

    private static String accented(String text) {
        return text.replaceAll("(?<=[0-9])[.](?=[0-9])", ",")
                .chars()
                .mapToObj(letter -> String.valueOf(ACCENTS.getOrDefault((char) letter, (char) letter)))
                .collect(Collectors.joining());
    }

    /** So many letters more: at the word's own end where there is one word alone, as words of their own in a sentence. */
    private static String filler(int count, String text) {
        if (text.isBlank()
                || count == 0
                || !Character.isLetter(text.strip().charAt(text.strip().length() - 1))) {
            return text.strip().contains(" ") && count > 1 ? " " + words(count - 1) : "";
        }
        return text.strip().contains(" ") ? " " + words(Math.max(1, count - 1)) : "ó".repeat(count);
    }

    private static String words(int count) {
        return Stream.of("lórém", "ípsúm", "dólór", "sít", "ámét", "séd", "dó", "éíús", "témpór", "ín", "cúlpá")
                .flatMap(word -> List.of(word).stream())
                .collect(Collectors.collectingAndThen(
                        Collectors.joining(" "),
                        all -> all.repeat(1 + count / all.length()).substring(0, count)))
                .strip();
    }

    static Map<String, String> texts() throws IOException {
        Map<String, String> all = new TreeMap<>();
        try (Stream<Path> bundles = Files.list(SHIPPED)) {
            for (Path bundle : bundles.toList()) {
                Properties texts = new Properties();
                texts.load(Files.newBufferedReader(bundle, StandardCharsets.UTF_8));
                texts.forEach((key, text) -> all.put((String) key, (String) text));
            }
        }
        return all;
    }
}
