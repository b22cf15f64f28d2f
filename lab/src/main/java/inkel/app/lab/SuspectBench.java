package inkel.app.lab;

import inkel.app.store.Examples;
import inkel.core.bench.Answer;
import inkel.core.bench.PracticeBench;
import inkel.core.bench.Twist;
import inkel.core.bench.fault.Layout;
import inkel.core.catalog.Catalog;
import inkel.core.circuit.Circuit;
import inkel.core.diagnosis.Diagnosis;
import inkel.core.diagnosis.Evidence;
import inkel.core.document.Build;
import inkel.core.document.Meter;
import inkel.core.document.edit.CopyNode;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.document.BuildReader;
import inkel.core.wake.Check;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** How long it takes to say what a wrong reading could be. */
final class SuspectBench {
    private static final int RUNS = 5;
    private static final int WIRES = 300;
    private static final String CHECK = "volts display.VCC";
    private static final double READ = 4.21;

    private final PrintWriter out;
    private final Catalog catalog = CatalogReader.shipped();

    private SuspectBench(PrintWriter out) {
        this.out = out;
    }

    static void run(PrintWriter out) throws Exception {
        SuspectBench bench = new SuspectBench(out);
        Build build = BuildReader.read(Examples.folder().resolve(Examples.DEMO), bench.catalog);
        bench.measure("the example", build, "150 ms", "told", "150 ms");
        Build many = build;
        String first = build.nodes().get(0).id();
        for (int copies = 0; wires(many) < WIRES; copies++) {
            many = new CopyNode(first, "copy-" + copies, "Copy " + copies).apply(many);
        }
        bench.measure(wires(many) + " wires", many, "0.5 s", "3 s", "3 s");
    }

    private static long wires(Build build) {
        return build.nodes().stream().mapToLong(node -> node.wires().size()).sum();
    }

    private void measure(String what, Build build, String goalFirst, String goalAll, String goalWaiting) {
        Layout layout = Layout.of(Circuit.of(build, catalog));
        NodeWake wake = WakePlan.of(layout.circuit(), Meter.USUAL).nodes().get(0);
        PracticeBench bench = new PracticeBench(layout.circuit(), layout.lists(), Twist.NONE, Meter.USUAL, 1);
        List<Evidence> evidence = new ArrayList<>();
        for (Check check : wake.checks()) {
            Answer answer = check.id().equals(CHECK)
                    ? new Answer.Amount(READ)
                    : bench.ask(check.asked()).orElseThrow();
            evidence.add(new Evidence(check, answer));
            if (check.id().equals(CHECK)) {
                break;
            }
        }
        double[] first = new double[RUNS];
        double[] all = new double[RUNS];
        double[] again = new double[RUNS];
        double[] ahead = new double[RUNS];
        double[] expected = new double[RUNS];
        for (int i = 0; i < RUNS; i++) {
            long start = System.nanoTime();
            Diagnosis diagnosis = new Diagnosis(layout, wake, Meter.USUAL, Set.of());
            diagnosis.near(evidence, () -> false);
            first[i] = (System.nanoTime() - start) / 1e6;
            start = System.nanoTime();
            diagnosis.all(evidence, () -> false);
            all[i] = (System.nanoTime() - start) / 1e6;
            start = System.nanoTime();
            diagnosis.all(evidence.subList(1, evidence.size()), () -> false);
            again[i] = (System.nanoTime() - start) / 1e6;
            // As in the window: thought of while the meter is held to the points, asked when the reading is there.
            Diagnosis waiting = new Diagnosis(layout, wake, Meter.USUAL, Set.of());
            start = System.nanoTime();
            waiting.ahead(evidence.get(evidence.size() - 1).check(), () -> false);
            ahead[i] = (System.nanoTime() - start) / 1e6;
            start = System.nanoTime();
            waiting.near(evidence, () -> false);
            waiting.all(evidence, () -> false);
            expected[i] = (System.nanoTime() - start) / 1e6;
        }
        print("suspects of " + what + ", first list, in a cold machine", first[0], "told");
        print("the same, median of " + RUNS, median(first), "under " + goalFirst);
        print("every fault, pairs and the next look, median", median(all), "under " + goalAll);
        print("thought of ahead, while the reading is taken", median(ahead), "told");
        print("then first list, every fault, pairs and the next look", median(expected), "under " + goalWaiting);
        print("the same with what is known already", median(again), "told");
    }

    private void print(String what, double millis, String goal) {
        out.printf(Locale.ROOT, "%-72s %8.2f ms    (goal: %s)%n", what, millis, goal);
        out.flush();
    }

    private static double median(double[] of) {
        double[] sorted = of.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
