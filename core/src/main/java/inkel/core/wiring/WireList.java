package inkel.core.wiring;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Endpoint;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * The wires of one node in the order of work: grounds, supplies, ties, shared bus wires, other signals.
 *
 * @param programming leads that are plugged only while the board's chip gets its program; numbered by themselves
 * @param pulls wires that are plugged but no longer in the plan; numbered by themselves
 * @param safe the steps of the plan as they are when nobody has chosen another order; what breadboards make necessary is not in it
 */
public record WireList(
        NodeCircuit node, List<WireStep> steps, List<WireStep> programming, List<WireStep> pulls, List<WireStep> safe) {
    public WireList {
        steps = List.copyOf(steps);
        programming = List.copyOf(programming);
        pulls = List.copyOf(pulls);
        safe = List.copyOf(safe);
    }

    public static WireList of(NodeCircuit node) {
        return of(node, List.of(), List.of(), false);
    }

    private static WireList of(NodeCircuit node, List<Away> away, List<Away> arriving, boolean isGroundJoined) {
        List<WireStep> safe = new WireSteps(node, away, arriving, isGroundJoined).list();
        List<WireStep> steps = WorkOrder.of(node, safe);
        Set<String> toUnplug = new LinkedHashSet<>(node.node().plugged());
        // What only the breadboards make necessary is known when all are seated.
        toUnplug.removeIf(Pulls::isOfBreadboard);
        steps.forEach(step -> toUnplug.remove(step.id()));
        return new WireList(node, steps, new ProgramLeads(node).list(), Pulls.of(node, toUnplug), safe);
    }

    public static List<WireList> of(Circuit circuit) {
        return circuit.nodes().stream()
                .map(node -> of(node, away(circuit, node), arriving(circuit, node), isGroundJoined(circuit, node)))
                .toList();
    }

    /** Wires to other boards are plugged with the board that talks. */
    private static List<Away> away(Circuit circuit, NodeCircuit node) {
        return circuit.links().stream()
                .filter(link -> link.from().node().equals(node.node().id()))
                .flatMap(link -> circuit.node(link.to().node()).stream()
                        .map(other -> new Away(link, node, other, ShifterSides.of(circuit, link))))
                .toList();
    }

    private static List<Away> arriving(Circuit circuit, NodeCircuit node) {
        return circuit.links().stream()
                .filter(link -> link.to().node().equals(node.node().id()))
                .flatMap(link -> circuit.node(link.from().node()).stream()
                        .map(other -> new Away(link, other, node, ShifterSides.of(circuit, link))))
                .filter(Away::isShiftedThere)
                .toList();
    }

    /** Whether a ground wire of another board's list ends at this node's ground row. */
    private static boolean isGroundJoined(Circuit circuit, NodeCircuit node) {
        return circuit.links().stream()
                .anyMatch(link -> (link.groundJoined() || link.isByLight())
                        && link.to().node().equals(node.node().id()));
    }

    /** The same with other steps, numbered anew; what is plugged and in none of them is to be pulled. */
    public WireList with(List<WireStep> others) {
        List<WireStep> numbered = new ArrayList<>();
        others.forEach(step -> numbered.add(step.withNumber(numbered.size() + 1)));
        Set<String> toUnplug = new LinkedHashSet<>(node.node().plugged());
        numbered.forEach(step -> toUnplug.remove(step.id()));
        return new WireList(node, numbered, programming, Pulls.of(node, toUnplug), safe);
    }

    /** Supply pins that are fed by a plug, which brings the ground of the rail too: sockets, and parts that ride on others. */
    public static List<Endpoint> byPlug(NodeCircuit node) {
        Plugs plugs = new Plugs(node, new Pieces(node), List.of());
        List<Endpoint> fed = new ArrayList<>();
        node.rails().forEach(rail -> {
            List<Rail.Load> wired = plugs.wired(rail.id());
            rail.loads().stream()
                    .filter(load -> !wired.contains(load))
                    .map(Rail.Load::pin)
                    .forEach(fed::add);
        });
        return fed;
    }

    /** The end that a wire to a pin of this node has. */
    public Terminal terminal(Endpoint pin) {
        return WireSteps.onPin(node, pin);
    }

    /** How many wires of each sort are to be got, the plainest first; what parts bring is not. */
    public Map<Jumper, Long> jumpers() {
        Map<Jumper, Long> counted =
                new TreeMap<>(Comparator.comparing(Jumper::kind).thenComparing(Jumper::length));
        steps.forEach(step -> step.jumper(node)
                .filter(jumper -> !jumper.isBrought())
                .ifPresent(jumper -> counted.merge(jumper, 1L, Long::sum)));
        return counted;
    }

    /** How many jumper wires there are; the rest are small parts. */
    public long wireCount() {
        return steps.stream().filter(step -> step.fitting().isEmpty()).count();
    }

    /** How many jumper wires are still to plug, or to pull. */
    public long openWireCount() {
        return openCount()
                - steps.stream()
                        .filter(step -> step.fitting().isPresent() && !step.plugged())
                        .count();
    }

    public long pluggedCount() {
        return steps.stream().filter(WireStep::plugged).count();
    }

    /** How many wires are still to plug or to pull. */
    public long openCount() {
        return steps.size() - pluggedCount() + pulls.size();
    }

    /** What there is to do: all pulls before all plugs. */
    public List<WireStep> tasks() {
        return Stream.concat(pulls.stream(), steps.stream()).toList();
    }

    /** Whether only some of the wires are to be touched: some are to be pulled, or some are plugged and others not. */
    public boolean isChange() {
        return !pulls.isEmpty() || pluggedCount() > 0 && pluggedCount() < steps.size();
    }

    /** The first wire that is not plugged. */
    public Optional<WireStep> next() {
        return steps.stream().filter(step -> !step.plugged()).findFirst();
    }

    /** A task by its id. */
    public Optional<WireStep> step(String id) {
        return tasks().stream().filter(step -> step.id().equals(id)).findFirst();
    }
}
