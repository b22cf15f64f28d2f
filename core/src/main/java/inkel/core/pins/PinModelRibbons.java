package inkel.core.pins;

import inkel.core.catalog.Settings;
import inkel.core.catalog.Settings.Ribbon;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    /** How much dearer it is to go against what the builder wishes: more than moving wires, less than any warning. */
    private static final int WISH = 10;

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
        Optional<Ribbon> wish = wants.get(0).placed().own(Settings.RIBBON);
        int gap = pins.price().gap() * (wish.isPresent() ? WISH : 1);
        boolean isOrdered = wish.filter(Ribbon.TOGETHER::equals).isEmpty();
        if (wish.isPresent() && isOrdered) {
            inOrder(places, wish.get() == Ribbon.STRAIGHT, gap);
        } else if (places.length == 2 || !isOrdered) {
            for (int i = 0; i + 1 < places.length; i++) {
                IntVar step = step(places, i);
                besides(gap, model.or(model.arithm(step, "=", 1), model.arithm(step, "=", -1)));
            }
        } else {
            eitherOrder(wants.get(0), places, gap);
        }
    }

    private void inOrder(IntVar[] places, boolean isStraight, int gap) {
        for (int i = 0; i + 1 < places.length; i++) {
            IntVar step = step(places, i);
            besides(gap, model.arithm(step, "=", isStraight ? 1 : -1));
            pins.addCost(
                    pins.price().crossing() * WISH,
                    model.arithm(step, isStraight ? "<" : ">", 0).reify());
        }
    }

    private void eitherOrder(Want first, IntVar[] places, int gap) {
        BoolVar rises = model.boolVar("ribbon of " + first.placed().id());
        pins.addLate(rises);
        for (int i = 0; i + 1 < places.length; i++) {
            IntVar step = step(places, i);
            besides(gap, eachWay(rises, model.arithm(step, "=", 1), model.arithm(step, "=", -1)));
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

    private void besides(int gap, Constraint isBeside) {
        pins.addCost(gap, isBeside.reify().not());
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
