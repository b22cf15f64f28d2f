package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.calc.Calculator;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.io.document.BuildReader;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class ReckonUseTest {
    private static final String NODE = "lower-lock";

    private Build build;

    @BeforeEach
    void build() throws Exception {
        Endpoint lamp = new Endpoint("lamp", "A");
        build = Edit.applyAll(
                BuildReader.read(Given.EXAMPLES.resolve(Given.LOCKS), Given.CATALOG),
                List.of(
                        new AddPart(NODE, Part.of("lamp", "led", "Lamp", "")),
                        new SetWire(NODE, Wire.placed(lamp, new Endpoint("board", "D2")))));
    }

    private Optional<Fix> use(Place selected, String calculation, Map<String, String> given) throws Exception {
        return new ReckonUse(Circuit.of(build, Given.CATALOG).node(NODE).orElseThrow(), selected)
                .of(calculation, given, Calculator.answer(calculation, given));
    }

    private Build used(Place selected, String calculation, Map<String, String> given) throws Exception {
        return Edit.applyAll(
                build, use(selected, calculation, given).orElseThrow().edits());
    }

    private static Place pin(String part, String label) {
        return Place.of(NODE, new Endpoint(part, label));
    }

    @Test
    void aResistorGoesIntoTheWireOfTheSelectedLampByEitherEnd() throws Exception {
        Map<String, String> given = Map.of("v", "5V", "vf", "2.0V", "i", "10mA");
        for (Place selected : List.of(pin("lamp", "A"), pin("board", "D2"))) {
            Between piece = used(selected, "led", given)
                    .node(NODE)
                    .orElseThrow()
                    .between(new Endpoint("lamp", "A"))
                    .orElseThrow();
            // (5 V − 2 V) / 10 mA is 300 Ω; the next of E12 is 330 Ω.
            assertEquals(330, ((Between.Series) piece).resistance().ohms());
        }
        assertTrue(use(pin("gate-upper", "SIG"), "led", given).isEmpty(), "a servo is no lamp");
        assertTrue(use(Place.ofPart(NODE, "lamp"), "led", given).isEmpty(), "a part has several wires");
        assertTrue(use(pin("board", "5V"), "led", given).isEmpty());
    }

    @Test
    void dividerAndFilterGoIntoAnySignal() throws Exception {
        Between divider = used(pin("gate-upper", "SIG"), "divider", Map.of("r1", "1k", "r2", "2.2k", "vin", "5V"))
                .node(NODE)
                .orElseThrow()
                .between(new Endpoint("gate-upper", "SIG"))
                .orElseThrow();
        assertEquals("divider 1000.0 2200.0", divider.text());
        Map<String, String> filter = Map.of("r", "4k7", "c", "10u", "f", "490", "duty", "50%", "v", "5V");
        Between.Series series = (Between.Series) used(pin("lamp", "A"), "rc-filter", filter)
                .node(NODE)
                .orElseThrow()
                .between(new Endpoint("lamp", "A"))
                .orElseThrow();
        assertEquals(4700, series.resistance().ohms());
        assertEquals(10e-6, series.capacitor().orElseThrow().farads(), 1e-12);
        Map<String, String> twice = new HashMap<>(filter);
        twice.put("stages", "2");
        assertTrue(use(pin("lamp", "A"), "rc-filter", twice).isEmpty(), "one wire has one");
    }

    @Test
    void rateAndAddressAreSetAtThePartThatHasThem() throws Exception {
        Build moved = used(Place.ofPart(NODE, "display"), "i2c-address", Map.of("base", "0x20", "bits", "6"));
        assertEquals(
                Optional.of("0x26"),
                moved.node(NODE).orElseThrow().part("display").orElseThrow().typed(Settings.ADDRESS));
        assertTrue(use(Place.ofPart(NODE, "gate-upper"), "i2c-address", Map.of("base", "0x20", "bits", "6"))
                .isEmpty());
        assertTrue(
                use(Place.ofPart(NODE, "display"), "i2c-address", Map.of("base", "0x50", "bits", "1"))
                        .isEmpty(),
                "it has no such address");
        assertTrue(use(Place.ofPart(NODE, "display"), "uart", Map.of("clock", "16MHz", "baud", "9600"))
                .isEmpty());
    }
}
