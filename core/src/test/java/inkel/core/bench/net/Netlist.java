package inkel.core.bench.net;

import java.util.Optional;

/** Reads the elements of {@code circuits.txt}. */
final class Netlist {
    private Netlist() {}

    /** Empty for a line that tells of none. */
    static Optional<Element> element(String line, Network.Points points) {
        String[] words = line.split("\\s+");
        return switch (words[0]) {
            case "r" -> Optional.of(new Element.Resistor(points.at(words[1]), points.at(words[2]), number(words[3])));
            case "source" ->
                Optional.of(new Element.Source(
                        points.at(words[1]),
                        points.at(words[2]),
                        number(words[3]),
                        number(words[4]),
                        words.length > 5 ? number(words[5]) : 10,
                        words.length > 6));
            case "diode" ->
                Optional.of(new Element.Diode(
                        points.at(words[1]), points.at(words[2]), number(words[3]), number(words[4])));
            case "load" ->
                Optional.of(
                        new Element.Load(points.at(words[1]), points.at(words[2]), number(words[3]), number(words[4])));
            case "linear" ->
                Optional.of(new Element.LinearRegulator(
                        points.at(words[1]),
                        points.at(words[2]),
                        points.at(words[3]),
                        number(words[4]),
                        number(words[5]),
                        number(words[6]),
                        number(words[7]),
                        number(words[8]),
                        words.length > 9 ? number(words[9]) : Double.POSITIVE_INFINITY));
            case "switching" ->
                Optional.of(new Element.SwitchingRegulator(
                        points.at(words[1]),
                        points.at(words[2]),
                        points.at(words[3]),
                        number(words[4]),
                        number(words[5]),
                        number(words[6]),
                        number(words[7]),
                        number(words[8]),
                        number(words[9])));
            default -> Optional.empty();
        };
    }

    static double number(String text) {
        double factor =
                switch (text.charAt(text.length() - 1)) {
                    case 'u' -> 1e-6;
                    case 'm' -> 1e-3;
                    case 'k' -> 1e3;
                    case 'M' -> 1e6;
                    default -> 1;
                };
        return text.equals("inf")
                ? Double.POSITIVE_INFINITY
                : factor == 1
                        ? Double.parseDouble(text)
                        : Double.parseDouble(text.substring(0, text.length() - 1)) * factor;
    }
}
