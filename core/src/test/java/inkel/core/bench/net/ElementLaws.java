package inkel.core.bench.net;

/** What elements do, written once more from their description, for solvers that share no line with the program's. */
final class ElementLaws {
    private ElementLaws() {}

    /** What an element takes from each of its points. */
    static double[] currents(Element element, double[] v) {
        return currents(element, v, 0);
    }

    /**
     * The same with its bends rounded off.
     *
     * @param round how far from a bend it is rounded, as a share of what is usual there; 0 for bends as they are
     */
    static double[] currents(Element element, double[] v, double round) {
        if (element instanceof Element.Resistor resistor) {
            return pair((v[0] - v[1]) / resistor.ohms());
        }
        double[] currents = working(element, v, round);
        // Nothing blocks wholly: a nanoampere at a volt flows through all that does.
        double leak = v.length == 2 ? 1e-9 * (v[0] - v[1]) : 0;
        currents[0] += leak;
        currents[1] -= leak;
        return currents;
    }

    private static double[] working(Element element, double[] v, double round) {
        if (element instanceof Element.Diode diode) {
            return pair(above(v[0] - v[1] - diode.knee(), round) / diode.ohms());
        } else if (element instanceof Element.Load load) {
            return pair(load.amperes() * share((v[0] - v[1]) / load.least(), round));
        } else if (element instanceof Element.Source source) {
            double given = (source.volts() - (v[1] - v[0])) / source.ohms();
            return pair(
                    atMost(source.most(), source.sinks() ? given : above(given, round * usual(source.most())), round));
        } else if (element instanceof Element.LinearRegulator regulator) {
            double most = regulator.most();
            double headroom = above(v[0] - v[2] - regulator.dropout(), round);
            double wanted = atMost(regulator.volts(), headroom, round);
            double given = atMost(most, above((wanted - (v[1] - v[2])) / regulator.ohms(), round * usual(most)), round);
            double own = regulator.quiescent() * share((v[0] - v[2]) / regulator.volts(), round);
            double bled = (v[1] - v[2]) * 1e-6;
            return new double[] {given + own, -given + bled, -own - bled};
        }
        if (element instanceof Element.Follower follower) {
            double given = (follower.share() * (v[0] - v[2]) - (v[1] - v[2])) / follower.ohms();
            double out = above(given, round);
            return new double[] {out, -given, given - out};
        }
        return switching((Element.SwitchingRegulator) element, v, round);
    }

    private static double[] switching(Element.SwitchingRegulator regulator, double[] v, double round) {
        double in = v[0] - v[2];
        double out = v[1] - v[2];
        double most = regulator.most();
        double share = share(in / regulator.least(), round);
        double wanted = (regulator.volts() * share - out) / regulator.ohms();
        double given = atMost(most, above(wanted, round * usual(most)), round);
        double floor = 0.05 * regulator.least();
        double takes = above(out, round) * given / (regulator.efficiency() * (floor + above(in - floor, round)));
        double own = regulator.quiescent() * share;
        double bled = out * 1e-6;
        return new double[] {takes + own, -given + bled, given - takes - own - bled};
    }

    /** What is above nothing, with its bend rounded over a width. */
    private static double above(double value, double width) {
        return (value + Math.sqrt(value * value + width * width)) / 2;
    }

    private static double atMost(double most, double value, double round) {
        return Double.isInfinite(most) ? value : most - above(most - value, round * usual(most));
    }

    private static double share(double value, double round) {
        return atMost(1, above(value, round), round);
    }

    private static double usual(double most) {
        return Double.isInfinite(most) ? 1 : Math.max(most, 1e-3);
    }

    private static double[] pair(double amperes) {
        return new double[] {amperes, -amperes};
    }
}
