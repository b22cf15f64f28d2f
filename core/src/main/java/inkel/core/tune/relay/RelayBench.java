package inkel.core.tune.relay;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.formula.SampleBand;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import inkel.core.tune.Device;
import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.Means;
import inkel.core.tune.sample.Result;
import inkel.core.tune.sample.Rig;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledBench;
import inkel.core.tune.sample.Wired;
import inkel.core.tune.sample.Work;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Volts at the coil at rest and while it is on: what the supply sags by, and whether what is left is enough. Times from the
 * order to the contact: their means, and how long a program waits before it trusts the contact.
 */
public final class RelayBench implements SampledBench {
    static final String REST = "rest";
    static final String ON = "on";
    static final String CLOSES = "closes";
    static final String OPENS = "opens";
    static final String BOUNCES = "bounces";

    static final String COIL = "coil_on";
    static final String SAG = "coil_sag";
    static final String CLOSING = "closes_after";
    static final String OPENING = "opens_after";
    static final String BOUNCE = "bounces_for";
    static final String WAIT = "wait_after";

    static final String LEAST = "least";
    static final String USUAL = "usual";

    private static final int TIMES = 10;

    /** A clock of a program counts whole microseconds, with a few of them for the program itself. */
    static final double STEP = 4e-6;

    /** A warm coil and a lower supply make it slower than it was on the bench. */
    private static final double TO_SPARE = 1.5;

    @Override
    public BenchKind kind() {
        return BenchKind.RELAY;
    }

    @Override
    public Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter) {
        List<String> pins = Wired.pins(node, part, pin -> pin.use() == PinUse.INPUT || pin.use() == PinUse.PWM);
        Optional<Supply> coil = part.cls().supplies().stream().findFirst();
        if (pins.isEmpty() || coil.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new Rig(
                part.part().name(),
                pins,
                Map.of(
                        LEAST, coil.get().range().range().lowest().volts(),
                        USUAL, coil.get().range().range().expected().volts()),
                meter));
    }

    @Override
    public Set<String> forCode() {
        return Set.of(WAIT);
    }

    @Override
    public List<Ask> asks(Rig rig) {
        return List.of(
                Ask.of(REST, Unit.VOLT, 1),
                Ask.of(ON, Unit.VOLT, 1),
                Ask.of(CLOSES, Unit.SECOND, TIMES),
                Ask.of(OPENS, Unit.SECOND, TIMES),
                Ask.of(BOUNCES, Unit.SECOND, TIMES));
    }

    @Override
    public Work work(Rig rig, List<Sample> samples, Map<String, Double> set) {
        List<Result> results = new ArrayList<>();
        List<Fact> told = new ArrayList<>();
        List<Double> on = Means.values(samples, ON);
        List<Double> rest = Means.values(samples, REST);
        if (!on.isEmpty()) {
            Estimate coil = Means.volts(on, rig.meter());
            results.add(Result.measured(COIL, coil, Unit.VOLT));
            if (coil.value() < rig.figure(LEAST)) {
                told.add(Fact.of("tune.relay.weak")
                        .with("volts", hundredth(coil.value()))
                        .with("least", hundredth(rig.figure(LEAST))));
            }
            if (!rest.isEmpty()) {
                results.add(Result.measured(SAG, sag(rest, on, rig.meter()), Unit.VOLT)
                        .computed());
            }
        }
        mean(samples, CLOSES, CLOSING, results);
        mean(samples, OPENS, OPENING, results);
        mean(samples, BOUNCES, BOUNCE, results);
        longest(samples)
                .ifPresent(wait -> results.add(Result.measured(WAIT, Estimate.of(wait * TO_SPARE), Unit.SECOND)
                        .computed()));
        return new Work(results, Means.picture(Means.values(samples, CLOSES), Unit.SECOND), told);
    }

    /** The meter's share of two readings is the same one: it counts for their difference only. */
    private static Estimate sag(List<Double> rest, List<Double> on, Meter meter) {
        double sag = SampleBand.of(rest).mean() - SampleBand.of(on).mean();
        double chance = Math.hypot(Means.chance(rest, meter), Means.chance(on, meter));
        return new Estimate(sag, Spread.ofSum(meter.accuracy() * Math.abs(sag), chance));
    }

    private static void mean(List<Sample> samples, String ask, String name, List<Result> results) {
        List<Double> values = Means.values(samples, ask);
        if (!values.isEmpty()) {
            results.add(Result.measured(name, Means.mean(values, STEP), Unit.SECOND));
        }
    }

    /** The longest that it took to close or to open, and to come to rest after. */
    private static Optional<Double> longest(List<Sample> samples) {
        List<Double> moves = new ArrayList<>(Means.values(samples, CLOSES));
        moves.addAll(Means.values(samples, OPENS));
        double bounce = Means.values(samples, BOUNCES).stream()
                .mapToDouble(Double::doubleValue)
                .max()
                .orElse(0);
        return moves.stream().max(Double::compare).map(move -> move + bounce);
    }

    private static double hundredth(double volts) {
        return Math.rint(volts * 100) / 100;
    }

    @Override
    public Device<Question, List<Double>> device(Rig rig, long seed) {
        return new RelayDevice(rig, seed);
    }
}
