package inkel.core.circuit;

import inkel.core.build.Endpoint;
import inkel.core.build.Moment;
import inkel.core.catalog.Output;
import inkel.core.catalog.Regulator;
import inkel.core.catalog.Supply;
import inkel.core.quantity.Current;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Range;
import inkel.core.quantity.Share;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;

/**
 * Works out every rail of a node: voltages downward from the sources, currents upward from the loads. A linear
 * regulator takes in what it gives out and what it takes itself: {@code I_in = I_out + I_q}; a switching one
 * {@code I_in = V_out·I_out/(η·V_in)} at the highest output and the lowest input.
 */
final class Rails {
    private final Map<String, Placed> parts = new LinkedHashMap<>();
    private final Loads loads;
    private final Round round;
    private final Map<Endpoint, Output> outputs = new LinkedHashMap<>();
    private final Map<Endpoint, List<Pin>> pins = new HashMap<>();
    private final Map<Endpoint, Optional<Range<Voltage>>> volts = new HashMap<>();

    /** A supply pin of a part, with the rails that are made from it. */
    private record Pin(Endpoint id, Placed placed, Supply supply, List<Made> made, Draw draw) {}

    /**
     * What a pin takes, worked out once: without moments, and what each moment raises it to.
     *
     * @param rest what it takes while none of its moments is on
     */
    private record Draw(double rest, Map<String, Double> raised) {
        double during(Set<String> on) {
            double amperes = rest;
            for (Map.Entry<String, Double> entry : raised.entrySet()) {
                if (entry.getValue() > amperes && on.contains(entry.getKey())) {
                    amperes = entry.getValue();
                }
            }
            return amperes;
        }
    }

    /** What flows in every rail, and through every supply pin, at one time. */
    record Flow(Map<Endpoint, Double> rails, Map<Endpoint, Double> pins) {}

    Rails(Collection<Placed> all, List<Moment> moments) {
        loads = new Loads(moments);
        round = new Round(moments);
        for (Placed placed : all) {
            parts.put(placed.id(), placed);
            for (Output output : placed.cls().outputs()) {
                outputs.put(new Endpoint(placed.id(), output.pin()), output);
            }
        }
        for (Placed placed : all) {
            for (Supply supply : placed.cls().supplies()) {
                Endpoint rail = placed.part().feeds().get(supply.pin());
                if (rail != null) {
                    pins.computeIfAbsent(rail, id -> new ArrayList<>())
                            .add(new Pin(
                                    new Endpoint(placed.id(), supply.pin()),
                                    placed,
                                    supply,
                                    made(placed, supply, rail),
                                    draw(placed, supply)));
                }
            }
        }
    }

    private Draw draw(Placed placed, Supply supply) {
        Map<String, Double> raised = new HashMap<>();
        for (Moment moment : loads.of(placed)) {
            raised.put(
                    moment.id(),
                    loads.during(placed, supply, Set.of(moment.id())).amperes());
        }
        return new Draw(loads.during(placed, supply, Set.of()).amperes(), raised);
    }

    private List<Made> made(Placed placed, Supply supply, Endpoint feed) {
        List<Made> made = new ArrayList<>();
        for (Output output : placed.cls().outputs()) {
            if (output.from().filter(supply.pin()::equals).isPresent()) {
                Endpoint rail = new Endpoint(placed.id(), output.pin());
                made.add(new Made(rail, ratio(output, rail, feed), output.own().amperes()));
            }
        }
        return made;
    }

    /** Without both voltages, or the efficiency, a switching regulator is reckoned as a linear one. */
    private double ratio(Output output, Endpoint rail, Endpoint feed) {
        Optional<Share> efficiency = output.regulator().efficiency();
        Optional<Range<Voltage>> in = volts(feed);
        Optional<Range<Voltage>> out = volts(rail);
        boolean isSwitching = output.way() == Output.Way.SWITCHING;
        if (!isSwitching || efficiency.isEmpty() || in.isEmpty() || out.isEmpty()) {
            return 1;
        }
        double lowestIn = in.get().lowest().volts();
        return lowestIn <= 0
                ? 1
                : out.get().highest().volts() / (efficiency.get().ratio() * lowestIn);
    }

    List<Made> made(Endpoint supplyPin) {
        return pins.values().stream()
                .flatMap(List::stream)
                .filter(pin -> pin.id().equals(supplyPin))
                .findFirst()
                .map(Pin::made)
                .orElse(List.of());
    }

    Loads loads() {
        return loads;
    }

    Round round() {
        return round;
    }

    /** What flows when each supply pin takes what the function says, and passes on what its rails give. */
    Flow flow(BiFunction<Placed, Supply, Current> draw) {
        return flowOf(pin -> draw.apply(pin.placed(), pin.supply()).amperes());
    }

    private Flow flowOf(ToDoubleFunction<Pin> draw) {
        Flow flow = new Flow(new LinkedHashMap<>(), new HashMap<>());
        outputs.keySet().forEach(id -> amperes(id, draw, flow, new HashSet<>()));
        return flow;
    }

    private double amperes(Endpoint rail, ToDoubleFunction<Pin> draw, Flow flow, Set<Endpoint> onTheWay) {
        Double known = flow.rails().get(rail);
        if (known != null) {
            return known;
        }
        if (!onTheWay.add(rail)) {
            // Two rails that feed each other: nothing comes from outside, so neither has a load.
            return 0;
        }
        double sum = 0;
        for (Pin pin : pins.getOrDefault(rail, List.of())) {
            double amperes = draw.applyAsDouble(pin);
            for (Made made : pin.made()) {
                amperes += made.ratio() * amperes(made.rail(), draw, flow, onTheWay) + made.ownAmperes();
            }
            flow.pins().put(pin.id(), amperes);
            sum += amperes;
        }
        onTheWay.remove(rail);
        flow.rails().put(rail, sum);
        return sum;
    }

    private Flow during(Set<String> on) {
        return flowOf(pin -> pin.draw().during(on));
    }

    Map<Endpoint, Rail> all() {
        Flow average = flowOf(pin -> loads.average(pin.placed(), pin.supply()).amperes());
        List<Set<String>> scenarios = Scenarios.of(round);
        List<Flow> flows = scenarios.stream().map(this::during).toList();
        Flow rest = scenarios.get(0).isEmpty() ? flows.get(0) : during(Set.of());
        Map<String, Flow> alone = new LinkedHashMap<>();
        round.moments().forEach(moment -> alone.put(moment.id(), during(Set.of(moment.id()))));
        Map<Endpoint, Rail> all = new LinkedHashMap<>();
        outputs.forEach((id, output) -> {
            int worst = 0;
            for (int i = 1; i < flows.size(); i++) {
                worst = flows.get(i).rails().get(id) > flows.get(worst).rails().get(id) + 1e-12 ? i : worst;
            }
            Set<String> felt = new TreeSet<>(scenarios.get(worst));
            felt.removeIf(
                    moment -> alone.get(moment).rails().get(id) <= rest.rails().get(id) + 1e-12);
            all.put(id, rail(id, output, average, flows, worst, felt));
        });
        return all;
    }

    private Rail rail(Endpoint id, Output output, Flow average, List<Flow> flows, int worst, Set<String> worstMoments) {
        List<Rail.Load> onIt = pins.getOrDefault(id, List.of()).stream()
                .map(pin -> new Rail.Load(
                        pin.id(),
                        amperes(average.pins(), pin.id()),
                        Current.ofAmperes(flows.stream()
                                .mapToDouble(flow -> flow.pins().getOrDefault(pin.id(), 0.0))
                                .max()
                                .orElse(0)),
                        amperes(flows.get(worst).pins(), pin.id())))
                .toList();
        return new Rail(
                id,
                output,
                volts(id),
                output.rating().range().lowest(),
                amperes(average.rails(), id),
                amperes(flows.get(worst).rails(), id),
                onIt,
                worstMoments);
    }

    private static Current amperes(Map<Endpoint, Double> map, Endpoint id) {
        return Current.ofAmperes(map.getOrDefault(id, 0.0));
    }

    private Optional<Range<Voltage>> volts(Endpoint id) {
        Optional<Range<Voltage>> known = volts.get(id);
        if (known == null) {
            known = volts(id, outputs.size());
            volts.put(id, known);
        }
        return known;
    }

    /** Follows the feeds up to a source; empty when there is none, or when the feeds run in a circle. */
    private Optional<Range<Voltage>> volts(Endpoint id, int stepsLeft) {
        Output output = outputs.get(id);
        if (output == null || stepsLeft == 0) {
            return Optional.empty();
        }
        Placed owner = parts.get(id.part());
        if (output.way() == Output.Way.SOURCE) {
            Optional<Range<Voltage>> chosen = owner.part()
                    .setting("volts")
                    .flatMap(text -> Engineering.parse(text, Unit.VOLT))
                    .map(volts -> Range.exactly(Voltage.ofVolts(volts)));
            return chosen.or(() -> output.volts().map(figure -> figure.range()));
        }
        Optional<Range<Voltage>> in = output.from()
                .flatMap(from -> Optional.ofNullable(owner.part().feeds().get(from))
                        .flatMap(feed -> volts(feed, stepsLeft - 1))
                        .map(fed -> owner.hasDiode(from) ? fed.map(Rails::behindDiode) : fed));
        return output.way() == Output.Way.PASS
                ? in
                : in.flatMap(fed -> output.volts().map(figure -> regulated(figure.range(), fed, output)));
    }

    private static Voltage behindDiode(Voltage volts) {
        double left = volts.volts() - Placed.DIODE.volts();
        return Voltage.ofVolts(Math.max(0, left));
    }

    /** Below its dropout a linear regulator gives what comes in less the dropout. */
    private static Range<Voltage> regulated(Range<Voltage> wanted, Range<Voltage> in, Output output) {
        Regulator regulator = output.regulator();
        if (output.way() != Output.Way.LINEAR || regulator.dropout().isEmpty()) {
            return wanted;
        }
        double reach =
                Math.max(0, in.lowest().volts() - regulator.dropout().get().volts());
        if (reach >= wanted.lowest().volts()) {
            return wanted;
        }
        double expected = Math.max(
                reach, Math.min(wanted.expected().volts(), wanted.highest().volts()));
        return new Range<>(Voltage.ofVolts(reach), Voltage.ofVolts(expected), wanted.highest());
    }
}
