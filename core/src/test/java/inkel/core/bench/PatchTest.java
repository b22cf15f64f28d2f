package inkel.core.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.Faults;
import inkel.core.bench.fault.Layout;
import inkel.core.bench.net.Outcome;
import inkel.core.bench.net.Solution;
import inkel.core.bench.net.Solver;
import inkel.core.circuit.Circuit;
import inkel.core.document.Meter;
import inkel.core.kit.Builds;
import inkel.core.kit.RandomBuilds;
import inkel.core.wake.Check;
import inkel.core.wake.WakePlan;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A bench that is made of the plan's network is the one that is made from nothing. */
class PatchTest {
    private static final int BUILDS = Integer.getInteger("inkel.bench.builds", 8);
    private static final int FIRST = 91_000;

    /** So many of the faults of a build, spread over all. */
    private static final int FAULTS = 60;

    /** Two last digits of a hand meter: a point that nothing holds settles within them, and not on one spot. */
    private static final double VOLTS = 2e-3;

    private final List<String> apart = new ArrayList<>();
    private int compared;
    private int settled;

    @Test
    void everyFaultReadsAsInANetworkMadeFromNothing() throws Exception {
        compare(Layout.of(Circuit.of(Builds.locks(), Builds.CATALOG)), "locks");
        for (int seed = FIRST; seed < FIRST + BUILDS; seed++) {
            compare(Layout.of(Circuit.of(RandomBuilds.of(seed), Builds.CATALOG)), "" + seed);
        }
        assertTrue(compared > 1000, "only " + compared);
        assertTrue(settled > compared * 0.9, settled + " of " + compared + " settle");
        assertEquals(List.of(), apart);
    }

    private void compare(Layout layout, String seed) {
        Map<Scene, List<Question.Measure>> asked = asked(layout);
        List<Fault> faults = Faults.of(layout);
        int step = Math.max(1, faults.size() / FAULTS);
        Benches benches = new Benches(layout.circuit(), layout.lists());
        Rehearsals rehearsals = new Rehearsals(layout.circuit(), layout.lists());
        for (int i = 0; i < faults.size(); i += step) {
            Twist twist = faults.get(i).forms(layout).get(0);
            for (Map.Entry<Scene, List<Question.Measure>> state : asked.entrySet()) {
                BenchModel model = benches.model(state.getKey(), new Learnt(), twist);
                Outcome outcome = new Solver(model.network(model.expected())).solve();
                Rehearsal rehearsal = rehearsals.at(state.getKey(), twist);
                if (outcome instanceof Outcome.Settled found) {
                    compare(
                            seed + " " + faults.get(i),
                            model,
                            found.solution(),
                            rehearsal,
                            state.getValue(),
                            shares(
                                    benches.model(state.getKey()),
                                    rehearsals.at(state.getKey(), Twist.NONE),
                                    state.getValue()));
                }
                compared++;
            }
        }
    }

    @Test
    void ohmsAreThoseOfANetworkMadeFromNothing() throws Exception {
        Layout layout = Layout.of(Circuit.of(Builds.locks(), Builds.CATALOG));
        Benches benches = new Benches(layout.circuit(), layout.lists());
        Rehearsals rehearsals = new Rehearsals(layout.circuit(), layout.lists());
        List<Check> ohms = WakePlan.of(layout.circuit(), Meter.USUAL).nodes().get(0).checks().stream()
                .filter(check -> check.asked().question() instanceof Question.Ohms)
                .toList();
        int finite = 0;
        List<Fault> faults = Faults.of(layout);
        for (int i = 0; i < faults.size(); i += faults.size() / FAULTS) {
            Twist twist = faults.get(i).forms(layout).get(0);
            for (Check check : ohms) {
                Question.Ohms question = (Question.Ohms) check.asked().question();
                BenchModel model = benches.model(check.asked().scene(), new Learnt(), twist);
                Foreseen expected = ohms(model, question);
                Foreseen found =
                        rehearsals.at(check.asked().scene(), twist).of(question).orElseThrow();
                String told = faults.get(i) + " " + check.id() + ": " + found + " and not " + expected;
                if (expected instanceof Foreseen.Ohms wanted && !wanted.isOpen()) {
                    finite++;
                    assertEquals(wanted.least(), ((Foreseen.Ohms) found).least(), wanted.least() * 1e-6 + 1e-9, told);
                    assertEquals(wanted.most(), ((Foreseen.Ohms) found).most(), wanted.most() * 1e-6 + 1e-9, told);
                } else {
                    assertEquals(expected, found, told);
                }
            }
        }
        assertTrue(finite > 100, "only " + finite);
    }

    /** The worst of the points that are asked for, by a meter on two networks. */
    private static Foreseen ohms(BenchModel model, Question.Ohms question) {
        double[] low = model.unknowns().stream().mapToDouble(Unknown::low).toArray();
        double[] high = model.unknowns().stream().mapToDouble(Unknown::high).toArray();
        double least = 0;
        double most = 0;
        for (String other : question.others()) {
            Optional<Double> one = Ohmmeter.read(model, Ohmmeter.at(model, low), question.one(), other);
            Optional<Double> two = Ohmmeter.read(model, Ohmmeter.at(model, high), question.one(), other);
            if (one.isEmpty() || two.isEmpty()) {
                return new Foreseen.Ohms(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, true);
            }
            least = Math.max(least, one.get());
            most = Math.max(most, two.get());
        }
        return new Foreseen.Ohms(Math.min(least, most), Math.max(least, most), false);
    }

    private void compare(
            String fault,
            BenchModel model,
            Solution anew,
            Rehearsal rehearsal,
            List<Question.Measure> questions,
            Map<Question.Measure, Double> shares) {
        settled += questions.stream()
                        .anyMatch(question -> rehearsal.roughly(question).isPresent())
                ? 1
                : 0;
        for (Question.Measure question : questions) {
            Optional<Double> own = rehearsal.roughly(question);
            double expected =
                    Foretelling.read(model, question.probe(), anew).orElse(0.0) * shares.getOrDefault(question, 1.0);
            double most = Math.max(VOLTS, Math.abs(expected) * 1e-3);
            if (own.isPresent() && Math.abs(own.get() - expected) > most) {
                apart.add(fault + " " + question.probe() + ": " + own.get() + " and not " + expected);
            }
        }
    }

    /** What a meter leaves of readings of the plan: for what differs little from it the same is taken. */
    private static Map<Question.Measure, Double> shares(
            BenchModel model, Rehearsal plan, List<Question.Measure> questions) {
        Map<Question.Measure, Double> shares = new HashMap<>();
        if (new Solver(model.network(model.expected())).solve() instanceof Outcome.Settled settled) {
            for (Question.Measure question : questions) {
                double bare = Foretelling.read(model, question.probe(), settled.solution())
                        .orElse(0.0);
                if (bare != 0) {
                    shares.put(question, plan.roughly(question).orElseThrow() / bare);
                }
            }
        }
        return shares;
    }

    /** Two states of each build, with what is measured in them. */
    private static Map<Scene, List<Question.Measure>> asked(Layout layout) {
        Map<Scene, List<Question.Measure>> asked = new LinkedHashMap<>();
        for (Check check :
                WakePlan.of(layout.circuit(), Meter.USUAL).nodes().get(0).checks()) {
            if (check.asked().question() instanceof Question.Measure measure
                    && check.asked().scene().isOn()
                    && check.asked().scene().codes().isEmpty()) {
                asked.computeIfAbsent(check.asked().scene(), key -> new ArrayList<>())
                        .add(measure);
            }
        }
        Map<Scene, List<Question.Measure>> some = new LinkedHashMap<>();
        List<Scene> scenes = List.copyOf(asked.keySet());
        for (int i : new int[] {0, scenes.size() / 2, scenes.size() - 1}) {
            if (i >= 0 && i < scenes.size()) {
                some.put(scenes.get(i), asked.get(scenes.get(i)));
            }
        }
        return some;
    }
}
