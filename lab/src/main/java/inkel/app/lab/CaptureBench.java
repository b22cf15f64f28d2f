package inkel.app.lab;

import inkel.app.store.Examples;
import inkel.core.capture.Capture;
import inkel.core.capture.CaptureReader;
import inkel.core.io.catalog.CatalogReader;
import java.io.BufferedReader;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.Callable;
import javafx.application.Platform;

/** How long a large capture takes to read, beside a plain scan of its lines, and what it takes of the heap. */
final class CaptureBench {
    private static final int RUNS = 5;
    private static final double MEGA = 1e6;

    private CaptureBench() {}

    static void run(PrintWriter out, int edges) throws Exception {
        Path table = Files.createTempFile("inkel-capture", ".csv");
        Path file = Files.createTempFile("inkel-capture", ".vcd");
        try {
            makeTable(table, edges);
            read(out, "table", table);
            make(file, edges);
            read(out, "dump", file);
            ScrollProbe.Scroll scroll =
                    ScrollProbe.scroll(Examples.folder().resolve(Examples.DEMO), CatalogReader.shipped(), file);
            out.printf(
                    Locale.ROOT,
                    "the same in the window: shown after %.1f s as %,d lines, scrolled and leapt through at %.0f frames a"
                            + " second (goal 60; an empty window gets %.0f)%n",
                    scroll.shownSeconds(),
                    scroll.rows(),
                    scroll.framesPerSecond(),
                    FrameCeiling.framesPerSecond());
            Platform.exit();
        } finally {
            Files.delete(table);
            Files.delete(file);
        }
    }

    private static void read(PrintWriter out, String what, Path file) throws Exception {
        double scan = median(() -> lines(file));
        double read = median(() -> CaptureReader.read(file).edges());
        Capture kept = CaptureReader.read(file);
        System.gc();
        long used = Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
        out.printf(
                Locale.ROOT,
                "a %s of %,d edges: its lines %.2f s, read %.2f s, %.2f times as long (goal 2); heap after it %.0f MB"
                        + " (goal 400), median of %d%n",
                what,
                kept.edges(),
                scan,
                read,
                read / scan,
                used / MEGA,
                RUNS);
    }

    private static double median(Callable<Long> work) throws Exception {
        double[] seconds = new double[RUNS];
        for (int i = 0; i < RUNS; i++) {
            long from = System.nanoTime();
            if (work.call() <= 0) {
                throw new IllegalStateException("nothing read");
            }
            seconds[i] = (System.nanoTime() - from) / 1e9;
        }
        Arrays.sort(seconds);
        return seconds[RUNS / 2];
    }

    private static long lines(Path file) throws IOException {
        try (BufferedReader reader = Files.newBufferedReader(file)) {
            return reader.lines().count();
        }
    }

    /** Two wires, one of which changes half as often. */
    private static void make(Path file, int edges) throws IOException {
        Random random = new Random(1);
        try (BufferedWriter out = Files.newBufferedWriter(file)) {
            out.write("$timescale 10 ns $end\n$var wire 1 ! D0 $end\n$var wire 1 \" D1 $end\n$enddefinitions $end\n");
            long time = 0;
            int made = 0;
            for (int i = 0; made < edges; i++) {
                time += 5 + random.nextInt(45);
                out.write("#" + time + "\n" + (i & 1) + "!\n");
                made++;
                if (i % 2 == 0 && made < edges) {
                    out.write(((i >> 1) & 1) + "\"\n");
                    made++;
                }
            }
        }
    }

    /** A line for each moment at which a wire changes, with both wires. */
    private static void makeTable(Path file, int edges) throws IOException {
        Random random = new Random(1);
        try (BufferedWriter out = Files.newBufferedWriter(file)) {
            out.write("Time [s],D0,D1\n");
            long time = 0;
            int made = 0;
            for (int i = 0; made < edges; i++) {
                time += 5 + random.nextInt(45);
                out.write(String.format(
                        Locale.ROOT, "%d.%08d,%d,%d%n", time / 100_000_000, time % 100_000_000, i & 1, (i >> 1) & 1));
                made += i % 2 == 0 ? 2 : 1;
            }
        }
    }
}
