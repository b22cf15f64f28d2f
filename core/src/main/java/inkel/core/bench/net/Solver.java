package inkel.core.bench.net;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/**
 * Finds the volts at which all currents of a network add up to nothing at every point: modified nodal analysis by Newton's
 * way, each round from where the last one came to. A round moves no point by more than {@value #REACH} V, and no further than
 * what is left over gets less by it.
 */
public final class Solver {
    /** It has settled when a full round moves no point by more, in volts. */
    public static final double SETTLED = 1e-6;

    /** After this many rounds it is given up. */
    public static final int ROUNDS = 100;

    private static final double REACH = 2;

    /** What was near is left for a fresh start after so many rounds: each passes a bend, which a fresh start mostly has none of. */
    private static final int NEAR_ROUNDS = 4;

    /** What points are held by at first, in siemens, and by how much more from one round to the next at most. */
    private static final double HELD = 1;

    private static final double HELD_CHANGE = 4;

    /** With so little current left over, in amperes, a straight way is tried. */
    private static final double CLOSE = 1e-3;

    private static final int ROUNDS_OF_TIME = 600;

    /** How often it is seen anew which diodes let current through before the first step. */
    private static final int USUAL_ROUNDS = 4;

    /** So far behind a bend, as a share of a step, everything follows the piece behind it. */
    private static final double BEHIND = 1e-10;

    /** How often a step is halved at most, and by which part of itself what is left over must have become less. */
    private static final int HALVES = 12;

    private static final double ENOUGH = 1e-3;

    /** Sums of currents are not more exact than this, in amperes. */
    private static final double ROUNDING = 1e-12;

    private final Layout layout;
    private final Equations equations;
    private Network network;

    /** Where it was, and went, when it was given up last. */
    private double[] lastVolts = new double[0];

    private double[] lastStep = new double[0];

    /** Gets ready for all networks whose elements stand between the same points as those of this one. */
    public Solver(Network network) {
        this(network, Layout.of(network));
    }

    /** The same in less time for a network of the same points that differs little from that of another solver. */
    public Solver(Network network, Solver like) {
        this(network, Layout.of(network, like.layout));
    }

    private Solver(Network network, Layout layout) {
        this.network = network;
        this.layout = layout;
        equations = Equations.of(layout);
    }

    /** What settles when everything is switched on; it takes its time where a straight way does not come to an end. */
    public Outcome solve() {
        return told(from(null, ROUNDS).or(this::overTime));
    }

    /** The same, given up where a straight way does not come to an end: for one of very many. */
    public Outcome solveQuickly() {
        return told(from(null, ROUNDS));
    }

    /** What settles with other figures when everything is switched on; the same points and elements as of {@link #Solver}. */
    public Outcome solve(Network other) {
        network = other;
        return solve();
    }

    /**
     * What settles with other figures.
     *
     * @param other the same points and the same elements between them, in the same order
     * @param near where it settled with figures not far off
     */
    public Outcome solve(Network other, Solution near) {
        network = other;
        return told(from(near.volts(), NEAR_ROUNDS)
                // It may also lie on the wrong side of a bend, from where no step leads back.
                .or(() -> from(null, ROUNDS))
                .or(() -> from(near.volts(), ROUNDS)));
    }

    private Outcome told(Optional<Solution> settled) {
        return settled.<Outcome>map(Outcome.Settled::new).orElseGet(() -> new Outcome.Unsettled(mostBent()));
    }

    private Optional<Solution> from(double[] near, int rounds) {
        Set<Integer> off = new HashSet<>();
        Optional<Solution> found = settle(near, off, rounds);
        // Each round switches off those that are too hot then; one that is off gives nothing and stays cool.
        while (found.isPresent() && off.addAll(tooHot(found.get()))) {
            found = settle(found.get().volts(), off, ROUNDS);
        }
        return found;
    }

    private Set<Integer> tooHot(Solution solution) {
        Set<Integer> hot = new HashSet<>();
        for (int i = 0; i < network.elements().size(); i++) {
            if (network.elements().get(i) instanceof Element.LinearRegulator regulator
                    && !solution.off().contains(i)
                    && regulator.watts(Solution.at(regulator, solution.volts())) > regulator.heat()) {
                hot.add(i);
            }
        }
        return hot;
    }

    /**
     * What settles when every point has a capacitor and power is switched on: each round is a while of time, longer the less
     * current is left over (pseudo-transient continuation, Kelley and Keyes 1998). It takes many rounds, and comes to an end
     * where a straight way goes to and fro over bends.
     */
    private Optional<Solution> overTime() {
        Set<Integer> off = new HashSet<>();
        Optional<Solution> found = overTime(off);
        while (found.isPresent() && off.addAll(tooHot(found.get()))) {
            found = overTime(off);
        }
        return found;
    }

    private Optional<Solution> overTime(Set<Integer> off) {
        double[] volts = usual(off);
        double held = HELD;
        double before = Double.NaN;
        for (int round = 0; round < ROUNDS_OF_TIME && volts.length > 0; round++) {
            equations.set(network.elements(), volts, off);
            double left = equations.leftOver();
            held = Double.isNaN(before) ? held : held * Math.min(HELD_CHANGE, left / before);
            before = left;
            if (left < CLOSE) {
                Optional<Solution> found = settle(volts, off, ROUNDS);
                if (found.isPresent()) {
                    return found;
                }
                equations.set(network.elements(), volts, off);
            }
            if (!equations.factor(held)) {
                break;
            }
            double[] step = equations.step();
            double most = most(step);
            if (Double.isNaN(most)) {
                break;
            }
            move(volts, step, Math.min(1, REACH / most));
        }
        return settle(null, off, ROUNDS);
    }

    private Optional<Solution> settle(double[] near, Set<Integer> off, int rounds) {
        double[] volts = near == null ? usual(off) : moved(near, off);
        double[] step = new double[0];
        boolean isSet = false;
        for (int round = 0; round < rounds && volts.length > 0; round++) {
            if (!isSet) {
                equations.set(network.elements(), volts, off);
            }
            if (!equations.factor()) {
                break;
            }
            step = equations.step();
            double most = most(step);
            if (Double.isNaN(most)) {
                break;
            }
            if (most <= SETTLED) {
                move(volts, step, 1);
                return Optional.of(new Solution(network, volts, layout, off));
            }
            isSet = go(volts, step, Math.min(1, REACH / most), off);
        }
        lastVolts = volts;
        lastStep = step;
        return Optional.empty();
    }

    /** The volts of other figures, and one step from there. */
    private double[] moved(double[] near, Set<Integer> off) {
        double[] volts = near.clone();
        equations.set(network.elements(), volts, off, true);
        if (equations.factor()) {
            double[] step = equations.step();
            if (most(step) < REACH) {
                move(volts, step, 1);
            }
        }
        return volts;
    }

    /**
     * The volts as everything usually runs, each diode passing that then has more than its knee across it; nothing where none
     * follow. A supply that comes through a diode is there from the start so, and what regulates it need not be brought up.
     */
    private double[] usual(Set<Integer> off) {
        double[] volts = new double[0];
        BitSet passing = new BitSet();
        for (int round = 0; round < USUAL_ROUNDS; round++) {
            equations.setUsual(network.elements(), off, passing);
            if (!equations.factor()) {
                return volts;
            }
            volts = new double[network.size()];
            move(volts, equations.step(), 1);
            BitSet found = passing(volts);
            if (found.equals(passing)) {
                return volts;
            }
            passing = found;
        }
        return volts;
    }

    private BitSet passing(double[] volts) {
        BitSet found = new BitSet();
        for (int i = 0; i < network.elements().size(); i++) {
            if (network.elements().get(i) instanceof Element.Diode diode) {
                found.set(i, diode.isPassing(volts[diode.anode()] - volts[diode.cathode()]));
            }
        }
        return found;
    }

    /**
     * Goes as far along a step as what is left over gets less: all of it, or just behind the first bend on the way, where all
     * is straight and so what is left gets less as the way left does (Katzenelson's way). Where two bends meet, or a
     * regulator takes a power, half of the step is tried, and half of that.
     *
     * @return whether the equations are set for where it went
     */
    private boolean go(double[] volts, double[] step, double all, Set<Integer> off) {
        double before = equations.leftOver();
        if (isLessAt(volts, step, all, before, off)) {
            return true;
        }
        double bend = untilBend(volts, step) + BEHIND;
        if (bend < all && isLessAt(volts, step, bend, before, off)) {
            return true;
        }
        double best = 0;
        double least = Double.POSITIVE_INFINITY;
        double share = all / 2;
        for (int i = 1; i < HALVES; i++) {
            move(volts, step, share);
            equations.set(network.elements(), volts, off);
            double left = equations.leftOver();
            if (left <= before * (1 - share * ENOUGH) + ROUNDING && left < least) {
                return true;
            }
            move(volts, step, -share);
            if (left < least) {
                least = left;
                best = share;
            }
            share /= 2;
        }
        move(volts, step, best);
        return false;
    }

    /** Moves by a share of the step if less is left over there, and stays else; the equations are set for where it was tried. */
    private boolean isLessAt(double[] volts, double[] step, double share, double before, Set<Integer> off) {
        move(volts, step, share);
        equations.set(network.elements(), volts, off);
        if (equations.leftOver() <= before * (1 - share * ENOUGH) + ROUNDING) {
            return true;
        }
        move(volts, step, -share);
        return false;
    }

    /** The share of a step at which the first element comes to a bend. */
    private double untilBend(double[] volts, double[] step) {
        double[] to = volts.clone();
        move(to, step, 1);
        double first = Double.POSITIVE_INFINITY;
        for (Element element : network.elements()) {
            if (!(element instanceof Element.Resistor)) {
                first = Math.min(first, element.untilBend(Solution.at(element, volts), Solution.at(element, to)));
            }
        }
        return first;
    }

    /** The largest of a step; not a number if one of it is none. */
    private static double most(double[] step) {
        double most = 0;
        for (double by : step) {
            most = Math.max(most, Math.abs(by));
        }
        return most;
    }

    private void move(double[] volts, double[] step, double share) {
        for (int i = 0; i < volts.length; i++) {
            int unknown = equations.unknown(i);
            volts[i] += unknown < 0 ? 0 : share * step[unknown];
        }
    }

    /** The element whose currents at the end of the last step are furthest from what was foretold of them. */
    private int mostBent() {
        double[] volts = lastVolts;
        double[] step = lastStep;
        int found = 0;
        double most = -1;
        for (int i = 0; i < network.elements().size() && step.length > 0; i++) {
            Element element = network.elements().get(i);
            double[] from = Solution.at(element, volts);
            double[] to = element.points().stream()
                    .mapToDouble(
                            point -> volts[point] + (equations.unknown(point) < 0 ? 0 : step[equations.unknown(point)]))
                    .toArray();
            double bent = bend(element, from, to);
            if (bent > most) {
                found = i;
                most = bent;
            }
        }
        return found;
    }

    private static double bend(Element element, double[] from, double[] to) {
        double[] off = new double[to.length];
        element.flows(from, (one, other, plus, minus, siemens, amperes) -> {
            off[one] += siemens * (to[plus] - to[minus]) + amperes;
            off[other] -= siemens * (to[plus] - to[minus]) + amperes;
        });
        element.flows(to, (one, other, plus, minus, siemens, amperes) -> {
            off[one] -= siemens * (to[plus] - to[minus]) + amperes;
            off[other] += siemens * (to[plus] - to[minus]) + amperes;
        });
        return Arrays.stream(off).map(Math::abs).max().orElse(0);
    }
}
