package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.circuit.Placed;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.chocosolver.solver.variables.IntVar;

/** Windings: both leads of one are on one bridge. */
final class PinModelBridges {
    private final PinModel pins;
    private final PinDomain domain;

    PinModelBridges(PinModel pins) {
        this.pins = pins;
        domain = pins.domain();
    }

    void state() {
        List<String> units = domain.units(Ability.Kind.DRIVE);
        if (units.isEmpty()) {
            return;
        }
        int[] bridgeOf = domain.unitOf(Ability.Kind.DRIVE, units);
        for (Placed placed : domain.node().parts()) {
            for (Leads.Winding winding : Leads.windings(placed.cls())) {
                Optional<Want> one = want(placed, winding.one().label());
                Optional<Want> other = want(placed, winding.other().label());
                if (one.isPresent() && other.isPresent()) {
                    pins.model()
                            .arithm(bridge(one.get(), bridgeOf), "=", bridge(other.get(), bridgeOf))
                            .post();
                }
            }
        }
    }

    private Optional<Want> want(Placed placed, String label) {
        return pins.wants().stream()
                .filter(want -> want.link().isEmpty() && want.placed().equals(placed))
                .filter(want -> want.pin().label().equals(label))
                .findFirst();
    }

    private IntVar bridge(Want want, int[] bridgeOf) {
        IntVar where = pins.where(want);
        IntVar bridge = pins.model().intVar("bridge of " + want.signal(), -1, bridgeOf.length);
        int[] longer = IntStream.rangeClosed(0, where.getUB())
                .map(number -> number < bridgeOf.length ? bridgeOf[number] : -1)
                .toArray();
        pins.model().element(bridge, longer, where).post();
        return bridge;
    }
}
