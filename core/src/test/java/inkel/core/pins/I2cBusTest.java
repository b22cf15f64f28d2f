package inkel.core.pins;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.finding.Finding;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import inkel.core.quantity.Resistance;
import inkel.core.wiring.PartsList;
import inkel.core.wiring.WireList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Pull-ups and clocks of a bus: each code with numbers worked by hand, and gone after each of its ways out. */
class I2cBusTest {
    private static Builds bus(int members, String own) {
        Builds build = Builds.classic();
        for (int i = 1; i <= members; i++) {
            String id = "adc-" + i;
            build.part(id, "adc-16", "VDD=board.5V")
                    .wire(id + ".SDA", "board.A4")
                    .wire(id + ".SCL", "board.A5")
                    .figure(id, "pull-up/SDA", own)
                    .figure(id, "pull-up/SCL", own)
                    .setting(id, "address", String.format("0x%02X", 0x47 + i));
        }
        return build;
    }

    private static I2cBus only(Builds build) {
        return build.assess().reports().pins().i2cBuses().get(0);
    }

    private static Finding finding(Builds build, String code) {
        List<Finding> findings = build.findings(code);
        assertEquals(1, findings.size(), findings.toString());
        return findings.get(0);
    }

    @Test
    void theWeightOfABus() {
        // Two members and the board: 3 · 10 pF, 2 · 0.2 m · 50 pF/m, 2 · 2 rows · 3 pF = 62 pF.
        assertEquals(62e-12, only(bus(2, "10k")).capacitance().farads(), 1e-18);
        assertEquals(5000, only(bus(2, "10k")).pull().orElseThrow().ohms(), 1e-6);
    }

    @Test
    void pullUpsThatAreTooStrong() throws Exception {
        // (5.25 V − 0.4 V)/3 mA = 1617 Ω. Three members of 4.7 kΩ make 1567 Ω.
        assertEquals(List.of(), bus(2, "4k7").findings("i2c.pullup_strong"));
        Finding strong = finding(bus(3, "4k7"), "i2c.pullup_strong");
        assertEquals(4700.0 / 3, strong.evidence().get(0).value().si(), 1e-6);
        assertEquals(4.85 / 0.003, strong.evidence().get(3).value().si(), 1e-6);
        RuleKit.waysOut(bus(3, "4k7"), "i2c.pullup_strong", "pull-ups-off");
    }

    @Test
    void pullUpsThatAreTooWeak() throws Exception {
        // One member: 2 · 10 pF + 10 pF + 6 pF = 36 pF; at 400 kHz 300 ns/(0.8473 · 36 pF) = 9835 Ω at the most.
        assertEquals(
                List.of(),
                bus(1, "9k1").setting("board", "i2c_clock", "400 kHz").findings("i2c.pullup_weak"));
        Builds weak = bus(1, "10k").setting("board", "i2c_clock", "400 kHz");
        Finding finding = finding(weak, "i2c.pullup_weak");
        assertEquals(0.8473 * 10_000 * 36e-12, finding.evidence().get(2).value().si(), 1e-15);
        assertEquals(2, finding.fixes().size(), "slower, or stronger");
        RuleKit.waysOut(weak, "i2c.pullup_weak", "clock", "add-pull-ups");
    }

    @Test
    void aClockThatAMemberDoesNotTake() throws Exception {
        Builds build = Builds.classic()
                .part("display", "display-4x20-i2c", "VCC=board.5V")
                .wire("display.SDA", "board.A4")
                .wire("display.SCL", "board.A5")
                .setting("board", "i2c_clock", "400 kHz");
        assertTrue(finding(build, "i2c.clock_over").sentence().values().containsKey("part"));
        RuleKit.waysOut(build, "i2c.clock_over", "clock");
        assertEquals(List.of(), build.setting("board", "i2c_clock", "100 kHz").findings("i2c.clock_over"));
    }

    @Test
    void aPullUpThatLiftsTheWireTooHigh() throws Exception {
        // The display's pull-ups reach 5.25 V; a climate sensor at 3.3 V that bears 3.6 V listens on the same wires.
        Builds build = Builds.classic()
                .part("display", "display-4x20-i2c", "VCC=board.5V")
                .part("sensor", "distance-laser", "VIN=board.3V3")
                .figure(
                        "sensor",
                        "level/" + CATALOG.get("distance-laser").io().get(0).name() + "/absolute_max",
                        "3.6 V")
                .wire("display.SDA", "board.A4")
                .wire("display.SCL", "board.A5")
                .wire("sensor.SDA", "board.A4")
                .wire("sensor.SCL", "board.A5");
        List<Finding> harmed = build.findings("levels.pullup_harms");
        assertTrue(
                harmed.stream().anyMatch(finding -> finding.place().toString().equals("bench/sensor.SDA")),
                harmed.toString());
        Finding finding = harmed.stream()
                .filter(one -> one.place().toString().equals("bench/sensor.SDA"))
                .findFirst()
                .orElseThrow();
        // 4.7 kΩ to 5.25 V and the sensor's own 10 kΩ to 3.4 V: (5.25/4.7 + 3.4/10) / (1/4.7 + 1/10).
        assertEquals(
                (5.25 / 4.7 + 0.34) / (1 / 4.7 + 0.1),
                finding.evidence().get(0).value().si(),
                1e-9);
        Build after = finding.fixes().get(0).apply(build.build());
        assertEquals(List.of(), Builds.of(Assessment.assess(after, CATALOG), "levels.pullup_harms"));
        assertEquals(List.of(), Builds.of(Assessment.assess(after, CATALOG), "i2c.no_pullup"));
    }

    @Test
    void aDividerInATwoWayWire() throws Exception {
        Builds build = Builds.classic()
                .part("display", "display-4x20-i2c", "VCC=board.5V")
                .wire("display.SDA", "board.A4")
                .wire("display.SCL", "board.A5")
                .between(new Between.Divider(
                        Builds.end("display.SDA"), Resistance.ofOhms(1000), Resistance.ofOhms(2200), Extras.NONE));
        RuleKit.waysOut(build, "levels.divider_two_way", "take-out");
    }

    @Test
    void aBusWithoutPullUpsGetsAPair() throws Exception {
        Builds build = bus(1, "10k").setting("adc-1", "pull_ups", "off");
        RuleKit.waysOut(build, "i2c.no_pullup", "add-pull-ups");
        Build after = finding(build, "i2c.no_pullup").fixes().get(0).apply(build.build());
        long resistors = PartsList.of(WireList.of(Circuit.of(after, CATALOG)).get(0)).lines().stream()
                .filter(line -> line.kind() == PartsList.Kind.RESISTOR)
                .mapToInt(PartsList.Line::count)
                .sum();
        assertEquals(2, resistors, "and they are on the list of what must lie ready");
    }

    @Test
    void onlyTheAddedPairLiesReadyAndNotWhatIsOnTheModule() {
        Builds build = bus(1, "4k7").setting("adc-1", "add_pull_ups", "4.7 kΩ");
        int resistors = PartsList.of(WireList.of(build.circuit())).lines().stream()
                .filter(line -> line.kind() == PartsList.Kind.RESISTOR)
                .mapToInt(PartsList.Line::count)
                .sum();
        assertEquals(2, resistors);
    }
}
