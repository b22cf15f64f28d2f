package inkel.core.pins;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.chocosolver.solver.Model;
import org.chocosolver.solver.constraints.Constraint;
import org.chocosolver.solver.variables.BoolVar;
import org.chocosolver.solver.variables.IntVar;

/**
 * Ribbons: the wires of one part should land side by side, in the order of its pins or in exact reverse. A pair that is not
 * side by side is a gap; a pair that runs against the direction of the part crosses.
 */
final class PinModelRibbons {
    private final PinModel pins;
    private final Model model;
    private final PinDomain domain;

    PinModelRibbons(PinModel pins) {
        this.pins = pins;
        model = pins.model();
        domain = pins.domain();
    }

    void state() {
        Map<String, List<Want>> parts = new LinkedHashMap<>();
        pins.wants().stream().filter(PinModelRibbons::isOfRibbon).forEach(want -> parts.computeIfAbsent(
                        want.placed().id(), id -> new java.util.ArrayList<>())
                .add(want));
        parts.values().stream().filter(wants -> wants.size() > 1).forEach(this::state);
    }

    /** Lines of a bus go where the bus is, and an end of a wire to another board stands for itself. */
    private static boolean isOfRibbon(Want want) {
        return want.use().sharedLine().isEmpty()
                && want.link().isEmpty()
                && want.tie().isEmpty();
    }

    private void state(List<Want> wants) {
        IntVar[] places = wants.stream().map(this::place).toArray(IntVar[]::new);
        if (places.length == 2) {
            IntVar step = step(places, 0);
            besides(model.or(model.arithm(step, "=", 1), model.arithm(step, "=", -1)));
            return;
        }
        BoolVar rises = model.boolVar("ribbon of " + wants.get(0).placed().id());
        pins.addLate(rises);
        for (int i = 0; i + 1 < places.length; i++) {
            IntVar step = step(places, i);
            besides(eachWay(rises, model.arithm(step, "=", 1), model.arithm(step, "=", -1)));
            pins.addCost(
                    pins.price().crossing(),
                    eachWay(rises, model.arithm(step, "<", 0), model.arithm(step, ">", 0))
                            .reify());
        }
    }

    private IntVar step(IntVar[] places, int at) {
        IntVar step = model.intVar("step", -20_000, 20_000, true);
        model.arithm(places[at + 1], "-", places[at], "=", step).post();
        return step;
    }

    private void besides(Constraint isBeside) {
        pins.addCost(pins.price().gap(), isBeside.reify().not());
    }

    private Constraint eachWay(BoolVar rises, Constraint rising, Constraint falling) {
        return model.or(
                model.and(model.arithm(rises, "=", 1), rising), model.and(model.arithm(rises, "=", 0), falling));
    }

    private IntVar place(Want want) {
        int[] of = IntStream.rangeClosed(0, pins.where(want).getUB())
                .map(number -> domain.isPin(number) ? domain.place(number) : 0)
                .toArray();
        IntVar place = model.intVar("place of " + want.signal(), 0, 20_000, true);
        model.element(place, of, pins.where(want)).post();
        return place;
    }
}
