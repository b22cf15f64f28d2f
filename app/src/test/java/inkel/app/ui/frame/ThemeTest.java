package inkel.app.ui.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Colours;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Colours that mean something, for those who see fewer of them. */
class ThemeTest {
    /** Twice what is told apart at a glance, side by side (CIEDE2000). */
    private static final double LEAST_DIFFERENCE = 10;

    private static final List<String> VERDICTS = List.of("good", "look", "stop");
    private static final List<String> THREADS =
            List.of("spi", "i2c", "uart", "pwm", "analog", "digital", "supply", "ground");
    private static final Path STYLE = Path.of("src/main/resources/inkel/app/inkel.css");

    @ParameterizedTest
    @CsvSource({"root", "night"})
    void coloursThatMeanSomethingDifferForEverybody(String theme) throws IOException {
        Map<String, Color> named = colours(theme);
        for (List<String> group : List.of(VERDICTS, THREADS)) {
            for (Colours.Sight sight : Colours.Sight.values()) {
                for (int i = 0; i < group.size(); i++) {
                    for (int j = 0; j < i; j++) {
                        double difference = Colours.difference(
                                Colours.seen(named.get(group.get(i)), sight),
                                Colours.seen(named.get(group.get(j)), sight));
                        assertTrue(
                                difference >= LEAST_DIFFERENCE,
                                String.format(
                                        Locale.ROOT,
                                        "%s and %s differ by %.1f for %s",
                                        group.get(i),
                                        group.get(j),
                                        difference,
                                        sight));
                    }
                }
            }
        }
    }

    private static Map<String, Color> colours(String theme) throws IOException {
        String css = Files.readString(STYLE);
        Map<String, Color> named = new HashMap<>();
        for (String block : theme.equals("root") ? List.of("root") : List.of("root", theme)) {
            Matcher found =
                    Pattern.compile("(?ms)^\\." + block + " \\{(.*?)^\\}").matcher(css);
            assertTrue(found.find());
            Matcher colour =
                    Pattern.compile("-([a-z0-9-]+): (#[0-9A-Fa-f]{6});").matcher(found.group(1));
            while (colour.find()) {
                named.put(colour.group(1), Color.web(colour.group(2)));
            }
        }
        return named;
    }

    /** Pairs of the data of Sharma, Wu and Dalal, 2005, which the formula must give. */
    @ParameterizedTest
    @CsvSource({
        "50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425",
        "50, 2.5, 0, 50, 0, -2.5, 4.3065",
        "60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644",
        "22.7233, 20.0904, -46.694, 23.0331, 14.973, -42.5619, 2.0373",
        "90.8027, -2.0831, 1.441, 91.1528, -1.6435, 0.0447, 1.4441"
    })
    void theDifferenceIsThatOfThePublishedPairs(
            double l1, double a1, double b1, double l2, double a2, double b2, double difference) {
        assertEquals(difference, Colours.difference(new double[] {l1, a1, b1}, new double[] {l2, a2, b2}), 0.0001);
    }

    @Test
    void blackOnWhiteIsTheMostThereIs() {
        assertEquals(21, Colours.contrast(Color.BLACK, Color.WHITE), 0.001);
        assertEquals(1, Colours.contrast(Color.GRAY, Color.GRAY), 0.001);
    }

    @Test
    void theSamePicturesOnPaperHaveTheSameColours() throws IOException {
        String loom = Files.readString(Path.of("src/main/java/inkel/app/export/LoomSvg.java"));
        Map<String, Color> day = colours("root");
        for (String thread : THREADS) {
            Matcher printed =
                    Pattern.compile("\"" + thread + "\", \"(#[0-9A-F]{6})\"").matcher(loom);
            assertTrue(printed.find(), thread);
            assertEquals(day.get(thread), Color.web(printed.group(1)), thread);
        }
    }
}
