package inkel.app.lab;

import inkel.app.state.Planning;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Logbook;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RenamePart;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.pins.PartialPlan;
import inkel.core.pins.Patience;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.remedy.AddParts;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;

/** Tables far larger than anybody's: they may be slow, and never stuck. */
final class BigBench {
    private static final int LAMPS = 5000;
    private static final int PARTS = 300;
    private static final int MIXED = 100;
    private static final int STRAPPED = 25;
    private static final int EDITS = 12;
    private static final double STOPPED_AFTER = 1;

    private BigBench() {}

    static void run(PrintWriter out) throws EditRefused {
        Catalog catalog = CatalogReader.shipped();
        catalog.all();
        Assessment.assess(lamps(200), catalog);
        tell(out, LAMPS + " lamps on the pins of one board, checked", () -> Assessment.assess(lamps(LAMPS), catalog));
        Build many = mixed(catalog, PARTS, 7);
        double worst = 0;
        for (int i = 0; i < EDITS; i++) {
            many = new RenamePart("table", Part.BOARD, "Board " + i).apply(many);
            Build now = many;
            double took = seconds(() -> Assessment.assess(now, catalog));
            // The first ones warm the machine up.
            worst = i < EDITS / 2 ? 0 : Math.max(worst, took);
        }
        out.printf(
                Locale.ROOT, "%-58s %8.3f s%n", PARTS + " mixed parts, an edit judged, worst of " + EDITS / 2, worst);
        for (int seed = 1; seed <= 3; seed++) {
            Build table = mixed(catalog, MIXED, seed);
            planned(out, MIXED + " mixed parts, pins shared out, seed " + seed, table, catalog);
        }
        planned(out, STRAPPED + " parts with straps on one bus, pins shared out", strapped(catalog), catalog);
    }

    private interface Work {
        void run();
    }

    private static double seconds(Work work) {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e9;
    }

    private static void tell(PrintWriter out, String what, Work work) {
        out.printf(Locale.ROOT, "%-58s %8.3f s%n", what, seconds(work));
        out.flush();
    }

    private static void planned(PrintWriter out, String what, Build build, Catalog catalog) {
        long start = System.nanoTime();
        Plan plan = new Planner(build, catalog, Patience.of(Planning.LONGEST, () -> false)).plan("table");
        double took = (System.nanoTime() - start) / 1e9;
        String answer = plan.placed()
                ? plan.complete() ? "placed" : "placed, best so far"
                : plan.complete() ? "proved that there is no way" : "given up";
        out.printf(Locale.ROOT, "%-58s %8.3f s, %s%n", what, took, answer);
        if (!plan.placed()) {
            long more = System.nanoTime();
            PartialPlan some =
                    PartialPlan.of(build, catalog, "table", Patience.of(Planning.LONGEST_PARTIAL, () -> false));
            out.printf(
                    Locale.ROOT,
                    "%-58s %8.3f s, %d parts%n",
                    "  as many as have a place",
                    (System.nanoTime() - more) / 1e9,
                    some.placed().size());
        }
        long again = System.nanoTime();
        try {
            new Planner(build, catalog, () -> System.nanoTime() - again > STOPPED_AFTER * 1e9).plan("table");
        } catch (java.util.concurrent.CancellationException stopped) {
            out.printf(
                    Locale.ROOT,
                    "%-58s %8.3f s%n",
                    "  stopped after 1 s, ended after",
                    (System.nanoTime() - again) / 1e9);
        }
        out.flush();
    }

    private static Build lamps(int count) {
        List<Part> parts = new ArrayList<>(List.of(
                Part.of(Part.BOARD, "board-big-5v", "Board", "").withFeed("USB", new Endpoint("usb", "5V")),
                Part.of("usb", "usb-port", "USB", "")));
        List<Wire> wires = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Part lamp = Part.of("lamp-" + i, "led", "Lamp " + i, "");
            parts.add(lamp);
            wires.add(Wire.placed(new Endpoint(lamp.id(), "A"), new Endpoint(Part.BOARD, "D" + (22 + i % 30))));
        }
        Node node = new Node("table", "Table", parts, wires, List.of(), List.of(), Set.of(), Extras.NONE);
        return new Build("Lamps", List.of(node), Logbook.EMPTY, Extras.NONE);
    }

    /** Modules of any kind, fed as the window feeds them. */
    private static Build mixed(Catalog catalog, int count, int seed) throws EditRefused {
        Random random = new Random(seed);
        List<PartClass> modules =
                catalog.all().stream().filter(cls -> cls.kind() == Kind.MODULE).toList();
        Build build = lamps(0);
        for (int i = 0; i < count; i++) {
            PartClass cls = modules.get(random.nextInt(modules.size()));
            build = Edit.applyAll(
                    build, AddParts.of(Circuit.of(build, catalog).nodes().get(0), cls, 1));
        }
        return build;
    }

    private static Build strapped(Catalog catalog) throws EditRefused {
        PartClass cls = catalog.all().stream()
                .filter(one ->
                        one.i2c().filter(need -> need.addresses().size() >= 8).isPresent())
                .findFirst()
                .orElseThrow();
        Build build = lamps(0);
        return Edit.applyAll(
                build, AddParts.of(Circuit.of(build, catalog).nodes().get(0), cls, STRAPPED));
    }
}
