package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Wire;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.MeasureWire;
import inkel.core.document.edit.SetWire;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WireOhmsTest {
    private static final String WIRE = "board.D4@1 > eye.OUT@1";

    private static Build table() {
        return Builds.classic()
                .part("eye", "infrared-receiver", "VS=board.5V")
                .wire("eye.OUT", "board.D4")
                .build();
    }

    private static WireList list(Build build) {
        return WireList.of(Circuit.of(build, Builds.CATALOG).nodes().get(0));
    }

    private static WireStep wire(Build build, String end) {
        return list(build).steps().stream()
                .filter(step -> step.to().id().startsWith(end) && step.kind() == WireStep.Kind.SIGNAL)
                .findFirst()
                .orElseThrow();
    }

    private static Build measured(Build build, String id, Double ohms) throws Exception {
        WireStep step = list(build).step(id).orElseThrow();
        return new MeasureWire(
                        Builds.NODE,
                        id,
                        WireOhms.parts(step),
                        step.subject(),
                        Optional.ofNullable(ohms).map(Resistance::ofOhms),
                        String.valueOf(ohms),
                        LogLine.By.TYPED,
                        Instant.EPOCH)
                .apply(build);
    }

    private static Optional<Resistance> read(Build build, String id) {
        return WireOhms.read(build, build.nodes().get(0), list(build).step(id).orElseThrow());
    }

    // Two contacts of 15 mΩ and 20 cm of wire have 0.06 Ω; a contact that is loose has 2 to 50 Ω, where a beeper still
    // sounds.
    @ParameterizedTest(name = "{0} Ω: {1}")
    @CsvSource({"0, JOINED", "0.06, JOINED", "2, JOINED", "2.01, LOOSE", "50, LOOSE", "50.1, APART", "1e6, APART"})
    void aPlainWire(double ohms, WireOhms.Verdict verdict) {
        WireOhms plain = WireOhms.of(wire(table(), "eye.OUT")).orElseThrow();
        assertEquals(verdict, plain.verdict(Resistance.ofOhms(ohms)));
    }

    // 1 kΩ of five in a hundred, and a meter that is as much off: 900 Ω to 1100 Ω and 2 Ω for the wire.
    @ParameterizedTest(name = "{0} Ω: {1}")
    @CsvSource({"899, OTHER_VALUE", "900, JOINED", "1102, JOINED", "1103, OTHER_VALUE", "0.1, OTHER_VALUE"})
    void aResistorInTheWire(double ohms, WireOhms.Verdict verdict) throws Exception {
        Build build = new Insert(
                        Builds.NODE, new Between.Series(Builds.end("eye.OUT"), Resistance.ofOhms(1000), Extras.NONE))
                .apply(table());
        assertEquals(verdict, WireOhms.of(wire(build, "eye.OUT")).orElseThrow().verdict(Resistance.ofOhms(ohms)));
    }

    @Test
    void ohmsSayNothingOfADiode() throws Exception {
        Build build = new Insert(
                        Builds.NODE, new Between.Diode(Builds.end("eye.OUT"), Resistance.ofOhms(10_000), Extras.NONE))
                .apply(table());
        assertEquals(Optional.empty(), WireOhms.of(wire(build, "eye.OUT")));
    }

    @Test
    void aReadingStaysWithItsWireAndItsPieces() throws Exception {
        Build build = measured(table(), WIRE, 0.4);
        assertEquals(Optional.of(Resistance.ofOhms(0.4)), read(build, WIRE));
        assertEquals(build, BuildReader.parse(Path.of("x"), BuildWriter.print(build), Builds.CATALOG));
        Build again = measured(build, WIRE, 0.3);
        assertEquals(Optional.of(Resistance.ofOhms(0.3)), read(again, WIRE), "the latest counts");
        Build moved = new SetWire(Builds.NODE, Wire.placed(Builds.end("eye.OUT"), Builds.end("board.D7"))).apply(again);
        assertEquals(Optional.empty(), read(moved, "board.D7@1 > eye.OUT@1"), "another wire");
        Build swapped = new Exchange(
                        Builds.NODE,
                        "eye",
                        Builds.CATALOG.find("infrared-receiver").orElseThrow())
                .apply(again);
        assertEquals(Optional.empty(), read(swapped, WIRE), "another piece");
        Build taken = measured(again, WIRE, null);
        assertEquals(Optional.empty(), read(taken, WIRE));
        assertTrue(taken.log().size() > again.log().size(), "and the record keeps all of it");
    }

    // A wire's ohms are no level: what the pins say is as before.
    @Test
    void aReadingOfOhmsIsNoLevel() throws Exception {
        Build build = measured(table(), WIRE, 0.4);
        assertEquals(
                Optional.empty(),
                Circuit.of(build, Builds.CATALOG)
                        .nodes()
                        .get(0)
                        .reading(Builds.end("eye.OUT"))
                        .low());
    }
}
