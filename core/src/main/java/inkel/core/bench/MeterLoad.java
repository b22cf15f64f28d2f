package inkel.core.bench;

import inkel.core.bench.net.Element;
import inkel.core.bench.net.Influence;
import inkel.core.bench.net.Network;
import inkel.core.bench.net.Outcome;
import inkel.core.bench.net.Solution;
import inkel.core.bench.net.Solver;
import inkel.core.document.Meter;
import java.util.ArrayList;
import java.util.List;

/**
 * What a meter does to the volts that it is put on. Where little lies behind two points, that and the meter's own {@value
 * Meter#OHMS} Ω are a divider (Thévenin); where more does, the meter may bring something over its bend, and is put into the
 * network.
 */
final class MeterLoad {
    /** With less than that left, straight lines are not to be trusted. */
    private static final double FIRM = 0.98;

    /** What the meter is called among the elements of a bench. */
    private static final String SLOT = "meter";

    /** So few volts that no share of them is told. */
    private static final double NOTHING = 1e-6;

    private MeterLoad() {}

    /** Whether the volts are as good as held, so that the share is the same on all benches. */
    static boolean isFirm(double share) {
        return share >= FIRM;
    }

    /** The share of an amount that is left with the meter there; 1 for a current, which is not read between points. */
    static double share(Solution open, Influence influence, Reading reading) {
        double straight = straight(influence, reading);
        return isFirm(straight) ? straight : exactly(open, reading);
    }

    /** As by what is behind the points, all else straight. */
    static double straight(Influence influence, Reading reading) {
        if (reading.isCurrent()) {
            return 1;
        }
        double[] felt = influence.of(
                List.of(new Influence.Weighted(reading.plus(), 1), new Influence.Weighted(reading.minus(), -1)));
        double behind = felt[reading.plus()] - felt[reading.minus()];
        // A converter's input has less than no ohms where more volts let it take less; a meter changes nothing there.
        return behind > 0 ? Meter.OHMS / (Meter.OHMS + behind) : 1;
    }

    private static double exactly(Solution open, Reading reading) {
        double volts = reading.of(open);
        if (Math.abs(volts) < NOTHING) {
            return 1;
        }
        Network metered = open.network().plus(meter(reading));
        return new Solver(metered).solve(metered, open) instanceof Outcome.Settled settled
                ? settled.solution().between(reading.plus(), reading.minus()) / volts
                : 1;
    }

    private static Element meter(Reading reading) {
        return new Element.Resistor(reading.plus(), reading.minus(), Meter.OHMS);
    }

    /** A bench with the meter on it. */
    static BenchModel on(BenchModel bench, Reading reading) {
        List<BenchModel.Slot> slots = new ArrayList<>(bench.slots());
        slots.add(new BenchModel.Slot(SLOT, List.of(), figures -> meter(reading)));
        return new BenchModel(bench.points(), bench.unknowns(), slots);
    }
}
