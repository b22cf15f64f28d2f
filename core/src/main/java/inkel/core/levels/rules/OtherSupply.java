package inkel.core.levels.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.edit.Feed;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import inkel.core.remedy.FeedFixes;
import inkel.core.remedy.RailNames;
import inkel.core.remedy.Room;
import java.util.List;
import java.util.Optional;

/** Feeds a module with what the other end of its wire hangs on. */
final class OtherSupply {
    private final NodeCircuit node;

    OtherSupply(NodeCircuit node) {
        this.node = node;
    }

    /** Running the module from the rail of the other end, where its supply range allows that. */
    Optional<Fix> of(Place signal, Endpoint far) {
        Placed module = node.part(signal.part()).orElseThrow();
        Optional<IoFamily> family = node.io(signal.endpoint());
        Optional<Rail> rail = node.ioRail(far);
        if (family.isEmpty() || rail.isEmpty() || rail.get().volts().isEmpty()) {
            return Optional.empty();
        }
        Optional<Supply> supply = module.cls().supply(family.get().supply());
        Optional<Endpoint> now = node.railOf(module, family.get().supply()).map(Rail::id);
        boolean isOther = now.filter(rail.get().id()::equals).isEmpty();
        return supply.filter(pin -> !pin.isMeasured()
                        && isOther
                        && Room.isFor(node, rail.get(), module.cls().peak(pin.pin()), now)
                        && FeedFixes.fits(rail.get().volts().orElseThrow(), pin))
                .map(pin -> new Fix(
                        "run-at-other-supply",
                        Fact.of("fix.run_at")
                                .with("part", module.part().name())
                                .with("rail", RailNames.of(node, rail.get().id())),
                        Fact.of("fix.run_at.cost"),
                        List.of(new Feed(
                                node.node().id(),
                                module.id(),
                                pin.pin(),
                                rail.get().id()))));
    }
}
