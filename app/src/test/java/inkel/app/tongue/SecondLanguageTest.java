package inkel.app.tongue;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.export.Exports;
import inkel.app.kit.Given;
import inkel.app.kit.Screens;
import inkel.app.ui.frame.Window;
import inkel.app.ui.kit.Line;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The window in another language. Runs in a Java of its own, since words are read once. */
@ExtendWith(ApplicationExtension.class)
@EnabledIfSystemProperty(named = "inkel.tongue", matches = "other")
class SecondLanguageTest {
    private static final Pattern KEY = Pattern.compile("[a-z_]+([.][a-z0-9_]+)+");
    private static final Pattern WORD = Pattern.compile("[a-z]{4,}");
    private static final Pattern STRING = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"");
    private static final Pattern POINT = Pattern.compile("(?<![0-9.])[0-9]+[.][0-9]+(?![0-9.A-Z])");

    /** What the builder or the catalogue wrote, where the pointer shows the whole of it: that may be shortened. */
    private static final Set<String> MAY_BE_SHORTENED =
            Set.of("build-name", "level-part", "river-load", "result-summary");

    /** Screens on which names of files, libraries and calculations are no words. */
    private static final Set<String> NAMES = Set.of("about", "take", "reckon", "start", "new");

    private static Set<String> data;

    /** Texts of files with a number in them, the longest first. */
    private static List<String> numbered;

    private Screens screens;

    @BeforeAll
    static void language() throws IOException {
        Path folder = Files.createTempDirectory("inkel-tongue");
        OtherTongue.write(folder);
        System.setProperty("inkel.words", folder.toString());
        data = new TreeSet<>();
        Set<String> withNumbers = new TreeSet<>();
        try (Stream<Path> files = Stream.of("../core/src/main/resources", "../examples", "src/test/resources")
                .map(Path::of)
                .flatMap(SecondLanguageTest::under)) {
            for (Path file : files.toList()) {
                Matcher word = WORD.matcher(
                        Files.readString(file, StandardCharsets.UTF_8).toLowerCase(Locale.ROOT));
                while (word.find()) {
                    data.add(word.group());
                }
                Matcher string = STRING.matcher(Files.readString(file, StandardCharsets.UTF_8));
                while (string.find()) {
                    if (POINT.matcher(string.group(1)).find() && string.group(1).matches(".*[a-z]{3}.*")) {
                        withNumbers.add(string.group(1));
                    }
                }
            }
        }
        numbered = withNumbers.stream()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .toList();
    }

    /** A text without what files say in it. */
    private static String ownOf(String text) {
        String own = text.replaceAll("[A-Z_]{5,} [0-9.]+", ""); // a constant of the code
        for (String told : numbered) {
            own = own.replace(told, "");
        }
        return own;
    }

    private static Stream<Path> under(Path folder) {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(file -> file.toString().endsWith(".json")).toList().stream();
        } catch (IOException failed) {
            throw new AssertionError(failed);
        }
    }

    @Start
    void start(javafx.stage.Stage stage) {
        Window.dress();
        screens = new Screens(stage, 1100, 700);
    }

    private static List<String> texts(Node node) {
        List<String> said = new ArrayList<>();
        if (node instanceof Line line) {
            said.add(line.whole());
        } else if (node instanceof Labeled labeled && labeled.getText() != null) {
            said.add(labeled.getText());
        } else if (node instanceof TextInputControl field && field.getPromptText() != null) {
            said.add(field.getPromptText());
        }
        if (node.getAccessibleText() != null) {
            said.add(node.getAccessibleText());
        }
        return said;
    }

    /** Words of four letters or more that no file has and no accent marks. */
    private static Set<String> foreign(String text) {
        Set<String> words = new TreeSet<>();
        for (String piece : text.split("[^\\p{L}]+")) {
            if (WORD.matcher(piece).matches() && !data.contains(piece)) {
                words.add(piece);
            }
        }
        return words;
    }

    @Test
    void nothingIsWrittenPastTheBundlesNothingLacksAndNothingIsCut(FxRobot robot) throws IOException {
        Set<String> keys = OtherTongue.texts().keySet();
        Set<String> wrong = new TreeSet<>();
        Set<String> seen = new TreeSet<>();
        robot.interact(() -> screens.each((screen, nodes) -> nodes.forEach(node -> {
            for (String text : texts(node)) {
                seen.add(text);
                if (Exports.find(text).isEmpty()
                        && KEY.matcher(text).matches()
                        && keys.stream().anyMatch(key -> key.startsWith(text.split("[.]")[0]))
                        && !text.endsWith(".json")) {
                    wrong.add("no text for the key " + text);
                }
                Set<String> foreign = foreign(text);
                if (!foreign.isEmpty() && !NAMES.contains(screen)) {
                    wrong.add("past the bundles: " + foreign + " in \"" + text + "\" at " + Screens.where(node));
                }
                if (POINT.matcher(ownOf(text)).find() && !NAMES.contains(screen)) {
                    wrong.add("a decimal point: \"" + text + "\" at " + Screens.where(node));
                }
            }
            if (isCut(node)) {
                wrong.add("cut on " + screen + ": \"" + texts(node) + "\" at " + Screens.where(node));
            }
        })));
        assertTrue(seen.size() > 1000, "hardly anything was seen: " + seen.size());
        assertEquals(
                List.of(),
                List.copyOf(wrong),
                () -> wrong.size() + "\n" + wrong.stream().collect(Collectors.joining("\n")));
    }

    private static boolean isCut(Node node) {
        boolean may = node.getStyleClass().stream().anyMatch(MAY_BE_SHORTENED::contains)
                || node.getParent() != null
                        && node.getParent().getStyleClass().stream().anyMatch(MAY_BE_SHORTENED::contains);
        if (may) {
            return false;
        }
        if (node instanceof Line line) {
            return line.isShortened();
        }
        return node instanceof Labeled labeled
                && labeled.getText() != null
                && !labeled.getText().isEmpty()
                && labeled.lookup(".text") instanceof javafx.scene.text.Text shown
                && !shown.getText().equals(labeled.getText());
    }

    @Test
    void theSentencesOfABuildAreToldInItToo() {
        assertTrue(Given.assessment(Given.FIRST_SKETCH).findings().stream()
                .allMatch(
                        finding -> inkel.app.words.Words.say(finding.sentence()).matches("(?s).*[áéíóú].*")));
    }
}
