package inkel.core.levels.rules;

import inkel.core.build.Between;
import inkel.core.build.Edit;
import inkel.core.build.Endpoint;
import inkel.core.build.Extras;
import inkel.core.build.Part;
import inkel.core.build.Wire;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ShifterSides;
import inkel.core.finding.Fix;
import inkel.core.levels.DividerSearch;
import inkel.core.levels.LevelCheck;
import inkel.core.levels.Link;
import inkel.core.levels.Verdict;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.RailNames;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Ways to make a wire's levels fit: a spare way through a shifter, a divider, a new shifter, another supply. */
final class LinkFixes {
    private final NodeCircuit node;
    private final Catalog catalog;

    LinkFixes(NodeCircuit node, Catalog catalog) {
        this.node = node;
        this.catalog = catalog;
    }

    List<Fix> of(Link link) {
        List<Fix> fixes = new ArrayList<>();
        // A resistor in line changes no level, so that a divider or a shifter may take its place.
        boolean isOpen = link.between()
                .filter(between -> !(between instanceof Between.Series))
                .isEmpty();
        if (isOpen) {
            boolean canShift = bearsItsOwnRail(link.from()) && bearsItsOwnRail(link.to());
            if (canShift) {
                sharedWay(link).or(() -> spareWay(link)).ifPresent(fixes::add);
            }
            divider(link).ifPresent(fixes::add);
            otherSupply(link).ifPresent(fixes::add);
            if (canShift && fixes.stream().noneMatch(fix -> fix.id().startsWith("shift"))) {
                newShifter(link).ifPresent(fixes::add);
            }
        } else {
            fixes.add(new Fix(
                    "take-out",
                    Fact.of("fix.take_out").with("signal", link.signal().pin()),
                    Fact.of("fix.take_out.cost"),
                    List.of(new Edit.TakeOut(nodeId(), link.signal().endpoint()))));
        }
        return fixes;
    }

    /** A shifter puts a part's own supply on its pin; one with a lower inner supply does not bear that. */
    private boolean bearsItsOwnRail(Endpoint end) {
        return node.io(end)
                .flatMap(family -> node.ioVolts(end).map(rail -> !rail.highest()
                        .isAbove(family.absoluteMax().at(rail.highest()))))
                .orElse(false);
    }

    private String nodeId() {
        return node.node().id();
    }

    /** The way that another part on the same wire goes through already. */
    private Optional<Fix> sharedWay(Link link) {
        Endpoint signal = link.signal().endpoint();
        Optional<Wire> wire = node.node().wire(signal);
        return node.node().between().stream()
                .filter(Between.ShifterWay.class::isInstance)
                .map(Between.ShifterWay.class::cast)
                .filter(way -> wire.isPresent()
                        && node.node()
                                .wire(way.signal())
                                .filter(other -> other.to().equals(wire.get().to()))
                                .isPresent())
                .filter(way -> suits(way.shifter(), link))
                .findFirst()
                .map(way -> through(link, way.shifter(), way.way(), List.of()));
    }

    private Optional<Fix> spareWay(Link link) {
        for (Placed placed : node.parts()) {
            if (ShifterSides.isShifter(placed) && suits(placed.id(), link)) {
                Set<Integer> taken = node.node().between().stream()
                        .filter(Between.ShifterWay.class::isInstance)
                        .map(Between.ShifterWay.class::cast)
                        .filter(way -> way.shifter().equals(placed.id()))
                        .map(Between.ShifterWay::way)
                        .collect(Collectors.toSet());
                for (int way = 1; way <= ShifterSides.ways(placed); way++) {
                    if (!taken.contains(way)) {
                        return Optional.of(through(link, placed.id(), way, List.of()));
                    }
                }
            }
        }
        return Optional.empty();
    }

    /** Whether the rails on the shifter's two sides are those of the two ends. */
    private boolean suits(String shifter, Link link) {
        Placed placed = node.part(shifter).orElseThrow();
        List<Voltage> sides = placed.cls().supplies().stream()
                .flatMap(supply -> node.railOf(placed, supply.pin()).stream())
                .flatMap(rail -> rail.volts().stream())
                .map(Range::expected)
                .sorted()
                .toList();
        return sides.equals(ends(link).stream()
                .map(rail -> rail.volts().orElseThrow().expected())
                .toList());
    }

    /** The rails of both ends, lower first; empty where an end is not fed. */
    private List<Rail> ends(Link link) {
        return java.util.stream.Stream.of(link.from(), link.to())
                .flatMap(end -> node.ioRail(end).stream())
                .filter(rail -> rail.volts().isPresent())
                .sorted(Comparator.comparing(rail -> rail.volts().orElseThrow().expected()))
                .toList();
    }

    private Fix through(Link link, String shifter, int way, List<Edit> before) {
        List<Edit> edits = new ArrayList<>(before);
        edits.add(
                new Edit.Insert(nodeId(), new Between.ShifterWay(link.signal().endpoint(), shifter, way, Extras.NONE)));
        boolean isNew = !before.isEmpty();
        return new Fix(
                isNew ? "shift-new" : "shift-" + shifter + "-" + way,
                Fact.of(isNew ? "fix.shift_new" : "fix.shift")
                        .with("signal", link.signal().pin())
                        .with("way", way),
                Fact.of(isNew ? "fix.shift_new.cost" : "fix.shift.cost")
                        .with(
                                "shifter",
                                node.part(shifter)
                                        .map(placed -> placed.part().name())
                                        .orElse(shifter)),
                edits);
    }

    private Optional<Fix> newShifter(Link link) {
        List<Rail> ends = ends(link);
        if (ends.size() != 2 || ends.get(0).id().equals(ends.get(1).id())) {
            return Optional.empty();
        }
        return catalog.all().stream()
                .filter(cls -> ShifterSides.isShifter(new Placed(Part.of("candidate", cls.id(), "", ""), cls)))
                .flatMap(cls -> fed(cls, ends).stream())
                .findFirst()
                .map(part -> through(link, part.id(), 1, List.of(new Edit.AddPart(nodeId(), part))));
    }

    private Optional<Part> fed(PartClass cls, List<Rail> ends) {
        Map<Double, Supply> byReach = new TreeMap<>();
        cls.supplies()
                .forEach(supply -> byReach.put(
                        supply.range().range().highest().volts()
                                + supply.range().range().lowest().volts(),
                        supply));
        List<Supply> sides = List.copyOf(byReach.values());
        if (sides.size() != 2
                || !FeedFixes.fits(ends.get(0).volts().orElseThrow(), sides.get(0))
                || !FeedFixes.fits(ends.get(1).volts().orElseThrow(), sides.get(1))) {
            return Optional.empty();
        }
        Map<String, Endpoint> feeds = new LinkedHashMap<>();
        feeds.put(sides.get(0).pin(), ends.get(0).id());
        feeds.put(sides.get(1).pin(), ends.get(1).id());
        Part part = Part.of(node.node().freeId("shifter"), cls.id(), cls.name(), "");
        return Optional.of(
                new Part(part.id(), cls.id(), cls.name(), "", feeds, false, Map.of(), Map.of(), Extras.NONE));
    }

    /** Only for a wire that goes one way, from a higher level to a lower one. */
    private Optional<Fix> divider(Link link) {
        boolean isTwoWay =
                node.pin(link.signal().endpoint()).orElseThrow().use().isTwoWay();
        boolean isTooHigh = link.verdict() == Verdict.HARMS || link.check().isAboveRecommended();
        if (isTwoWay || !isTooHigh) {
            return Optional.empty();
        }
        LevelCheck check = link.check();
        Voltage limit = check.recommendedMax().orElse(check.absoluteMax());
        Voltage ceiling = limit.volts() < check.absoluteMax().volts() ? limit : check.absoluteMax();
        return DividerSearch.find(
                        check.vohMin(), check.vohMax(), ceiling, check.vih().plus(check.wantedMargin()))
                .map(pair -> new Fix(
                        "divide",
                        Fact.of("fix.divide").with("signal", link.signal().pin()),
                        Fact.of("fix.divide.cost")
                                .with("series", pair.series())
                                .with("to_ground", pair.toGround())
                                .with("lands", pair.high(check.vohMax())),
                        List.of(new Edit.Insert(
                                nodeId(),
                                new Between.Divider(
                                        link.signal().endpoint(), pair.series(), pair.toGround(), Extras.NONE)))));
    }

    /** Running the module from the rail of the other end, where its supply range allows that. */
    private Optional<Fix> otherSupply(Link link) {
        Placed module = node.part(link.signal().part()).orElseThrow();
        Endpoint far = link.signal().endpoint().equals(link.from()) ? link.to() : link.from();
        Optional<IoFamily> family = node.io(link.signal().endpoint());
        Optional<Rail> rail = node.ioRail(far);
        if (family.isEmpty() || rail.isEmpty() || rail.get().volts().isEmpty()) {
            return Optional.empty();
        }
        Optional<Supply> supply = module.cls().supply(family.get().supply());
        boolean isOther = node.railOf(module, family.get().supply())
                .filter(now -> now.id().equals(rail.get().id()))
                .isEmpty();
        boolean hasRoom = supply.isPresent()
                && !module.cls().peak(supply.get().pin()).isAbove(rail.get().room());
        return supply.filter(pin ->
                        isOther && hasRoom && FeedFixes.fits(rail.get().volts().orElseThrow(), pin))
                .map(pin -> new Fix(
                        "run-at-other-supply",
                        Fact.of("fix.run_at")
                                .with("part", module.part().name())
                                .with("rail", RailNames.of(node, rail.get().id())),
                        Fact.of("fix.run_at.cost"),
                        List.of(new Edit.Feed(
                                nodeId(), module.id(), pin.pin(), rail.get().id()))));
    }
}
