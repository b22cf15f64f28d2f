package inkel.core.bench;

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
    private final List<WireList> lists;
    private final Benches benches;
    private final Map<Scene, Planned> planned = new HashMap<>();

    public Rehearsals(Circuit circuit, List<WireList> lists) {
        this.circuit = circuit;
        this.lists = List.copyOf(lists);
        benches = new Benches(circuit, lists);
    }

    /** A state of the bench as planned. */
    private record Planned(
            BenchModel model,
            Optional<Solver> solver,
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
        if (!scene.isOn()) {
            BenchModel model = benches.model(scene, new Learnt(), twist);
            return new Rehearsal(model, Optional.empty(), Optional::empty, Optional.of(plan.rehearsal()));
        }
        Optional<BenchModel> same = plan.solution().isPresent()
                        && twist.keepsShape()
                        && scene.codes().isEmpty()
                ? Optional.of(changed(plan.model(), twist))
                : Optional.empty();
        BenchModel model = same.orElseGet(() -> benches.model(scene, new Learnt(), twist));
        Outcome outcome = same.isPresent()
                ? plan.solver()
                        .orElseThrow()
                        .solve(model.network(model.expected()), plan.solution().orElseThrow())
                : new Solver(model.network(model.expected())).solveQuickly();
        Optional<Solution> solution =
                outcome instanceof Outcome.Settled settled ? Optional.of(settled.solution()) : Optional.empty();
        return new Rehearsal(
                model,
                solution,
                () -> solution.map(found ->
                        new Life(circuit, model, found, twist, new Reach(circuit, lists, scene, twist), plan.reach())),
                Optional.of(plan.rehearsal()));
    }

    private Planned plan(Scene scene) {
        BenchModel model = benches.model(scene);
        Reach reach = new Reach(circuit, lists, scene, Twist.NONE);
        Set<String> slots = new HashSet<>();
        model.slots().forEach(slot -> slots.add(slot.name()));
        Set<String> keys = new HashSet<>();
        model.unknowns().forEach(unknown -> keys.add(unknown.key()));
        Optional<Solver> solver =
                scene.isOn() ? Optional.of(new Solver(model.network(model.expected()))) : Optional.empty();
        Optional<Solution> solution = solver.flatMap(found ->
                found.solve() instanceof Outcome.Settled settled ? Optional.of(settled.solution()) : Optional.empty());
        return new Planned(
                model,
                solver,
                solution,
                reach,
                slots,
                keys,
                new Rehearsal(
                        model,
                        solution,
                        () -> solution.map(found -> new Life(circuit, model, found, Twist.NONE, reach, reach)),
                        Optional.empty()));
    }

    /** The same elements between the same points, with other figures. */
    private static BenchModel changed(BenchModel plan, Twist twist) {
        return new BenchModel(
                plan.points(), plan.unknowns().stream().map(twist::known).toList(), plan.slots());
    }
}
