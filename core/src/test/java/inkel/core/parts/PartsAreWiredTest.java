package inkel.core.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.Fitting;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.PieceKind;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Unit;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What must lie on the table is what the wire list says where to put, piece by piece. */
class PartsAreWiredTest {
    private static final int BUILDS = 60;

    static IntStream seeds() {
        return IntStream.range(0, BUILDS);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void ofARandomBuild(int seed) throws Exception {
        check(RandomBuilds.of(seed));
    }

    @Test
    void ofAnExample() {
        check(Builds.locks());
        check(Builds.firstSketch());
    }

    private static void check(Build build) {
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        for (WireList list : WireList.of(circuit)) {
            NodeCircuit node = list.node();
            Map<String, Integer> listed = listed(PartsList.of(circuit, node));
            Map<String, Integer> wired = wired(list);
            // Those across supplies are to be had whether they are in already or come later.
            listed.replaceAll((piece, count) ->
                    piece.startsWith("CAPACITOR") ? Math.min(count, wired.getOrDefault(piece, 0)) : count);
            listed.values().removeIf(count -> count == 0);
            assertEquals(listed, wired, node.node().id());
        }
    }

    private static Map<String, Integer> listed(PartsList parts) {
        Map<String, Integer> counted = new TreeMap<>();
        for (PartsList.Line line : parts.lines()) {
            Object value = line.what().values().get("value");
            if (value != null && line.kind() != PartsList.Kind.ADAPTER) {
                counted.merge(line.kind() + " " + value, line.count(), Integer::sum);
            }
        }
        return counted;
    }

    private static Map<String, Integer> wired(WireList list) {
        Map<String, Integer> counted = new TreeMap<>();
        for (WireStep step : list.steps()) {
            step.fitting().ifPresent(piece -> count(counted, piece));
            step.inLine().ifPresent(piece -> PieceKind.values(piece).forEach((key, value) -> {
                // What goes to ground or to a supply is a step of its own.
                if (key.equals("series") || key.equals("base")) {
                    counted.merge("RESISTOR " + ohms(value), 1, Integer::sum);
                }
            }));
        }
        return counted;
    }

    private static String ohms(String value) {
        return Engineering.print(
                Resistance.ofOhms(Engineering.parse(value, Unit.OHM).orElseThrow()));
    }

    private static void count(Map<String, Integer> counted, Fitting piece) {
        counted.merge(piece.sort() + " " + piece.value(), 1, Integer::sum);
    }
}
