package inkel.core.circuit;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.Fitting;
import inkel.core.catalog.Habits;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Need;
import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.catalog.TableKind;
import inkel.core.catalog.Ways;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.WireId;
import inkel.core.quantity.Current;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Range;
import inkel.core.quantity.Temperature;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiFunction;
import java.util.stream.Stream;

/**
 * One node joined to the catalogue.
 *
 * <p>Longer than other files: what all stages ask of one table is asked here, most of it in one line.
 */
public final class NodeCircuit {
    private static final String CAPACITOR = "capacitor ";

    private static final Temperature USUAL_AMBIENT = Temperature.ofCelsius(40);

    private final Node node;
    private final List<Lost> lost;
    private final Map<String, Placed> parts;
    private final Map<String, FarLoad> far = new LinkedHashMap<>();
    private final Readings readings;
    private final Habits habits;
    private volatile GroundLift grounds;
    private final Rails flows;
    private final Map<Endpoint, Rail> rails;
    private final Map<Endpoint, Pin> pins = new HashMap<>();
    private final Map<Endpoint, Optional<IoFamily>> families = new ConcurrentHashMap<>();
    private final Map<Endpoint, Optional<Rail>> ioRails = new ConcurrentHashMap<>();
    private final Map<Endpoint, List<Wire>> nets = new LinkedHashMap<>();
    private final Set<Endpoint> plugged = new HashSet<>();
    private final Set<String> fitted = new HashSet<>();
    private final Map<Endpoint, Wire> wires = new HashMap<>();
    private final Map<Endpoint, Between> betweens = new HashMap<>();
    private final Map<String, Ways> ways = new ConcurrentHashMap<>();
    private final Map<Endpoint, List<Endpoint>> up = new ConcurrentHashMap<>();

    private NodeCircuit(
            Lost.Sifted sifted, Map<String, Placed> parts, Readings readings, Habits habits, List<FarLoad> loads) {
        this.readings = readings;
        this.habits = habits;
        node = sifted.node();
        lost = sifted.lost();
        this.parts = parts;
        node.plugged().forEach(id -> tick(WireId.parse(id)));
        loads.forEach(load -> far.put(load.placed().id(), load));
        List<Placed> taking = new ArrayList<>(parts.values());
        loads.forEach(load -> taking.add(load.placed()));
        flows = new Rails(taking, node.moments(), LampOnPin.of(node, parts));
        rails = Collections.unmodifiableMap(flows.all());
        for (Placed placed : taking) {
            for (Pin pin : placed.cls().pins()) {
                pins.putIfAbsent(placed.endpoint(pin), pin);
            }
        }
        for (Between between : node.between()) {
            betweens.put(between.signal(), between);
        }
        for (Wire wire : node.wires()) {
            wires.put(wire.from(), wire);
            if (!isTie(wire)) {
                nets.computeIfAbsent(wire.to(), to -> new ArrayList<>()).add(wire);
            }
        }
    }

    /** A node without readings. @throws IllegalArgumentException when a part's class is not in the catalogue */
    public static NodeCircuit of(Node node, Catalog catalog, Habits habits) {
        return of(node, catalog, Readings.NONE, habits, Map.of(), List.of());
    }

    /**
     * @param habits those of the build
     * @param given what leads bring from other boards, by the id of the lead
     * @param loads what leads to other boards take
     */
    static NodeCircuit of(
            Node node,
            Catalog catalog,
            Readings readings,
            Habits habits,
            Map<String, Rail> given,
            List<FarLoad> loads) {
        Map<String, PartClass> classes = new HashMap<>();
        for (Part part : node.parts()) {
            classes.put(part.id(), OtherLeg.asWired(catalog.get(part.classId()), part));
        }
        Lost.Sifted sifted = Lost.sift(node, classes);
        Map<String, Placed> parts = new LinkedHashMap<>();
        for (Part part : sifted.node().parts()) {
            parts.put(
                    part.id(),
                    Placed.of(
                            part,
                            classes.get(part.id()),
                            Straps.address(part, sifted.node(), classes),
                            Windings.drivenBy(part, sifted.node(), classes),
                            Optional.ofNullable(given.get(part.id())),
                            isSwitched(part, classes),
                            isLoaded(part, sifted.node(), classes),
                            readings.tunings().figures(part.id())));
        }
        return new NodeCircuit(sifted, Collections.unmodifiableMap(parts), readings, habits, loads);
    }

    private static boolean isSwitched(Part part, Map<String, PartClass> classes) {
        return part.feeds().values().stream().anyMatch(rail -> Optional.ofNullable(classes.get(rail.part()))
                .flatMap(owner -> owner.output(rail.pin()))
                .flatMap(Output::contact)
                .isPresent());
    }

    /** Whether a part is fed from what another one passes on, or hangs on what that pulls to ground. */
    private static boolean isLoaded(Part giver, Node node, Map<String, PartClass> classes) {
        PartClass cls = classes.get(giver.id());
        Set<Endpoint> ends = new HashSet<>();
        cls.outputs().stream()
                .filter(output -> output.way() == Output.Way.PASS)
                .forEach(output -> ends.add(new Endpoint(giver.id(), output.pin())));
        cls.pins().stream()
                .filter(pin -> pin.can(Ability.Kind.SINK))
                .forEach(pin -> ends.add(new Endpoint(giver.id(), pin.label())));
        return node.wires().stream().anyMatch(wire -> ends.contains(wire.to()))
                || node.parts().stream()
                        .anyMatch(part -> part.feeds().values().stream().anyMatch(ends::contains));
    }

    /** The node, without what is {@link #lost}. */
    public Node node() {
        return node;
    }

    /** What the benches of Tune found of its parts. */
    public Tunings tunings() {
        return readings.tunings();
    }

    /** How the builder works where practitioners disagree. */
    public Habits habits() {
        return habits;
    }

    /** What its parts stand on: the builder's choice, or long breadboards. */
    public TableKind table() {
        return board().own(Settings.TABLE).orElse(TableKind.LONG);
    }

    /** The air around its board; 40 °C, as inside a closed box, unless the builder says otherwise. */
    public Temperature ambient() {
        return board().own(Settings.AMBIENT).orElse(USUAL_AMBIENT);
    }

    /** What its parts have no place for; empty for nearly every build. */
    public List<Lost> lost() {
        return lost;
    }

    /** The board first, then the others in the builder's order. */
    public Collection<Placed> parts() {
        return parts.values();
    }

    public Placed board() {
        return parts.get(Part.BOARD);
    }

    /** A part by its id, or what hangs on a lead to another board; see {@link #farLoads()}. */
    public Optional<Placed> part(String id) {
        Placed placed = parts.get(id);
        return placed != null ? Optional.of(placed) : farLoad(id).map(FarLoad::placed);
    }

    /** Leads from here to other boards; what hangs on them takes current here and is no part of this table. */
    public Collection<FarLoad> farLoads() {
        return Collections.unmodifiableCollection(far.values());
    }

    /** Whether an id is that of what hangs on a lead to another board. */
    public Optional<FarLoad> farLoad(String id) {
        return Optional.ofNullable(far.get(id));
    }

    public Collection<Rail> rails() {
        return rails.values();
    }

    public Optional<Rail> rail(Endpoint id) {
        return Optional.ofNullable(rails.get(id));
    }

    /** What was measured on a signal's wire. */
    public Reading reading(Endpoint signal) {
        return readings.valid().getOrDefault(signal, Reading.NONE);
    }

    /** What was measured on a signal's wire before it, or what it hangs on, was changed: to be shown, never used. */
    public Reading staleReading(Endpoint signal) {
        return readings.stale().getOrDefault(signal, Reading.NONE);
    }

    /** The signals of which something was measured that no longer stands, in the order of their names. */
    public List<Endpoint> staleSignals() {
        return readings.stale().keySet().stream()
                .filter(signal -> !readings.valid().containsKey(signal))
                .sorted(Comparator.comparing(Endpoint::toString))
                .toList();
    }

    /** The wire of a signal. */
    public Optional<Wire> wire(Endpoint signal) {
        return Optional.ofNullable(wires.get(signal));
    }

    /** The end of a wire that listens; the part's own where both ends do. */
    public Endpoint listener(Wire wire) {
        PinUse use = pins.get(wire.from()).use();
        return use.drives() && !use.isTwoWay() ? wire.to() : wire.from();
    }

    /**
     * Whether a signal wants a wire that it has not: one that serves another part is not missed by the board, and of several of a
     * kind, as the channels of a receiver, none is as long as the builder uses others. What is tied to the part's own supply waits
     * for that.
     */
    public boolean isMissed(Placed placed, Pin pin) {
        if (!wants(placed, pin) || wires.containsKey(placed.endpoint(pin)) || waitsForItsSupply(placed, pin)) {
            return false;
        }
        return pin.can().isEmpty()
                || !nets.containsKey(placed.endpoint(pin)) && (placed.isAskedFor(pin) || !isAnotherUsed(placed, pin));
    }

    private static boolean waitsForItsSupply(Placed placed, Pin pin) {
        return pin.need() == Need.FIXED_HIGH
                && placed.cls()
                        .io(pin)
                        .filter(family -> !placed.part().feeds().containsKey(family.supply()))
                        .isPresent();
    }

    private boolean isAnotherUsed(Placed placed, Pin pin) {
        return placed.cls()
                .signals()
                .filter(other -> other.use() == pin.use() && !other.can().isEmpty())
                .map(placed::endpoint)
                .anyMatch(other -> wires.containsKey(other) || nets.containsKey(other));
    }

    /** Whether a signal is to be wired: by itself, or since other pins of the part are used that are of no use without it. */
    public boolean wants(Placed placed, Pin pin) {
        return placed.wants(pin) && !isSpared(placed, pin) || isWantedWith(placed, pin);
    }

    /** Whether another pin is wired that says the same, as the switched output of a sensor does for its voltage. */
    private boolean isSpared(Placed placed, Pin pin) {
        return pin.unless().isPresent()
                && wires.containsKey(new Endpoint(placed.id(), pin.unless().get()))
                && !wires.containsKey(placed.endpoint(pin))
                && !placed.isAskedFor(pin);
    }

    private boolean isWantedWith(Placed placed, Pin pin) {
        return !pin.wantedWith().isEmpty()
                && placed.mayWant(pin)
                && pin.wantedWith().stream().allMatch(label -> nets.containsKey(new Endpoint(placed.id(), label)));
    }

    /** Whether a supply pin of some part is fed from a rail. */
    public boolean isFedFrom(Endpoint rail) {
        return parts.values().stream().anyMatch(placed -> placed.part().feeds().containsValue(rail));
    }

    /** What stands in the wire of a signal. */
    public Optional<Between> between(Endpoint signal) {
        return Optional.ofNullable(betweens.get(signal));
    }

    /** A rail, the one it is made from, and so on up to a source; a circle is gone round once. */
    public List<Endpoint> upToSource(Endpoint rail) {
        List<Endpoint> known = up.get(rail);
        return known != null ? known : up.computeIfAbsent(rail, this::findUpToSource);
    }

    private List<Endpoint> findUpToSource(Endpoint rail) {
        List<Endpoint> way = new ArrayList<>();
        Optional<Endpoint> at = Optional.of(rail);
        while (at.isPresent() && !way.contains(at.get())) {
            way.add(at.get());
            at = upstream(at.get());
        }
        return way;
    }

    private Optional<Endpoint> upstream(Endpoint rail) {
        Placed owner = parts.get(rail.part());
        Optional<Output> output = owner == null ? Optional.empty() : owner.cls().output(rail.pin());
        return output.isEmpty() || output.get().from().isEmpty()
                ? Optional.empty()
                : Optional.ofNullable(
                        owner.part().feeds().get(output.get().from().get()));
    }

    /** Whether a rail is one of a part's own, or made from one. */
    public boolean isMadeFrom(Endpoint rail, String partId) {
        return upToSource(rail).stream().anyMatch(above -> above.part().equals(partId));
    }

    /** Whether a rail is a cell's own, or only passes it on. */
    public boolean isOfCell(Endpoint rail) {
        List<Endpoint> way = upToSource(rail);
        boolean isPassedOn = way.subList(0, Math.max(0, way.size() - 1)).stream()
                .allMatch(above -> rail(above)
                        .filter(found -> found.output().way() == Output.Way.PASS)
                        .isPresent());
        return isPassedOn
                && !way.isEmpty()
                && rail(way.get(way.size() - 1))
                        .flatMap(source -> source.output().battery())
                        .isPresent();
    }

    /** What a rail is on and off with: the nearest contact on its way, or else its source. */
    public Endpoint switchOf(Endpoint rail) {
        List<Endpoint> way = upToSource(rail);
        return way.stream()
                .filter(above ->
                        rail(above).flatMap(found -> found.output().contact()).isPresent())
                .findFirst()
                .orElseGet(() -> way.get(way.size() - 1));
    }

    /** The rails that are made from a supply pin, with what goes in for what comes out. */
    public List<Made> made(Endpoint supplyPin) {
        return flows.made(supplyPin);
    }

    /** The largest sets of moments that can coincide. */
    List<Set<String>> scenarios() {
        return flows.scenarios();
    }

    /** How far its grounds stand apart while currents flow in their wires; worked out when it is first asked for. */
    public GroundLift grounds() {
        if (grounds == null) {
            grounds = GroundLift.of(this);
        }
        return grounds;
    }

    /**
     * The part on whose plug a part hangs, with its supply and its first ground: a servo on its driver. A plug takes signals
     * beside the rail, and all that are wired go to it; what only passes a supply on, such as a charger, has wires.
     */
    public Optional<Placed> carrier(Placed placed) {
        if (placed.part().isBoard()) {
            return Optional.empty();
        }
        for (Endpoint feed : placed.part().feeds().values()) {
            Rail rail = rails.get(feed);
            if (rail != null && isPlug(rail) && isWiredOnlyTo(feed.part(), placed)) {
                return part(feed.part());
            }
        }
        return Optional.empty();
    }

    private boolean isPlug(Rail rail) {
        Optional<Pin> plus = pin(rail.id());
        return rail.output().way() == Output.Way.PASS
                && !rail.id().part().equals(Part.BOARD)
                && part(rail.id().part()).stream()
                        .flatMap(owner -> owner.cls().pins().stream())
                        .anyMatch(pin -> !pin.can().isEmpty()
                                && !pin.can(Ability.Kind.SINK)
                                && plus.filter(end -> end.row().equals(pin.row()))
                                        .isPresent());
    }

    private boolean isWiredOnlyTo(String carrier, Placed placed) {
        return placed.cls().pins().stream()
                .flatMap(pin -> wire(placed.endpoint(pin)).stream())
                .allMatch(wire -> wire.to().part().equals(carrier));
    }

    /** When the moments of the node are on. */
    public Round round() {
        return flows.round();
    }

    /** What the parts take while moments are on. */
    public Loads loads() {
        return flows.loads();
    }

    /** What flows in every rail when each supply pin takes what the function says, on top of what it passes on. */
    public Map<Endpoint, Current> currents(BiFunction<Placed, Supply, Current> draw) {
        return flows.currents(draw);
    }

    /** What flows in every rail while moments are on, in the worst instant of bursts. */
    public Map<Endpoint, Current> currents(Set<String> on) {
        return currents((placed, supply) -> loads().during(placed, supply, on));
    }

    /** The rail that feeds a supply pin. */
    public Optional<Rail> railOf(Placed placed, String supplyPin) {
        Endpoint feed = placed.part().feeds().get(supplyPin);
        return feed == null ? Optional.empty() : rail(feed);
    }

    public Optional<Pin> pin(Endpoint endpoint) {
        return Optional.ofNullable(pins.get(endpoint));
    }

    public Optional<IoFamily> io(Endpoint endpoint) {
        // Asked for many thousand times: what is known is looked up before anything is made to find it.
        Optional<IoFamily> known = families.get(endpoint);
        return known != null ? known : families.computeIfAbsent(endpoint, this::findIo);
    }

    private Optional<IoFamily> findIo(Endpoint endpoint) {
        Placed placed = parts.get(endpoint.part());
        Pin pin = pins.get(endpoint);
        return placed == null || pin == null ? Optional.empty() : placed.cls().io(pin);
    }

    /** The rail that the levels of a pin hang on: one that feeds its part, or one that its part makes. */
    public Optional<Rail> ioRail(Endpoint endpoint) {
        Optional<Rail> known = ioRails.get(endpoint);
        return known != null ? known : ioRails.computeIfAbsent(endpoint, this::findIoRail);
    }

    private Optional<Rail> findIoRail(Endpoint endpoint) {
        Placed placed = parts.get(endpoint.part());
        Optional<IoFamily> family = io(endpoint);
        if (placed == null || family.isEmpty()) {
            return Optional.empty();
        }
        Optional<Rail> fed = railOf(placed, family.get().supply());
        return fed.isPresent()
                ? fed
                : rail(new Endpoint(placed.id(), family.get().supply()));
    }

    /** The voltage that the levels of a pin hang on; empty when its part is not fed. */
    public Optional<Range<Voltage>> ioVolts(Endpoint endpoint) {
        Optional<Rail> rail = ioRail(endpoint);
        return rail.isEmpty() ? Optional.empty() : rail.get().volts();
    }

    /** Whether the levels of two pins hang on one rail, or on none. */
    public boolean isOneRail(Endpoint one, Endpoint other) {
        Optional<Rail> first = ioRail(one);
        Optional<Rail> second = ioRail(other);
        return first.isPresent() == second.isPresent()
                && (first.isEmpty() || first.get().id().equals(second.get().id()));
    }

    /** The ways through a part that matches levels; none for any other. */
    public Ways ways(Placed placed) {
        Ways known = ways.get(placed.id());
        return known != null ? known : ways.computeIfAbsent(placed.id(), id -> Ways.of(placed.cls()));
    }

    /** The wires by the pin they go to, ties to rails and grounds left out; in the order of first use. */
    public Map<Endpoint, List<Wire>> nets() {
        return Collections.unmodifiableMap(nets);
    }

    /** Whether a wire is plugged at a pin, in its planned place or one that it has left since. */
    public boolean isPlugged(Endpoint pin) {
        return plugged.contains(pin);
    }

    /** The supply pins of a part that a wire with a diode in it leads to; none of one that waits for later. */
    public List<Endpoint> behindDiodes(Placed placed) {
        return placed.isForLater()
                ? List.of()
                : placed.cls().supplies().stream()
                        .map(Supply::pin)
                        .filter(pin ->
                                placed.hasDiode(pin) && railOf(placed, pin).isPresent())
                        .filter(pin ->
                                placed.cls().pin(pin).filter(Pin::isSocket).isEmpty())
                        .map(pin -> new Endpoint(placed.id(), pin))
                        .toList();
    }

    /** What a capacitor across a supply is called in its id, since several stand side by side between the same ends. */
    public static String by(Placed placed, Fitting capacitor) {
        return CAPACITOR + Engineering.exact(capacitor.value()) + " of " + placed.id() + "." + capacitor.from();
    }

    /** Whether the id of a small part is that of a capacitor. */
    public static boolean isCapacitor(WireId id) {
        return id.by().startsWith(CAPACITOR);
    }

    /** The value in the id of a capacitor across a supply, as it was written; empty for any other small part. */
    public static Optional<String> valueIn(WireId id) {
        int end = id.by().indexOf(" of ");
        return isCapacitor(id) && end > CAPACITOR.length()
                ? Optional.of(id.by().substring(CAPACITOR.length(), end))
                : Optional.empty();
    }

    /** Whether a capacitor across a supply of a part is ticked off as put in. */
    public boolean isFitted(Placed placed, Fitting capacitor) {
        return fitted.contains(by(placed, capacitor));
    }

    private void tick(WireId id) {
        WireId.pin(id.from()).ifPresent(plugged::add);
        WireId.pin(id.to()).ifPresent(plugged::add);
        fitted.add(id.by());
    }

    /** Whether a wire only ties its signal to a rail, to ground or to another pin of its own part. */
    public boolean isTie(Wire wire) {
        if (rails.containsKey(wire.to())) {
            return true;
        }
        Pin to = pins.get(wire.to());
        return to != null
                && (to.use() == PinUse.GROUND
                        || wire.to().part().equals(wire.from().part()));
    }

    /** Every signal pin of every part but the board, in order. */
    public Stream<Endpoint> signals() {
        return parts.values().stream().flatMap(placed -> placed.cls().signals().map(placed::endpoint));
    }

    public Place place(Endpoint endpoint) {
        return Place.of(node.id(), endpoint);
    }

    public Place place(Placed placed) {
        return Place.ofPart(node.id(), placed.id());
    }
}
