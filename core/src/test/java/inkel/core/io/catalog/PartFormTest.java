package inkel.core.io.catalog;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Supply;
import inkel.core.io.catalog.PartForm.Levels;
import inkel.core.io.json.SchemaCheck;
import inkel.core.kit.Builds;
import inkel.core.quantity.Voltage;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

class PartFormTest {
    static List<PartClass> classes() {
        return Builds.CATALOG.all();
    }

    private static PartForm form(String name, String pins, String min, String max, Levels levels, String address) {
        return new PartForm(
                "", name, "", "rain, weather", pins, min, max, "", "2 mA", "30 mA", levels, address, "", "");
    }

    private static PartForm good() {
        return form("Rain gauge", "GND VCC SDA SCL INT", "3 V", "5.5 V", Levels.FOLLOW_SUPPLY, "0x29");
    }

    @Test
    void whatIsTypedBecomesADefinitionThatKeepsToTheSchema() {
        PartForm.Outcome outcome = good().outcome();
        assertEquals(List.of(), outcome.problems());
        assertEquals(List.of(), SchemaCheck.ofPartClass().check(outcome.json()));
        PartClass cls = outcome.cls().orElseThrow();
        assertEquals("own-rain-gauge", cls.id());
        assertEquals(List.of("rain", "weather"), cls.kinds());
        assertEquals(0x29, cls.i2c().orElseThrow().shipped());
        assertEquals(5.5, cls.supplies().get(0).absoluteMax().volts(), 1e-9, "no limit told: what it works at");
        // Nine tenths at 2 mA, one tenth at 30 mA.
        assertEquals(0.0048, cls.average("VCC").amperes(), 1e-12);
        assertEquals(0.030, cls.peak("VCC").amperes(), 1e-12);
        assertEquals(
                List.of(PinUse.GROUND, PinUse.SUPPLY, PinUse.I2C_SDA, PinUse.I2C_SCL, PinUse.INTERRUPT),
                cls.pins().stream().map(Pin::use).toList());
    }

    @ParameterizedTest
    @CsvSource({"FOLLOW_SUPPLY, 3.5,  5.3", "INNER_3V3,     2.31, 3.6", "TTL,           2.0,  5.3"})
    void levelsAtFiveVolts(Levels levels, double vih, double limit) {
        PartClass cls = form("Rain gauge", "GND VCC SIG", "3 V", "5.5 V", levels, "")
                .outcome()
                .cls()
                .orElseThrow();
        Voltage five = Voltage.ofVolts(5);
        assertEquals(vih, cls.io().get(0).vih().orElseThrow().at(five).volts(), 1e-9);
        assertEquals(limit, cls.io().get(0).absoluteMax().at(five).volts(), 1e-9);
    }

    @Test
    void unknownLevelsAreLeftOut() {
        PartClass cls = form("Rain gauge", "GND VCC SIG", "3 V", "5.5 V", Levels.UNKNOWN, "")
                .outcome()
                .cls()
                .orElseThrow();
        assertEquals(List.of(), cls.io());
    }

    @ParameterizedTest(name = "{0}, {1}, {2}..{3}: {4}")
    @CsvSource({
        "'',         GND VCC SIG,     3 V, 5 V, /name",
        "Rain gauge, '',              3 V, 5 V, /pins",
        "Rain gauge, GND VCC SIG SIG, 3 V, 5 V, /pins/3",
        "Rain gauge, GND VCC SDA SCL, 3 V, 5 V, /i2c",
        "Rain gauge, GND VCC SIG,     x,   5 V, /supplies/0/range/min",
        "Rain gauge, GND VCC SIG,     5 V, 3 V, /supplies/0/range"
    })
    void whatIsWrongIsToldWithItsField(String name, String pins, String min, String max, String field) {
        PartForm.Outcome outcome =
                form(name, pins, min, max, Levels.FOLLOW_SUPPLY, "").outcome();
        assertTrue(outcome.cls().isEmpty());
        assertTrue(
                outcome.problems().stream().anyMatch(problem -> problem.field().equals(field)),
                outcome.problems().toString());
    }

    /** Nothing that the form does not ask for is lost on the way through it. */
    @ParameterizedTest
    @MethodSource("classes")
    void everyClassGoesThroughTheForm(PartClass cls) {
        PartForm form = PartForm.of(cls, CatalogReader.resource(cls.id() + ".json"));
        PartForm.Outcome outcome = form.outcome();
        assertEquals(List.of(), outcome.problems(), cls.id());
        PartClass made = outcome.cls().orElseThrow();
        assertEquals(
                cls.pins().stream().map(Pin::label).toList(),
                made.pins().stream().map(Pin::label).toList());
        assertEquals(
                cls.pins().stream().map(Pin::header).toList(),
                made.pins().stream().map(Pin::header).toList());
        assertEquals(
                cls.supplies().stream().map(Supply::pin).toList(),
                made.supplies().stream().map(Supply::pin).toList());
        assertEquals(cls.io(), made.io());
        assertEquals(cls.outputs(), made.outputs());
        assertEquals(cls.pulls(), made.pulls());
        assertEquals(cls.spi(), made.spi());
        assertEquals(cls.i2c(), made.i2c());
        assertEquals(cls.cautions(), made.cautions());
        assertEquals(cls.handling(), made.handling());
    }

    @ParameterizedTest
    @EnumSource(Levels.class)
    void aChangeOfPinsDropsWhatHungOnTheOldOnes(Levels levels) {
        PartClass display = Builds.CATALOG.get("display-4x20-i2c");
        PartForm old = PartForm.of(display, CatalogReader.resource("display-4x20-i2c.json"));
        PartForm fewer = new PartForm(
                old.base(),
                "Plain display",
                old.summary(),
                old.kinds(),
                "GND VCC IN",
                old.supplyMin(),
                old.supplyMax(),
                old.supplyLimit(),
                old.idle(),
                old.peak(),
                levels,
                "",
                "",
                "");
        PartClass made = fewer.outcome().cls().orElseThrow();
        assertEquals(3, made.pins().size());
        assertTrue(made.i2c().isEmpty());
        assertEquals(List.of(), made.pulls());
    }
}
