package inkel.core.bench.net;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;

/** Every circuit of {@code circuits.txt}, which says how each was worked out by hand. */
class CircuitsByHandTest {
    private static final String FILE = "/inkel/core/bench/circuits.txt";

    /** A thousandth, or a tenth of a millivolt or milliampere where that is more. */
    private static void assertNear(double expected, double found, String line) {
        assertEquals(expected, found, Math.max(Math.abs(expected) * 1e-3, 1e-4), line);
    }

    private static List<List<String>> circuits() throws IOException {
        try (InputStream in = CircuitsByHandTest.class.getResourceAsStream(FILE)) {
            String all = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            return Stream.of(all.split("\n\n"))
                    .map(block -> block.lines()
                            .map(line -> line.replaceFirst("#.*", "").strip())
                            .filter(line -> !line.isEmpty())
                            .toList())
                    .filter(lines -> !lines.isEmpty())
                    .toList();
        }
    }

    @Test
    void thereAreAtLeastForty() throws IOException {
        assertTrue(circuits().size() >= 40, "" + circuits().size());
    }

    @TestFactory
    Stream<DynamicTest> each() throws IOException {
        return circuits().stream().map(lines -> DynamicTest.dynamicTest(lines.get(0), () -> check(lines)));
    }

    private static void check(List<String> lines) {
        Network.Points points = new Network.Points();
        List<Element> elements = new ArrayList<>();
        for (String line : lines.subList(1, lines.size())) {
            Netlist.element(line, points).ifPresent(elements::add);
        }
        Solution solution =
                new Solver(new Network(points.names(), elements)).solve().orThrow();
        int checked = 0;
        for (String line : lines.subList(1, lines.size())) {
            String[] words = line.split("\\s+");
            if (words[0].equals("v")) {
                double found = solution.between(points.at(words[1]), points.at(words[2]));
                assertNear(Netlist.number(words[3]), found, line);
                checked++;
            } else if (words[0].equals("a")) {
                double found = solution.amperes(Integer.parseInt(words[1]) - 1);
                assertNear(Netlist.number(words[2]), found, line);
                checked++;
            } else if (words[0].equals("apart")) {
                assertTrue(Double.isNaN(solution.between(points.at(words[1]), points.at(words[2]))), line);
                checked++;
            }
        }
        assertTrue(checked > 0, "nothing is checked");
    }
}
