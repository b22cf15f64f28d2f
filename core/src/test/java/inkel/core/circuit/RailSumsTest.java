package inkel.core.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Output;
import inkel.core.catalog.Supply;
import inkel.core.document.Endpoint;
import inkel.core.document.Moment;
import inkel.core.kit.Builds;
import inkel.core.quantity.Current;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The currents of whole builds against a reckoning that asks every supply pin anew, with nothing kept on the way. */
class RailSumsTest {
    private static final int TRIES = 40;

    private static List<NodeCircuit> nodes(String example) {
        return Circuit.of(Builds.example(example), Builds.CATALOG).nodes();
    }

    /** What flows in a rail: what each pin on it takes itself, and what that pin passes on. */
    private static double flows(NodeCircuit node, Endpoint rail, Map<Endpoint, Double> takes) {
        // The moth lamp's three: 1.6 V over 330 Ω and twice 0.8 V over 180 Ω, at 3.4 V.
        double sum = node.node().id().equals("lamp") && rail.toString().equals("board.3V3") ? 1.6 / 330 + 1.6 / 180 : 0;
        for (Placed placed : node.parts()) {
            for (Supply supply : placed.cls().supplies()) {
                if (rail.equals(placed.part().feeds().get(supply.pin()))) {
                    Endpoint pin = new Endpoint(placed.id(), supply.pin());
                    sum += takes.get(pin);
                    for (Output output : placed.cls().outputs()) {
                        if (output.from().filter(supply.pin()::equals).isPresent()) {
                            sum += passed(node, new Endpoint(placed.id(), output.pin()), output, pin, takes);
                        }
                    }
                }
            }
        }
        return sum;
    }

    /** I_in = I_out + I_q, or V_out·I_out/(η·V_in) + I_q through a switching regulator. */
    private static double passed(
            NodeCircuit node, Endpoint made, Output output, Endpoint pin, Map<Endpoint, Double> takes) {
        double out = flows(node, made, takes);
        double own = output.own().amperes();
        if (output.way() != Output.Way.SWITCHING
                || output.regulator().efficiency().isEmpty()) {
            return out + own;
        }
        Placed owner = node.part(pin.part()).orElseThrow();
        double in = node.railOf(owner, pin.pin())
                .orElseThrow()
                .volts()
                .orElseThrow()
                .lowest()
                .volts();
        double volts =
                node.rail(made).orElseThrow().volts().orElseThrow().highest().volts();
        return volts * out / (output.regulator().efficiency().get().ratio() * in) + own;
    }

    @ParameterizedTest
    @ValueSource(strings = {"otterbeck-locks.inkel.json", "otterbeck-first-sketch.inkel.json", "moth-lamp.inkel.json"})
    void anyDrawAddsUpToTheSource(String example) {
        Random random = new Random(7);
        for (NodeCircuit node : nodes(example)) {
            for (int i = 0; i < TRIES; i++) {
                Map<Endpoint, Double> takes = new HashMap<>();
                Map<Endpoint, Current> found = node.currents((placed, supply) -> {
                    double amperes = random.nextInt(1000) / 1000.0;
                    takes.put(new Endpoint(placed.id(), supply.pin()), amperes);
                    return Current.ofAmperes(amperes);
                });
                found.forEach((rail, current) ->
                        assertEquals(flows(node, rail, takes), current.amperes(), 1e-9, rail.toString()));
            }
        }
    }

    /** No set of moments that can be on together asks more of a rail than its peak, and one asks just that. */
    @ParameterizedTest
    @ValueSource(strings = {"otterbeck-locks.inkel.json", "moth-lamp.inkel.json"})
    void thePeakIsTheWorstOfAllSetsThatCanBeOn(String example) {
        for (NodeCircuit node : nodes(example)) {
            Set<String> ids = node.node().moments().stream().map(Moment::id).collect(Collectors.toSet());
            Set<Set<String>> sets = new HashSet<>(Scenarios.of(node.round()));
            assertTrue(sets.stream().allMatch(ids::containsAll));
            for (Rail rail : node.rails()) {
                double most = 0;
                for (Set<String> on : sets) {
                    most = Math.max(most, node.currents(on).get(rail.id()).amperes());
                }
                assertEquals(most, rail.peak().amperes(), 1e-9, rail.id().toString());
                double worst = node.currents(new TreeSet<>(rail.worst()))
                        .get(rail.id())
                        .amperes();
                assertEquals(most, worst, 1e-9, "the moments that are named make the peak of " + rail.id());
            }
        }
    }
}
