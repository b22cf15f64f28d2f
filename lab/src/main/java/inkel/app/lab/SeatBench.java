package inkel.app.lab;

import inkel.app.export.Export;
import inkel.app.export.Exports;
import inkel.app.store.Examples;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.document.edit.Edit;
import inkel.core.drawer.Drawer;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.document.BuildReader;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.remedy.AddParts;
import inkel.core.remedy.NewNode;
import inkel.core.seats.SeatPlan;
import inkel.core.seats.SeatPlanner;
import inkel.core.wiring.WireList;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** How long it takes to seat a table, and how far its wires are from the least that any seats could do with. */
final class SeatBench {
    private static final int TABLES = 60;
    private static final int RUNS = 7;
    private static final int MANY = 40;
    private static final double SHARE = 0.9;

    private final PrintWriter out;
    private final Catalog catalog = CatalogReader.shipped();

    private SeatBench(PrintWriter out) {
        this.out = out;
    }

    static void run(PrintWriter out) throws Exception {
        SeatBench bench = new SeatBench(out);
        Build example = BuildReader.read(Examples.folder().resolve(Examples.DEMO), bench.catalog);
        bench.time("seats for a board of the example", example, "300 ms");
        Build many = bench.planned(FullBoard.of(bench.catalog, MANY, SHARE));
        bench.time("seats for a big board with " + MANY + " modules", many, "3000 ms");
        bench.sheet(example);
        bench.gaps();
    }

    /** As the command line makes it: seats, content and PDF, of a build that was just read. */
    private void sheet(Build build) {
        List<Double> millis = new ArrayList<>();
        int bytes = 0;
        for (int run = 0; run < RUNS; run++) {
            Assessment assessment = Assessment.assess(build, catalog);
            long start = System.nanoTime();
            bytes = Exports.find("sheet.pdf")
                    .orElseThrow()
                    .make()
                    .apply(Export.Of.first(assessment, Drawer.EMPTY))
                    .orElseThrow()
                    .length;
            millis.add((System.nanoTime() - start) / 1e6);
        }
        out.printf(
                Locale.ROOT,
                "%-44s first %6.0f ms, median %6.0f ms (goal: 1000 ms), %d kB%n",
                "the sheet of the example, seats included",
                millis.get(0),
                median(millis),
                bytes / 1000);
        out.flush();
    }

    private void time(String what, Build build, String goal) {
        Circuit circuit = Circuit.of(build, catalog);
        List<WireList> lists = WireList.of(circuit);
        List<Double> millis = new ArrayList<>();
        SeatPlan plan = null;
        for (int run = 0; run < RUNS; run++) {
            long start = System.nanoTime();
            plan = SeatPlanner.of(circuit.nodes().get(0), lists);
            millis.add((System.nanoTime() - start) / 1e6);
        }
        out.printf(
                Locale.ROOT,
                "%-44s first %6.0f ms, median %6.0f ms (goal: %s), %d breadboards, %.2f m, %.0f %% over the bound%n",
                what,
                millis.get(0),
                median(millis),
                goal,
                plan.boards(),
                plan.total().metres(),
                gap(plan));
        out.flush();
    }

    /** In percent. */
    private static double gap(SeatPlan plan) {
        return 100 * (plan.total().metres() / plan.boundMetres() - 1);
    }

    private static double median(List<Double> values) {
        return values.stream().sorted().toList().get(values.size() / 2);
    }

    /** Every board with modules by chance. */
    private void gaps() throws Exception {
        List<PartClass> boards =
                catalog.all().stream().filter(cls -> cls.kind() == Kind.BOARD).toList();
        List<PartClass> modules =
                catalog.all().stream().filter(cls -> cls.kind() == Kind.MODULE).toList();
        List<Double> gaps = new ArrayList<>();
        for (int seed = 0; seed < TABLES; seed++) {
            Random random = new Random(seed);
            PartClass board = boards.get(seed % boards.size());
            Node node = NewNode.of("table", board.name(), board, catalog.get("usb-port"));
            Build build = new Build(
                    "Table", List.of(node), inkel.core.document.Logbook.EMPTY, inkel.core.document.Extras.NONE);
            int count = 2 + random.nextInt(12);
            for (int i = 0; i < count; i++) {
                PartClass cls = modules.get(random.nextInt(modules.size()));
                build = Edit.applyAll(
                        build, AddParts.of(Circuit.of(build, catalog).nodes().get(0), cls, 1));
            }
            Circuit circuit = Circuit.of(planned(build), catalog);
            SeatPlan plan = SeatPlanner.of(circuit.nodes().get(0), WireList.of(circuit));
            if (plan.total().metres() > 0) {
                gaps.add(gap(plan));
            }
        }
        out.printf(
                Locale.ROOT,
                "wire over the bound, %d tables of 2 to 13 modules: median %.1f %% (goal: 25 %%), worst %.1f %%%n",
                gaps.size(),
                median(gaps),
                gaps.stream().mapToDouble(Double::doubleValue).max().orElse(0));
        out.flush();
    }

    private Build planned(Build build) throws Exception {
        Plan plan = new Planner(build, catalog).plan(build.nodes().get(0).id());
        return plan.placed() ? plan.edit().orElseThrow().apply(build) : build;
    }
}
