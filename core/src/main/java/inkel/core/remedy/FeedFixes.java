package inkel.core.remedy;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.Regulator;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Made;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.Unfed;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Fix;
import inkel.core.formula.RegulatorHeat;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Quantity;
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

    /** What comes with a plug, which no wire reaches. */
    static final String PLUGGED = "usb";

    private final NodeCircuit node;
    private final Catalog catalog;

    public FeedFixes(NodeCircuit node, Catalog catalog) {
        this.node = node;
        this.catalog = catalog;
    }

    /**
     * Ways to feed a pin with a voltage it bears and a rail that has room for it: rails that are there first, in their
     * {@link RailOrder}; then what must be bought, what gives just what the part usually has first, and of these what does it
     * without strain.
     */
    public List<Fix> of(Placed placed, Supply supply) {
        return of(placed, supply, Voltage.ZERO, rail -> true);
    }

    /** The voltage of a rail, or what it will be once what it waits for is fed; empty where nobody is asked to feed that. */
    static Optional<Range<Voltage>> volts(NodeCircuit node, Rail rail) {
        return rail.volts().or(() -> rail.nominal()
                .filter(volts -> Unfed.above(node, rail.id()).isPresent()));
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
        Current peak = peakOf(placed, asked);
        return all(placed, asked, peak, Quantity.larger(peak, bought), least, isAllowed)
                .limit(MOST)
                .toList();
    }

    /**
     * @param peak what a rail that is there has left
     * @param bought at least the peak
     */
    Stream<Fix> all(
            Placed placed, Supply asked, Current peak, Current bought, Voltage least, Predicate<Endpoint> isAllowed) {
        Supply supply = Behind.of(node, placed, asked);
        Optional<Endpoint> now = Optional.ofNullable(placed.part().feeds().get(supply.pin()));
        if (supply.isMeasured() && now.isPresent()) {
            return Stream.empty();
        }
        boolean isRoaming = isRoaming();
        List<Fix> fixes = new ArrayList<>(onTable(placed, supply, peak, least, isAllowed));
        catalog.all().stream()
                .filter(cls -> cls.outputs().stream()
                        .flatMap(output -> output.volts().stream())
                        .noneMatch(volts -> volts.range().lowest().isBelow(least)))
                .sorted(Comparator.<PartClass, Boolean>comparing(cls -> isRoaming && isFixed(cls))
                        .thenComparing(cls -> !isUsual(cls, supply))
                        .thenComparing(cls -> isStrained(cls, peak))
                        .thenComparing(FeedFixes::isOfABench))
                .flatMap(cls -> added(placed, supply, cls, bought, isAllowed).stream())
                .forEach(fixes::add);
        boolean isOfSignals = placed.cls().signals().findAny().isPresent() && !RailOrder.isLedOn(placed.cls(), supply);
        return fixes.stream().sorted(Comparator.comparing(fix -> isOfSignals && isForeign(fix)));
    }

    /**
     * Rails that are there, best first.
     *
     * @param supply with what hangs behind the pin, as {@link Behind} has it
     */
    private List<Fix> onTable(
            Placed placed, Supply supply, Current peak, Voltage least, Predicate<Endpoint> isAllowed) {
        Optional<Endpoint> now = Optional.ofNullable(placed.part().feeds().get(supply.pin()));
        return suiting(placed, supply, least, isAllowed)
                .filter(rail -> Room.isFor(node, rail, peak, now))
                .map(rail -> feedFrom(placed, supply, rail))
                .toList();
    }

    /** Rails that are there and have the volts, however much of their current is left; best first. */
    Stream<Rail> suiting(Placed placed, Supply supply, Voltage least, Predicate<Endpoint> isAllowed) {
        return suiting(
                placed,
                supply,
                isAllowed,
                volts -> fits(volts, supply) && !volts.lowest().isBelow(least));
    }

    /** The same, and rails that usually have them, and fall below only when a cell is nearly empty. */
    Stream<Rail> usuallySuiting(Placed placed, Supply supply, Predicate<Endpoint> isAllowed) {
        Voltage most = supply.range().range().highest();
        return suiting(
                placed,
                supply,
                isAllowed,
                volts -> fits(volts.usual(), supply) && !volts.highest().isAbove(most));
    }

    /** Rails that are there and only usually have the volts, with the current for a peak. */
    List<Fix> usually(Placed placed, Supply supply, Current peak, Predicate<Endpoint> isAllowed) {
        return usuallySuiting(placed, supply, isAllowed)
                .filter(rail ->
                        volts(node, rail).filter(volts -> fits(volts, supply)).isEmpty())
                .filter(rail -> Room.isFor(node, rail, peak, Optional.empty()))
                .map(rail -> feedFrom(placed, supply, rail))
                .toList();
    }

    /** Rails that are there and usually have the volts, asked for too much as they are, for a load that is nothing beside that. */
    List<Fix> besides(Placed placed, Supply supply, Current peak, Predicate<Endpoint> isAllowed) {
        return usuallySuiting(placed, supply, isAllowed)
                .filter(rail -> Room.isBesides(node, rail, peak))
                .map(rail -> {
                    Fix fed = feedFrom(placed, supply, rail);
                    return new Fix(fed.id(), fed.title(), Fact.of("fix.feed_besides.cost"), fed.edits());
                })
                .toList();
    }

    private Stream<Rail> suiting(
            Placed placed, Supply supply, Predicate<Endpoint> isAllowed, Predicate<Range<Voltage>> isFit) {
        Optional<Endpoint> now = Optional.ofNullable(placed.part().feeds().get(supply.pin()));
        boolean isPlug = placed.cls().pin(supply.pin()).filter(Pin::isSocket).isPresent();
        return node.rails().stream()
                .filter(rail -> !now.filter(rail.id()::equals).isPresent())
                .filter(rail ->
                        isAllowed.test(rail.id()) && (isPlug ? rail.isSource() : !RailOrder.isPassedOn(node, rail)))
                .filter(rail -> rail.output().contact().isEmpty() && maySupply(node, rail, supply))
                .filter(rail -> LoadScrews.mayFeed(node, rail, placed.cls()))
                .filter(rail -> !node.isMadeFrom(rail.id(), placed.id()))
                .filter(rail -> volts(node, rail).filter(isFit).isPresent())
                .sorted(RailOrder.of(node, placed.cls(), supply));
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

    /** Whether a table goes about: all that feeds it is a battery. */
    boolean isRoaming() {
        List<Rail> sources = node.rails().stream().filter(Rail::isSource).toList();
        return !sources.isEmpty()
                && sources.stream().allMatch(rail -> rail.output().battery().isPresent());
    }

    /** Whether a class is a source that hangs on the mains. */
    static boolean isFixed(PartClass cls) {
        return cls.outputs().stream()
                .anyMatch(output ->
                        output.way() == Output.Way.SOURCE && output.battery().isEmpty());
    }

    /** Whether a way out brings something to the table. */
    static boolean isBought(Fix fix) {
        return fix.edits().stream().anyMatch(AddPart.class::isInstance);
    }

    /** Whether a way out adds a source that hangs on the mains. */
    boolean isOnMains(Fix fix) {
        return isAdding(fix, FeedFixes::isFixed);
    }

    /** Whether a way out adds a source. */
    boolean isSource(Fix fix) {
        return isAdding(fix, cls -> cls.outputs().stream().anyMatch(output -> output.way() == Output.Way.SOURCE));
    }

    private boolean isAdding(Fix fix, Predicate<PartClass> isMeant) {
        return fix.edits().stream()
                .anyMatch(edit -> edit instanceof AddPart add
                        && catalog.find(add.part().classId()).filter(isMeant).isPresent());
    }

    /** Set by hand each time: good on a bench, nothing that a finished table keeps. */
    private static boolean isOfABench(PartClass cls) {
        return cls.outputs().stream().anyMatch(Output::isLimitSet);
    }

    private static boolean isStrained(PartClass cls, Current peak) {
        return cls.outputs().stream()
                .anyMatch(
                        output -> peak.isAbove(output.rating().range().lowest().times(Rail.AVERAGE_SHARE.ratio())));
    }

    /** Nobody steps up what a regulator has stepped down; a cell may be. */
    private boolean isSteppedUp(Rail from, Output to) {
        boolean isHigher = from.volts()
                .flatMap(in -> to.volts().map(out -> out.range().expected().isAbove(in.expected())))
                .orElse(false);
        return isHigher && !node.isOfCell(from.id());
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

    Current peakOf(Placed placed, Supply supply) {
        return loadOf(new Endpoint(placed.id(), supply.pin()))
                .map(Rail.Load::peak)
                .orElseGet(() -> placed.cls().peak(supply.pin()));
    }

    private Fix feedFrom(Placed placed, Supply supply, Rail rail) {
        Optional<Endpoint> now = Optional.ofNullable(placed.part().feeds().get(supply.pin()));
        Fact title = placed.cls().supplies().size() == 1
                ? Fact.of("fix.feed")
                : Fact.of("fix.feed_pin").with("pin", supply.pin());
        return new Fix(
                "feed-" + supply.pin() + "-from-" + rail.id(),
                title.with("part", placed.part().name()).with("rail", railName(rail.id())),
                Fact.of("fix.feed.cost").with("room", Room.left(node, rail, peakOf(placed, supply), now)),
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
        boolean isSocket = placed.cls().pin(supply.pin()).filter(Pin::isSocket).isPresent();
        if (isSocket
                ? output.from().isPresent()
                : cls.kinds().contains(PLUGGED) && !placed.part().isBoard()) {
            return Optional.empty();
        }
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
            Optional<Rail> from = inputFor(in, placed, supply, output, peak, isAllowed);
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

    private Optional<Rail> inputFor(
            Supply in, Placed placed, Supply supply, Output output, Current peak, Predicate<Endpoint> isAllowed) {
        return node.rails().stream()
                // What goes about has one pack, and a regulator of their own keeps its motors apart.
                .filter(rail -> isAllowed.test(rail.id()) || isRoaming() && rail.isSource())
                .filter(rail -> !LoadScrews.isOne(node, rail))
                .filter(rail -> rail.output().contact().isEmpty() && !RailOrder.isPassedOn(node, rail))
                .filter(rail -> rail.volts().filter(volts -> fits(volts, in)).isPresent())
                .filter(rail -> !node.isMadeFrom(rail.id(), placed.id()))
                .filter(rail -> !drawn(rail, output, peak).isAbove(rail.room()))
                .filter(rail -> !isTooHot(placed, supply, rail, output))
                .max(Comparator.comparing(Rail::room));
    }

    /** Whether a linear one would turn more into heat, on average, than it can shed. */
    private boolean isTooHot(Placed placed, Supply supply, Rail from, Output output) {
        Regulator regulator = output.regulator();
        if (output.way() != Output.Way.LINEAR
                || output.volts().isEmpty()
                || regulator.thetaCelsiusPerWatt().isEmpty()
                || regulator.junctionMax().isEmpty()) {
            return false;
        }
        Endpoint pin = new Endpoint(placed.id(), supply.pin());
        Current average =
                loadOf(pin).map(Rail.Load::average).orElseGet(() -> placed.cls().average(supply.pin()));
        return average.isAbove(RegulatorHeat.mostLinear(
                from.volts().orElseThrow().highest(),
                output.volts().get().range().lowest(),
                output.own(),
                node.ambient(),
                regulator.thetaCelsiusPerWatt().getAsDouble(),
                regulator.junctionMax().get()));
    }

    private Optional<Rail.Load> loadOf(Endpoint pin) {
        return node.rails().stream()
                .flatMap(rail -> rail.loads().stream())
                .filter(load -> load.pin().equals(pin))
                .findFirst();
    }

    /** What goes into a regulator for a current that comes out. */
    private static Current drawn(Rail from, Output output, Current peak) {
        return peak.times(Made.ratio(output, from.volts(), output.volts().map(Figure::range)))
                .plus(output.own());
    }
}
