package inkel.core.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.net.Element;
import inkel.core.bench.net.Network;
import inkel.core.bench.net.Solver;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.kit.Builds;
import inkel.core.wiring.WireList;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class ForetellingTest {
    private static final double MILLIVOLT = 1e-3;

    /** What is joined: parts by their ids. */
    private static Foretelling of(Build build, String... parts) {
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        Benches benches = new Benches(circuit, WireList.of(circuit));
        Set<Place> joined =
                Stream.of(parts).map(id -> Place.ofPart(Builds.NODE, id)).collect(Collectors.toSet());
        return new Foretelling(benches.model(Scene.resting(joined)));
    }

    private static Probe volts(String pin) {
        String part = pin.substring(0, pin.indexOf('.'));
        return new Probe.Volts(Builds.NODE + " in " + pin, Builds.NODE + " in " + part + " ground");
    }

    private static Band band(Foretelling bench, String pin) {
        return bench.band(volts(pin)).orElseThrow(() -> new AssertionError("no band of " + pin));
    }

    @Test
    void aPortAloneGivesWhatItIsMadeFor() {
        Band band = band(of(Builds.classic().build(), "usb"), "usb.5V");
        assertEquals(4.75, band.low(), MILLIVOLT);
        assertEquals(5.0, band.expected(), MILLIVOLT);
        assertEquals(5.25, band.high(), MILLIVOLT);
    }

    @Test
    void theMeterAddsItsOwnError() {
        Band band = band(of(Builds.classic().build(), "usb"), "usb.5V").readBy(Meter.USUAL);
        // Half a per cent of 4.75 V and two steps of 10 mV.
        assertEquals(4.75 - 0.02375 - 0.02, band.low(), MILLIVOLT);
        assertEquals(5.25 + 0.02625 + 0.02, band.high(), MILLIVOLT);
    }

    @Test
    void whatIsNotJoinedIsNotThere() {
        Foretelling bench = of(Builds.classic().build(), "usb");
        assertEquals(Optional.empty(), bench.band(volts("board.D2")));
    }

    @Test
    void theBoardTakesItsShareOnTheWay() {
        // 45 mA through 100 mΩ of cable there, 100 mΩ back and 50 mΩ behind the port.
        Band band = band(of(Builds.classic().build(), "usb", "board"), "board.USB");
        assertEquals(5 - 0.045 * 0.25, band.expected(), MILLIVOLT);
    }

    /** A Schottky diode loses 0.2 V to 0.4 V, and its 50 mΩ and those of the wires next to nothing at some 30 mA. */
    @Test
    void behindADiodeInTheFeedThereIsLess() {
        Builds builds = Builds.dualCore().part("cell", "battery-lithium").boardOnly("VSYS", "cell.+");
        Foretelling straight = of(builds.build(), "cell", "board");
        Foretelling bench = of(builds.setting("board", "diode", "VSYS").build(), "cell", "board");
        double lost = band(straight, "board.VSYS").expected()
                - band(bench, "board.VSYS").expected();
        assertEquals(0.3, lost, 5 * MILLIVOLT);
        assertEquals(band(straight, "cell.+").expected(), band(bench, "cell.+").expected(), 2 * MILLIVOLT);
        Optional<Band.Cause> knee = band(bench, "board.VSYS").causes().stream()
                .filter(cause -> cause.unknown().key().contains("knee"))
                .findFirst();
        assertEquals(0.1, Math.abs(knee.orElseThrow().most()), 2 * MILLIVOLT);
    }

    @Test
    void aPullUpReachesWhatFeedsIt() {
        Build build = Builds.classic()
                .part("clock", "clock-memory", "VCC=board.5V")
                .wire("clock.SDA", "board.A4")
                .wire("clock.SCL", "board.A5")
                .build();
        Foretelling bench = of(build, "usb", "board", "clock");
        double supply = band(bench, "clock.VCC").expected();
        // 4.7 kΩ against two inputs that leak through 5 MΩ to ground, and to their own supplies as much.
        double up = 1 / 4700.0 + 2 / 5e6;
        // The meter takes its own 10 MΩ to ground besides.
        assertEquals(
                supply * up / (up + 2 / 5e6 + 1 / 10e6),
                band(bench, "clock.SDA").expected(),
                MILLIVOLT / 2);
    }

    @Test
    void aWireThatNobodyHoldsCannotBeForetold() {
        Build build = Builds.classic()
                .part("radio", "packet-radio", "VCC=board.3V3")
                .wire("radio.CE", "board.D9")
                .build();
        assertEquals(Optional.empty(), of(build, "usb", "board", "radio").band(volts("radio.CE")));
    }

    @Test
    void causesAreToldStrongestFirst() {
        Band band = band(of(Builds.classic().build(), "usb", "board"), "board.5V");
        Band.Cause first = band.causes().get(0);
        assertEquals("bench usb.5V volts", first.unknown().key());
        assertEquals(-0.25, first.least(), MILLIVOLT);
        assertEquals(0.25, first.most(), MILLIVOLT);
    }

    @Test
    void aLooseContactFallsOutOfTheBand() {
        Build build = Builds.classic()
                .part("reader", "tag-reader-switch", "VCC=board.5V")
                .build();
        Foretelling bench = of(build, "usb", "board", "reader");
        Band band = band(bench, "reader.VCC").readBy(Meter.USUAL);
        BenchModel model = bench.model();
        int wire = model.slot("bench wire board.5V@1 > reader.VCC@1").orElseThrow();
        Network healthy = model.network(model.expected());
        Element.Resistor was = (Element.Resistor) healthy.elements().get(wire);
        // 25 mA through 30 Ω: three quarters of a volt.
        Network loose = healthy.with(wire, new Element.Resistor(was.one(), was.other(), 30));
        double read = Foretelling.read(
                        model, volts("reader.VCC"), new Solver(loose).solve().orThrow())
                .orElseThrow();
        assertEquals(0.75, band.expected() - read, 0.02);
        assertFalse(band.holds(read));
        double well = Foretelling.read(
                        model, volts("reader.VCC"), new Solver(healthy).solve().orThrow())
                .orElseThrow();
        assertTrue(band.holds(well));
    }

    @Test
    void currentsAreBandsToo() {
        Foretelling bench = of(Builds.classic().build(), "usb", "board");
        Band band = bench.band(new Probe.Amperes("bench usb.5V gives")).orElseThrow();
        // 45 mA, half of that at the least and 60 mA at the most, and what two regulators take for themselves.
        double own = band.expected() - 0.045;
        assertTrue(own >= 0 && own < 0.012, "" + own);
        assertEquals(0.0225 + own, band.low(), 0.5e-3);
        assertEquals(0.060 + own, band.high(), 0.5e-3);
    }
}
