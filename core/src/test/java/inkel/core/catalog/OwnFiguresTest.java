package inkel.core.catalog;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.edit.SetFigure;
import inkel.core.finding.Evidence;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class OwnFiguresTest {
    private static final PartClass RADIO = CATALOG.get("packet-radio");

    static List<PartClass> classes() {
        return CATALOG.all();
    }

    @ParameterizedTest
    @MethodSource("classes")
    void everyFigureThatIsShownCanBeTypedBackAsItIs(PartClass cls) {
        Set<String> keys = new HashSet<>();
        for (OwnFigures.Slot slot : OwnFigures.of(cls)) {
            assertTrue(keys.add(slot.key()), slot.key() + " twice");
            if (!slot.shown().isEmpty()) {
                assertEquals(
                        java.util.Optional.empty(),
                        OwnFigures.problem(cls, Map.of(slot.key(), slot.shown())),
                        cls.id() + " " + slot.key());
            }
        }
    }

    @Test
    void oneFigureIsReplacedAndTheOthersStay() {
        PartClass own = OwnFigures.apply(RADIO, Map.of("supply/VCC/max", "5.5 V", "current/VCC/peak", "115 mA"));
        Supply supply = own.supplies().get(0);
        assertEquals(1.9, supply.range().range().lowest().volts(), 1e-9);
        assertEquals(5.5, supply.range().range().highest().volts(), 1e-9);
        assertEquals(5.5, supply.absoluteMax().volts(), 1e-9, "what works is not damaged");
        assertEquals(Source.YOURS, supply.range().source());
        assertEquals(0.115, own.peak("VCC").amperes(), 1e-12);
        assertEquals(RADIO.io(), own.io());
        assertSame(RADIO, OwnFigures.apply(RADIO, Map.of()));
    }

    @Test
    void levelsRailsAndPullUpsAreReplacedToo() {
        PartClass own = OwnFigures.apply(RADIO, Map.of("level/logic/vih", "2.0 V"));
        assertEquals(
                2.0,
                own.io().get(0).vih().orElseThrow().at(Voltage.ofVolts(3.3)).volts(),
                1e-9);
        assertEquals(Source.YOURS, own.io().get(0).source());

        PartClass board = OwnFigures.apply(
                CATALOG.get("board-classic-5v"), Map.of("rail/3V3/rating", "150 mA", "rail/3V3/volts", "3.28 V"));
        Output rail = board.output("3V3").orElseThrow();
        assertEquals(0.150, rail.rating().range().lowest().amperes(), 1e-12);
        assertEquals(3.28, rail.volts().orElseThrow().range().highest().volts(), 1e-9);

        PartClass display = CATALOG.get("display-4x20-i2c");
        String pin = display.pulls().get(0).pin();
        PartClass pulled = OwnFigures.apply(display, Map.of("pull-up/" + pin, "2k2"));
        assertEquals(2200, pulled.pulls().get(0).resistance().ohms(), 1e-9);
    }

    @ParameterizedTest(name = "{0} = {1}: {2}")
    @CsvSource({
        "supply/VCC/most, 5 V,   problem.no_figure",
        "supply/VDD/max,  5 V,   problem.no_figure",
        "supply/VCC/max,  5 A,   problem.expected_value",
        "supply/VCC/max,  -1 V,  problem.expected_value",
        "current/VCC/peak, 3 V,  problem.expected_value",
        "level/logic/vih, high,  problem.expected_value",
        "supply/VCC/max,  1 V,   problem.figures_cross",
        "supply/VCC/min,  4 V,   problem.figures_cross"
    })
    void aFigureThatCannotBeIsRefused(String key, String value, String reason) {
        assertEquals(
                reason,
                OwnFigures.problem(RADIO, Map.of(key, value)).orElseThrow().key());
    }

    @Test
    void anOwnFigureChangesTheVerdictsElsewhereAndGoingBackRestoresThem() throws EditRefused {
        // 3.3 V rail of 50 mA: the reader's 100 mA class peak is too much, 40 mA as measured by its owner is not.
        Build build = Builds.classic()
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .build();
        assertEquals(1, peaks(build).size());
        Build own = new SetFigure(NODE, "reader", "current/3.3V/peak", "40 mA").apply(build);
        assertEquals(List.of(), peaks(own));
        Build back = new SetFigure(NODE, "reader", "current/3.3V/peak", null).apply(own);
        assertEquals(build, back);
    }

    @Test
    void aFindingSaysThatTheFigureIsTheBuilders() throws EditRefused {
        Build build =
                Builds.classic().part("radio", "packet-radio", "VCC=board.5V").build();
        Build own = new SetFigure(NODE, "radio", "supply/VCC/absolute_max", "4 V").apply(build);
        Finding finding = Builds.of(Assessment.assess(own, CATALOG), "parts.supply_too_high")
                .get(0);
        assertTrue(
                finding.evidence().stream().map(Evidence::source).anyMatch(Source.YOURS::equals),
                finding.evidence().toString());
        assertFalse(Builds.of(Assessment.assess(build, CATALOG), "parts.supply_too_high").get(0).evidence().stream()
                .map(Evidence::source)
                .anyMatch(Source.YOURS::equals));
    }

    private static List<Finding> peaks(Build build) {
        return Builds.of(Assessment.assess(build, CATALOG), "power.rail_peak");
    }
}
