package inkel.core.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.net.Element;
import inkel.core.bench.net.Influence;
import inkel.core.bench.net.Network;
import inkel.core.bench.net.Solution;
import inkel.core.bench.net.Solver;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What 10 MΩ between the tips of a meter do, by hand. */
class MeterLoadTest {
    private static final Reading READING = new Reading(2, 0, -1);

    private static Solution settled(Element... elements) {
        return new Solver(new Network(List.of("ground", "plus", "middle"), List.of(elements)))
                .solve()
                .orThrow();
    }

    /** 3.3 V over a divider. */
    private static Solution divider(double upper, double lower) {
        return settled(
                new Element.Source(0, 1, 3.3, 0.01, Double.POSITIVE_INFINITY, true),
                new Element.Resistor(1, 2, upper),
                new Element.Resistor(2, 0, lower));
    }

    @Test
    void aDividerOfMegohmsLosesWhatItsOwnOhmsAreWorth() {
        // 2 MΩ and 1 MΩ are 1.1 V behind 666.7 kΩ: with 10 MΩ, 1.1 V · 10 / 10.6667 = 1.03125 V.
        Solution open = divider(2e6, 1e6);
        assertEquals(1.1, READING.of(open), 1e-6);
        Influence influence = new Influence(open);
        assertEquals(1.03125, 1.1 * MeterLoad.straight(influence, READING), 1e-6);
        assertEquals(1.03125, 1.1 * MeterLoad.share(open, influence, READING), 1e-6);
        assertFalse(MeterLoad.isFirm(MeterLoad.straight(influence, READING)));
    }

    @Test
    void kilohmsLoseNothingThatAMeterShows() {
        Solution open = divider(10e3, 10e3);
        double share = MeterLoad.share(open, new Influence(open), READING);
        // Behind 5 kΩ: 0.05 %.
        assertEquals(10e6 / (10e6 + 5e3), share, 1e-9);
        assertTrue(MeterLoad.isFirm(share));
    }

    @Test
    void overABendItIsWhatTheNetworkSays() {
        // Nothing flows through the diode, so behind the point lies a gigohm; with the meter it conducts, and holds the
        // point
        // at 3.3 − 0.3 V less what 300 nA lose in 1 kΩ.
        Solution open = settled(
                new Element.Source(0, 1, 3.3, 0.01, Double.POSITIVE_INFINITY, true),
                new Element.Diode(1, 2, 0.3, 1000));
        double volts = READING.of(open);
        assertEquals(3.3, volts, 1e-3);
        Influence influence = new Influence(open);
        assertTrue(MeterLoad.straight(influence, READING) < 0.02);
        assertEquals(3.0 - 0.3e-6 * 1000, volts * MeterLoad.share(open, influence, READING), 1e-3);
    }

    @Test
    void currentsAndNothingAreLeftAsTheyAre() {
        Solution open = divider(1e6, 1e6);
        Influence influence = new Influence(open);
        assertEquals(1, MeterLoad.share(open, influence, new Reading(-1, -1, 0)));
        assertEquals(1, MeterLoad.share(open, influence, new Reading(2, 2, -1)));
    }
}
