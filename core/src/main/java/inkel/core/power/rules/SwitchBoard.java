package inkel.core.power.rules;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.Contact;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.TakeOut;
import inkel.core.finding.Fix;
import inkel.core.power.PinLoadReport;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.remedy.AddParts;
import inkel.core.remedy.FeedFixes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A board that lets a load's current go to ground by a plain pin: one of the table that is free, else one that is bought. */
final class SwitchBoard {
    private final PinLoadReport load;
    private final NodeCircuit node;
    private final Placed placed;
    private final String plus;
    private final Rail rail;

    /** @param plus the supply pin that the load has its other end on */
    private SwitchBoard(PinLoadReport load, String plus, Rail rail) {
        this.load = load;
        this.node = load.node();
        this.placed = load.placed();
        this.plus = plus;
        this.rail = rail;
    }

    /**
     * What of a class takes the load to ground.
     *
     * @param sink the pin that does
     * @param by the input that moves it
     * @param supply the one supply pin of such a board
     * @param out where that supply comes out again for the load's other end
     */
    private record Way(Pin sink, String by, Supply supply, String out) {
        static Optional<Way> of(PartClass cls) {
            Optional<Pin> sink = cls.pins().stream()
                    .filter(pin -> pin.can(Ability.Kind.SINK))
                    .filter(pin -> pin.contact()
                            .filter(contact -> !contact.isClosed(false) && contact.at() == Contact.At.HIGH)
                            .isPresent())
                    .findFirst();
            return cls.supplies().size() == 1 && cls.outputs().size() == 1
                    ? sink.map(pin -> new Way(
                            pin,
                            pin.contact().orElseThrow().by(),
                            cls.supplies().get(0),
                            cls.outputs().get(0).pin()))
                    : Optional.empty();
        }
    }

    /** Empty where the load hangs on no rail, or nothing that is made for its volts and current is there. */
    static Optional<Fix> of(PinLoadReport load, Catalog catalog) {
        return load.placed()
                .cls()
                .hangsOn(load.load())
                .flatMap(plus -> load.node().railOf(load.placed(), plus).map(rail -> new SwitchBoard(load, plus, rail)))
                .flatMap(board -> board.there().or(() -> board.bought(catalog)));
    }

    /** A motor takes more while it starts than its winding carries for long. */
    static Current most(PartClass cls, PinLoad load) {
        return cls.supplies().stream()
                .map(supply -> cls.peak(supply.pin()))
                .reduce(load.current().range().highest(), Quantity::larger);
    }

    private Optional<Fix> there() {
        for (Placed owner : node.parts()) {
            Optional<Way> way = Way.of(owner.cls());
            if (way.isPresent() && !owner.isForLater() && carries(owner.cls(), way.get()) && isFree(owner, way.get())) {
                return Optional.of(new Fix(
                        "switch-by-" + owner.id(),
                        Fact.of("fix.switch_by")
                                .with("part", placed.part().name())
                                .with("board", owner.part().name()),
                        Fact.of("fix.switch_board.cost").with("current", most(placed.cls(), load.load())),
                        edits(owner.id(), way.get())));
            }
        }
        return Optional.empty();
    }

    private Optional<Fix> bought(Catalog catalog) {
        return catalog.all().stream()
                .filter(cls -> cls.kind() == Kind.MODULE)
                .flatMap(cls -> Way.of(cls).filter(way -> carries(cls, way)).stream()
                        .map(way -> {
                            List<Edit> edits = new ArrayList<>(AddParts.of(node, cls, 1));
                            edits.addAll(edits(((AddPart) edits.get(0)).part().id(), way));
                            return new Fix(
                                    "switch-board",
                                    Fact.of("fix.switch_board")
                                            .with("part", placed.part().name())
                                            .with("board", cls.name()),
                                    Fact.of("fix.switch_board.cost").with("current", most(placed.cls(), load.load())),
                                    edits);
                        }))
                .findFirst();
    }

    private boolean carries(PartClass cls, Way way) {
        Current most = most(placed.cls(), load.load());
        boolean isSunk = cls.io(way.sink())
                .flatMap(IoFamily::pinCurrent)
                .filter(limit -> !most.isAbove(limit))
                .isPresent();
        boolean isGiven = !most.isAbove(cls.outputs().get(0).rating().range().lowest());
        return isSunk
                && isGiven
                && rail.volts()
                        .filter(volts -> FeedFixes.fits(volts, way.supply()))
                        .isPresent();
    }

    /** Whether nothing hangs on it, and it is fed from nowhere or from where the load is; who moves it stays. */
    private boolean isFree(Placed owner, Way way) {
        Endpoint out = new Endpoint(owner.id(), way.out());
        Endpoint feed = owner.part().feeds().get(way.supply().pin());
        boolean isUsed = isEnd(new Endpoint(owner.id(), way.sink().label()))
                || node.rail(out).stream()
                        .flatMap(passed -> passed.loads().stream())
                        .anyMatch(taker -> !taker.pin().part().equals(placed.id()));
        boolean isFedAlike = feed == null || feed.equals(rail.id());
        return !isUsed && (rail.id().equals(out) || isFedAlike && !node.isMadeFrom(rail.id(), owner.id()));
    }

    private boolean isEnd(Endpoint pin) {
        return node.node().wires().stream().anyMatch(wire -> wire.to().equals(pin));
    }

    /** The load between the board's screws, and the board driven by the pin that drove the load. */
    private List<Edit> edits(String owner, Way way) {
        String id = node.node().id();
        Endpoint out = new Endpoint(owner, way.out());
        Wire was = node.wire(load.signal()).orElseThrow();
        List<Edit> edits = new ArrayList<>();
        node.between(load.signal()).ifPresent(piece -> edits.add(new TakeOut(id, load.signal())));
        if (!rail.id().equals(out)) {
            edits.add(new Feed(id, owner, way.supply().pin(), rail.id()));
            edits.add(new Feed(id, placed.id(), plus, out));
        }
        edits.add(new SetWire(
                id, Wire.placed(load.signal(), new Endpoint(owner, way.sink().label()))));
        Endpoint by = new Endpoint(owner, way.by());
        if (node.wire(by).isEmpty()) {
            edits.add(new SetWire(id, new Wire(by, was.to(), was.held(), was.reason(), was.extras())));
        }
        return edits;
    }
}
