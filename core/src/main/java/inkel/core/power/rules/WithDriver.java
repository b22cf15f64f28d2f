package inkel.core.power.rules;

import inkel.core.catalog.Catalog;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.power.PinLoadReport;
import inkel.core.quantity.Fact;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.Tried;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The same thing on a plate that brings its transistor, in the place of a bare one that asks too much of its pin. */
final class WithDriver {
    private final PinLoadReport load;
    private final Circuit circuit;

    private WithDriver(PinLoadReport load, Circuit circuit) {
        this.load = load;
        this.circuit = circuit;
    }

    /** Empty where the catalogue has none, or no rail of the table suits it. */
    static Optional<Fix> of(PinLoadReport load, Circuit circuit) {
        WithDriver driver = new WithDriver(load, circuit);
        Catalog catalog = circuit.catalog();
        return catalog.all().stream()
                .filter(driver::isTheSame)
                .flatMap(cls -> driver.taken(cls).stream())
                .findFirst();
    }

    private boolean isTheSame(PartClass cls) {
        PartClass bare = load.placed().cls();
        List<Pin> signals = cls.signals().toList();
        return cls.kind() == Kind.MODULE
                && cls.kinds().equals(bare.kinds())
                && cls.handling().does().equals(bare.handling().does())
                && cls.supplies().size() == 1
                && cls.demands().pinLoads().isEmpty()
                && signals.size() == 1
                && bare.pin(load.signal().pin())
                        .filter(pin -> pin.use() == signals.get(0).use())
                        .isPresent();
    }

    private Optional<Fix> taken(PartClass cls) {
        String node = load.node().node().id();
        Placed placed = load.placed();
        Wire wire = load.node().wire(load.signal()).orElseThrow();
        Endpoint signal = new Endpoint(
                placed.id(), cls.signals().findFirst().orElseThrow().label());
        List<Edit> edits = new ArrayList<>(List.of(
                new RemoveWire(node, load.signal()),
                new Exchange(node, placed.id(), cls),
                new SetWire(node, new Wire(signal, wire.to(), wire.held(), wire.reason(), wire.extras()))));
        Fix taken = new Fix(
                "take-" + cls.id(),
                Fact.of("fix.with_driver")
                        .with("class", cls.name())
                        .with("part", placed.part().name()),
                Fact.of("fix.with_driver.cost"),
                edits);
        return Tried.after(taken, circuit)
                .flatMap(after -> after.node(node))
                .flatMap(table -> new FeedFixes(table, circuit.catalog())
                                .of(
                                        table.part(placed.id()).orElseThrow(),
                                        cls.supplies().get(0))
                                .stream()
                                .findFirst())
                .map(fed -> {
                    edits.addAll(fed.edits());
                    return new Fix(taken.id(), taken.title(), taken.cost(), edits);
                });
    }
}
