package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.kit.Builds;
import inkel.core.pins.PinFit;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.remedy.AddParts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * The planner knows what the rules will say: a stop about pins or levels that is left after planning cannot be planned away.
 * For each, every other pin that the signal could go to is tried, with all other pins shared out anew around it: none may
 * leave fewer stops, unless the program has to drive a bus for it.
 */
class PlannerAgreesTest {
    private static final int BUILDS = Integer.getInteger("inkel.plan.builds", 12);

    static IntStream seeds() {
        return IntStream.range(0, BUILDS);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void whatIsToStopForCannotBePlannedAway(int seed) throws Exception {
        Build build = random(new Random(seed));
        Optional<Planned> planned = planned(build);
        if (planned.isEmpty()) {
            return;
        }
        List<Finding> stops = stops(planned.get().build());
        List<String> avoidable = new ArrayList<>();
        for (Finding stop : stops) {
            for (Build other : elsewhere(build, planned.get().build(), stop)) {
                Optional<Planned> again = planned(other).filter(found -> !found.isDearerThan(planned.get()));
                if (again.isPresent() && stops(again.get().build()).size() < stops.size()) {
                    avoidable.add(stop.code() + " at " + stop.place() + ": "
                            + planned.get().pin(stop) + " could be "
                            + again.get().pin(stop));
                    break;
                }
            }
        }
        assertEquals(List.of(), avoidable);
    }

    /** The same build with the signal of a finding held on each other pin it could go to. */
    private static List<Build> elsewhere(Build build, Build planned, Finding stop) throws Exception {
        if (!stop.place().isPin()) {
            return List.of();
        }
        Endpoint signal = stop.place().endpoint();
        NodeCircuit node = Circuit.of(planned, CATALOG).nodes().get(0);
        Optional<Endpoint> now = node.wire(signal).map(Wire::to);
        List<Build> others = new ArrayList<>();
        for (Endpoint target : PinFit.legal(node, signal).toList()) {
            boolean isGivenByHand = node.pin(target).orElseThrow().servesByChoice();
            if (now.filter(target::equals).isEmpty() && !isGivenByHand) {
                others.add(new SetWire(NODE, Wire.held(signal, target, "")).apply(build));
            }
        }
        return others;
    }

    private static List<Finding> stops(Build build) {
        return Assessment.assess(build, CATALOG).findings().stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .filter(finding ->
                        finding.rule().stage() == Stage.PINS || finding.rule().stage() == Stage.LEVELS)
                .toList();
    }

    /** A build as it was planned. */
    private record Planned(Build build, Plan plan) {
        /** A bus that the program drives is dearer than a part in a wire. */
        boolean isDearerThan(Planned other) {
            return plan.bySoftware().size() > other.plan().bySoftware().size();
        }

        Optional<Endpoint> pin(Finding finding) {
            return build.nodes().get(0).wire(finding.place().endpoint()).map(Wire::to);
        }
    }

    private static Optional<Planned> planned(Build build) throws Exception {
        Plan plan = new Planner(build, CATALOG).plan(NODE);
        return plan.placed()
                ? Optional.of(new Planned(plan.edit().orElseThrow().apply(build), plan))
                : Optional.empty();
    }

    /** A board on a port, and some modules fed as the program would feed them. */
    private static Build random(Random random) throws Exception {
        List<PartClass> boards = classes(Kind.BOARD).toList();
        List<PartClass> modules = classes(Kind.MODULE).toList();
        PartClass board = boards.get(random.nextInt(boards.size()));
        Build build = Builds.powered(board).build();
        int count = 2 + random.nextInt(6);
        for (int i = 0; i < count; i++) {
            NodeCircuit node = Circuit.of(build, CATALOG).nodes().get(0);
            build = Edit.applyAll(build, AddParts.of(node, modules.get(random.nextInt(modules.size())), 1));
        }
        return build;
    }

    private static Stream<PartClass> classes(Kind kind) {
        return CATALOG.all().stream().filter(cls -> cls.kind() == kind);
    }
}
