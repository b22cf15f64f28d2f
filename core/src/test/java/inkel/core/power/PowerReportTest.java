package inkel.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What the reports of power tell of regulators, loads on pins and rails in use; worked by hand. */
class PowerReportTest {
    private static RegulatorReport regulator(Builds build, String part, String pin) {
        return RegulatorReport.of(build.circuit()).stream()
                .filter(report -> report.rail().id().equals(Builds.end(part + "." + pin)))
                .findFirst()
                .orElseThrow();
    }

    private static Builds bench(String volts, String classId, String in) {
        return Builds.classic()
                .part("bench", "bench-supply")
                .setting("bench", "volts", volts)
                .part("reg", classId, in + "=bench.+");
    }

    @Test
    void whatALinearRegulatorNeedsAndTurnsIntoHeat() {
        Builds build = bench("9 V", "regulator-linear-5v", "IN").part("pixels", "led-addressable", "V+=reg.OUT");
        RegulatorReport report = regulator(build, "reg", "OUT");
        double average = Builds.CATALOG.get("led-addressable").average("V+").amperes();
        assertTrue(report.isLinear());
        assertEquals(5.0, report.wanted().volts(), 1e-12);
        assertEquals(Source.CLASS, report.wantedSource());
        assertEquals(7.0, report.needs().orElseThrow().volts(), 1e-12, "2 V of dropout");
        assertFalse(report.isStarved());
        double loss = (9 - 4.8) * average + 9 * 0.006;
        assertEquals(loss, report.loss().watts(), 1e-12);
        assertEquals(40 + 65 * loss, report.junction().orElseThrow().celsius(), 1e-9);
        assertEquals(Source.RULE, report.ambientSource());
        // (125 − 40)/65 W may be lost; 9 V · 6 mA are lost anyhow: the rest over 4.2 V.
        assertEquals(
                ((125.0 - 40) / 65 - 9 * 0.006) / (9 - 4.8),
                report.mostForHeat().orElseThrow().amperes(),
                1e-9);
    }

    @Test
    void whatItNeedsIsReachedExactly() {
        assertFalse(regulator(bench("7 V", "regulator-linear-5v", "IN"), "reg", "OUT")
                .isStarved());
        assertTrue(regulator(bench("6.9 V", "regulator-linear-5v", "IN"), "reg", "OUT")
                .isStarved());
    }

    @Test
    void theAirAroundItIsTheBuildersToTell() {
        Builds warm = bench("9 V", "regulator-linear-5v", "IN").setting("board", "ambient", "55 °C");
        RegulatorReport report = regulator(warm, "reg", "OUT");
        assertEquals(55, report.ambient().celsius(), 1e-12);
        assertEquals(Source.YOURS, report.ambientSource());
    }

    @Test
    void aSwitchingRegulatorLosesWhatItsEfficiencySays() {
        Builds build = bench("12 V", "regulator-down", "IN+").part("pixels", "led-addressable", "V+=reg.OUT+");
        RegulatorReport report = regulator(build, "reg", "OUT+");
        double average = Builds.CATALOG.get("led-addressable").average("V+").amperes();
        assertFalse(report.isLinear());
        assertEquals(Optional.empty(), report.needs());
        assertEquals(Optional.empty(), report.mostForHeat());
        assertEquals(Optional.empty(), report.junction(), "its class does not tell how it sheds heat");
        assertFalse(report.isTooHot());
        assertEquals(4.9 * average * (1 / 0.88 - 1) + 12 * 0.005, report.loss().watts(), 1e-9);
    }

    @Test
    void onlyRegulatorsAreReported() {
        assertEquals(
                List.of("board.3V3"),
                RegulatorReport.of(Builds.classic().circuit()).stream()
                        .map(report -> report.rail().id().toString())
                        .toList(),
                "not the port, and not the 5 V that is passed on");
    }

    @Test
    void aDiodeTakesItsShareBeforeARegulator() {
        Builds build = bench("9 V", "regulator-linear-5v", "IN").setting("reg", "diode", "IN");
        assertEquals(9 - 0.4, regulator(build, "reg", "OUT").in().highest().volts(), 1e-9);
    }

    private static PinLoadReport load(Builds build) {
        List<PinLoadReport> loads = PinLoadReport.of(build.circuit());
        assertEquals(1, loads.size());
        return loads.get(0);
    }

    private static Builds lamp() {
        return Builds.classic().part("lamp", "led").wire("lamp.A", "board.D7");
    }

    @Test
    void anLedOnAPin() {
        PinLoadReport bare = load(lamp());
        assertTrue(bare.isLed());
        assertTrue(bare.isUnlimited());
        assertEquals(5.25 - 1.8, bare.across().orElseThrow().volts(), 1e-12);
        assertEquals(Optional.empty(), bare.current(), "nothing limits it");
        PinLoadReport limited =
                load(lamp().between(new Between.Series(Builds.end("lamp.A"), Resistance.ofOhms(345), Extras.NONE)));
        assertFalse(limited.isUnlimited());
        assertEquals(0.010, limited.current().orElseThrow().amperes(), 1e-12);
        assertFalse(limited.isOver());
        assertFalse(limited.isDriven());
    }

    @Test
    void anLedThatItsPinCannotLight() {
        // A pin of at most 1.7 V does not reach the 1.8 V of the lamp.
        PinLoadReport dark = load(Builds.classic()
                .part("low", "bench-supply")
                .setting("low", "volts", "1.7 V")
                .boardOnly("5V", "low.+")
                .part("lamp", "led")
                .wire("lamp.A", "board.D7"));
        assertEquals(Optional.empty(), dark.across());
        assertEquals(0, dark.current().orElseThrow().amperes());
        assertFalse(dark.isUnlimited());
    }

    @Test
    void aCoilOnAPinAndBehindATransistor() {
        Builds coil =
                Builds.classic().part("relay", "relay-coil", "V+=board.5V").wire("relay.IN", "board.D7");
        PinLoadReport bare = load(coil);
        assertFalse(bare.isLed());
        assertFalse(bare.isUnlimited());
        assertEquals(0.080, bare.current().orElseThrow().amperes(), 1e-12);
        assertTrue(bare.isOver());
        PinLoadReport driven =
                load(coil.between(new Between.CoilDriver(Builds.end("relay.IN"), Resistance.ofOhms(910), Extras.NONE)));
        assertTrue(driven.isDriven());
        assertEquals((5.25 - 0.7) / 910, driven.current().orElseThrow().amperes(), 1e-12);
        assertFalse(driven.isOver());
    }

    @Test
    void onlyLoadsOnTheBoardsOwnPins() {
        assertEquals(
                List.of(), PinLoadReport.of(Builds.classic().part("lamp", "led").circuit()), "not wired");
        assertEquals(
                List.of(),
                PinLoadReport.of(Builds.classic()
                        .part("lamp", "led")
                        .wire("lamp.A", "usb.5V")
                        .circuit()),
                "wired to no board");
    }

    @Test
    void railsInUseAreThoseThatFeedSomething() {
        PowerReport report = Builds.classic()
                .part("four", "wall-supply-4v")
                .part("radio", "packet-radio", "VCC=board.3V3")
                .assess()
                .reports()
                .power();
        assertEquals(
                List.of("board.3V3", "usb.5V"),
                report.inUse(Builds.NODE).stream()
                        .map(budget -> budget.rail().id().toString())
                        .sorted()
                        .toList());
        assertEquals(List.of(), report.inUse("another"));
    }

    @Test
    void nearIsAboveFourFifthsAndNotOver() {
        assertFalse(isNear("80 mA"), "exactly four fifths of 100 mA");
        assertTrue(isNear("81 mA"));
        assertTrue(isNear("100 mA"));
        assertFalse(isNear("101 mA"), "that is over");
    }

    private static boolean isNear(String peak) {
        Builds build = Builds.classic()
                .figure("board", "rail/3V3/rating", "100 mA")
                .part("reader", "tag-reader-spi", "3.3V=board.3V3")
                .figure("reader", "current/3.3V/peak", peak);
        Rail rail = build.circuit().rail(Builds.end("board.3V3")).orElseThrow();
        return PowerReport.isNear(rail);
    }
}
