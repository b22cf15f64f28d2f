package inkel.core.levels.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Ways;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Drive;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.ShifterSides;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.formula.Verdict;
import inkel.core.levels.Link;
import inkel.core.levels.WireSpeed;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.Ties;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Sends a wire through a shifter or a buffer: one that is on the table with a way to spare, or a new one. */
final class WayFixes {
    private final NodeCircuit node;
    private final Circuit circuit;

    WayFixes(NodeCircuit node, Circuit circuit) {
        this.node = node;
        this.circuit = circuit;
    }

    /** Through a part that is there. */
    Optional<Fix> there(Link link) {
        return sharedWay(link).or(() -> spareWay(link));
    }

    /** Through a part to be added: a shifter, or a buffer first where the wire is too quick for what only pulls up. */
    List<Fix> added(Link link) {
        List<Fix> fixes = new ArrayList<>(Stream.of(newShifter(link), newBuffer(link))
                .flatMap(Optional::stream)
                .toList());
        Optional<WireSpeed> speed = WireSpeed.of(node, link.signal().endpoint());
        if (matching(false).noneMatch(cls -> isQuickEnough(cls, speed))) {
            Collections.reverse(fixes);
        }
        return fixes;
    }

    /** The way that another part on the same wire goes through already. */
    private Optional<Fix> sharedWay(Link link) {
        Endpoint signal = link.signal().endpoint();
        Optional<Wire> wire = node.wire(signal);
        return node.node().between().stream()
                .filter(Between.ShifterWay.class::isInstance)
                .map(Between.ShifterWay.class::cast)
                .filter(way -> wire.isPresent()
                        && node.wire(way.signal())
                                .filter(other -> other.to().equals(wire.get().to()))
                                .isPresent())
                .filter(way -> suits(way.shifter(), link))
                .findFirst()
                .map(way -> through(link, way.shifter(), way.way()));
    }

    private Optional<Fix> spareWay(Link link) {
        return node.parts().stream()
                .filter(ShifterSides::isShifter)
                .filter(placed -> suits(placed.id(), link))
                .flatMap(placed -> circuit.spareWay(node, placed).map(way -> through(link, placed.id(), way)).stream())
                .findFirst();
    }

    private boolean suits(String shifter, Link link) {
        Placed placed = node.part(shifter).orElseThrow();
        return Ways.of(placed.cls()).isOneWay() ? buffers(placed, link) : shifts(placed, link);
    }

    /** Whether the rails on the shifter's two sides are those of the two ends, and both ends bear them. */
    private boolean shifts(Placed placed, Link link) {
        List<Voltage> sides = placed.cls().supplies().stream()
                .flatMap(supply -> node.railOf(placed, supply.pin()).stream())
                .flatMap(rail -> rail.volts().stream())
                .map(Range::expected)
                .sorted()
                .toList();
        return bearBothTheirRails(link)
                && isQuickEnough(placed.cls(), link)
                && sides.equals(ends(link).stream()
                        .map(rail -> rail.volts().orElseThrow().expected())
                        .toList());
    }

    /** A clock can be chosen slower; a signal whose speed its part decides needs a way that follows it. */
    private boolean isQuickEnough(PartClass cls, Link link) {
        return isQuickEnough(
                cls, WireSpeed.of(node, link.signal().endpoint()).filter(known -> known.source() == Source.CLASS));
    }

    private static boolean isQuickEnough(PartClass cls, Optional<WireSpeed> speed) {
        return speed.isEmpty()
                || cls.pulls().stream()
                        .noneMatch(pull ->
                                Quantity.exceeds(pull.resistance(), speed.get().mostResistance()));
    }

    private boolean bearBothTheirRails(Link link) {
        return bearsItsOwnRail(link.from()) && bearsItsOwnRail(link.to());
    }

    /** A shifter puts a part's own supply on its pin; one with a lower inner supply does not bear that. */
    private boolean bearsItsOwnRail(Endpoint end) {
        return node.io(end)
                .flatMap(family -> node.ioVolts(end).map(rail -> !rail.highest()
                        .isAbove(family.absoluteMax().at(rail.highest()))))
                .orElse(false);
    }

    private boolean buffers(Placed placed, Link link) {
        Optional<Rail> rail = placed.cls().supplies().stream()
                .flatMap(supply -> node.railOf(placed, supply.pin()).stream())
                .findFirst();
        return rail.filter(fed -> buffers(placed.cls(), fed, link)).isPresent();
    }

    /** Whether the driver is read by the buffer and the buffer by the receiver, both with a margin. */
    private boolean buffers(PartClass cls, Rail rail, Link link) {
        PinUse use = node.pin(link.signal().endpoint()).orElseThrow().use();
        Optional<IoFamily> in = family(cls, PinUse.WAY_IN);
        Optional<IoFamily> out = family(cls, PinUse.WAY_OUT);
        Optional<Range<Voltage>> at = rail.volts();
        if (use.isTwoWay() || isSharedTalk(link) || in.isEmpty() || out.isEmpty() || at.isEmpty()) {
            return false;
        }
        return isFine(link.from(), in.get(), at.get(), rail) && isFine(out.get(), at.get(), rail, link.to());
    }

    /** A buffer never lets go, so that several parts cannot talk on one wire through it. */
    private boolean isSharedTalk(Link link) {
        return node.pin(link.signal().endpoint()).orElseThrow().use() == PinUse.SPI_MISO
                && node.wire(link.signal().endpoint())
                        .map(wire ->
                                node.nets().getOrDefault(wire.to(), List.of()).size() > 1)
                        .orElse(false);
    }

    private static Optional<IoFamily> family(PartClass cls, PinUse use) {
        return cls.pins().stream().filter(pin -> pin.use() == use).findFirst().flatMap(cls::io);
    }

    private boolean isFine(Endpoint driver, IoFamily hears, Range<Voltage> at, Rail rail) {
        return node.io(driver)
                .flatMap(says ->
                        node.ioVolts(driver).flatMap(volts -> Drive.check(says, volts, hears, at, isOn(driver, rail))))
                .filter(check -> check.verdict() == Verdict.FINE)
                .isPresent();
    }

    private boolean isFine(IoFamily says, Range<Voltage> at, Rail rail, Endpoint receiver) {
        return node.io(receiver)
                .flatMap(hears -> node.ioVolts(receiver)
                        .flatMap(volts -> Drive.check(says, at, hears, volts, isOn(receiver, rail))))
                .filter(check -> check.verdict() == Verdict.FINE)
                .isPresent();
    }

    private boolean isOn(Endpoint end, Rail rail) {
        return node.ioRail(end).map(Rail::id).filter(rail.id()::equals).isPresent();
    }

    /** The rails of both ends, lower first; empty where an end is not fed. */
    private List<Rail> ends(Link link) {
        return Stream.of(link.from(), link.to())
                .flatMap(end -> node.ioRail(end).stream())
                .filter(rail -> rail.volts().isPresent())
                .sorted(Comparator.comparing(rail -> rail.volts().orElseThrow().expected()))
                .toList();
    }

    private Fix through(Link link, String shifter, int way) {
        return new Fix(
                "shift-" + shifter + "-" + way,
                Fact.of("fix.shift")
                        .with("signal", link.signal().pin())
                        .with("way", way)
                        .with("shifter", node.part(shifter).orElseThrow().part().name()),
                Fact.of("fix.shift.cost"),
                List.of(new Insert(
                        node.node().id(),
                        new Between.ShifterWay(link.signal().endpoint(), shifter, way, Extras.NONE))));
    }

    private Fix throughNew(String kind, Link link, PartClass cls, Part part) {
        List<Edit> edits = new ArrayList<>();
        edits.add(new AddPart(node.node().id(), part));
        Placed placed = new Placed(part, cls);
        cls.signals().forEach(pin -> Ties.of(node, placed, pin)
                .ifPresent(to -> edits.add(new SetWire(node.node().id(), Wire.placed(placed.endpoint(pin), to)))));
        edits.add(new Insert(
                node.node().id(), new Between.ShifterWay(link.signal().endpoint(), part.id(), 1, Extras.NONE)));
        String key = "fix." + kind.replace('-', '_');
        return new Fix(
                kind,
                Fact.of(key).with("signal", link.signal().pin()),
                Fact.of(key + ".cost")
                        .with("part", cls.name())
                        .with("wires", wiresMore(cls, edits))
                        .with("spare", Ways.of(cls).count() - 1),
                edits);
    }

    /** Its supplies and its ground, what is tied, and the signal's wire, which is two then. */
    static int wiresMore(PartClass cls, List<Edit> edits) {
        int tied = (int) edits.stream().filter(SetWire.class::isInstance).count();
        return cls.supplies().size() + 1 + tied + 1;
    }

    private Optional<Fix> newShifter(Link link) {
        List<Rail> ends = ends(link);
        if (ends.size() != 2 || ends.get(0).id().equals(ends.get(1).id()) || !bearBothTheirRails(link)) {
            return Optional.empty();
        }
        return matching(false)
                .filter(cls -> isQuickEnough(cls, link))
                .flatMap(cls -> fed(cls, ends).map(part -> throughNew("shift-new", link, cls, part)).stream())
                .findFirst();
    }

    /** Fed like the one that listens, so that what it says is what that one hears best. */
    private Optional<Fix> newBuffer(Link link) {
        Optional<Rail> rail = node.ioRail(link.to()).filter(fed -> fed.volts().isPresent());
        return rail.flatMap(fed -> matching(true)
                .filter(cls -> cls.supplies().size() == 1
                        && FeedFixes.fits(
                                fed.volts().orElseThrow(), cls.supplies().get(0)))
                .filter(cls -> buffers(cls, fed, link))
                .findFirst()
                .map(cls -> throughNew(
                        "buffer-new",
                        link,
                        cls,
                        part("buffer", cls, Map.of(cls.supplies().get(0).pin(), fed.id())))));
    }

    private Stream<PartClass> matching(boolean isOneWay) {
        return circuit.catalog().all().stream()
                .filter(cls -> !Ways.of(cls).isEmpty() && Ways.of(cls).isOneWay() == isOneWay);
    }

    private Part part(String idStem, PartClass cls, Map<String, Endpoint> feeds) {
        return Part.of(node.node().freeId(idStem), cls.id(), cls.name(), "").withFeeds(feeds);
    }

    private Optional<Part> fed(PartClass cls, List<Rail> ends) {
        return ShifterFeeds.of(cls, ends.get(0), ends.get(1)).map(feeds -> part("shifter", cls, feeds));
    }
}
