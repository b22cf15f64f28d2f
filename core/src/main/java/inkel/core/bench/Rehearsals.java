package inkel.core.bench;

import inkel.core.bench.net.Network;
import inkel.core.bench.net.Outcome;
import inkel.core.bench.net.Solution;
import inkel.core.bench.net.Solver;
import inkel.core.circuit.Circuit;
import inkel.core.wiring.WireList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Benches that differ from one plan, thought through. What all of them share in a state is made once: a fault that only
 * changes figures is solved in the equations of the plan, from where the plan settled. For one thread.
 */
public final class Rehearsals {
    private final Circuit circuit;
    private final Benches benches;
    private final Map<Scene, Planned> planned = new HashMap<>();

    public Rehearsals(Circuit circuit, List<WireList> lists) {
        this.circuit = circuit;
        benches = new Benches(circuit, lists);
    }

    /** A state of the bench as planned. */
    private record Planned(
            BenchModel model,
            Network network,
            Solver solver,
            Optional<Solution> solution,
            Reach reach,
            Set<String> slots,
            Set<String> keys,
            Rehearsal rehearsal) {}

    /** A state of a bench that differs from its plan. */
    public Rehearsal at(Scene scene, Twist twist) {
        Planned plan = planned.computeIfAbsent(scene, this::plan);
        if (!twist.touches(plan.slots(), plan.keys(), plan.model(), scene)) {
            return plan.rehearsal();
        }
        // Who hears a code may hang on any fault.
        Optional<Patch> patch = scene.codes().isEmpty() ? patch(scene, plan, twist) : Optional.empty();
        BenchModel model = patch.map(Patch::model).orElseGet(() -> benches.model(scene, new Learnt(), twist));
        Solver like = patch.isPresent() ? plan.solver() : solver(model);
        if (!scene.isOn()) {
            return new Rehearsal(model, like, Optional.empty(), Optional::empty, Optional.of(plan.rehearsal()));
        }
        Optional<Solution> solution =
                patch.isPresent() ? solved(plan, patch.get(), twist) : settled(like.solveQuickly());
        return new Rehearsal(
                model,
                like,
                solution,
                () -> solution.map(
                        found -> new Life(circuit, model, found, twist, benches.reach(scene, twist), plan.reach())),
                Optional.of(plan.rehearsal()));
    }

    private Planned plan(Scene scene) {
        BenchModel model = benches.model(scene);
        Reach reach = benches.reach(scene, Twist.NONE);
        Set<String> slots = new HashSet<>();
        model.slots().forEach(slot -> slots.add(slot.name()));
        Set<String> keys = new HashSet<>();
        model.unknowns().forEach(unknown -> keys.add(unknown.key()));
        Network network = model.network(model.expected());
        Solver solver = new Solver(network);
        Optional<Solution> solution = scene.isOn() ? settled(solver.solve()) : Optional.empty();
        return new Planned(
                model,
                network,
                solver,
                solution,
                reach,
                slots,
                keys,
                new Rehearsal(
                        model,
                        solver,
                        solution,
                        () -> solution.map(found -> new Life(circuit, model, found, Twist.NONE, reach, reach)),
                        Optional.empty()));
    }

    private Optional<Patch> patch(Scene scene, Planned plan, Twist twist) {
        BenchModel wired = twist.wired().isEmpty() ? plan.model() : benches.wired(plan.model(), scene, twist.wired());
        return Patch.of(wired, plan.network(), plan.slots(), twist);
    }

    private static Solver solver(BenchModel model) {
        return new Solver(model.network(model.expected()));
    }

    private static Optional<Solution> settled(Outcome outcome) {
        return outcome instanceof Outcome.Settled settled ? Optional.of(settled.solution()) : Optional.empty();
    }

    /** What settles in a network that differs from the plan's in little. */
    private static Optional<Solution> solved(Planned plan, Patch patch, Twist twist) {
        if (plan.solution().isEmpty() || !twist.keepsShape()) {
            // Not from where the plan settled: a short may leave it in another state than switching on does.
            return settled(new Solver(patch.network(), plan.solver()).solveQuickly());
        }
        return twist.hasFigures()
                ? settled(plan.solver().solve(patch.network(), plan.solution().get()))
                : plan.solution();
    }
}
