package inkel.core.wake;

import inkel.core.bench.Asked;
import inkel.core.bench.Band;
import inkel.core.bench.Benches;
import inkel.core.bench.Ohmmeter;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.catalog.Output;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Meter;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.quantity.Unit;
import inkel.core.wiring.Terminal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What is measured before any power: that grounds are joined, and that nothing shorts a rail. */
final class OhmChecks {
    /** Leads that are not quite zeroed, and a meter's last digit: below this, two points are joined. */
    private static final double JOINED_OHMS = 0.5;

    /** More than that is no wire. */
    private static final double WIRE_OHMS = 2;

    private final Benches benches;
    private final NodeCircuit node;
    private final StepsOf steps;
    private final Meter meter;
    private final Ohmmeter ohms;
    private final Scene off;
    private final List<Check> checks = new ArrayList<>();

    OhmChecks(Benches benches, NodeCircuit node, StepsOf steps, Meter meter) {
        this.benches = benches;
        this.node = node;
        this.steps = steps;
        this.meter = meter;
        Set<Place> all = node.parts().stream()
                .filter(placed -> !placed.isForLater())
                .map(node::place)
                .collect(Collectors.toSet());
        off = Scene.resting(all).off();
        ohms = new Ohmmeter(benches.model(off));
    }

    List<Check> all() {
        grounds();
        node.rails().forEach(this::noShort);
        return checks;
    }

    /** From the board's ground to every other that is joined to it: one look, with what the worst of them reads. */
    private void grounds() {
        double most = 0;
        Set<String> wires = new LinkedHashSet<>();
        List<String> grounds = new ArrayList<>();
        for (Placed placed : node.parts()) {
            Optional<Band> band = placed.part().isBoard()
                    ? Optional.empty()
                    : ohms.band(benches.ground(node, Part.BOARD), benches.ground(node, placed.id()));
            if (band.isPresent() && band.get().expected() < WIRE_OHMS) {
                grounds.add(benches.ground(node, placed.id()));
                most = Math.max(most, band.get().high());
                wires.addAll(steps.grounds(placed));
            }
        }
        if (!grounds.isEmpty()) {
            wires.addAll(steps.grounds(node.board()));
            add(
                    "ohms grounds",
                    Place.ofNode(node.node().id()),
                    Optional.of(steps.ground(node.board())),
                    Optional.empty(),
                    joined(most),
                    Optional.empty(),
                    wires,
                    new Question.Ohms(benches.ground(node, Part.BOARD), grounds));
        }
    }

    /** What points read at the most that a wire of so many ohms joins. */
    static Expected.Within joined(double most) {
        return Expected.Within.atMost(Unit.OHM, Math.ceil((most + JOINED_OHMS) * 10) / 10);
    }

    private void noShort(Rail rail) {
        boolean isUsed = !rail.loads().isEmpty();
        Placed owner = node.part(rail.id().part()).orElseThrow();
        // What passes through a part is the rail that it comes from.
        if (!isUsed
                || rail.output().way() == Output.Way.PASS
                        && rail.output().drop().isEmpty()) {
            return;
        }
        // Where the plan itself joins the two, no ohms are to be found between them; that is told elsewhere.
        Optional<Band> band = ohms.band(benches.pin(node, rail.id()), benches.ground(node, owner.id()))
                .filter(found -> found.low() > 0);
        band.ifPresent(found -> add(
                "ohms " + rail.id(),
                node.place(rail.id()),
                steps.terminal(rail.id()),
                Optional.of(steps.ground(owner)),
                Expected.Within.atLeast(Unit.OHM, floor(found.low() * (1 - meter.accuracy()) / 2)),
                band,
                steps.feedingAll(rail.loads()),
                new Question.Ohms(benches.pin(node, rail.id()), List.of(benches.ground(node, owner.id())))));
    }

    /** Two digits, downwards. */
    private static double floor(double ohms) {
        double step = Math.pow(10, Math.floor(Math.log10(ohms)) - 1);
        return Math.floor(ohms / step) * step;
    }

    private void add(
            String id,
            Place at,
            Optional<Terminal> red,
            Optional<Terminal> black,
            Expected expected,
            Optional<Band> band,
            Collection<String> wires,
            Question question) {
        checks.add(new Check(
                id,
                Group.of(Phase.BEFORE),
                Check.Kind.OHMS,
                at,
                red,
                black,
                "",
                expected,
                band,
                List.of(),
                List.copyOf(wires),
                new Asked(off, question)));
    }
}
