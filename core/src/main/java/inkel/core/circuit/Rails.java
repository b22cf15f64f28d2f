package inkel.core.circuit;

import inkel.core.catalog.Output;
import inkel.core.catalog.Regulator;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.document.Endpoint;
import inkel.core.document.Moment;
import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiFunction;

/**
 * Works out every rail of a node: voltages downward from the sources, currents upward from the loads. A linear
 * regulator takes in what it gives out and what it takes itself: {@code I_in = I_out + I_q}; a switching one
 * {@code I_in = V_out·I_out/(η·V_in)} at the highest output and the lowest input.
 */
final class Rails {
    private final Map<String, Placed> parts = new LinkedHashMap<>();
    private final Loads loads;
    private final Round round;
    private final List<Set<String>> scenarios;
    private final Map<Endpoint, Output> outputs = new LinkedHashMap<>();
    private final Map<Endpoint, Integer> numbers = new HashMap<>();
    private final List<List<Pin>> onRails = new ArrayList<>();
    private final List<Pin> pins = new ArrayList<>();
    private final Map<Endpoint, Pin> byId = new HashMap<>();
    private final Map<Endpoint, Optional<Figure<Voltage>>> volts = new HashMap<>();

    /**
     * A supply pin of a part, with the rails that are made from it.
     *
     * @param number its place among all pins of the node
     * @param supply absent for a lamp on a pin
     * @param made with the places of their rails in {@code madeNumbers}
     */
    private record Pin(
            int number, Endpoint id, Placed placed, Supply supply, List<Made> made, int[] madeNumbers, Draw draw) {
        boolean isLamp() {
            return supply == null;
        }
    }

    /**
     * What a pin takes, worked out once: without moments, and what each moment raises it to.
     *
     * @param rest what it takes while none of its moments is on
     */
    private record Draw(double rest, Map<String, Double> raised) {
        double during(Set<String> on) {
            double amperes = rest;
            for (Map.Entry<String, Double> entry : raised.entrySet()) {
                if (on.contains(entry.getKey())) {
                    amperes = Math.max(amperes, entry.getValue());
                }
            }
            return amperes;
        }
    }

    /**
     * What flows at one time, in amperes. A sum over a node is asked for many times, so it is kept by number.
     *
     * @param own what every pin takes by itself, by the pin's number
     * @param pins what every pin takes with what it passes on, by the pin's number
     * @param rails what flows in every rail, by the rail's number; not a number while not worked out
     */
    private record Flow(double[] own, double[] pins, double[] rails, boolean[] onTheWay) {}

    Rails(Collection<Placed> all, List<Moment> moments, List<LampOnPin> lamps) {
        loads = new Loads(moments);
        round = new Round(moments);
        scenarios = Scenarios.of(round);
        for (Placed placed : all) {
            parts.put(placed.id(), placed);
            for (Output output : placed.cls().outputs()) {
                Endpoint id = new Endpoint(placed.id(), output.pin());
                if (outputs.put(id, output) == null) {
                    numbers.put(id, onRails.size());
                    onRails.add(new ArrayList<>());
                }
            }
        }
        for (Placed placed : all) {
            for (Supply supply : placed.cls().supplies()) {
                Endpoint rail = placed.part().feeds().get(supply.pin());
                if (rail != null) {
                    add(pin(placed, supply, rail), rail);
                }
            }
        }
        for (LampOnPin lamp : lamps) {
            volts(lamp.rail())
                    .ifPresent(fed -> add(
                            new Pin(
                                    pins.size(),
                                    lamp.signal(),
                                    parts.get(lamp.signal().part()),
                                    null,
                                    List.of(),
                                    new int[0],
                                    new Draw(lamp.current(fed.range().highest()).amperes(), Map.of())),
                            lamp.rail()));
        }
    }

    private void add(Pin pin, Endpoint rail) {
        pins.add(pin);
        byId.put(pin.id(), pin);
        Integer number = numbers.get(rail);
        if (number != null) {
            onRails.get(number).add(pin);
        }
    }

    private Pin pin(Placed placed, Supply supply, Endpoint rail) {
        List<Made> made = made(placed, supply, rail);
        int[] madeNumbers = new int[made.size()];
        for (int i = 0; i < madeNumbers.length; i++) {
            madeNumbers[i] = numbers.get(made.get(i).rail());
        }
        Endpoint id = new Endpoint(placed.id(), supply.pin());
        return new Pin(pins.size(), id, placed, supply, made, madeNumbers, draw(placed, supply));
    }

    private Draw draw(Placed placed, Supply supply) {
        List<Moment> moments = loads.of(placed);
        double rest = loads.during(placed, supply, Set.of()).amperes();
        if (moments.isEmpty()) {
            return new Draw(rest, Map.of());
        }
        Map<String, Double> raised = new HashMap<>();
        for (Moment moment : moments) {
            raised.put(
                    moment.id(),
                    loads.during(placed, supply, Set.of(moment.id())).amperes());
        }
        return new Draw(rest, raised);
    }

    private List<Made> made(Placed placed, Supply supply, Endpoint feed) {
        List<Made> made = new ArrayList<>();
        for (Output output : placed.cls().outputs()) {
            if (output.from().isPresent() && output.from().get().equals(supply.pin())) {
                Endpoint rail = new Endpoint(placed.id(), output.pin());
                made.add(new Made(rail, ratio(output, rail, feed), output.own().amperes()));
            }
        }
        return made;
    }

    private double ratio(Output output, Endpoint rail, Endpoint feed) {
        return Made.ratio(output, volts(feed).map(Figure::range), volts(rail).map(Figure::range));
    }

    List<Made> made(Endpoint supplyPin) {
        Pin pin = byId.get(supplyPin);
        return pin == null ? List.of() : pin.made();
    }

    Loads loads() {
        return loads;
    }

    Round round() {
        return round;
    }

    /** What flows in every rail when each supply pin takes what the function says, and passes on what its rails give. */
    Map<Endpoint, Current> currents(BiFunction<Placed, Supply, Current> draw) {
        double[] own = new double[pins.size()];
        for (Pin pin : pins) {
            own[pin.number()] = pin.isLamp()
                    ? pin.draw().rest()
                    : draw.apply(pin.placed(), pin.supply()).amperes();
        }
        Flow flow = flow(own);
        Map<Endpoint, Current> currents = new LinkedHashMap<>();
        for (Endpoint rail : outputs.keySet()) {
            currents.put(rail, Current.ofAmperes(flow.rails()[numbers.get(rail)]));
        }
        return currents;
    }

    private Flow flow(double[] own) {
        int rails = onRails.size();
        Flow flow = new Flow(own, new double[pins.size()], new double[rails], new boolean[rails]);
        Arrays.fill(flow.rails(), Double.NaN);
        for (int rail = 0; rail < rails; rail++) {
            amperes(rail, flow);
        }
        return flow;
    }

    private double amperes(int rail, Flow flow) {
        double known = flow.rails()[rail];
        if (!Double.isNaN(known)) {
            return known;
        }
        if (flow.onTheWay()[rail]) {
            // Two rails that feed each other: nothing comes from outside, so neither has a load.
            return 0;
        }
        flow.onTheWay()[rail] = true;
        double sum = 0;
        for (Pin pin : onRails.get(rail)) {
            double amperes = flow.own()[pin.number()];
            for (int i = 0; i < pin.madeNumbers().length; i++) {
                Made made = pin.made().get(i);
                amperes += made.ratio() * amperes(pin.madeNumbers()[i], flow) + made.ownAmperes();
            }
            flow.pins()[pin.number()] = amperes;
            sum += amperes;
        }
        flow.onTheWay()[rail] = false;
        flow.rails()[rail] = sum;
        return sum;
    }

    private Flow during(Set<String> on) {
        double[] own = new double[pins.size()];
        for (Pin pin : pins) {
            own[pin.number()] = pin.draw().during(on);
        }
        return flow(own);
    }

    private Flow average() {
        double[] own = new double[pins.size()];
        for (Pin pin : pins) {
            own[pin.number()] = pin.isLamp()
                    ? pin.draw().rest()
                    : loads.average(pin.placed(), pin.supply()).amperes();
        }
        return flow(own);
    }

    /** The largest sets of moments that can coincide. */
    List<Set<String>> scenarios() {
        return scenarios;
    }

    Map<Endpoint, Rail> all() {
        Flow average = average();
        List<Flow> flows = new ArrayList<>();
        for (Set<String> scenario : scenarios) {
            flows.add(during(scenario));
        }
        Flow rest = scenarios.get(0).isEmpty() ? flows.get(0) : during(Set.of());
        Map<String, Flow> alone = new HashMap<>();
        for (Moment moment : round.moments()) {
            alone.put(moment.id(), during(Set.of(moment.id())));
        }
        Map<Endpoint, Rail> all = new LinkedHashMap<>();
        for (Map.Entry<Endpoint, Output> entry : outputs.entrySet()) {
            int number = numbers.get(entry.getKey());
            int worst = 0;
            for (int i = 1; i < flows.size(); i++) {
                worst = isMore(flows.get(i), flows.get(worst), number) ? i : worst;
            }
            Set<String> felt = new TreeSet<>();
            for (String moment : scenarios.get(worst)) {
                if (isMore(alone.get(moment), rest, number)) {
                    felt.add(moment);
                }
            }
            all.put(entry.getKey(), rail(entry.getKey(), entry.getValue(), average, flows, flows.get(worst), felt));
        }
        return all;
    }

    /** Whether more flows in a rail, by more than sums are rounded by. */
    private static boolean isMore(Flow one, Flow other, int rail) {
        return one.rails()[rail] > other.rails()[rail] + 1e-12;
    }

    private Rail rail(Endpoint id, Output output, Flow average, List<Flow> flows, Flow worst, Set<String> felt) {
        int number = numbers.get(id);
        List<Rail.Load> onIt = new ArrayList<>();
        List<Rail.Load> lamps = new ArrayList<>();
        for (Pin pin : onRails.get(number)) {
            double peak = 0;
            for (Flow flow : flows) {
                peak = Math.max(peak, flow.pins()[pin.number()]);
            }
            (pin.isLamp() ? lamps : onIt)
                    .add(new Rail.Load(
                            pin.id(),
                            Current.ofAmperes(average.pins()[pin.number()]),
                            Current.ofAmperes(peak),
                            Current.ofAmperes(worst.pins()[pin.number()])));
        }
        return new Rail(
                id,
                output,
                volts(id),
                output.rating().range().lowest(),
                Current.ofAmperes(average.rails()[number]),
                Current.ofAmperes(worst.rails()[number]),
                onIt,
                lamps,
                felt);
    }

    private Optional<Figure<Voltage>> volts(Endpoint id) {
        Optional<Figure<Voltage>> known = volts.get(id);
        if (known == null) {
            known = volts(id, outputs.size());
            volts.put(id, known);
        }
        return known;
    }

    /** Follows the feeds up to a source; empty when there is none, or when the feeds run in a circle. */
    private Optional<Figure<Voltage>> volts(Endpoint id, int stepsLeft) {
        Output output = outputs.get(id);
        if (output == null || stepsLeft == 0) {
            return Optional.empty();
        }
        Placed owner = parts.get(id.part());
        if (output.way() == Output.Way.SOURCE) {
            return owner.own(Settings.VOLTS)
                    .map(volts -> new Figure<>(Range.exactly(volts), Source.YOURS))
                    .or(output::volts);
        }
        Optional<Figure<Voltage>> in = output.from().flatMap(from -> Optional.ofNullable(
                        owner.part().feeds().get(from))
                .flatMap(feed -> volts(feed, stepsLeft - 1))
                .map(fed ->
                        owner.hasDiode(from) ? new Figure<>(owner.arriving(from, fed.range()), Source.COMPUTED) : fed));
        return output.way() == Output.Way.PASS
                ? in.map(fed -> dropped(fed, output.drop()))
                : in.flatMap(fed -> output.volts().map(figure -> regulated(figure, fed.range(), output)));
    }

    private static Figure<Voltage> dropped(Figure<Voltage> in, Optional<Range<Voltage>> drop) {
        if (drop.isEmpty()) {
            return in;
        }
        Range<Voltage> off = drop.get();
        Range<Voltage> volts = in.range();
        return new Figure<>(
                new Range<>(
                        volts.lowest().minus(off.highest()),
                        volts.expected().minus(off.expected()),
                        volts.highest().minus(off.lowest())),
                Source.COMPUTED);
    }

    /** Below its dropout a linear regulator gives what comes in less the dropout. */
    private static Figure<Voltage> regulated(Figure<Voltage> figure, Range<Voltage> in, Output output) {
        Range<Voltage> wanted = figure.range();
        Regulator regulator = output.regulator();
        if (output.way() != Output.Way.LINEAR || regulator.dropout().isEmpty()) {
            return figure;
        }
        Voltage reach = Quantity.larger(
                Voltage.ZERO, in.lowest().minus(regulator.dropout().get()));
        return reach.isBelow(wanted.lowest())
                ? new Figure<>(new Range<>(reach, wanted.expected(), wanted.highest()), Source.COMPUTED)
                : figure;
    }
}
