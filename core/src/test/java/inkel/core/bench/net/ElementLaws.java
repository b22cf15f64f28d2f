package inkel.core.bench.net;

/** What elements do, written once more from their description, for solvers that share no line with the program's. */
final class ElementLaws {
    private ElementLaws() {}

    /** What an element takes from each of its points. */
    static double[] currents(Element element, double[] v) {
        if (element instanceof Element.Resistor resistor) {
            return pair((v[0] - v[1]) / resistor.ohms());
        } else if (element instanceof Element.Diode diode) {
            return pair(Math.max(0, (v[0] - v[1] - diode.knee()) / diode.ohms()));
        } else if (element instanceof Element.Load load) {
            return pair(load.amperes() * Math.min(1, Math.max(0, (v[0] - v[1]) / load.least())));
        } else if (element instanceof Element.Source source) {
            double given = (source.volts() - (v[1] - v[0])) / source.ohms();
            return pair(Math.min(source.most(), source.sinks() ? given : Math.max(0, given)));
        } else if (element instanceof Element.LinearRegulator regulator) {
            double wanted = Math.max(0, Math.min(regulator.volts(), v[0] - v[2] - regulator.dropout()));
            double given = Math.min(regulator.most(), Math.max(0, (wanted - (v[1] - v[2])) / regulator.ohms()));
            double own = regulator.quiescent() * Math.min(1, Math.max(0, (v[0] - v[2]) / regulator.volts()));
            double bled = (v[1] - v[2]) * 1e-6;
            return new double[] {given + own, -given + bled, -own - bled};
        }
        return switching((Element.SwitchingRegulator) element, v);
    }

    private static double[] switching(Element.SwitchingRegulator regulator, double[] v) {
        double in = v[0] - v[2];
        double out = v[1] - v[2];
        double share = Math.min(1, Math.max(0, in / regulator.least()));
        double given = Math.min(regulator.most(), Math.max(0, (regulator.volts() * share - out) / regulator.ohms()));
        double takes = Math.max(0, out) * given / (regulator.efficiency() * Math.max(in, 0.05 * regulator.least()));
        double own = regulator.quiescent() * share;
        double bled = out * 1e-6;
        return new double[] {takes + own, -given + bled, given - takes - own - bled};
    }

    private static double[] pair(double amperes) {
        return new double[] {amperes, -amperes};
    }
}
