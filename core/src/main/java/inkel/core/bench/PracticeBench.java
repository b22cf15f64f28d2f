package inkel.core.bench;

import inkel.core.bench.net.Influence;
import inkel.core.bench.net.Network;
import inkel.core.bench.net.Outcome;
import inkel.core.bench.net.Solution;
import inkel.core.bench.net.Solver;
import inkel.core.circuit.Circuit;
import inkel.core.document.Meter;
import inkel.core.wiring.WireList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Function;

/**
 * A bench that is not there. All its figures are drawn by chance within what is known of them, and so is what its meter is
 * off by; the same seed makes the same bench.
 */
public final class PracticeBench implements Bench {
    /** Beyond that a hand meter shows no ohms. */
    private static final double MOST_OHMS = 20e6;

    /** What leads are off by when they are zeroed, in ohms. */
    private static final double LEADS_OHMS = 0.1;

    private final Circuit circuit;
    private final Benches benches;
    private final Twist twist;
    private final Meter meter;
    private final Function<Network, Outcome> solving;
    private final long seed;
    private final double gain;
    private final Random noise;
    private final Map<String, Double> figures = new HashMap<>();

    /** @param twist in what it differs from the plan */
    public PracticeBench(Circuit circuit, List<WireList> lists, Twist twist, Meter meter, long seed) {
        this(circuit, lists, twist, meter, seed, network -> new Solver(network).solve());
    }

    /** @param solving finds the volts of its networks */
    public PracticeBench(
            Circuit circuit,
            List<WireList> lists,
            Twist twist,
            Meter meter,
            long seed,
            Function<Network, Outcome> solving) {
        this.circuit = circuit;
        this.twist = twist;
        this.meter = meter;
        this.seed = seed;
        this.solving = solving;
        benches = new Benches(circuit, lists);
        noise = new Random(seed);
        gain = 1 + meter.accuracy() * (2 * noise.nextDouble() - 1);
    }

    @Override
    public Optional<Answer> ask(Asked asked) {
        Optional<Answer> plain = twist.withoutPower(asked.question());
        if (plain.isPresent()) {
            return plain;
        }
        BenchModel model = benches.model(asked.scene(), new Learnt(), twist);
        double[] drawn = model.unknowns().stream().mapToDouble(this::drawn).toArray();
        if (asked.question() instanceof Question.Ohms ohms) {
            return Optional.of(ohms(model, drawn, ohms));
        }
        if (!(solving.apply(model.network(drawn)) instanceof Outcome.Settled settled)) {
            return Optional.empty();
        }
        if (asked.question() instanceof Question.Measure measure) {
            return measured(model, settled.solution(), measure.probe());
        }
        Reach reach = benches.reach(asked.scene(), twist);
        Reach planned = benches.reach(asked.scene(), Twist.NONE);
        return new Life(circuit, model, settled.solution(), twist, reach, planned).answer(asked.question());
    }

    private double drawn(Unknown unknown) {
        return figures.computeIfAbsent(unknown.key(), key -> {
            double share = new Random(seed * 1_000_003 + key.hashCode()).nextDouble();
            return unknown.low() + share * (unknown.high() - unknown.low());
        });
    }

    private Answer ohms(BenchModel model, double[] drawn, Question.Ohms ohms) {
        double worst = 0;
        Influence influence = Ohmmeter.at(model, drawn);
        for (String other : ohms.others()) {
            Optional<Double> read = Ohmmeter.read(model, influence, ohms.one(), other);
            if (read.isEmpty() || read.get() > MOST_OHMS) {
                return new Answer.Overload();
            }
            worst = Math.max(worst, read.get());
        }
        double shown = worst * gain + LEADS_OHMS * noise.nextDouble();
        double step = Math.max(0.1, Math.pow(10, Math.floor(Math.log10(Math.max(shown, 1))) - 2));
        return new Answer.Amount(Math.rint(shown / step) * step);
    }

    private Optional<Answer> measured(BenchModel model, Solution solution, Probe probe) {
        Optional<Double> real = Foretelling.read(model, probe, solution);
        if (probe instanceof Probe.Amperes) {
            return real.map(amperes -> new Answer.Amount(
                    Math.rint(amperes * (1 + Display.SHARE * (2 * noise.nextDouble() - 1)) / Display.STEP)
                            * Display.STEP));
        }
        // Between points that nothing joins a meter shows nothing.
        double volts = real.map(open -> open * left(model, solution, probe)).orElse(0.0);
        double step = meter.step(volts);
        double off = meter.digits() * step * (2 * noise.nextDouble() - 1) / 2;
        return Optional.of(new Answer.Amount(Math.rint((volts * gain + off) / step) * step));
    }

    private static double left(BenchModel model, Solution solution, Probe probe) {
        return MeterLoad.share(
                solution, new Influence(solution), Reading.of(model, probe).orElseThrow());
    }
}
