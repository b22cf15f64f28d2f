package inkel.core.tune.colour;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.BenchKind;
import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Tuning;
import inkel.core.document.edit.Tune;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.quantity.Unit;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ColourOverlapRuleTest {
    private static final List<String> CHANNELS = List.of("red", "green", "blue");

    private static void put(Map<String, Tuning.Found> numbers, String name, double share, double half) {
        for (String channel : CHANNELS) {
            numbers.put(
                    name + "_" + channel,
                    new Tuning.Found(Quantity.of(Unit.ONE, channel.equals("blue") ? share : 1), 0, Source.MEASURED));
            numbers.put(
                    name + "_" + channel + "_band", new Tuning.Found(Quantity.of(Unit.ONE, half), 0, Source.COMPUTED));
        }
    }

    /** Two colours that differ in blue alone. */
    private static List<Finding> found(double one, double other) throws EditRefused {
        Map<String, Tuning.Found> numbers = new LinkedHashMap<>();
        put(numbers, "slate", one, 0.03);
        put(numbers, "bare", other, 0.03);
        Build build = Builds.classic()
                .part("eye", "colour-i2c", "VIN=board.5V")
                .wire("eye.SDA", "board.A4")
                .wire("eye.SCL", "board.A5")
                .build();
        Build tuned = new Tune(
                        Place.ofPart(Builds.NODE, "eye"),
                        new Tuning(
                                BenchKind.COLOUR,
                                numbers,
                                Map.of(),
                                Map.of(),
                                Map.of("colours", "slate, bare"),
                                Map.of()),
                        LogLine.By.TYPED,
                        Instant.EPOCH)
                .apply(build);
        return Builds.of(Assessment.assess(tuned, Builds.CATALOG), "colour.overlap");
    }

    @Test
    void twoThatMeetInEveryChannelAreNamed() throws EditRefused {
        Finding finding = found(1.0, 1.02).get(0);
        assertEquals(Severity.LOOK, finding.severity());
        assertEquals("slate", finding.sentence().values().get("one"));
        assertEquals("bare", finding.sentence().values().get("other"));
        // A deviation is a third of 0.03 for both: 0.02/(0.01·√2) = 1.41.
        assertEquals(1.4, finding.sentence().values().get("apart"));
    }

    @Test
    void theSumOfTheirHalvesIsTheLimit() throws EditRefused {
        assertEquals(1, found(1.0, 1.0599).size());
        assertEquals(List.of(), found(1.0, 1.0601));
    }
}
