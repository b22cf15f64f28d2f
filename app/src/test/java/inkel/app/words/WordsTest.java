package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.catalog.Habit;
import inkel.core.catalog.PinUse;
import inkel.core.checks.Assessment;
import inkel.core.checks.RuleBook;
import inkel.core.finding.Finding;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Stage;
import inkel.core.parts.SupplyReport.Fit;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Voltage;
import inkel.core.wiring.WireColour;
import java.awt.Font;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class WordsTest {
    private static final Path FOLDER = Path.of("src/main/resources/inkel/app/words");

    private static Stream<String> allTexts() {
        return Texts.read().values().stream();
    }

    @Test
    void valuesTakeTheirPlaces() {
        assertEquals(
                "Feed Radio from Board 5V",
                Words.say(Fact.of("fix.feed")
                        .with("part", "Radio")
                        .with("rail", Fact.of("rail.of_board").with("pin", "5V"))));
        assertEquals("3.10 V", Words.show(Voltage.ofVolts(3.1)));
    }

    /** The word before a name goes by its first sound, and a number keeps its word behind it. */
    @ParameterizedTest
    @CsvSource({
        "I2C multiplexer, Add an I2C multiplexer",
        "8-bit SPI DAC, Add an 8-bit SPI DAC",
        "16-bit ADC, Add a 16-bit ADC",
        "LED, Add an LED",
        "USB port, Add a USB port",
        "Optocoupler, Add an Optocoupler",
        "Wall supply 5 V, Add a Wall supply 5 V",
        "SPI memory, Add an SPI memory",
    })
    void theArticleSuitsTheName(String name, String said) {
        assertEquals(said, Words.get("fix.add_helper", "class", name));
    }

    @Test
    void aPrintedNumberKeepsItsWordBehindIt() {
        assertEquals("Leave 3 wires away", Words.get("fix.said_twice", "count", "3"));
        assertEquals("Leave 1 wire away", Words.get("fix.said_twice", "count", 1));
        assertEquals("Add an LED", Words.get("fix.add_helper", "class", Fact.of("LED")), "a fact is a name too");
    }

    @Test
    void everyHabitHasItsQuestionItsReasonAndItsSchools() {
        for (Habit<?> habit : Habit.all()) {
            String key = "habit." + habit.key();
            assertTrue(Words.has(key) && Words.has(key + ".why"), key);
            for (String option : habit.texts()) {
                assertTrue(Words.has(key + "." + option) && Words.has(key + "." + option + ".text"), key + option);
            }
        }
    }

    /** What is counted is asked for with both its forms: {count:wire|wires}. */
    @Test
    void nothingIsCountedInOneFormOnly() {
        String counted =
                "wires|pins|parts|ways|signals|boards|lines|times|sockets|modules|supplies|rails|findings|stops|"
                        + "looks|notes|rows|channels|cells|lamps|addresses|copies|steps|moments|radios|stations|timers|ports";
        Pattern bare = Pattern.compile("\\{[a-z_]+\\} (" + counted + ")\\b");
        assertEquals(
                List.of(),
                Texts.read().entrySet().stream()
                        .filter(text -> bare.matcher(text.getValue()).find())
                        .map(Map.Entry::getKey)
                        .toList());
    }

    @Test
    void everyRuleHasItsSentences() {
        for (RuleInfo info : RuleBook.infos()) {
            boolean hasSentence = Words.has(info.code())
                    || Texts.read().keySet().stream().anyMatch(key -> key.startsWith(info.code() + "."));
            assertTrue(hasSentence, info.code());
            assertTrue(Words.has("finding.short." + info.code()), info.code());
            assertTrue(Words.has("basis." + info.code()), info.code());
        }
    }

    @Test
    void everySentenceOfTheSketchIsWhole() {
        Assessment assessment = Given.assessment(Given.FIRST_SKETCH);
        for (Finding finding : assessment.findings()) {
            assertWhole(Words.say(finding.sentence()));
            finding.evidence().forEach(evidence -> assertTrue(Words.has("number." + evidence.key()), evidence.key()));
            finding.fixes().forEach(fix -> {
                assertWhole(Words.say(fix.title()));
                assertWhole(Words.say(fix.cost()));
            });
        }
    }

    private static void assertWhole(String sentence) {
        assertFalse(sentence.contains("{"), sentence);
        assertFalse(sentence.matches(".*\\b[a-z_]+\\.[a-z_]+\\b.*"), "a key without wording: " + sentence);
    }

    @Test
    void everyStageColourAndCalculationHasWords() {
        for (Stage stage : Stage.values()) {
            assertTrue(Words.has("stage." + stage.text()));
            assertTrue(Words.has("stage." + stage.text() + ".purpose"));
        }
        for (WireColour colour : WireColour.values()) {
            assertTrue(Words.has("colour." + colour.text()));
        }
        for (PinUse use : PinUse.values()) {
            assertTrue(!use.isSignal() || Words.has("use." + use.text()), use.text());
        }
        for (Fit fit : Fit.values()) {
            assertFalse(PartWords.fit(fit).startsWith("fit."), fit.name());
        }
    }

    /** Every key that the sources name has a text. */
    @Test
    void keysNamedInTheSourcesExist() throws IOException {
        Set<String> missing = new TreeSet<>();
        Pattern named = Pattern.compile("(?:Words\\.get|Fact\\.of)\\(\\s*\"([a-z_0-9.-]+)\"");
        for (String root : new String[] {"src/main/java", "../core/src/main/java"}) {
            try (Stream<Path> files = Files.walk(Path.of(root))) {
                for (Path file :
                        files.filter(path -> path.toString().endsWith(".java")).toList()) {
                    Matcher matcher = named.matcher(Files.readString(file));
                    while (matcher.find()) {
                        String key = matcher.group(1);
                        if (!key.endsWith(".") && !Words.has(key)) {
                            missing.add(key + " in " + file.getFileName());
                        }
                    }
                }
            }
        }
        assertEquals(Set.of(), missing);
    }

    @ParameterizedTest
    @ValueSource(strings = {"Inter-Regular.otf", "Inter-Bold.otf"})
    void theShippedFontHasEveryGlyphUsed(String name) throws Exception {
        try (InputStream stream = WordsTest.class.getResourceAsStream("/inkel/app/fonts/" + name)) {
            Font font = Font.createFont(Font.TRUETYPE_FONT, stream);
            String more = "Ωµ≥≤→−±°×²–…·";
            Stream.concat(allTexts(), Stream.of(more))
                    .forEach(text -> assertEquals(-1, font.canDisplayUpTo(text), text));
        }
    }

    @Test
    void theMonoFontHasTheReadings() throws Exception {
        try (InputStream stream = WordsTest.class.getResourceAsStream("/inkel/app/fonts/Hack-Regular.ttf")) {
            Font font = Font.createFont(Font.TRUETYPE_FONT, stream);
            assertEquals(-1, font.canDisplayUpTo("0123456789 mA µA Ω → − ± ° × 0x27 V+ SDA/SS"));
        }
    }

    @Test
    void noKeyIsGivenTwice() throws IOException {
        Set<String> seen = new TreeSet<>();
        for (String bundle : Texts.BUNDLES) {
            for (String line : Files.readAllLines(FOLDER.resolve(bundle + ".properties"))) {
                if (!line.isBlank() && !line.startsWith("#")) {
                    assertTrue(seen.add(line.substring(0, line.indexOf(" ="))), line);
                }
            }
        }
        assertEquals(seen.size(), Texts.read().size());
    }

    @Test
    void everyBundleInTheFolderIsRead() throws IOException {
        try (Stream<Path> files = Files.list(FOLDER)) {
            assertEquals(
                    new TreeSet<>(Texts.BUNDLES),
                    files.map(file -> file.getFileName().toString().replace(".properties", ""))
                            .collect(java.util.stream.Collectors.toCollection(TreeSet::new)));
        }
    }

    @Test
    void aNumberTakesTheWordThatSuits() {
        assertEquals("1 wire placed anew. Undo takes that back.", Words.get("notice.planned", "count", 1));
        assertEquals("2 wires placed anew. Undo takes that back.", Words.get("notice.planned", "count", 2L));
        assertEquals("0 wires placed anew. Undo takes that back.", Words.get("notice.planned", "count", 0));
        assertEquals("1 moment was moved apart.", Words.get("notice.staggered", "count", 1));
    }

    @Test
    void sentencesAreCalm() {
        allTexts().forEach(text -> assertFalse(text.contains("!"), text));
    }

    @Test
    void theBundleIsReadTheSameInEveryPlace() {
        Locale before = Locale.getDefault();
        try {
            Locale.setDefault(Locale.GERMANY);
            assertEquals("3.10 V", Words.show(Voltage.ofVolts(3.1)));
        } finally {
            Locale.setDefault(before);
        }
    }
}
