package inkel.app.lab;

import inkel.app.store.Examples;
import inkel.app.ui.pins.LoomModel;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.CatalogSearch;
import inkel.core.catalog.OwnClass;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Meter;
import inkel.core.document.Wire;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemoveWire;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.document.BuildFile;
import inkel.core.io.document.BuildReader;
import inkel.core.levels.LevelReport;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.remedy.AddParts;
import inkel.core.wake.WakePlan;
import inkel.core.wiring.WireList;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import javafx.application.Platform;

/** Prints the figures that Inkel is held to. Nothing is asserted: machines differ. */
public final class Benchmarks {
    private static final int STARTS = 7;
    private static final int WARM_UP = 2000;
    private static final int RUNS = 400;
    private static final int PLANS = 20;
    private static final int WAKES = 60;
    private static final int FEW_PLANS = 5;
    private static final List<Integer> MODULES = List.of(5, 10, 20, 40, 80);
    private static final int FULL = 40;
    private static final double CROWDED = 0.95;
    private static final double TOO_CROWDED = 1.06;
    private static final double PER_MODULE = 0.025;
    private static final int WIRES = 300;
    private static final int MANY_LOADS = 30;
    private static final int OWN_CLASSES = 2000;
    private static final int SEARCH_ROUNDS = 3;
    private static final List<String> QUESTIONS = List.of(
            "sda sck mosi miso irq gnd rst 3.3v", "measures distance, 3.3 V, I2C", "tempreature water", "radio");

    private final PrintWriter out;

    private Benchmarks(PrintWriter out) {
        this.out = out;
    }

    public static void run(PrintWriter out) throws Exception {
        Benchmarks benchmarks = new Benchmarks(out);
        Catalog catalog = CatalogReader.shipped();
        Path demo = Examples.folder().resolve(Examples.DEMO);
        Build build = BuildReader.read(demo, catalog);
        benchmarks.coldPlan(build, catalog);
        benchmarks.assess(build, catalog);
        benchmarks.manyWires(build, catalog);
        benchmarks.expectations(build, catalog);
        benchmarks.warmPlan(build, catalog);
        benchmarks.fullBoards(catalog);
        benchmarks.search(catalog);
        benchmarks.start();
        benchmarks.frames(demo, catalog);
    }

    private void print(String what, double median, String unit, String goal) {
        out.printf(Locale.ROOT, "%-72s %8.2f %-5s (goal: %s)%n", what, median, unit, goal);
        out.flush();
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    private static double millis(Runnable work) {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e6;
    }

    /** Every question as it grows letter by letter, over the catalogue and as many own classes as a long life makes. */
    private void search(Catalog catalog) {
        List<OwnClass> own = new ArrayList<>();
        for (int i = 0; i < OWN_CLASSES; i++) {
            PartClass cls = catalog.all().get(i % catalog.all().size());
            own.add(new OwnClass(cls.withId("own-" + i), ""));
        }
        Catalog large = catalog.with(own);
        CatalogSearch[] search = new CatalogSearch[1];
        double made = millis(() -> search[0] = new CatalogSearch(large));
        List<Double> times = new ArrayList<>();
        for (int round = 0; round < SEARCH_ROUNDS; round++) {
            for (String question : QUESTIONS) {
                for (int end = 1; end <= question.length(); end++) {
                    String typed = question.substring(0, end);
                    double time = millis(() -> search[0].find(typed));
                    if (round > 0) {
                        times.add(time);
                    }
                }
            }
        }
        double[] all = times.stream().mapToDouble(Double::doubleValue).toArray();
        print("index of the catalogue and " + OWN_CLASSES + " own classes, first", made, "ms", "told, no goal");
        print("search over them, median of every letter typed", median(all), "ms", "under 30 ms");
        print(
                "search over them, slowest of every letter typed",
                Arrays.stream(all).max().orElseThrow(),
                "ms",
                "under 30 ms");
    }

    private void coldPlan(Build build, Catalog catalog) {
        String node = build.nodes().get(0).id();
        double first = millis(() -> new Planner(build, catalog).plan(node));
        print("placement of the example's board, first in a fresh JVM", first, "ms", "told");
    }

    private void warmPlan(Build build, Catalog catalog) throws EditRefused {
        String node = build.nodes().get(0).id();
        for (int i = 0; i < PLANS; i++) {
            new Planner(build, catalog).planAll();
        }
        Build bare = build.withNode(
                node, of -> of.withWires(of.wires().stream().filter(Wire::held).toList()));
        print(
                "placement of the example's board from nothing, median of " + PLANS,
                median(plans(bare, catalog, node)),
                "ms",
                "under 100 ms");
        Build edited = new RemoveWire(node, build.nodes().get(0).wires().get(0).from()).apply(build);
        print("the same after one edit", median(plans(edited, catalog, node)), "ms", "under 30 ms");
    }

    private static double[] plans(Build build, Catalog catalog, String node) {
        return plans(build, catalog, node, PLANS);
    }

    private static double[] plans(Build build, Catalog catalog, String node, int count) {
        double[] times = new double[count];
        for (int i = 0; i < count; i++) {
            times[i] = millis(() -> new Planner(build, catalog).plan(node));
        }
        return times;
    }

    /** How planning grows with the table, on the big board with its pins all but used up. */
    private void fullBoards(Catalog catalog) throws EditRefused {
        for (int modules : MODULES) {
            Build full = FullBoard.of(catalog, modules, Math.min(CROWDED, modules * PER_MODULE));
            double[] times = plans(full, catalog, FullBoard.NODE, FEW_PLANS);
            Plan plan = new Planner(full, catalog).plan(FullBoard.NODE);
            String what = modules + " modules, " + plan.wires().size() + " wires";
            print(what + ", from nothing", median(times), "ms", modules == FULL ? "under 2 s" : "told");
            Build planned = plan.edit().orElseThrow().apply(full);
            print(what + ", planned again", median(plans(planned, catalog, FullBoard.NODE, FEW_PLANS)), "ms", "told");
        }
        Build tooFull = FullBoard.of(catalog, FULL, TOO_CROWDED);
        double[] times = plans(tooFull, catalog, FullBoard.NODE, FEW_PLANS);
        int clash = new Planner(tooFull, catalog).plan(FullBoard.NODE).clash().size();
        print(
                "proof that a board is too full, clash of " + clash + ", ways out tried",
                median(times),
                "ms",
                "under 3 s");
    }

    private void assess(Build build, Catalog catalog) {
        for (int i = 0; i < WARM_UP; i++) {
            Assessment.assess(build, catalog);
        }
        double[] times = new double[RUNS];
        for (int i = 0; i < RUNS; i++) {
            times[i] = millis(() -> Assessment.assess(build, catalog));
        }
        print("assess the example, median of " + RUNS + " after warm-up", median(times), "ms", "under 2 ms");
    }

    /** The same board with its modules many times over, until three hundred wires are judged. */
    private void manyWires(Build build, Catalog catalog) throws EditRefused {
        Build many = build;
        String first = build.nodes().get(0).id();
        int copies = 0;
        while (wires(many) < WIRES) {
            many = new CopyNode(first, "copy-" + copies, "Copy " + copies).apply(many);
            copies++;
        }
        Build large = many;
        Circuit circuit = Circuit.of(large, catalog);
        for (int i = 0; i < WARM_UP; i++) {
            LevelReport.of(circuit);
        }
        double[] levels = new double[RUNS];
        for (int i = 0; i < RUNS; i++) {
            Circuit fresh = Circuit.of(large, catalog);
            levels[i] = millis(() -> LevelReport.of(fresh));
        }
        print("levels of " + wires(many) + " wires, median of " + RUNS, median(levels), "ms", "under 5 ms");
    }

    /** What every check of the first power-up should read. */
    private void expectations(Build build, Catalog catalog) {
        Circuit circuit = Circuit.of(build, catalog);
        List<WireList> lists = WireList.of(circuit);
        double first = millis(() -> WakePlan.of(circuit, lists, lists.get(0), List.of(), Meter.USUAL));
        double[] times = new double[WAKES];
        for (int i = 0; i < times.length; i++) {
            times[i] = millis(() -> WakePlan.of(circuit, lists, lists.get(0), List.of(), Meter.USUAL));
        }
        print("what the checks of the example's node should read, first", first, "ms", "told");
        print("the same, median of " + WAKES, median(times), "ms", "under 20 ms");
    }

    private static long wires(Build build) {
        return build.nodes().stream().mapToLong(node -> node.wires().size()).sum();
    }

    /** Whole processes, one empty and one with the example, in turn, with the flags and archive of this process. */
    private void start() throws IOException, InterruptedException {
        double[] empty = new double[STARTS];
        double[] full = new double[STARTS];
        for (int i = 0; i < STARTS; i++) {
            empty[i] = startMillis(EmptyWindow.class.getName());
            full[i] = startMillis(StartTimer.class.getName(), "demo");
        }
        print("start of an empty window, median of " + STARTS, median(empty), "ms", "told, no goal");
        print("start of Inkel with the example, median of " + STARTS, median(full), "ms", "told, no goal");
        print("start of Inkel as a ratio to the empty window", median(full) / median(empty), "", "at most 2.0");
    }

    private static double startMillis(String mainClass, String... arguments) throws IOException, InterruptedException {
        Path state = Files.createTempDirectory("inkel-bench");
        List<String> command = new ArrayList<>(Fresh.java());
        command.add("-Dinkel.state=" + state);
        command.add(mainClass);
        command.addAll(List.of(arguments));
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        OptionalLong millis;
        try (BufferedReader lines = process.inputReader()) {
            millis = lines.lines()
                    .filter(line -> line.startsWith("start_millis "))
                    .mapToLong(line -> Long.parseLong(line.substring("start_millis ".length())))
                    .findFirst();
        }
        process.waitFor();
        return millis.orElseThrow(() -> new IOException("the window did not report its start"));
    }

    private void frames(Path demo, Catalog catalog) throws Exception {
        // So that what can be drawn is told, and not how well the toolkit's timer keeps to its 60 a second.
        System.setProperty("javafx.animation.fullspeed", "true");
        double longest = FrameProbe.longestAfterEdits(demo, catalog);
        print("longest work on the window's thread after an edit", longest, "ms", "at most 16 ms");
        double loaded = FrameProbe.longestInPower(withLoads(demo, catalog, MANY_LOADS), catalog);
        print("the same in Power with " + MANY_LOADS + " loads more on one rail", loaded, "ms", "at most 16 ms");
        print(
                "dragging a square over an empty window, pulses not held to 60 a second",
                FrameCeiling.framesPerSecond(),
                "fps",
                "told, no goal");
        drag(FullBoard.of(catalog, "board-small-5v", FULL, CROWDED), catalog);
        drag(FullBoard.of(catalog, FULL, CROWDED), catalog);
        Platform.exit();
    }

    private void drag(Build full, Catalog catalog) throws Exception {
        Plan plan = new Planner(full, catalog).plan(FullBoard.NODE);
        Build planned = plan.edit().orElseThrow().apply(full);
        LoomModel loom = LoomModel.of(Assessment.assess(planned, catalog), FullBoard.NODE);
        Path file = Files.createTempDirectory("inkel-bench").resolve("full.inkel.json");
        BuildFile.save(file, planned, catalog);
        DragProbe.Drag drag = DragProbe.drag(file, catalog, new Endpoint("module-2", "OUT"));
        String size = loom.threads().size() + " threads and " + loom.shownRows() + " rows";
        print("dragging a knot over " + size + ", the same", drag.framesPerSecond(), "fps", "60 at 40 × 120");
        print("from the press to its twentieth frame in the hand", drag.pickUpMillis(), "ms", "told, no goal");
    }

    /** A copy of a build with more sensors on its board's 5 V. */
    private static Path withLoads(Path demo, Catalog catalog, int count) throws Exception {
        Build build = BuildReader.read(demo, catalog);
        NodeCircuit node = Circuit.of(build, catalog).nodes().get(0);
        Build more = Edit.applyAll(build, AddParts.of(node, catalog.get("flow"), count));
        Path file = Files.createTempDirectory("inkel-bench").resolve("loads.inkel.json");
        BuildFile.save(file, more, catalog);
        return file;
    }
}
