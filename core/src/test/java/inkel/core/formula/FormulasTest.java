package inkel.core.formula;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Charge;
import inkel.core.quantity.Current;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Power;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Share;
import inkel.core.quantity.Temperature;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Every figure here was worked out by hand from the formula in its class's comment. */
class FormulasTest {
    private static Voltage volts(double volts) {
        return Voltage.ofVolts(volts);
    }

    private static Current amperes(double amperes) {
        return Current.ofAmperes(amperes);
    }

    @Test
    void heatOfALinearRegulator() {
        // (12 − 5)·0.2 + 12·0.005 = 1.46 W; below the output only its own current counts: 4·0.005 = 0.02 W.
        assertEquals(
                1.46,
                RegulatorHeat.linear(volts(12), volts(5), amperes(0.2), amperes(0.005))
                        .watts(),
                1e-12);
        assertEquals(
                0.02,
                RegulatorHeat.linear(volts(4), volts(5), amperes(0.2), amperes(0.005))
                        .watts(),
                1e-12);
    }

    @Test
    void heatOfASwitchingRegulator() {
        // 5·2·(1/0.8 − 1) + 12·0.01 = 2.5 + 0.12 W.
        assertEquals(
                2.62,
                RegulatorHeat.switching(volts(12), volts(5), amperes(2), amperes(0.01), Share.of(0.8))
                        .watts(),
                1e-12);
    }

    @Test
    void junctionAndTheMostThatALinearOneGives() {
        assertEquals(
                115,
                RegulatorHeat.junction(Temperature.ofCelsius(40), 50, Power.ofWatts(1.5))
                        .celsius(),
                1e-12);
        // (125 − 25)/50 = 2 W, less 12·0.01 = 0.12 W, over 7 V.
        assertEquals(1.88 / 7, most(12, 0.01).amperes(), 1e-12);
        assertEquals(0, most(5, 0.01).amperes(), "nothing across it to heat");
        assertEquals(0, most(12, 0.5).amperes(), "its own current is too much already");
    }

    private static Current most(double in, double own) {
        return RegulatorHeat.mostLinear(
                volts(in), volts(5), amperes(own), Temperature.ofCelsius(25), 50, Temperature.ofCelsius(125));
    }

    @Test
    void droopAndTheCapacitorThatCarriesABurst() {
        // 0.5·(0.1 + 0.002/0.001) = 1.05 V
        assertEquals(
                1.05,
                Bulk.droop(amperes(0.5), TimeSpan.ofSeconds(0.002), Capacitance.ofFarads(0.001), Resistance.ofOhms(0.1))
                        .volts(),
                1e-12);
        // 0.5·0.002/(0.3 − 0.5·0.1) = 4 mF
        assertEquals(0.004, needed(0.3).orElseThrow().farads(), 1e-12);
        assertEquals(Optional.empty(), needed(0.05), "its own resistance takes all that may be lost");
        assertEquals(0.0047, Bulk.standard(Capacitance.ofFarads(0.004)).farads(), 1e-12);
    }

    private static Optional<Capacitance> needed(double allowed) {
        return Bulk.needed(amperes(0.5), TimeSpan.ofSeconds(0.002), volts(allowed), Resistance.ofOhms(0.1));
    }

    @ParameterizedTest(name = "{0} V wants {1} V")
    @CsvSource({"5, 6.3", "5.04, 6.3", "5.05, 10", "8, 10", "8.1, 16", "12.8, 16", "50.4, 63", "60, 80", "360, 450"})
    void ratingOfACapacitor(double rail, double expected) {
        assertEquals(expected, Bulk.rating(volts(rail)).orElseThrow().volts());
    }

    @Test
    void noCapacitorIsSoldForMore() {
        assertEquals(Optional.empty(), Bulk.rating(volts(361)));
    }

    @Test
    void hoursOfABattery() {
        // 0.8·2 Ah/0.1 A
        assertEquals(16, hours(0.1).orElseThrow(), 1e-12);
        assertEquals(OptionalDouble.empty(), hours(0));
        assertEquals(OptionalDouble.empty(), hours(-0.1));
        assertEquals(
                OptionalDouble.empty(), BatteryHours.of(Charge.ofAmpereHours(1e300), Share.of(0.8), amperes(1e-300)));
    }

    private static OptionalDouble hours(double average) {
        return BatteryHours.of(Charge.ofAmpereHours(2), Share.of(0.8), amperes(average));
    }

    @Test
    void riseThroughAResistance() {
        // 2.2·1 kΩ·100 pF = 220 ns; at 1 MHz 300 ns are left; through 100 pF that is 1364 Ω.
        TimeSpan rise = RcRise.of(Resistance.ofOhms(1000), Capacitance.ofFarads(100e-12));
        assertEquals(220e-9, rise.seconds(), 1e-18);
        assertEquals(300e-9, RcRise.allowed(Frequency.ofHertz(1e6)).seconds(), 1e-18);
        assertEquals(0.3 / 220e-9, RcRise.fastest(rise).hertz(), 1e-3);
        assertEquals(
                300e-9 / 220e-12,
                RcRise.mostResistance(Frequency.ofHertz(1e6), Capacitance.ofFarads(100e-12))
                        .ohms(),
                1e-6);
    }

    @ParameterizedTest(name = "{0}: at least {1} is {2}, at most {3}")
    @CsvSource({
        "E6,  150,    150,   150",
        "E6,  151,    220,   150",
        "E6,  149,    150,   100",
        "E6,  680,    680,   680",
        "E6,  681,    1000,  680",
        "E6,  999,    1000,  680",
        "E6,  1000,   1000,  1000",
        "E12, 4700,   4700,  4700",
        "E12, 0.0047, 0.0047, 0.0047",
        "E24, 9.2,    10,    9.1",
        "E96, 102,    102,   102",
        "E96, 101,    102,   100"
    })
    void preferredValues(ESeries series, double value, double atLeast, double atMost) {
        assertEquals(atLeast, series.atLeast(value), atLeast * 1e-12);
        assertEquals(atMost, series.atMost(value), atMost * 1e-12);
    }

    @ParameterizedTest
    @CsvSource({"0", "-1", "NaN", "Infinity"})
    void onlyAmountsAboveZeroHaveAPreferredValue(double value) {
        assertThrows(IllegalArgumentException.class, () -> ESeries.E6.atLeast(value));
        assertThrows(IllegalArgumentException.class, () -> ESeries.E6.atMost(value));
    }

    @Test
    void aDecadeHasItsStepsAndNotTheNext() {
        assertEquals(
                List.of(10.0, 15.0, 22.0, 33.0, 47.0, 68.0),
                ESeries.E6.ofDecade(1).boxed().toList());
        assertEquals(96, ESeries.E96.ofDecade(3).count());
        // IEC 60063: 1.00, 1.02, 1.05, 1.07, 1.10 …
        assertEquals(
                List.of(1000.0, 1020.0, 1050.0, 1070.0, 1100.0),
                ESeries.E96.ofDecade(3).limit(5).boxed().toList());
    }

    private static Optional<TimerSetting> timer(int bits, List<Integer> prescalers, double wanted) {
        return TimerSetting.nearest(Frequency.ofHertz(16e6), bits, prescalers, Frequency.ofHertz(wanted));
    }

    @Test
    void aTimerTakesTheNearestAndTheFinestOfEquallyNear() {
        // 16 MHz/(1·(319 + 1)) and /(8·(39 + 1)) are both 50 kHz; the first has the finer steps.
        TimerSetting both = timer(16, List.of(8, 1), 50e3).orElseThrow();
        assertEquals(1, both.prescaler());
        assertEquals(319, both.top());
        assertEquals(62.5e-9, both.step().seconds(), 1e-18);
        assertEquals(24, both.ticks(TimeSpan.ofSeconds(1.5e-6)));
        // Any whole number up to 256: 16 MHz/(2·(255 + 1)) = 31.25 kHz exactly, in eight bits.
        TimerSetting any = timer(8, List.of(), 31_250).orElseThrow();
        assertEquals(2, any.prescaler());
        assertEquals(255, any.top());
        assertEquals(0, any.error().ratio(), 1e-15);
    }

    @Test
    void aTimerCountsToOneAtLeastAndToItsLastCountAtMost() {
        assertEquals(1, timer(8, List.of(1), 8e6).orElseThrow().top());
        assertEquals(Optional.empty(), timer(8, List.of(1), 16e6));
        assertEquals(255, timer(8, List.of(1), 62_500).orElseThrow().top());
        assertEquals(Optional.empty(), timer(8, List.of(1), 62_250));
    }

    @Test
    void aDriverOfManyChannelsAtTheEndsOfItsRegister() {
        // 25 MHz/(4096·(255 + 1)) = 23.84 Hz and /(4096·4) = 1525.9 Hz are the slowest and the fastest.
        assertTrue(driver(23.84).fits());
        assertEquals(255, driver(23.84).prescale());
        assertFalse(driver(23.7).fits());
        assertEquals(3, driver(1525.9).prescale());
        assertTrue(driver(1525.9).fits());
        assertFalse(driver(2100).fits());
        assertFalse(driver(1e12).fits(), "far outside is told and not thrown");
        assertFalse(DriverTicks.of(Frequency.ofHertz(1e300), Frequency.ofHertz(1e-300 + 1))
                .fits());
    }

    private static DriverTicks driver(double hertz) {
        return DriverTicks.of(Frequency.ofHertz(25e6), Frequency.ofHertz(hertz));
    }

    @Test
    void theDividerThatTakesLeastUnderALimit() {
        // 5 V to at most 3.5 V and at least 3 V: a share from 0.6 to 0.7. Under 1 kΩ of source.
        DividerSearch.Pair pair = DividerSearch.sparing(
                        volts(5), volts(5), volts(3.5), volts(3), Resistance.ofOhms(1000))
                .orElseThrow();
        double share =
                pair.toGround().ohms() / (pair.series().ohms() + pair.toGround().ohms());
        assertTrue(share >= 0.6 && share <= 0.7, pair.toString());
        assertTrue(pair.source().ohms() <= 1000);
        // By trying all of E12 from 100 Ω to 82 kΩ the largest sum under 1 kΩ of source is 1.5 kΩ and 2.7 kΩ: 964 Ω;
        // 1.5 k + 2.7 k = 4.2 k.
        assertEquals(4200, pair.series().ohms() + pair.toGround().ohms(), 1e-9);
    }

    @Test
    void aLimitIsKeptToTheOhmAndNoShareDoesBothWhereNoneCan() {
        Resistance exactly = Resistance.ofOhms(1500 * 2700 / 4200.0);
        assertEquals(
                4200,
                DividerSearch.sparing(volts(5), volts(5), volts(3.5), volts(3), exactly)
                        .map(pair -> pair.series().ohms() + pair.toGround().ohms())
                        .orElseThrow(),
                1e-9);
        assertEquals(
                Optional.empty(),
                DividerSearch.sparing(volts(4), volts(5), volts(3), volts(2.5), Resistance.ofOhms(1000)),
                "2.5/4 of the lowest is 0.625, and 0.625 of the highest is 3.125 V");
        assertTrue(DividerSearch.sparing(volts(4), volts(5), volts(3.2), volts(2.4), Resistance.ofOhms(1000))
                .isPresent());
    }

    @Test
    void theTightestSideOfALink() {
        assertEquals(LevelCheck.Side.HIGH, check(3.1, 0.2, 5).tightest());
        assertEquals(0.1, check(3.1, 0.2, 5).tightestMargin().volts(), 1e-9);
        assertEquals(LevelCheck.Side.LOW, check(4.5, 1.4, 5).tightest());
        assertEquals(0.1, check(4.5, 1.4, 5).tightestMargin().volts(), 1e-9);
        assertEquals(LevelCheck.Side.HEADROOM, check(4.5, 1.4, 4.4).tightest());
        assertEquals(-0.1, check(4.5, 1.4, 4.4).tightestMargin().volts(), 1e-9);
        assertEquals(LevelCheck.Side.LOW, check(4.5, 1.4, 4.5).tightest(), "exactly at the limit is not past it");
        assertEquals(LevelCheck.Side.HIGH, check(4, 0.5, 5).tightest(), "the high one where both are the same");
    }

    /** A receiver that reads high from 3 V and low up to 1.5 V. */
    private static LevelCheck check(double high, double low, double bears) {
        return new LevelCheck(
                volts(high), volts(high), volts(low), volts(3), volts(1.5), volts(bears), Optional.empty(), volts(5));
    }
}
