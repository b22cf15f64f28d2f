package inkel.core.bench;

import inkel.core.bench.net.Element;
import inkel.core.bench.net.Network;
import inkel.core.bench.net.Outcome;
import inkel.core.bench.net.Solution;
import inkel.core.bench.net.Solver;
import inkel.core.catalog.Output;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Build;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/** A build that nothing stops, as many benches that could be its own, and every probe of it. */
final class HealthyBenches {
    final Foretelling foretelling;
    final List<Probe> probes = new ArrayList<>();
    private final BenchModel model;
    private final Map<Probe, Solver> metering = new HashMap<>();

    private HealthyBenches(Circuit circuit) {
        Benches benches = new Benches(circuit, WireList.of(circuit));
        model = benches.model(Scene.resting(benches.all()));
        foretelling = new Foretelling(model);
        circuit.nodes().forEach(node -> node.parts().forEach(placed -> probes(node, placed)));
    }

    /** Empty for a build with something to stop for. */
    static Optional<HealthyBenches> of(Build build) {
        Assessment assessment = Assessment.assess(build, Builds.CATALOG);
        boolean stops = assessment.findings().stream().anyMatch(finding -> finding.severity() == Severity.STOP);
        return stops ? Optional.empty() : Optional.of(new HealthyBenches(Circuit.of(build, Builds.CATALOG)));
    }

    private void probes(NodeCircuit node, Placed placed) {
        for (Pin pin : placed.cls().pins()) {
            if (pin.use() != PinUse.GROUND && pin.use() != PinUse.NONE) {
                probes.add(new Probe.Volts(Ends.pin(node, placed.endpoint(pin)), Ends.ground(node, placed.id())));
            }
        }
        for (Output output : placed.cls().outputs()) {
            if (output.way() == Output.Way.SOURCE) {
                probes.add(new Probe.Amperes(node.node().id() + " " + placed.id() + "." + output.pin() + " gives"));
            }
        }
    }

    /** One bench: every figure anywhere in its range. */
    Optional<Solution> sample(Random random) {
        double[] figures = model.unknowns().stream()
                .mapToDouble(unknown -> unknown.low() + random.nextDouble() * (unknown.high() - unknown.low()))
                .toArray();
        return new Solver(model.network(figures)).solve() instanceof Outcome.Settled settled
                ? Optional.of(settled.solution())
                : Optional.empty();
    }

    /** What a meter shows that is put into the network as what it is: 10 MΩ between its tips on volts. */
    double read(Probe probe, Solution open) {
        if (!(probe instanceof Probe.Volts volts)) {
            return Foretelling.read(model, probe, open).orElseThrow();
        }
        int plus = model.points().known(volts.plus()).orElseThrow();
        int minus = model.points().known(volts.minus()).orElseThrow();
        if (plus == minus) {
            return 0;
        }
        Network metered = open.network().plus(new Element.Resistor(plus, minus, 10e6));
        Solver solver = metering.computeIfAbsent(probe, key -> new Solver(metered));
        return solver.solve(metered, open).orThrow().between(plus, minus);
    }
}
