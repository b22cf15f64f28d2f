package inkel.core.wake;

import inkel.core.bench.Asked;
import inkel.core.bench.Band;
import inkel.core.bench.Benches;
import inkel.core.bench.Display;
import inkel.core.bench.Drives;
import inkel.core.bench.Foretelling;
import inkel.core.bench.Learnt;
import inkel.core.bench.Probe;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.catalog.Mode;
import inkel.core.catalog.Output;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.levels.Link;
import inkel.core.quantity.Unit;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Makes the checks of one node, phase by phase; each phase joins more of the table.
 *
 * <p>Longer than other files: each phase goes on from what those before it have joined, measured and learnt.
 */
final class CheckMaker {
    /** How much of what is expected a limit lets through, for what flows in when capacitors fill. */
    private static final double OVER_EXPECTED = 1.2;

    private static final double LIMIT_STEP = 0.01;
    private static final double LEAST_LIMIT = 0.05;

    /** Less than that would not be told from a wire that hangs in the air, in volts. */
    static final double LEAST_HIGH = 0.5;

    private final Benches benches;
    private final List<WireList> lists;
    private final WireList list;
    private final NodeCircuit node;
    private final List<Link> thin;
    private final Kept kept;
    private final Learnt learnt = new Learnt();
    private final Meter meter;
    private final WakeOrder order;
    private final Scenes scenes;
    private final StepsOf steps;
    private Looks looks;
    private Scene scene;
    private final List<Check> checks = new ArrayList<>();
    private final Set<Place> joined = new LinkedHashSet<>();

    /** What the limit of a supply was set to last, in amperes. */
    private final Map<Endpoint, Double> limits = new HashMap<>();

    CheckMaker(Benches benches, List<WireList> lists, WireList list, List<Link> thin, Kept kept, Meter meter) {
        this.thin = thin;
        this.kept = kept;
        this.benches = benches;
        this.lists = lists;
        this.list = list;
        this.meter = meter;
        node = list.node();
        order = new WakeOrder(node);
        scenes = new Scenes(benches, node);
        steps = new StepsOf(list);
        scene = Scene.resting(Set.of()).off();
        looks = new Looks(node, steps, scene);
    }

    List<Check> all() {
        before();
        order.supplies().forEach(this::supply);
        board();
        order.parts().forEach(this::part);
        together();
        checks.addAll(new JoinedChecks(
                        benches, node, steps, lists, meter, voltsOf(node.board().id()))
                .all());
        checks.addAll(looks.proving(suppliesOf(node.board()), place -> benches.circuit().build().air().stream()
                .anyMatch(group -> group.station(place).isPresent())));
        LeadSteps leads = new LeadSteps(list, lists);
        return checks.stream().map(leads::named).toList();
    }

    /** A state of the table; where no currents settle in it, that is told in the place of its readings. */
    private Foretelling foretold(Scene next, Group group) {
        scene = next;
        looks = looks.in(next);
        Foretelling bench = new Foretelling(benches.model(scene, learnt));
        bench.unsettled().ifPresent(slot -> checks.add(looks.unsettled(slot, group)));
        return bench;
    }

    private Place place(String part) {
        return Place.ofPart(node.node().id(), part);
    }

    private void join(String part) {
        joined.addAll(scenes.withAllAbove(part));
    }

    // --- before any power

    private void before() {
        checks.addAll(looks.before());
        checks.addAll(new OhmChecks(benches, node, steps, meter).all());
    }

    // --- supplies

    private void supply(Placed placed) {
        Set<Place> alone = scenes.withAllAbove(placed.id());
        Group group = Group.of(Phase.SUPPLIES);
        Foretelling bench = foretold(Scene.resting(alone), group);
        for (Output output : placed.cls().outputs()) {
            Endpoint rail = new Endpoint(placed.id(), output.pin());
            boolean isUsed = isUsed(placed, rail);
            if (isUsed) {
                List<String> needs = new ArrayList<>();
                need("ohms " + rail, needs);
                order.upstream(placed.id()).forEach(above -> needs.addAll(voltsOf(above)));
                volts(bench, rail, group, "", needs, steps.feeding(placed.id()));
            }
            if (isUsed && output.way() == Output.Way.SOURCE && !output.isLimitSet()) {
                checks.add(guard(node.rail(rail).orElseThrow(), group));
            }
        }
    }

    private Check guard(Rail rail, Group group) {
        List<Rail> fuses =
                rail.loads().stream().flatMap(load -> fuse(load.pin()).stream()).toList();
        return fuses.size() == rail.loads().size()
                ? looks.fused(rail.id(), group, fuses)
                : looks.unlimited(rail.id(), group, rail.peak());
    }

    /** What comes out of the fuse that a supply pin is the way into. */
    private Optional<Rail> fuse(Endpoint pin) {
        return node.part(pin.part()).stream()
                .flatMap(placed -> placed.cls().outputs().stream())
                .filter(Output::isFuse)
                .findFirst()
                .flatMap(output -> node.rail(new Endpoint(pin.part(), output.pin())));
    }

    /** What hangs on a line that only goes on takes nothing of it by itself. */
    private boolean isUsed(Placed placed, Endpoint rail) {
        return placed.cls().standsInLine()
                ? node.isFedFrom(rail)
                : node.rail(rail).filter(found -> !found.loads().isEmpty()).isPresent();
    }

    // --- the board

    private void board() {
        join(node.board().id());
        Group group = Group.of(Phase.BOARD);
        Placed board = node.board();
        Foretelling bench = foretold(Scene.resting(joined), group);
        List<String> needs = suppliesOf(board);
        Set<String> wires = steps.feeding(board.id());
        limits(bench, board, group);
        List<String> up = fed(bench, board, group, needs, wires);
        for (Output output : board.cls().outputs()) {
            boolean isSame = board.part().feeds().containsKey(output.pin());
            if (!isSame && output.way() != Output.Way.SOURCE) {
                volts(bench, new Endpoint(board.id(), output.pin()), group, "", up, wires);
            }
        }
        takes(bench, board, group, up, wires);
        checks.addAll(looks.alive(board, group, up));
    }

    /** The volts at every supply pin that is fed; what a part needs further are these, or what they need where there are none. */
    private List<String> fed(
            Foretelling bench, Placed placed, Group group, List<String> needs, Collection<String> wires) {
        List<String> fed = new ArrayList<>();
        for (Supply supply : placed.cls().supplies()) {
            if (placed.part().feeds().containsKey(supply.pin())) {
                volts(bench, new Endpoint(placed.id(), supply.pin()), group, mode(placed, supply), needs, wires)
                        .ifPresent(fed::add);
            }
        }
        return fed.isEmpty() ? needs : fed;
    }

    /** What the limits of supplies are to be set to before a part comes in: 1.2 × what flows then. */
    private void limits(Foretelling bench, Placed placed, Group group) {
        for (String above : order.upstream(placed.id())) {
            Placed source = node.part(above).orElseThrow();
            for (Output output : source.cls().outputs()) {
                Endpoint rail = new Endpoint(above, output.pin());
                if (output.isLimitSet()) {
                    bench.band(benches.gives(node, rail))
                            .map(band -> limit(band.high()))
                            .filter(amperes -> !amperes.equals(limits.put(rail, amperes)))
                            .ifPresent(amperes -> checks.add(looks.limit(rail, group, amperes)));
                }
            }
        }
    }

    /** In whole steps of 10 mA, and no less than a supply can be set to. */
    private static double limit(double amperes) {
        return Math.max(LEAST_LIMIT, Math.ceil(amperes * OVER_EXPECTED / LIMIT_STEP) * LIMIT_STEP);
    }

    private List<String> suppliesOf(Placed placed) {
        return order.upstream(placed.id()).stream()
                .flatMap(above -> voltsOf(above).stream())
                .toList();
    }

    /** The checks of volts that were made at a part so far. */
    private List<String> voltsOf(String part) {
        return checks.stream()
                .filter(check -> check.kind() == Check.Kind.VOLTS
                        && check.at().part().equals(part)
                        && check.group().phase() != Phase.TOGETHER)
                .map(Check::id)
                .toList();
    }

    // --- part by part

    private void part(Placed placed) {
        join(placed.id());
        Group group = new Group(Phase.PART, placed.id());
        Foretelling bench = foretold(Scene.resting(joined).driving(scenes.closing(List.of(placed))), group);
        List<String> needs = new ArrayList<>(suppliesOf(placed));
        if (needs.isEmpty()) {
            needs.addAll(voltsOf(node.board().id()));
        }
        Set<String> wires = steps.feeding(placed.id());
        limits(bench, placed, group);
        List<String> up = fed(bench, placed, group, needs, wires);
        List<String> calm = new ArrayList<>(up);
        calm.addAll(levels(bench, placed, group, up));
        takes(bench, placed, group, up, wires);
        List<Check> signs = looks.alive(placed, group, calm);
        checks.addAll(signs);
        driven(placed, group, calm, signs);
        new CodeChecks(benches, node, steps, meter)
                .of(placed, group, scene, learnt, calm, signs)
                .forEach(this::add);
    }

    /**
     * What comes to the inputs of a part while the board puts them high, one by one: for those that nothing else of the part
     * would show. A select or clock is shown by a register that is read, a channel by what moves on it.
     */
    private void driven(Placed placed, Group group, List<String> needs, List<Check> signs) {
        boolean isRead = signs.stream().anyMatch(check -> check.kind() == Check.Kind.REGISTER);
        Set<Place> shown = signs.stream().map(Check::at).collect(Collectors.toSet());
        for (Pin pin : placed.cls().signals().toList()) {
            Endpoint end = placed.endpoint(pin);
            boolean isTold = pin.use() != PinUse.INPUT
                            && pin.use() != PinUse.PWM
                            && (!pin.use().isSpiToPart() || isRead)
                    || shown.contains(node.place(end))
                    || thin.stream().anyMatch(link -> link.to().equals(end));
            if (!isTold) {
                node.wire(end)
                        .filter(wire -> wire.to().part().equals(node.board().id()) && !node.isTie(wire))
                        .ifPresent(wire -> driven(end, node.place(wire.to()), group, needs));
            }
        }
    }

    private void driven(Endpoint pin, Place by, Group group, List<String> needs) {
        Scene driving = scene.driving(Map.of(by, Drives.HIGH));
        Probe probe = benches.volts(node, pin);
        new Foretelling(benches.model(driving, learnt))
                .band(probe)
                .filter(band -> band.low() > LEAST_HIGH)
                .ifPresent(band -> add(
                        "high " + pin,
                        group,
                        Check.Kind.LEVEL,
                        node.place(pin),
                        steps.terminal(pin),
                        node.part(pin.part()).map(steps::ground),
                        within(band),
                        Optional.of(band),
                        needs,
                        List.copyOf(steps.at(pin)),
                        new Asked(driving, new Question.Measure(probe))));
    }

    /** What the wires of a part rest at, where that can be foretold. */
    private List<String> levels(Foretelling bench, Placed placed, Group group, List<String> needs) {
        List<Endpoint> pins = placed.cls()
                .signals()
                .map(placed::endpoint)
                .filter(pin -> node.wire(pin).isPresent())
                .toList();
        Map<Endpoint, Probe> probes = new LinkedHashMap<>();
        pins.forEach(pin -> probes.put(pin, benches.volts(node, pin)));
        Map<Probe, Band> bands = bench.bands(probes.values());
        List<String> made = new ArrayList<>();
        probes.forEach((pin, probe) -> {
            Band band = bands.get(probe);
            if (band != null && !drivesSomething(pin)) {
                made.add(add(
                        "volts " + pin,
                        group,
                        Check.Kind.VOLTS,
                        node.place(pin),
                        steps.terminal(pin),
                        Optional.of(steps.ground(placed)),
                        within(band),
                        Optional.of(band),
                        needs,
                        steps.with(steps.feeding(placed.id()), steps.at(pin)),
                        asked(probe)));
            }
        });
        return made;
    }

    /** Whether somebody on a wire does what no class tells. */
    private boolean drivesSomething(Endpoint pin) {
        return node.wire(pin).stream()
                .flatMap(wire -> node.nets().getOrDefault(wire.to(), List.of()).stream())
                .anyMatch(wire -> benches.drivesSomething(node, wire.from(), joined));
    }

    // --- all together

    private void together() {
        Set<Place> all = new LinkedHashSet<>();
        node.parts().stream()
                .filter(placed -> !placed.isForLater())
                .forEach(placed -> all.addAll(scenes.withAllAbove(placed.id())));
        Group group = Group.of(Phase.TOGETHER);
        Scene busy = new Scene(all, true, scenes.busiest()).driving(scenes.closing(node.parts()));
        Foretelling bench = foretold(busy, group);
        List<String> needs = checks.stream()
                .filter(check -> check.group().phase() == Phase.PART && check.kind() == Check.Kind.VOLTS)
                .map(Check::id)
                .toList();
        Set<String> off = hot(bench, group);
        for (Rail rail : node.rails()) {
            if (!rail.loads().isEmpty() && !isBehind(rail.id().part(), off)) {
                String id = "busy " + rail.id();
                bench.band(benches.volts(node, rail.id()))
                        .ifPresent(band -> add(
                                id,
                                group,
                                Check.Kind.VOLTS,
                                node.place(rail.id()),
                                steps.terminal(rail.id()),
                                Optional.of(
                                        steps.ground(node.part(rail.id().part()).orElseThrow())),
                                within(band),
                                Optional.of(band),
                                needs,
                                steps.feedingAll(rail.loads()),
                                asked(benches.volts(node, rail.id()))));
            }
        }
        thin.forEach(link -> thin(link, group, needs));
        checks.addAll(looks.together(needs));
    }

    /** The parts of this table whose regulators switch themselves off in a state of it; each is told. */
    private Set<String> hot(Foretelling bench, Group group) {
        Set<String> parts = new LinkedHashSet<>();
        for (String slot : bench.hot()) {
            String[] words = slot.split(" ");
            boolean isHere = words[0].equals(node.node().id());
            Optional<Endpoint> rail = Endpoint.parse(words.length > 1 ? words[1] : "");
            rail.filter(end -> isHere).ifPresent(end -> {
                parts.add(end.part());
                checks.add(looks.hot(end, group));
            });
        }
        return parts;
    }

    private boolean isBehind(String part, Set<String> some) {
        return some.contains(part) || order.upstream(part).stream().anyMatch(some::contains);
    }

    /** The high of a wire that was left with little to spare, at the end that listens, while it is driven high. */
    private void thin(Link link, Group group, List<String> needs) {
        String id = "high " + link.signal().endpoint();
        boolean isThere = checks.stream().anyMatch(check -> check.id().equals(id));
        if (!isThere) {
            add(
                    id,
                    group,
                    Check.Kind.LEVEL,
                    link.signal(),
                    steps.terminal(link.to()),
                    node.part(link.to().part()).map(steps::ground),
                    Expected.Within.atLeast(Unit.VOLT, link.check().vih().volts()),
                    Optional.empty(),
                    needs,
                    List.of(),
                    new Asked(
                            scene.driving(Map.of(node.place(link.from()), Drives.HIGH)),
                            new Question.Measure(benches.volts(node, link.to()))));
        }
    }

    // --- what all share

    private String mode(Placed placed, Supply supply) {
        return benches.restingMode(placed, supply).map(Mode::name).orElse("");
    }

    private Optional<String> volts(
            Foretelling bench, Endpoint pin, Group group, String mode, List<String> needs, Collection<String> wires) {
        Placed placed = node.part(pin.part()).orElseThrow();
        boolean isThere = checks.stream().anyMatch(check -> check.id().equals("volts " + pin));
        return isThere
                ? Optional.empty()
                : bench.band(benches.volts(node, pin))
                        .map(band -> add(new Check(
                                "volts " + pin,
                                group,
                                Check.Kind.VOLTS,
                                node.place(pin),
                                steps.terminal(pin),
                                Optional.of(steps.ground(placed)),
                                mode,
                                within(band),
                                Optional.of(band),
                                needs,
                                List.copyOf(wires),
                                asked(benches.volts(node, pin)))));
    }

    private Asked asked(Probe probe) {
        return new Asked(scene, new Question.Measure(probe));
    }

    private Expected.Within within(Band band) {
        return Expected.Within.volts(band, meter);
    }

    /** What a part takes, as the difference that its joining makes at the supply. */
    private void takes(Foretelling bench, Placed placed, Group group, List<String> needs, Collection<String> wires) {
        for (Supply supply : placed.cls().supplies()) {
            Endpoint pin = new Endpoint(placed.id(), supply.pin());
            bench.band(benches.takes(node, pin)).ifPresent(band -> {
                double off = Display.error(band.high());
                Expected.Within within = band.low() - off <= 0
                        ? Expected.Within.atMost(Unit.AMPERE, band.high() + off)
                        : Expected.Within.between(Unit.AMPERE, band.low() - off, band.high() + off);
                add(new Check(
                        "amperes " + pin,
                        group,
                        Check.Kind.AMPERES,
                        node.place(pin),
                        steps.terminal(pin),
                        Optional.empty(),
                        mode(placed, supply),
                        within,
                        Optional.of(band),
                        needs,
                        List.copyOf(wires),
                        asked(benches.takes(node, pin))));
            });
        }
    }

    private void need(String id, List<String> needs) {
        if (checks.stream().anyMatch(check -> check.id().equals(id))) {
            needs.add(id);
        }
    }

    private String add(
            String id,
            Group group,
            Check.Kind kind,
            Place at,
            Optional<Terminal> red,
            Optional<Terminal> black,
            Expected expected,
            Optional<Band> band,
            List<String> needs,
            Collection<String> wires,
            Asked asked) {
        return add(new Check(id, group, kind, at, red, black, "", expected, band, needs, List.copyOf(wires), asked));
    }

    private String add(Check check) {
        checks.add(check);
        kept.of(check).ifPresent(value -> learnt.learn(check.band().orElseThrow(), value, meter.error(value)));
        return check.id();
    }
}
