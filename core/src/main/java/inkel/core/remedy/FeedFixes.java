package inkel.core.remedy;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Fix;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Finds other ways to feed a supply pin: a rail that is there, or a regulator or source that the catalogue has. */
public final class FeedFixes {
    private static final int MOST = 3;

    private final NodeCircuit node;
    private final Catalog catalog;

    public FeedFixes(NodeCircuit node, Catalog catalog) {
        this.node = node;
        this.catalog = catalog;
    }

    /**
     * Ways to feed a pin with a voltage it bears and a rail that has room for it: rails that are there first, of those the
     * one that the board's own pins hang on, then the one with most room; then what must be bought, what gives just what the
     * part usually has first, and of these what does it without strain.
     */
    public List<Fix> of(Placed placed, Supply supply) {
        return Stream.concat(ahead(placed, supply).stream(), of(placed, supply, Voltage.ZERO, rail -> true).stream())
                .limit(MOST)
                .toList();
    }

    /** Where a part is put on something that only passes on what it gets, and gets nothing: what that may be fed from. */
    private List<Fix> ahead(Placed placed, Supply supply) {
        Optional<Rail> idle = node.railOf(placed, supply.pin())
                .filter(rail -> rail.volts().isEmpty() && rail.output().way() == Output.Way.PASS);
        if (idle.isEmpty()) {
            return List.of();
        }
        Placed owner = node.part(idle.get().id().part()).orElseThrow();
        Optional<Supply> in = idle.get()
                .output()
                .from()
                .filter(pin -> !owner.part().feeds().containsKey(pin))
                .flatMap(owner.cls()::supply);
        return in.stream()
                .flatMap(pin -> node.rails().stream()
                        .filter(rail -> rail.output().contact().isEmpty() && !node.isMadeFrom(rail.id(), owner.id()))
                        .filter(rail -> maySupply(node, rail, pin))
                        .filter(rail -> rail.volts()
                                .filter(volts -> fits(volts, pin) && fits(volts, supply))
                                .isPresent())
                        .filter(rail -> !idle.get().peak().isAbove(rail.room()))
                        .sorted(Comparator.comparing(Rail::room).reversed())
                        .map(rail -> new Fix(
                                "feed-" + owner.id() + "-" + pin.pin() + "-from-" + rail.id(),
                                Fact.of("fix.feed_pin")
                                        .with("part", owner.part().name())
                                        .with("pin", pin.pin())
                                        .with("rail", railName(rail.id())),
                                Fact.of("fix.feed.cost")
                                        .with(
                                                "room",
                                                rail.room().minus(idle.get().peak())),
                                List.of(new Feed(node.node().id(), owner.id(), pin.pin(), rail.id())))))
                .toList();
    }

    /** As {@link #of(Placed, Supply, Current, Voltage, Predicate)}, for what the part itself takes. */
    public List<Fix> of(Placed placed, Supply supply, Voltage least, Predicate<Endpoint> isAllowed) {
        return of(placed, supply, Current.ZERO, least, isAllowed);
    }

    /**
     * As {@link #of(Placed, Supply)}, for rails that are allowed and never fall below a voltage.
     *
     * @param asked the pin; what its part passes on must bear the volts as well
     * @param bought what something that must be bought gives at the least
     * @param isAllowed asked of rails that are there, for the part and for what would be put before it
     * @param least below what the pin itself works at it changes nothing
     */
    public List<Fix> of(Placed placed, Supply asked, Current bought, Voltage least, Predicate<Endpoint> isAllowed) {
        Supply supply = Behind.of(node, placed, asked);
        Optional<Endpoint> now = Optional.ofNullable(placed.part().feeds().get(supply.pin()));
        if (supply.isMeasured() && now.isPresent()) {
            return List.of();
        }
        Current peak = peakOf(placed, supply);
        Set<Endpoint> logic = AddParts.logicRails(node);
        List<Fix> fixes = new ArrayList<>();
        node.rails().stream()
                .filter(rail -> !now.filter(rail.id()::equals).isPresent())
                .filter(rail -> isAllowed.test(rail.id()))
                .filter(rail -> rail.output().contact().isEmpty() && maySupply(node, rail, supply))
                .filter(rail -> LoadScrews.mayFeed(node, rail, placed.cls()))
                .filter(rail -> !node.isMadeFrom(rail.id(), placed.id()))
                .filter(rail -> rail.volts()
                        .filter(volts -> fits(volts, supply) && !volts.lowest().isBelow(least))
                        .isPresent())
                .filter(rail -> !peak.isAbove(rail.room()))
                .sorted(Comparator.<Rail, Boolean>comparing(rail -> !logic.contains(rail.id()))
                        .thenComparing(Comparator.comparing(Rail::room).reversed()))
                .map(rail -> feedFrom(placed, supply, rail))
                .forEach(fixes::add);
        catalog.all().stream()
                .filter(cls -> cls.outputs().stream()
                        .flatMap(output -> output.volts().stream())
                        .noneMatch(volts -> volts.range().lowest().isBelow(least)))
                .sorted(Comparator.<PartClass, Boolean>comparing(cls -> !isUsual(cls, supply))
                        .thenComparing(cls -> isStrained(cls, peak)))
                .flatMap(cls -> added(placed, supply, cls, peak.isAbove(bought) ? peak : bought, isAllowed).stream())
                .forEach(fixes::add);
        boolean hasSignals = placed.cls().signals().findAny().isPresent();
        return fixes.stream()
                .sorted(Comparator.comparing(fix -> hasSignals && isForeign(fix)))
                .limit(MOST)
                .toList();
    }

    /** Whether a part would hang on a source that does not feed the board, so that either may be on while the other is off. */
    private boolean isForeign(Fix fix) {
        Set<Endpoint> ofBoard = node.board().part().feeds().values().stream()
                .flatMap(feed -> node.upToSource(feed).stream())
                .collect(Collectors.toSet());
        boolean isAdded = fix.edits().get(0) instanceof AddPart;
        Stream<Endpoint> rails = isAdded
                ? ((AddPart) fix.edits().get(0)).part().feeds().values().stream()
                : fix.edits().stream()
                        .flatMap(edit -> edit instanceof Feed feed ? Stream.of(feed.rail()) : Stream.of());
        return rails.flatMap(rail -> node.upToSource(rail).stream())
                .noneMatch(rail -> ofBoard.contains(rail) || rail.part().equals(Part.BOARD));
    }

    /** Whether a class gives what a part usually has, within a twentieth. */
    private static boolean isUsual(PartClass cls, Supply supply) {
        double wanted = supply.range().range().expected().volts();
        return cls.outputs().stream()
                .flatMap(output -> output.volts().stream())
                .anyMatch(volts -> Math.abs(volts.range().expected().volts() - wanted) <= wanted / 20);
    }

    private static boolean isStrained(PartClass cls, Current peak) {
        return cls.outputs().stream()
                .anyMatch(
                        output -> peak.isAbove(output.rating().range().lowest().times(Rail.AVERAGE_SHARE.ratio())));
    }

    /** Nobody steps up what a regulator has stepped down; a cell may be. */
    private static boolean isSteppedUp(Rail from, Output to) {
        boolean isHigher = from.volts()
                .flatMap(in -> to.volts().map(out -> out.range().expected().isAbove(in.expected())))
                .orElse(false);
        return isHigher && from.output().battery().isEmpty();
    }

    /** Whether a rail is one of a cell where nothing else belongs. */
    static boolean maySupply(NodeCircuit node, Rail rail, Supply supply) {
        return !supply.isForCell() || node.isOfCell(rail.id());
    }

    /** Whether the whole range of a rail lies inside what a supply pin works at. */
    public static boolean fits(Range<Voltage> volts, Supply supply) {
        Range<Voltage> bears = supply.range().range();
        return !volts.highest().isAbove(bears.highest()) && !volts.lowest().isBelow(bears.lowest());
    }

    private Current peakOf(Placed placed, Supply supply) {
        Endpoint pin = new Endpoint(placed.id(), supply.pin());
        return node.rails().stream()
                .flatMap(rail -> rail.loads().stream())
                .filter(load -> load.pin().equals(pin))
                .map(Rail.Load::peak)
                .findFirst()
                .orElseGet(() -> placed.cls().peak(supply.pin()));
    }

    private Fix feedFrom(Placed placed, Supply supply, Rail rail) {
        return new Fix(
                "feed-" + supply.pin() + "-from-" + rail.id(),
                Fact.of("fix.feed").with("part", placed.part().name()).with("rail", railName(rail.id())),
                Fact.of("fix.feed.cost").with("room", rail.room().minus(peakOf(placed, supply))),
                List.of(new Feed(node.node().id(), placed.id(), supply.pin(), rail.id())));
    }

    /** A rail by its owner's name and its pin. */
    private Fact railName(Endpoint id) {
        return RailNames.of(node, id);
    }

    private Optional<Fix> added(
            Placed placed, Supply supply, PartClass cls, Current peak, Predicate<Endpoint> isAllowed) {
        // What has signals of its own, such as the controller of a motor, is not bought for a rail that it has as well.
        boolean isSupply = cls.outputs().size() == 1 && cls.signals().noneMatch(Pin::isWanted);
        if (!isSupply || cls.controller().isPresent()) {
            return Optional.empty();
        }
        Output output = cls.outputs().get(0);
        if (supply.isForCell() && output.battery().isEmpty()) {
            return Optional.empty();
        }
        boolean isEnough =
                output.volts().filter(volts -> fits(volts.range(), supply)).isPresent()
                        && !peak.isAbove(output.rating().range().lowest());
        if (!isEnough) {
            return Optional.empty();
        }
        String id = node.node().freeId(cls.id());
        Part part = Part.of(id, cls.id(), cls.name(), "");
        if (output.from().isPresent()) {
            Supply in = cls.supply(output.from().get()).orElseThrow();
            Optional<Rail> from = inputFor(in, placed, peak.plus(output.own()), isAllowed);
            if (from.isEmpty() || isSteppedUp(from.get(), output)) {
                return Optional.empty();
            }
            part = part.withFeed(in.pin(), from.get().id());
        }
        return Optional.of(new Fix(
                "add-" + cls.id(),
                Fact.of("fix.add_supply").with("part", placed.part().name()).with("class", cls.name()),
                Fact.of("fix.add_supply.cost")
                        .with("rating", output.rating().range().lowest()),
                List.of(
                        new AddPart(node.node().id(), part),
                        new Feed(node.node().id(), placed.id(), supply.pin(), new Endpoint(id, output.pin())))));
    }

    private Optional<Rail> inputFor(Supply in, Placed placed, Current peak, Predicate<Endpoint> isAllowed) {
        return node.rails().stream()
                .filter(rail -> isAllowed.test(rail.id()) && !LoadScrews.isOne(node, rail))
                .filter(rail -> rail.output().contact().isEmpty())
                .filter(rail -> rail.volts().filter(volts -> fits(volts, in)).isPresent())
                .filter(rail -> !node.isMadeFrom(rail.id(), placed.id()))
                .filter(rail -> !peak.isAbove(rail.room()))
                .max(Comparator.comparing(Rail::room));
    }
}
