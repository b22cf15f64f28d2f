package inkel.core.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Answer;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.Faults;
import inkel.core.bench.fault.Layout;
import inkel.core.bench.fault.WireFault;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.document.Meter;
import inkel.core.document.edit.TakeReading;
import inkel.core.kit.Builds;
import inkel.core.quantity.Voltage;
import inkel.core.wake.report.ReportPlan;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class CodeChecksTest {
    private static Builds slow() {
        return Builds.classic()
                .part("out", "dac-12-i2c", "VCC=board.3V3")
                .wire("out.SDA", "board.A4")
                .wire("out.SCL", "board.A5");
    }

    private static Builds quick() {
        return Builds.classic()
                .part("out", "dac-8-spi", "VDD=board.5V")
                .wire("out.CS", "board.D10")
                .wire("out.SCK", "board.D13")
                .wire("out.SDI", "board.D11");
    }

    private static NodeWake wake(Build build) {
        return WakePlan.of(Circuit.of(build, Builds.CATALOG), Meter.USUAL)
                .node(Builds.NODE)
                .orElseThrow();
    }

    private static List<Check> codes(NodeWake wake) {
        return wake.checks().stream()
                .filter(check -> check.kind() == Check.Kind.CODE)
                .toList();
    }

    @Test
    void aConverterIsReadAtAQuarterAHalfAndItsLastCode() {
        // 12 bits from 3.3 V: 1024 → 0.825 V, 2048 → 1.65 V, 4095 → 3.299 V. 8 bits from 5 V: 64 → 1.25 V.
        List<Check> slow = codes(wake(slow().build()));
        assertEquals(
                List.of("code out.OUT 1024", "code out.OUT 2048", "code out.OUT 4095"),
                slow.stream().map(Check::id).toList());
        double[] volts = {0.825, 1.65, 3.299};
        for (int i = 0; i < volts.length; i++) {
            assertEquals(
                    volts[i],
                    slow.get(i).band().orElseThrow().expected(),
                    0.02,
                    slow.get(i).id());
        }
        assertEquals(2048, slow.get(1).code().orElseThrow());
        assertTrue(
                slow.get(0).needs().contains("answers out"), slow.get(0).needs().toString());
        List<Check> quick = codes(wake(quick().build()));
        assertEquals(
                List.of(64L, 128L, 255L),
                quick.stream().map(check -> check.code().orElseThrow()).toList());
        assertEquals(1.25, quick.get(0).band().orElseThrow().expected(), 0.03);
    }

    @Test
    void oneThatNoCodeReachesIsNotRead() {
        NodeWake wake = wake(Builds.classic()
                .part("out", "dac-12-i2c", "VCC=board.3V3")
                .wire("out.SDA", "board.A4")
                .build());
        assertEquals(List.of(), codes(wake));
        assertTrue(wake.check("codes out.OUT").isEmpty(), "nor is it looked at");
        NodeWake noData = wake(Builds.classic()
                .part("out", "dac-8-spi", "VDD=board.5V")
                .wire("out.CS", "board.D10")
                .wire("out.SCK", "board.D13")
                .build());
        assertEquals(List.of(), codes(noData), "a clock and a select are no code");
        assertEquals(List.of(), ReportPlan.of(noData).codes());
    }

    @Test
    void theReferenceThatWasMeasuredMakesTheBand() throws Exception {
        Build build = quick().build();
        NodeWake before = wake(build);
        Check reference = before.check("volts out.VREF").orElseThrow();
        double high =
                ((Expected.Within) reference.expected()).high().orElseThrow().si() - 0.05;
        Check half = codes(before).get(1);
        Expected.Within within = (Expected.Within) reference.expected();
        Build read = new TakeReading(
                        reference.at(),
                        LogLine.What.VOLTS,
                        Voltage.ofVolts(high),
                        high + " V",
                        LogLine.By.TYPED,
                        WakeState.standing(build, reference),
                        new Foretold(reference.id(), within.low(), within.high(), Optional.of(Meter.USUAL)),
                        Instant.parse("2026-05-09T10:00:00Z"))
                .apply(build);
        Check then = codes(wake(read)).get(1);
        double ratio = 128.0 / 256;
        assertEquals(high * ratio, then.band().orElseThrow().expected(), 0.02);
        double wide =
                half.band().orElseThrow().high() - half.band().orElseThrow().low();
        assertTrue(
                then.band().orElseThrow().high() - then.band().orElseThrow().low() < wide,
                "what is known makes it narrower");
    }

    @Test
    void onABenchWhereTheCodeDoesNotArriveNothingIsGiven() {
        for (Builds builds : List.of(slow(), quick())) {
            Layout layout = Layout.of(Circuit.of(builds.build(), Builds.CATALOG));
            Check half = codes(wake(builds.build())).get(1);
            double well = read(layout, half, Twist.NONE);
            assertTrue(((Expected.Within) half.expected()).low().orElseThrow().si() <= well, "well: " + well);
            WireFault.Missing gone = Faults.of(layout).stream()
                    .filter(WireFault.Missing.class::isInstance)
                    .map(WireFault.Missing.class::cast)
                    .filter(fault -> fault.wire().matches(".*out\\.(SDA|SDI)\\b.*"))
                    .findFirst()
                    .orElseThrow();
            assertEquals(0, read(layout, half, gone.forms(layout).get(0)), 0.06, gone.toString());
        }
    }

    private static double read(Layout layout, Check check, Twist twist) {
        PracticeBench bench = new PracticeBench(layout.circuit(), layout.lists(), twist, Meter.USUAL, 3);
        return ((Answer.Amount) bench.ask(check.asked()).orElseThrow()).si();
    }
}
