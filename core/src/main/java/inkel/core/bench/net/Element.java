package inkel.core.bench.net;

import java.util.List;

/**
 * Something that lets current flow between points of a {@link Network}. Each is a continuous function of the volts at its
 * points, made of straight pieces but for the switching regulator, whose input takes a power.
 *
 * <p>Amounts are in SI base units as plain numbers: a solver goes over them some hundred thousand times.
 *
 * <p>Longer than other files: the laws of all elements stand beside each other, so that they can be held against each
 * other.
 */
public sealed interface Element {
    /** What still flows where nothing is meant to, as through a diode that blocks: one nanoampere at one volt. */
    double LEAK = 1e-9;

    /** The numbers of its points, in an order of its own. */
    List<Integer> points();

    /** What flows at given volts, by the place of a point in {@link #points()}. */
    void flows(double[] volts, Flows into);

    /** What flows as long as nothing is known of the volts: as it usually runs. */
    void usual(Flows into);

    /**
     * What flows near volts where it settled with figures not far off: as {@link #flows}, but still as it ran where the new
     * figures would put it a little past a bend.
     */
    default void near(double[] volts, Flows into) {
        flows(volts, into);
    }

    /**
     * How far it is to the first bend on a straight way, as a share of the way; infinite where there is none on it. Behind a
     * bend {@link #flows} follows another straight piece.
     */
    double untilBend(double[] from, double[] to);

    /** The share of a way at which something that grows evenly along it becomes nothing; infinite where it does not. */
    private static double crossing(double from, double to) {
        return from > 0 == to > 0 ? Double.POSITIVE_INFINITY : from / (from - to);
    }

    /** @throws IllegalArgumentException when a resistance is not above nothing */
    private static void mustBeAboveNothing(double ohms) {
        if (!(ohms > 0) || Double.isInfinite(ohms)) {
            throw new IllegalArgumentException("points without resistance between them are to be joined: " + ohms);
        }
    }

    /** Current against volts: {@code I = U / R}. */
    record Resistor(int one, int other, double ohms) implements Element {
        public Resistor {
            mustBeAboveNothing(ohms);
        }

        @Override
        public List<Integer> points() {
            return List.of(one, other);
        }

        @Override
        public void flows(double[] volts, Flows into) {
            usual(into);
        }

        @Override
        public void usual(Flows into) {
            into.along(0, 1, 1 / ohms, 0);
        }

        @Override
        public double untilBend(double[] from, double[] to) {
            return Double.POSITIVE_INFINITY;
        }
    }

    /**
     * A supply: volts behind a resistance, and a constant current beyond its limit.
     *
     * @param most the current limit; infinite for a battery
     * @param sinks whether current may flow back into it, as into a battery
     */
    record Source(int minus, int plus, double volts, double ohms, double most, boolean sinks) implements Element {
        public Source {
            mustBeAboveNothing(ohms);
        }

        @Override
        public List<Integer> points() {
            return List.of(minus, plus);
        }

        @Override
        public void flows(double[] at, Flows into) {
            double across = at[1] - at[0];
            double least = volts - most * ohms;
            if (across < least) {
                beyond(least, most, into);
            } else if (across > volts && !sinks) {
                beyond(volts, 0, into);
            } else {
                usual(into);
            }
        }

        @Override
        public void near(double[] at, Flows into) {
            if (at[1] - at[0] < volts - most * ohms) {
                flows(at, into);
            } else {
                usual(into);
            }
        }

        /** Next to no change of current on either side. */
        private void beyond(double kink, double amperes, Flows into) {
            into.add(0, 1, 1, 0, -LEAK, amperes + LEAK * kink);
        }

        @Override
        public void usual(Flows into) {
            into.add(0, 1, 1, 0, -1 / ohms, volts / ohms);
        }

        @Override
        public double untilBend(double[] from, double[] to) {
            double before = from[1] - from[0];
            double after = to[1] - to[0];
            double least = volts - most * ohms;
            double bend = crossing(before - least, after - least);
            return sinks ? bend : Math.min(bend, crossing(before - volts, after - volts));
        }
    }

    /**
     * Lets current through one way only: nothing below its knee, a resistance above.
     *
     * @param knee in volts
     */
    record Diode(int anode, int cathode, double knee, double ohms) implements Element {
        public Diode {
            mustBeAboveNothing(ohms);
        }

        @Override
        public List<Integer> points() {
            return List.of(anode, cathode);
        }

        @Override
        public void flows(double[] at, Flows into) {
            if (isPassing(at[0] - at[1])) {
                passing(into);
            } else {
                usual(into);
            }
        }

        boolean isPassing(double volts) {
            return volts > knee;
        }

        /** As it is while it lets current through. */
        void passing(Flows into) {
            into.along(0, 1, LEAK + 1 / ohms, -knee / ohms);
        }

        @Override
        public void usual(Flows into) {
            into.along(0, 1, LEAK, 0);
        }

        @Override
        public double untilBend(double[] from, double[] to) {
            return crossing(from[0] - from[1] - knee, to[0] - to[1] - knee);
        }
    }

    /**
     * A part that takes a current: constant from the least volts that it runs at, below that falling in a straight line to
     * nothing at 0 V.
     *
     * @param least in volts, above 0
     */
    record Load(int plus, int minus, double amperes, double least) implements Element {
        public Load {
            if (!(least > 0)) {
                throw new IllegalArgumentException("a load runs from some volts on: " + least);
            }
        }

        @Override
        public List<Integer> points() {
            return List.of(plus, minus);
        }

        @Override
        public void flows(double[] at, Flows into) {
            double across = at[0] - at[1];
            if (across >= least) {
                into.along(0, 1, LEAK, amperes);
            } else if (across > 0) {
                usual(into);
            } else {
                into.along(0, 1, LEAK, 0);
            }
        }

        @Override
        public void usual(Flows into) {
            into.along(0, 1, LEAK + amperes / least, 0);
        }

        @Override
        public double untilBend(double[] from, double[] to) {
            return Own.untilBend(from[0] - from[1], to[0] - to[1], least);
        }
    }

    /**
     * A linear regulator, or an output that cannot rise above some volts: its output follows {@code min(volts, V_in −
     * dropout)} behind a resistance; what goes out comes in. Nothing flows back.
     *
     * @param quiescent what it takes for itself, from input to ground
     * @param most its current limit
     * @param heat the most it may turn into heat before it switches itself off, in watts; infinite where not known
     */
    record LinearRegulator(
            int in,
            int out,
            int ground,
            double volts,
            double dropout,
            double ohms,
            double quiescent,
            double most,
            double heat)
            implements Element {
        public LinearRegulator {
            mustBeAboveNothing(ohms);
        }

        @Override
        public List<Integer> points() {
            return List.of(in, out, ground);
        }

        @Override
        public void flows(double[] at, Flows into) {
            double in = at[0] - at[2];
            double out = at[1] - at[2];
            boolean regulates = in - dropout >= volts;
            double wanted = regulates ? volts : Math.max(0, in - dropout);
            double amperes = (wanted - out) / ohms;
            if (amperes > most) {
                into.along(0, 1, LEAK, most - LEAK * (at[0] - at[1]));
            } else if (amperes <= 0) {
                into.along(0, 1, LEAK, -LEAK * (at[0] - at[1]));
            } else if (regulates) {
                into.add(0, 1, 1, 2, -1 / ohms, volts / ohms);
            } else if (wanted > 0) {
                into.along(0, 1, 1 / ohms, -dropout / ohms);
            } else {
                into.add(0, 1, 1, 2, -1 / ohms, 0);
            }
            own(in, into);
        }

        @Override
        public void near(double[] at, Flows into) {
            double in = at[0] - at[2];
            if (in - dropout >= volts && (volts - (at[1] - at[2])) / ohms < most) {
                into.add(0, 1, 1, 2, -1 / ohms, volts / ohms);
                own(in, into);
            } else {
                flows(at, into);
            }
        }

        private void own(double in, Flows into) {
            Own.take(0, 2, in, quiescent, volts, into);
            into.along(1, 2, Own.BLEED, 0);
        }

        /** As if its output came from ground, so that no volts go beyond those of the supplies. */
        @Override
        public void usual(Flows into) {
            into.add(2, 1, 1, 2, -1 / ohms, volts / ohms);
            own(0, into);
        }

        @Override
        public double untilBend(double[] from, double[] to) {
            double in = from[0] - from[2];
            double inAfter = to[0] - to[2];
            boolean regulates = in - dropout >= volts;
            boolean follows = !regulates && in > dropout;
            double wanted = regulates ? volts : follows ? in - dropout : 0;
            double wantedAfter = regulates ? volts : follows ? inAfter - dropout : 0;
            double drop = wanted - (from[1] - from[2]);
            double dropAfter = wantedAfter - (to[1] - to[2]);
            double byIn = Math.min(
                    crossing(in - dropout - volts, inAfter - dropout - volts),
                    crossing(in - dropout, inAfter - dropout));
            double byOut = Math.min(crossing(drop - most * ohms, dropAfter - most * ohms), crossing(drop, dropAfter));
            return Math.min(Math.min(byIn, byOut), Own.untilBend(in, inAfter, volts));
        }

        /** What it turns into heat at given volts. */
        double watts(double[] at) {
            double[] through = {0};
            flows(at, (from, to, plus, minus, siemens, amperes) -> {
                if (from == 0) {
                    double amps = siemens * (at[plus] - at[minus]) + amperes;
                    through[0] += amps * (at[from] - at[to]);
                }
            });
            return through[0];
        }

        /** The same when it has switched itself off. */
        Element off() {
            return new LinearRegulator(in, out, ground, volts, dropout, ohms, quiescent, 0, heat);
        }
    }

    /**
     * The output of a converter: a share of the volts of its reference behind a resistance. What goes out comes from the
     * reference, what comes in goes to ground.
     *
     * @param share from 0 to 1
     */
    record Follower(int reference, int out, int ground, double share, double ohms) implements Element {
        public Follower {
            mustBeAboveNothing(ohms);
        }

        @Override
        public List<Integer> points() {
            return List.of(reference, out, ground);
        }

        @Override
        public void flows(double[] at, Flows into) {
            given(drop(at) > 0 ? 0 : 2, into);
        }

        /** As if all of it came from ground. */
        @Override
        public void usual(Flows into) {
            given(2, into);
        }

        private void given(int from, Flows into) {
            into.add(from, 1, 0, 2, share / ohms, 0);
            into.add(from, 1, 1, 2, -1 / ohms, 0);
        }

        private double drop(double[] at) {
            return share * (at[0] - at[2]) - (at[1] - at[2]);
        }

        @Override
        public double untilBend(double[] from, double[] to) {
            return crossing(drop(from), drop(to));
        }
    }

    /**
     * A switching regulator: {@code I_in = V_out · I_out / (η · V_in)}. Below the least it works at, its output falls with
     * its input.
     *
     * @param least the least volts at its input
     */
    record SwitchingRegulator(
            int in,
            int out,
            int ground,
            double volts,
            double least,
            double efficiency,
            double ohms,
            double quiescent,
            double most)
            implements Element {
        /** The power of the input is spread over at least this share of its least volts, so that its current stays finite. */
        private static final double LEAST_SHARE = 0.05;

        public SwitchingRegulator {
            mustBeAboveNothing(ohms);
        }

        @Override
        public List<Integer> points() {
            return List.of(in, out, ground);
        }

        @Override
        public void flows(double[] at, Flows into) {
            double in = at[0] - at[2];
            double out = at[1] - at[2];
            boolean regulates = in >= least;
            double wanted = regulates ? volts : Math.max(0, volts * in / least);
            double amperes = (wanted - out) / ohms;
            if (amperes > most) {
                given(in, out, most, 0, 0, into);
            } else if (amperes <= 0) {
                given(in, out, 0, 0, 0, into);
            } else {
                double byIn = !regulates && in > 0 ? volts / (least * ohms) : 0;
                given(in, out, amperes, byIn, -1 / ohms, into);
            }
            Own.take(0, 2, in, quiescent, least, into);
            into.along(1, 2, Own.BLEED, 0);
        }

        @Override
        public void near(double[] at, Flows into) {
            double in = at[0] - at[2];
            double out = at[1] - at[2];
            double amperes = (volts - out) / ohms;
            if (in >= least && amperes < most) {
                given(in, out, amperes, 0, -1 / ohms, into);
                Own.take(0, 2, in, quiescent, least, into);
                into.along(1, 2, Own.BLEED, 0);
            } else {
                flows(at, into);
            }
        }

        /** The output's current and what the input takes for it, each as a straight line in both volts. */
        private void given(double in, double out, double amperes, double byIn, double byOut, Flows into) {
            into.add(2, 1, 1, 2, byOut - LEAK, amperes - (byOut - LEAK) * out - byIn * in);
            into.add(2, 1, 0, 2, byIn, 0);
            double base = efficiency * Math.max(in, LEAST_SHARE * least);
            double share = Math.max(out, 0) / base;
            double takes = share * amperes;
            double withIn = share * byIn - (in > LEAST_SHARE * least ? takes / in : 0);
            double withOut = share * byOut + (out > 0 ? amperes / base : 0);
            into.add(0, 2, 0, 2, withIn + LEAK, takes - withIn * in - withOut * out);
            into.add(0, 2, 1, 2, withOut, 0);
        }

        @Override
        public void usual(Flows into) {
            into.add(2, 1, 1, 2, -1 / ohms, volts / ohms);
            into.along(1, 2, Own.BLEED, 0);
            into.along(0, 2, LEAK, 0);
        }

        @Override
        public double untilBend(double[] from, double[] to) {
            double in = from[0] - from[2];
            double inAfter = to[0] - to[2];
            boolean follows = in > 0 && in < least;
            double flat = in < least ? 0 : volts;
            double drop = (follows ? volts * in / least : flat) - (from[1] - from[2]);
            double dropAfter = (follows ? volts * inAfter / least : flat) - (to[1] - to[2]);
            double byOut = Math.min(crossing(drop - most * ohms, dropAfter - most * ohms), crossing(drop, dropAfter));
            double spread = LEAST_SHARE * least;
            return Math.min(
                    Math.min(byOut, crossing(in - spread, inAfter - spread)), Own.untilBend(in, inAfter, least));
        }
    }

    /** What regulators take for themselves. */
    final class Own {
        /** From output to ground, as by the resistors that a regulator looks at its output through: 1 MΩ. */
        static final double BLEED = 1e-6;

        private Own() {}

        /** Constant from the least volts on, below that in proportion to the volts. */
        static void take(int from, int to, double volts, double amperes, double least, Flows into) {
            if (volts >= least) {
                into.along(from, to, LEAK, amperes);
            } else if (volts > 0) {
                into.along(from, to, LEAK + amperes / least, 0);
            } else {
                into.along(from, to, LEAK, 0);
            }
        }

        /** Where that bends, as of {@link Element#untilBend}. */
        static double untilBend(double from, double to, double least) {
            return Math.min(crossing(from - least, to - least), crossing(from, to));
        }
    }
}
