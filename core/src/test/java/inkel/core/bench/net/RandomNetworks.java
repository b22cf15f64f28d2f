package inkel.core.bench.net;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Networks made by chance, the same for the same seed: a supply or two, and anything between a few points. */
final class RandomNetworks {
    private RandomNetworks() {}

    static Network of(int seed) {
        Random random = new Random(seed);
        int points = 3 + random.nextInt(9);
        List<String> names = new ArrayList<>();
        for (int i = 0; i < points; i++) {
            names.add("p" + i);
        }
        List<Element> elements = new ArrayList<>();
        int sources = 1 + random.nextInt(2);
        for (int i = 0; i < sources; i++) {
            elements.add(new Element.Source(
                    0,
                    1 + i,
                    3 + random.nextInt(10),
                    0.05 + random.nextDouble(),
                    random.nextInt(3) == 0 ? 0.05 + random.nextDouble() : 5,
                    random.nextBoolean()));
        }
        // Every point hangs on one before it, so that all is one piece; the rest goes anywhere.
        for (int i = 1; i < points; i++) {
            elements.add(new Element.Resistor(i, random.nextInt(i), ohms(random)));
        }
        int more = random.nextInt(2 * points);
        for (int i = 0; i < more; i++) {
            int one = random.nextInt(points);
            int other = (one + 1 + random.nextInt(points - 1)) % points;
            elements.add(any(one, other, random));
        }
        int converters = random.nextInt(2);
        for (int i = 0; i < converters && points > sources + 2; i++) {
            int out = sources + 1 + random.nextInt(points - sources - 1);
            elements.add(new Element.Follower(
                    1 + random.nextInt(sources), out, 0, random.nextDouble(), 5 + random.nextInt(50)));
        }
        int regulators = random.nextInt(3);
        for (int i = 0; i < regulators && points > sources + 2; i++) {
            // From a supply to a point behind it.
            int in = 1 + random.nextInt(sources);
            int out = sources + 1 + random.nextInt(points - sources - 1);
            elements.add(regulator(in, out, random));
        }
        return new Network(names, elements);
    }

    private static double ohms(Random random) {
        return Math.pow(10, random.nextDouble() * 4);
    }

    private static Element any(int one, int other, Random random) {
        return switch (random.nextInt(4)) {
            case 0 -> new Element.Diode(one, other, random.nextInt(2) == 0 ? 0.3 : 2, 5 + random.nextInt(50));
            case 1 -> new Element.Load(Math.max(one, 1), 0, random.nextDouble() * 0.05, 1 + random.nextInt(4));
            default -> new Element.Resistor(one, other, ohms(random));
        };
    }

    private static Element regulator(int in, int out, Random random) {
        return random.nextBoolean()
                ? new Element.LinearRegulator(
                        in,
                        out,
                        0,
                        1.8 + random.nextInt(3),
                        random.nextDouble(),
                        0.05,
                        0.002,
                        0.3,
                        Double.POSITIVE_INFINITY)
                : new Element.SwitchingRegulator(
                        in, out, 0, 1.8 + random.nextInt(4), 1.5 + random.nextInt(3), 0.8, 0.05, 0.001, 0.3);
    }
}
