package inkel.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Fitting;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.quantity.Resistance;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What must lie on the table, and so what the wire list says where to put, is what the build says there is. */
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
            String node = list.node().node().id();
            Map<String, Integer> said = said(circuit, list.node());
            assertEquals(said, listed(list, "CAPACITOR"), node);
            Map<String, Integer> capacitors = listed(list, "RESISTOR");
            capacitorsAdded(circuit, list.node())
                    .forEach((value, count) ->
                            assertTrue(capacitors.getOrDefault(value, 0) >= count, node + ": " + value + capacitors));
        }
    }

    private static Map<String, Integer> listed(WireList list, String without) {
        Map<String, Integer> counted = new TreeMap<>();
        for (PartsList.Line line : PartsList.of(list).lines()) {
            Object value = line.what().values().get("value");
            if (value != null && !line.kind().name().equals(without)) {
                counted.merge(line.kind() + " " + value, line.count(), Integer::sum);
            }
        }
        return counted;
    }

    /** The resistors and crystals, by what stands in the document and in the classes alone. */
    private static Map<String, Integer> said(Circuit circuit, NodeCircuit node) {
        Map<String, Integer> counted = new TreeMap<>();
        for (Placed placed : node.parts()) {
            if (placed.isForLater()) {
                continue;
            }
            placed.addedPullUps().forEach(pull -> ohms(counted, pull.resistance()));
            placed.selectHeldLow().ifPresent(piece -> counted.merge("RESISTOR " + piece.value(), 1, Integer::sum));
            if (placed.isChip()) {
                placed.cls().handling().make().around().stream()
                        .filter(fitting -> fitting.sort() != Fitting.Sort.CAPACITOR)
                        .forEach(fitting -> counted.merge(fitting.sort() + " " + fitting.value(), 1, Integer::sum));
            }
        }
        for (Between piece : node.node().between()) {
            node.wire(piece.signal()).ifPresent(wire -> {
                if (!node.isTie(wire)) {
                    Endpoint pulled = piece instanceof Between.PulledUp ? wire.to() : node.listener(wire);
                    piece(counted, piece, node.ioRail(pulled).isPresent());
                } else if (piece instanceof Between.Series) {
                    piece(counted, piece, false);
                }
            });
        }
        circuit.links().stream()
                .filter(link -> link.from().node().equals(node.node().id()))
                .flatMap(link -> link.between().stream())
                .forEach(piece -> piece(counted, piece, true));
        return counted;
    }

    /** @param isFed whether there is a supply for what pulls up */
    private static void piece(Map<String, Integer> counted, Between between, boolean isFed) {
        if (between instanceof Between.Series series) {
            ohms(counted, series.resistance());
        } else if (between instanceof Between.CoilDriver driver) {
            ohms(counted, driver.base());
        } else if (between instanceof Between.Divider divider) {
            ohms(counted, divider.series());
            ohms(counted, divider.toGround());
        } else if (between instanceof Between.Diode diode && isFed) {
            ohms(counted, diode.pullUp());
        } else if (between instanceof Between.PulledUp up && isFed) {
            ohms(counted, up.pullUp());
        } else if (between instanceof Between.PulledDown down) {
            ohms(counted, down.toGround());
        } else if (between instanceof Between.Opto opto) {
            ohms(counted, opto.series());
            if (isFed) {
                ohms(counted, opto.pullUp());
            }
        }
    }

    private static void ohms(Map<String, Integer> counted, Resistance value) {
        counted.merge("RESISTOR " + value, 1, Integer::sum);
    }

    /** Those that the builder has put somewhere; what classes want beside them has its own test. */
    private static Map<String, Integer> capacitorsAdded(Circuit circuit, NodeCircuit node) {
        Map<String, Integer> counted = new TreeMap<>();
        Stream.concat(
                        node.node().between().stream().filter(piece -> node.wire(piece.signal())
                                .filter(wire -> !node.isTie(wire))
                                .isPresent()),
                        circuit.links().stream()
                                .filter(link ->
                                        link.from().node().equals(node.node().id()))
                                .flatMap(link -> link.between().stream()))
                .flatMap(piece -> piece.capacitor().stream())
                .forEach(value -> counted.merge("CAPACITOR " + value, 1, Integer::sum));
        node.parts().stream()
                .filter(placed -> !placed.isForLater() && !placed.part().feeds().isEmpty())
                .flatMap(placed -> placed.capacitor().stream())
                .forEach(value -> counted.merge("CAPACITOR " + value, 1, Integer::sum));
        return counted;
    }
}
