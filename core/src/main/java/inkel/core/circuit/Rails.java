package inkel.core.circuit;

import inkel.core.build.Endpoint;
import inkel.core.catalog.Output;
import inkel.core.catalog.Supply;
import inkel.core.quantity.Current;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Range;
import inkel.core.quantity.Share;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Works out every rail of a node: voltages downward from the sources, currents upward from the loads. A linear
 * regulator takes in what it gives out and what it takes itself: {@code I_in = I_out + I_q}.
 */
final class Rails {
    private final Collection<Placed> parts;
    private final Map<Endpoint, Output> outputs = new LinkedHashMap<>();
    private final Map<Endpoint, Rail> rails = new LinkedHashMap<>();
    private final Set<Endpoint> onTheWay = new HashSet<>();

    private Rails(Collection<Placed> parts) {
        this.parts = parts;
        for (Placed placed : parts) {
            for (Output output : placed.cls().outputs()) {
                outputs.put(new Endpoint(placed.id(), output.pin()), output);
            }
        }
    }

    static Map<Endpoint, Rail> of(Collection<Placed> parts) {
        Rails work = new Rails(parts);
        work.outputs.keySet().forEach(work::rail);
        Map<Endpoint, Rail> inOrder = new LinkedHashMap<>();
        work.outputs.keySet().forEach(id -> inOrder.put(id, work.rails.get(id)));
        return inOrder;
    }

    private Rail rail(Endpoint id) {
        Rail known = rails.get(id);
        if (known != null) {
            return known;
        }
        Output output = outputs.get(id);
        if (!onTheWay.add(id)) {
            // Two rails that feed each other: nothing comes from outside, so neither has a voltage or a load.
            return new Rail(
                    id,
                    output,
                    Optional.empty(),
                    output.rating().range().lowest(),
                    Current.ZERO,
                    Current.ZERO,
                    List.of());
        }
        List<Rail.Load> loads = new ArrayList<>();
        for (Placed placed : parts) {
            for (Supply supply : placed.cls().supplies()) {
                if (id.equals(placed.part().feeds().get(supply.pin()))) {
                    loads.add(load(placed, supply));
                }
            }
        }
        Rail rail = new Rail(
                id,
                output,
                volts(id, outputs.size()),
                output.rating().range().lowest(),
                loads.stream().map(Rail.Load::average).reduce(Current.ZERO, Current::plus),
                loads.stream().map(Rail.Load::peak).reduce(Current.ZERO, Current::plus),
                loads);
        rails.put(id, rail);
        onTheWay.remove(id);
        return rail;
    }

    private Rail.Load load(Placed placed, Supply supply) {
        Current average = placed.cls().average(supply.pin());
        Current peak = placed.cls().peak(supply.pin());
        for (Output output : placed.cls().outputs()) {
            if (output.from().filter(supply.pin()::equals).isPresent()) {
                Rail made = rail(new Endpoint(placed.id(), output.pin()));
                average = average.plus(intake(placed, supply, made, made.average()))
                        .plus(output.own());
                peak = peak.plus(intake(placed, supply, made, made.peak())).plus(output.own());
            }
        }
        return new Rail.Load(new Endpoint(placed.id(), supply.pin()), average, peak);
    }

    /**
     * What goes in for what comes out. A switching regulator: {@code I_in = V_out·I_out/(η·V_in)}, at the highest
     * output and the lowest input; without both voltages, or the efficiency, as a linear one.
     */
    private Current intake(Placed placed, Supply supply, Rail made, Current out) {
        Optional<Share> efficiency = made.output().regulator().efficiency();
        Optional<Range<Voltage>> in = Optional.ofNullable(placed.part().feeds().get(supply.pin()))
                .flatMap(feed -> volts(feed, outputs.size()));
        boolean isSwitching = made.output().way() == Output.Way.SWITCHING;
        if (!isSwitching || efficiency.isEmpty() || in.isEmpty() || made.volts().isEmpty()) {
            return out;
        }
        double lowestIn = in.get().lowest().volts();
        if (lowestIn <= 0) {
            return out;
        }
        double ratio = made.volts().get().highest().volts() / (efficiency.get().ratio() * lowestIn);
        return out.times(ratio);
    }

    /** Follows the feeds up to a source; empty when there is none, or when the feeds run in a circle. */
    private Optional<Range<Voltage>> volts(Endpoint id, int stepsLeft) {
        Output output = outputs.get(id);
        if (output == null || stepsLeft == 0) {
            return Optional.empty();
        }
        Placed owner = parts.stream()
                .filter(placed -> placed.id().equals(id.part()))
                .findFirst()
                .orElseThrow();
        if (output.way() == Output.Way.SOURCE) {
            Optional<Range<Voltage>> chosen = owner.part()
                    .setting("volts")
                    .flatMap(text -> Engineering.parse(text, Unit.VOLT))
                    .map(volts -> Range.exactly(Voltage.ofVolts(volts)));
            return chosen.or(() -> output.volts().map(figure -> figure.range()));
        }
        Optional<Range<Voltage>> in =
                output.from().map(owner.part().feeds()::get).flatMap(feed -> volts(feed, stepsLeft - 1));
        return output.way() == Output.Way.PASS
                ? in
                : in.flatMap(fed -> output.volts().map(figure -> figure.range()));
    }
}
