package inkel.core.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import org.junit.jupiter.api.Test;

/** Two resistors that give a fifth of what they measure. */
class VoltageSensorTest {
    private static Builds at(String volts) {
        return Builds.classic()
                .part("bench", "bench-supply")
                .setting("bench", "volts", volts)
                .part("watch", "voltage-sensor", "VIN=bench.+")
                .wire("watch.S", "board.A0");
    }

    /** 12 V give 2.4 V; the converter counts to 4.75 V at the least. */
    @Test
    void aFifthIsWhatThePinGets() {
        RuleKit.quiet(at("12 V"), "adc.over_range");
        RuleKit.quiet(at("12 V"), "levels.harms");
    }

    /** 0.21 of 24 V are 5.04 V; run from another rail it would measure that one. */
    @Test
    void whatItMeasuresIsNoSupplyToBeExchanged() {
        Finding finding = RuleKit.firesAt(at("24 V"), "adc.over_range", "watch.S");
        assertEquals(5.04, RuleKit.si(finding, "highest_output"), 1e-9);
        assertEquals(
                0,
                finding.fixes().stream()
                        .map(Fix::id)
                        .filter("run-at-other-supply"::equals)
                        .count());
        Finding tooHigh = RuleKit.firesAt(at("26 V"), "parts.supply_too_high", "watch");
        assertEquals(0, tooHigh.fixes().size());
    }
}
