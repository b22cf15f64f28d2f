package inkel.core.power.rules;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetFigure;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.TakeOut;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Fix;
import inkel.core.power.PinLoadReport;
import inkel.core.quantity.Current;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Quantity;
import inkel.core.remedy.FeedFixes;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A board that switches a load by a plain pin, in the place of a winding that a small transistor does not carry. */
final class SwitchBoard {
    /** As boards with a load of their own are called in the catalogue. */
    private static final String LOAD = "load";

    /** The mode in which the load takes what it takes. */
    private static final String ON = "active";

    private SwitchBoard() {}

    /** Empty where the winding hangs on no rail, or nothing that is made for its volts and current is there. */
    static Optional<Fix> of(PinLoadReport load, Catalog catalog) {
        NodeCircuit node = load.node();
        Placed coil = load.placed();
        return coil.cls().supplies().stream()
                .flatMap(supply -> node.railOf(coil, supply.pin()).stream())
                .findFirst()
                .flatMap(rail -> catalog.all().stream()
                        .filter(cls -> cls.kind() == Kind.MODULE && cls.kinds().contains(LOAD))
                        .filter(cls -> carries(cls, rail, most(load)))
                        .findFirst()
                        .map(cls -> instead(load, rail, cls, most(load))));
    }

    private static Current most(PinLoadReport load) {
        return most(load.placed().cls(), load.load());
    }

    /** A motor takes more while it starts than its winding carries for long. */
    static Current most(PartClass cls, PinLoad load) {
        return cls.supplies().stream()
                .map(supply -> cls.peak(supply.pin()))
                .reduce(load.current().range().highest(), Quantity::larger);
    }

    private static boolean carries(PartClass cls, Rail rail, Current most) {
        return cls.supplies().size() == 1
                && input(cls).isPresent()
                && rail.volts()
                        .filter(volts -> FeedFixes.fits(volts, cls.supplies().get(0)))
                        .isPresent()
                && cls.modes().stream()
                        .filter(mode -> mode.name().equals(ON))
                        .noneMatch(mode -> most.isAbove(mode.current().range().highest()));
    }

    private static Optional<Pin> input(PartClass cls) {
        List<Pin> signals = cls.signals().toList();
        return Optional.of(signals)
                .filter(all -> all.size() == 1 && all.get(0).use() == PinUse.INPUT)
                .map(all -> all.get(0));
    }

    /** Fed and driven as the winding was, with its current as that of what hangs on its screws. */
    private static Fix instead(PinLoadReport load, Rail rail, PartClass cls, Current most) {
        String node = load.node().node().id();
        String id = load.placed().id();
        Supply supply = cls.supplies().get(0);
        List<Edit> edits = new ArrayList<>();
        load.node().between(load.signal()).ifPresent(piece -> edits.add(new TakeOut(node, load.signal())));
        edits.add(new RemoveWire(node, load.signal()));
        for (Map.Entry<String, Endpoint> feed : load.placed().part().feeds().entrySet()) {
            if (!feed.getKey().equals(supply.pin())) {
                edits.add(new Unfeed(node, id, feed.getKey()));
            }
        }
        edits.add(new Exchange(node, id, cls));
        edits.add(new Feed(node, id, supply.pin(), rail.id()));
        edits.add(new SetFigure(node, id, "current/" + supply.pin() + "/" + ON, most.toString()));
        Wire was = load.node().wire(load.signal()).orElseThrow();
        Endpoint signal = new Endpoint(id, input(cls).orElseThrow().label());
        edits.add(new SetWire(node, new Wire(signal, was.to(), was.held(), was.reason(), was.extras())));
        return new Fix(
                "switch-board",
                Fact.of("fix.switch_board")
                        .with("part", load.placed().part().name())
                        .with("board", cls.name()),
                Fact.of("fix.switch_board.cost").with("current", most),
                edits);
    }
}
