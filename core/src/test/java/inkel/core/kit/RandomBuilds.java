package inkel.core.kit;

import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Carries;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddNodeWire;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetGround;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.pins.PinFit;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Resistance;
import inkel.core.remedy.AddParts;
import inkel.core.remedy.RailLeads;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;

/** Builds made by chance from the catalogue, the same for the same seed. */
public final class RandomBuilds {
    /** Planning takes most of the time, and many tests ask for the same seeds. */
    private static final Map<Integer, Build> MADE = new ConcurrentHashMap<>();

    private RandomBuilds() {}

    /** A board on a port, some modules fed as the program would, ways out taken by chance, shared out, linked to a twin. */
    public static Build of(int seed) throws Exception {
        Build known = MADE.get(seed);
        if (known != null) {
            return known;
        }
        Build made = make(seed);
        MADE.put(seed, made);
        return made;
    }

    private static Build make(int seed) throws Exception {
        Random random = new Random(seed);
        List<PartClass> boards = Builds.CATALOG.all().stream()
                .filter(cls -> cls.kind() == Kind.BOARD)
                .toList();
        List<PartClass> others = Builds.CATALOG.all().stream()
                .filter(cls -> cls.kind() != Kind.BOARD)
                .toList();
        PartClass board = boards.get(random.nextInt(boards.size()));
        Build build = Builds.powered(board).build();
        int count = 1 + random.nextInt(7);
        for (int i = 0; i < count; i++) {
            PartClass cls = others.get(random.nextInt(others.size()));
            NodeCircuit node = Circuit.of(build, Builds.CATALOG).nodes().get(0);
            build = Edit.applyAll(build, AddParts.of(node, cls, 1));
        }
        build = planned(build);
        for (int i = 0; i < 4; i++) {
            build = oneWayOut(build, random);
        }
        build = planned(oneGiven(onePiece(onePiece(build, random), random), random));
        if (random.nextInt(3) == 0) {
            List<Part> parts = build.nodes().get(0).parts();
            Part part = parts.get(random.nextInt(parts.size()));
            build = part.isBoard() ? build : new SetGround(Builds.NODE, part.id(), true).apply(build);
        }
        return random.nextInt(3) == 0 ? fedFromTheOther(linked(build, random), random) : build;
    }

    /** A rail of one of the two boards brought to the other, for a part there. */
    private static Build fedFromTheOther(Build build, Random random) throws Exception {
        Circuit circuit = Circuit.of(build, Builds.CATALOG);
        if (circuit.nodes().size() < 2) {
            return build;
        }
        NodeCircuit taker = circuit.nodes().get(random.nextInt(2));
        List<Fix> offers = RailLeads.offers(circuit, taker);
        List<Part> fed = taker.node().parts().stream()
                .filter(part -> !part.isBoard() && !part.feeds().isEmpty())
                .toList();
        if (offers.isEmpty() || fed.isEmpty()) {
            return build;
        }
        Part part = fed.get(random.nextInt(fed.size()));
        String pin = part.feeds().keySet().iterator().next();
        return new Feed(taker.node().id(), part.id(), pin, Builds.end("lead.+"))
                .apply(offers.get(random.nextInt(offers.size())).apply(build));
    }

    /** With pins shared out, where that can be done. */
    public static Build planned(Build build) throws Exception {
        Plan plan = new Planner(build, Builds.CATALOG).plan(Builds.NODE);
        return plan.placed() ? plan.edit().orElseThrow().apply(build) : build;
    }

    private static Build oneWayOut(Build build, Random random) throws Exception {
        List<Finding> findings = Assessment.assess(build, Builds.CATALOG).findings();
        if (findings.isEmpty()) {
            return build;
        }
        List<Fix> fixes = findings.get(random.nextInt(findings.size())).fixes();
        return fixes.isEmpty() ? build : fixes.get(random.nextInt(fixes.size())).apply(build);
    }

    /** Something by chance in the wire of a signal that goes one way. */
    private static Build onePiece(Build build, Random random) throws Exception {
        NodeCircuit node = Circuit.of(build, Builds.CATALOG).nodes().get(0);
        List<Endpoint> signals = node.nets().values().stream()
                .flatMap(List::stream)
                .map(Wire::from)
                .filter(signal -> node.between(signal).isEmpty())
                .filter(signal -> !node.pin(signal).orElseThrow().use().isTwoWay())
                .toList();
        if (signals.isEmpty()) {
            return build;
        }
        Endpoint signal = signals.get(random.nextInt(signals.size()));
        // Beside the wire of one table a resistor may stand, beside one between boards none.
        Between piece = random.nextInt(5) == 0 ? beside(signal, random) : piece(signal, random);
        return new Insert(Builds.NODE, piece).apply(build);
    }

    private static Between beside(Endpoint signal, Random random) {
        Resistance ohms = Resistance.ofOhms(1000 + random.nextInt(9000));
        return random.nextBoolean()
                ? new Between.PulledUp(signal, ohms, Extras.NONE)
                : new Between.PulledDown(signal, ohms, Extras.NONE);
    }

    private static Between piece(Endpoint signal, Random random) {
        Resistance one = Resistance.ofOhms(1000 + random.nextInt(9000));
        Resistance other = Resistance.ofOhms(1000 + random.nextInt(9000));
        Optional<Capacitance> across =
                random.nextBoolean() ? Optional.of(Capacitance.ofFarads(1e-9)) : Optional.empty();
        return switch (random.nextInt(4)) {
            case 0 -> new Between.Divider(signal, one, other, across, Extras.NONE);
            case 1 -> new Between.Series(signal, one, across, Extras.NONE);
            case 2 -> new Between.Diode(signal, one, Extras.NONE);
            default ->
                new Between.Opto(
                        signal,
                        across.isPresent() ? Between.Opto.Lit.BY_LOW : Between.Opto.Lit.BY_HIGH,
                        one,
                        other,
                        Extras.NONE);
        };
    }

    /** A signal given by hand to the signal of another part, where one of the table can take it. */
    private static Build oneGiven(Build build, Random random) throws Exception {
        NodeCircuit node = Circuit.of(build, Builds.CATALOG).nodes().get(0);
        List<Wire> given = new ArrayList<>();
        node.signals().forEach(signal -> PinFit.legal(node, signal)
                .filter(target -> node.pin(target).orElseThrow().servesByChoice())
                .forEach(target -> given.add(Wire.placed(signal, target))));
        return given.isEmpty() ? build : new SetWire(Builds.NODE, given.get(random.nextInt(given.size()))).apply(build);
    }

    private static Carries carries(Random random) {
        return random.nextInt(3) > 0
                ? Carries.UNSAID
                : Carries.UNSAID
                        .with(Carries.Kind.SERIAL)
                        .with(random.nextBoolean() ? Optional.empty() : Optional.of(Frequency.ofHertz(38_400)));
    }

    /** The same node once more, and a free plain pin of each board joined. */
    private static Build linked(Build build, Random random) throws Exception {
        Build two = new CopyNode(Builds.NODE, "twin", "Twin").apply(build);
        NodeCircuit node = Circuit.of(two, Builds.CATALOG).nodes().get(0);
        Optional<String> free = node.board()
                .cls()
                .offers()
                .map(node.board()::endpoint)
                .filter(pin -> node.nets().get(pin) == null)
                .map(pin -> pin.pin())
                .findFirst();
        return free.isEmpty()
                ? two
                : new AddNodeWire(new NodeWire(
                                Builds.place("board." + free.get()),
                                Place.of("twin", Builds.end("board." + free.get())),
                                random.nextBoolean(),
                                random.nextInt(3) == 0
                                        ? Optional.empty()
                                        : Optional.of(piece(Builds.end("board." + free.get()), random)),
                                carries(random),
                                Extras.NONE))
                        .apply(two);
    }
}
